package yellowbracket.desktop.station.size;

import java.util.List;
import java.util.Optional;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.ViewPicture;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.desktop.widget.Card;
import yellowbracket.size.Air;
import yellowbracket.size.Vision;

/** What the wearer sees and breathes. */
final class SightPart extends SizePart {
    SightPart(SizeView view) {
        super(view);
    }

    @Override
    public String heading() {
        return "what the wearer sees";
    }

    private static String floor(Vision v) {
        return Double.isInfinite(v.floorFromM()) ? "no floor in sight" : Words.text("floor from %.1f m", v.floorFromM());
    }

    @Override
    void write(Card card) {
        var fits = model.result(SizeFigures.FITS);
        if (fits.isEmpty()) {
            view.waiting(card, SizeFigures.FITS);
            return;
        }
        var main = fits.get().list().getFirst();
        var v = main.vision();
        card.row("sideways", Words.text("%.0f\u00b0 + %.0f\u00b0", v.leftDeg(), v.rightDeg()),
                "left and right of straight ahead; 95\u00b0 each with nothing on");
        card.row("up and down", Words.text("%.0f\u00b0 + %.0f\u00b0", v.upDeg(), v.downDeg()),
                "60\u00b0 up and 70\u00b0 down with nothing on", v.downDeg() < 20 ? "care" : "");
        card.row("floor", Double.isInfinite(v.floorFromM()) ? "never" : Words.text("%.1f m", v.floorFromM()),
                Words.text("nearest floor in sight, eyes %.2f m up", main.wearer().eyeHeightMm() / 1000), v.downDeg() < 20 ? "care" : "");
        card.row("open", Words.percent(v.openShare()), "of the usual field of view");
        card.row("both eyes", Words.percent(v.bothShare()), "of what is open: there distances can be judged",
                v.bothShare() < 0.35 ? "care" : "");
        card.row("eyes", v.eyesUpMm() == 0 ? "well placed" : words().length(Math.abs(v.eyesUpMm())),
                v.eyesUpMm() == 0 ? "no shift up or down opens much more"
                        : "too " + (v.eyesUpMm() > 0 ? "low" : "high") + " in the opening: " + (v.eyesUpMm() > 0 ? "lower" : "raise")
                                + " the helm by that with the crown pad",
                v.eyesUpMm() == 0 ? "good" : "care");
        card.row("air",
                words().inches() ? Words.text("%.1f in\u00b2", main.air().openCm2() / 6.4516)
                        : Words.text("%.1f cm\u00b2", main.air().openCm2()),
                Words.text("open within %.0f mm of the mouth; %.0f cm\u00b2 wanted", Air.REACH_MM, Air.WANTED_CM2),
                main.air().openCm2() < Air.WANTED_CM2 ? "care" : "good");
        VoiceRows.write(card, words(), main.speech(), main.glasses());
        view.findings(card, main.seeing());
        if (fits.get().list().size() > 1) {
            var table = new yellowbracket.desktop.widget.Sheet<yellowbracket.size.Fit>("view by wearer", "nobody")
                    .words("wearer", f -> f.wearer().name())
                    .number("open %", f -> f.vision().openShare(), f -> Words.text("%.0f", 100 * f.vision().openShare()))
                    .number("floor m", f -> f.vision().floorFromM(),
                            f -> Double.isInfinite(f.vision().floorFromM()) ? "-" : Words.text("%.1f", f.vision().floorFromM()))
                    .number("both %", f -> f.vision().bothShare(), f -> Words.text("%.0f", 100 * f.vision().bothShare()));
            card.title("by wearer");
            card.add(table.rows(fits.get().list(), 4));
        }
        card.caution("A narrow view hides kerbs, stairs and children. Walk the place first without it, keep a helper at your side, and "
                + "rest often: heat builds up faster than you notice.");
    }

    @Override
    void draw() {
        bare();
        bench.show(List.of(), yellowbracket.mesh.Bounds3.of(-100, -100, -100, 100, 100, 100), prop().id() + "/sight");
        var f = fit();
        if (f.isEmpty()) return;
        var v = f.get().vision();
        bench.picture(Optional.of(new ViewPicture(v, floor(v))));
        bench.legend()
                .squares(f.get().wearer().name() + "'s view, in degrees",
                        List.of(Role.BOTH_EYES.colour(), Role.ONE_EYE.colour(), Role.BLOCKED.colour()),
                        List.of("both eyes", "one eye", "blocked"));
        bench.gauges(List.of(new Bench.Gauge("open", Words.percent(v.openShare()), "of the usual field", ""),
                new Bench.Gauge("floor from", Double.isInfinite(v.floorFromM()) ? "never" : Words.text("%.1f m", v.floorFromM()), "",
                        v.downDeg() < 20 ? "care" : ""),
                new Bench.Gauge("both eyes", Words.percent(v.bothShare()), "", v.bothShare() < 0.35 ? "care" : ""),
                new Bench.Gauge("air", Words.text("%.1f cm\u00b2", f.get().air().openCm2()), "",
                        f.get().air().openCm2() < Air.WANTED_CM2 ? "care" : "good")));
    }
}
