package yellowbracket.export;

import java.awt.image.BufferedImage;

/** A page of a PDF rasterised at 300 dpi, measured as with a ruler. */
final class OnPaper {
    static final double DPI = 300, MM = 25.4 / DPI;

    private OnPaper() {}

    /** What is dark below the head of the page: left, right, top, bottom, mm. */
    static double[] box(BufferedImage image, double headMm) {
        int left = image.getWidth(), right = 0, top = image.getHeight(), bottom = 0;
        for (int y = (int) (headMm / MM); y < image.getHeight(); y++) for (int x = 0; x < image.getWidth(); x++) {
            if ((image.getRGB(x, y) & 0xff) > 150) continue;
            left = Math.min(left, x);
            right = Math.max(right, x);
            top = Math.min(top, y);
            bottom = Math.max(bottom, y);
        }
        return new double[] {left * MM, right * MM, top * MM, bottom * MM};
    }
}
