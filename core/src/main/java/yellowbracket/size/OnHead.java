package yellowbracket.size;

import java.util.Optional;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Wearer;

/**
 * A wearer with the prop on, be it a helm or a mask: where the head sits, what is seen, breathed and said.
 *
 * @param air empty where the mouth lies free below the prop
 */
public record OnHead(Wearer wearer, HeadForm form, Pose pose, Vision vision, Optional<Air> air, Speech speech, Optional<Glasses> glasses) {
    /** Below the lips, share of chin to crown: what ends higher leaves the mouth free. */
    private static final double LIPS = -0.36;

    public static OnHead of(Fit f) {
        return new OnHead(f.wearer(), f.clearance().form(), f.pose(), f.vision(), Optional.of(f.air()), f.speech(), f.glasses());
    }

    /** @param shell the mask's, unscaled */
    public static OnHead of(MaskFit f, Cavity shell, double scale) {
        var form = HeadForm.of(f.wearer());
        var vision = Vision.of(form, shell, scale, f.pose(), f.wearer().eyeHeightMm());
        double lips = f.pose().place(new Vec3(0, form.frontY(0, LIPS), LIPS * form.measures().heightMm())).z();
        var air = shell.mesh().bounds().min().z() * scale > lips ? Optional.<Air>empty()
                : Optional.of(Air.of(form, shell, scale, f.pose()));
        return new OnHead(f.wearer(), form, f.pose(), vision, air, f.speech(), f.glasses());
    }
}
