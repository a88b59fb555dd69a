package yellowbracket.shop;

import java.util.ArrayList;
import java.util.List;

/**
 * How a resin layer is lit and peeled: seconds of light for a layer, and for the first ones that hold on to the plate; lift in mm and mm/s,
 * there and back.
 */
public record Cure(double exposureS, int bottomLayers, double bottomExposureS, double liftMm, double liftMmS) {
    /** Settling of the resin before the light goes on. */
    private static final double REST_S = 1;

    /** Seconds of all layers, however much lies in them. */
    public double seconds(int layers) {
        int bottom = Math.min(layers, bottomLayers);
        return layers * (2 * liftMm / liftMmS + REST_S) + bottom * bottomExposureS + (layers - bottom) * exposureS;
    }

    List<String> check() {
        var out = new ArrayList<String>();
        if (!(exposureS > 0 && bottomExposureS > 0)) out.add("the exposure must be above 0 s.");
        if (!(liftMm > 0 && liftMmS > 0)) out.add("lift and its speed must be above 0.");
        if (bottomLayers < 0) out.add("the number of bottom layers must not be negative.");
        return out;
    }
}
