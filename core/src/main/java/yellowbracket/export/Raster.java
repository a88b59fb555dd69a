package yellowbracket.export;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.function.IntUnaryOperator;
import java.util.zip.DeflaterOutputStream;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/** A mesh seen along an axis without perspective, shaded, hidden facets hidden: the nearest one counts at each pixel. */
final class Raster {
    private static final Vec3 LIGHT = new Vec3(-0.35, 0.25, 0.9).unit();
    private static final double DARKEST = 0.45;
    private static final int PAPER = 0xffffff;

    private final int wide;
    private final int tall;
    private final int[] pixels;
    private final double mmPerPixel;

    private Raster(int wide, int tall, double mmPerPixel) {
        this.wide = wide;
        this.tall = tall;
        this.mmPerPixel = mmPerPixel;
        pixels = new int[wide * tall];
        Arrays.fill(pixels, PAPER);
    }

    /** @param right of the picture and {@code up}, unit, at right angles @param rgb of a facet, 0xRRGGBB */
    static Raster of(Mesh m, Vec3 right, Vec3 up, double mmPerPixel, IntUnaryOperator rgb) {
        Bounds3 b = m.bounds();
        double u0 = Double.POSITIVE_INFINITY, u1 = -u0, v0 = u0, v1 = -u0;
        for (int i = 0; i < 8; i++) {
            var c = new Vec3((i & 1) == 0 ? b.min().x() : b.max().x(), (i & 2) == 0 ? b.min().y() : b.max().y(),
                    (i & 4) == 0 ? b.min().z() : b.max().z());
            u0 = Math.min(u0, c.dot(right));
            u1 = Math.max(u1, c.dot(right));
            v0 = Math.min(v0, c.dot(up));
            v1 = Math.max(v1, c.dot(up));
        }
        var out = new Raster(2 + (int) Math.ceil((u1 - u0) / mmPerPixel), 2 + (int) Math.ceil((v1 - v0) / mmPerPixel), mmPerPixel);
        out.draw(m, right, up, u0, v1, rgb);
        return out;
    }

    private void draw(Mesh m, Vec3 right, Vec3 up, double u0, double v1, IntUnaryOperator rgb) {
        var to = right.cross(up); // towards the eye
        var light = right.times(LIGHT.x()).plus(up.times(LIGHT.y())).plus(to.times(LIGHT.z()));
        var near = new float[pixels.length];
        Arrays.fill(near, Float.NEGATIVE_INFINITY);
        var x = new double[3];
        var y = new double[3];
        var z = new double[3];
        for (int f = 0; f < m.triangleCount(); f++) {
            var a = m.areaVector(f);
            if (!(a.norm() > 0) || a.dot(to) <= 0) continue;
            int shade = shaded(rgb.applyAsInt(f), DARKEST + (1 - DARKEST) * Math.max(0, a.unit().dot(light)));
            for (int k = 0; k < 3; k++) {
                var p = m.corner(f, k);
                x[k] = (p.dot(right) - u0) / mmPerPixel;
                y[k] = (v1 - p.dot(up)) / mmPerPixel;
                z[k] = p.dot(to);
            }
            fill(x, y, z, shade, near);
        }
    }

    private void fill(double[] x, double[] y, double[] z, int shade, float[] near) {
        double det = (x[1] - x[0]) * (y[2] - y[0]) - (x[2] - x[0]) * (y[1] - y[0]);
        if (Math.abs(det) < 1e-12) return;
        int top = Math.max(0, (int) Math.floor(Math.min(y[0], Math.min(y[1], y[2])))),
                bottom = Math.min(tall - 1, (int) Math.ceil(Math.max(y[0], Math.max(y[1], y[2])))),
                left = Math.max(0, (int) Math.floor(Math.min(x[0], Math.min(x[1], x[2])))),
                rightmost = Math.min(wide - 1, (int) Math.ceil(Math.max(x[0], Math.max(x[1], x[2]))));
        for (int j = top; j <= bottom; j++) for (int i = left; i <= rightmost; i++) {
            double px = i + 0.5 - x[0], py = j + 0.5 - y[0];
            double s = (px * (y[2] - y[0]) - (x[2] - x[0]) * py) / det, t = ((x[1] - x[0]) * py - px * (y[1] - y[0])) / det;
            if (s < -1e-9 || t < -1e-9 || s + t > 1 + 1e-9) continue;
            float depth = (float) (z[0] + s * (z[1] - z[0]) + t * (z[2] - z[0]));
            int at = j * wide + i;
            if (depth <= near[at]) continue;
            near[at] = depth;
            pixels[at] = shade;
        }
    }

    private static int shaded(int rgb, double k) {
        int r = (int) (k * (rgb >> 16 & 255)), g = (int) (k * (rgb >> 8 & 255)), b = (int) (k * (rgb & 255));
        return r << 16 | g << 8 | b;
    }

    double wideMm() {
        return wide * mmPerPixel;
    }

    double tallMm() {
        return tall * mmPerPixel;
    }

    int wide() {
        return wide;
    }

    int tall() {
        return tall;
    }

    int pixel(int x, int y) {
        return pixels[y * wide + x];
    }

    PDImageXObject image(PDDocument doc) throws IOException {
        var raw = new byte[3 * pixels.length];
        for (int i = 0; i < pixels.length; i++) for (int k = 0; k < 3; k++) raw[3 * i + k] = (byte) (pixels[i] >> 16 - 8 * k);
        var packed = new ByteArrayOutputStream();
        try (var out = new DeflaterOutputStream(packed)) {
            out.write(raw);
        }
        return new PDImageXObject(doc, new ByteArrayInputStream(packed.toByteArray()), COSName.FLATE_DECODE, wide, tall, 8,
                PDDeviceRGB.INSTANCE);
    }
}
