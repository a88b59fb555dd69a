package yellowbracket.size;

import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Wearer;

/** Regions of the head form by which clearance is told. {@code leastMm}: skin to hard wall at least; {@code padded}: where foam pads go. */
public enum Zone {
    BROW("brow", 5, true), TEMPLES("temples", 5, true), EARS("ears", 8, false), CROWN("crown", 5, true), BACK("back", 5, true),
    CHEEKS("cheeks", 5, false), NOSE("nose", 8, false), CHIN("chin", 5, false), JAW("jaw", 5, false), NECK("neck", 3, false);

    /** Foam that makes a helm sit: 10 mm pads, of which about 30 % is lost under pressure. */
    private static final double PADDING_MM = 10;
    /** Lenses stand out before the cheeks, the arms lie along the temples. */
    private static final double LENSES_MM = 10;
    private static final double ARMS_MM = 3;

    private final String label;
    private final double leastMm;
    private final boolean padded;

    Zone(String label, double leastMm, boolean padded) {
        this.label = label;
        this.leastMm = leastMm;
        this.padded = padded;
    }

    public String label() {
        return label;
    }

    public boolean padded() {
        return padded;
    }

    /** Whether hair lies here. */
    boolean hairy() {
        return this == CROWN || this == BACK || this == TEMPLES || this == BROW;
    }

    /** Least clearance for this wearer, mm: hard wall distance plus hair (pressed to a third) or glasses where they are. */
    public double leastMm(Wearer w) {
        double hair = hairy() ? w.hairMm() / 3 : 0;
        double glasses = !w.glasses() ? 0 : this == CHEEKS ? LENSES_MM : this == TEMPLES ? ARMS_MM : 0;
        return leastMm + hair + glasses;
    }

    /** Clearance to aim at, mm: room for pads where pads go, 2 mm more than the least elsewhere. */
    public double targetMm(Wearer w) {
        return padded ? Math.max(leastMm(w), PADDING_MM + w.hairMm() / 3) : leastMm(w) + 2;
    }

    /** @param p on the head form, mm; @param t height over the chin-to-crown height, 0 at the eyes */
    static Zone at(Vec3 p, double t) {
        double front = Math.toDegrees(Math.atan2(p.y(), Math.abs(p.x()))); // 90 ahead, 0 at the side, -90 behind
        if (t > 0.36) return CROWN;
        if (t < -0.52) return NECK;
        if (front < -35) return BACK;
        if (t >= 0.08) return front > 35 ? BROW : TEMPLES;
        if (front < 25) return t > -0.28 ? EARS : JAW;
        if (t < -0.36) return front > 55 ? CHIN : JAW;
        return Math.abs(p.x()) < 20 && t < 0.03 && t > -0.27 && front > 60 ? NOSE : CHEEKS;
    }
}
