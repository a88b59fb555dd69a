package yellowbracket.join;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** What to do about what was found when a seam was put together dry. */
public final class DryFitAdvice {
    /** A step this high is sanded off; a higher one is bent first, mm. */
    static final double SANDED_MM = 0.6;
    /** A gap up to this is nubs and the flare of the first layers; a wider one is a warped section, mm. */
    static final double NUBS_MM = 0.8;

    private DryFitAdvice() {}

    /** In order; {@code fits} alone where nothing is to be done. @param softensC of the print, degrees */
    public static List<String> of(JoinWish.DryFit found, SeamJoin j, double softensC) {
        if (found.fits()) return List.of("fits");
        var out = new ArrayList<String>();
        if (found.gapMm() > NUBS_MM)
            out.add(text("sand or bend until it closes: %.1f mm is more than nubs, look for a warp", found.gapMm()));
        else if (found.gapMm() > 0)
            out.add(text("sand nubs and the flare of the first layers by up to %.1f mm on each face", found.gapMm() / 2));
        if (found.stepMm() > SANDED_MM) out.add(text(
                "warm the higher edge to about %.0f \u00b0C, bend it by %.1f mm and hold it till cold; or pull it level with strips inside",
                softensC, found.stepMm()));
        else if (found.stepMm() > 0) out.add(text("sand the step of %.1f mm off after the glue is hard", found.stepMm()));
        if (found.gapMm() > 0 && j.glued()) out.add(j.product().gapMm() >= found.gapMm() ? j.product().name() + " fills what is left"
                : text("%s does not fill more than %.1f mm", j.product().name(), j.product().gapMm()));
        return List.copyOf(out);
    }

    private static String text(String f, Object... v) {
        return String.format(Locale.ROOT, f, v);
    }
}
