package yellowbracket.print;

import yellowbracket.finding.Limits;

/** Layers of one height over a part of a print's height, mm over the bed. */
public record Band(double fromMm, double toMm, double layerMm) {
    public Band {
        Limits.within("layer height of a band, mm", layerMm, 0.01, 5);
        if (!(fromMm >= 0) || !(toMm > fromMm) || !(toMm < 1e5))
            throw new IllegalArgumentException("a band runs from " + fromMm + " to " + toMm + " mm, which is no height");
    }
}
