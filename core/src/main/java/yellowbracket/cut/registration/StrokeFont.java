package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Plain upright capitals and digits as strokes, for letters a nozzle can sink into plastic. Each glyph lies on a grid 4 wide and 6 high;
 * strokes are runs of
 * grid points, two digits a point, blanks between strokes.
 */
final class StrokeFont {
    private static final Map<Character, String> GLYPHS = new TreeMap<>();
    /** From letter to letter, in units of the font. */
    private static final double ADVANCE = 5.6;

    static {
        String[] all = {"A 0026264004 1333", "B 0006364534230003 233342413000", "C 453616050110304100", "D 000636454130 0030",
                "E 40000646 0333", "F 000646 0333", "G 45361605011030414323", "H 0006 4046 0343", "I 1030 2026 1636", "J 0110304146",
                "K 0006 0346 1440", "L 060040", "M 0006234640", "N 00064046", "O 100105163645413010", "P 000636454433 0333",
                "Q 100105163645413010 2240", "R 000636454433 0333 2340", "S 011030414233130405163645", "T 2026 0646", "U 060110304146",
                "V 062046", "W 0610244046 3046", "X 0046 0640", "Y 062346 2320", "Z 06460040", "0 100105163645413010 0145", "1 142620 1030",
                "2 051636454400400040", "3 0516364544332342413010 0110", "4 30360242", "5 46060333424130100001",
                "6 453616050110304142331303", "7 064610", "8 133344453616050413020110304142 3342", "9 011030414536160504133344",
                "% 0046 0506160504 3041313040"};
        for (var g : all) GLYPHS.put(g.charAt(0), g.substring(2));
    }

    private StrokeFont() {}

    /** Width of a text of that height, mm. */
    static double width(String text, double height) {
        return (text.length() * ADVANCE - (ADVANCE - 4)) * height / 6;
    }

    /** The text as areas, its lower left corner at the origin, strokes {@code stroke} mm wide. Unknown characters are left blank. */
    static Geometry areas(String text, double height, double stroke) {
        var parts = new ArrayList<Geometry>();
        double k = height / 6;
        for (int i = 0; i < text.length(); i++) {
            double x = i * ADVANCE * k;
            for (var run : GLYPHS.getOrDefault(text.charAt(i), "").split(" "))
                if (run.length() >= 4) parts.add(line(run, x, k).buffer(stroke / 2, 2));
        }
        return together(parts);
    }

    private static Geometry line(String run, double x, double k) {
        var at = new Coordinate[run.length() / 2];
        for (int i = 0; i < at.length; i++) at[i] = new Coordinate(x + k * (run.charAt(2 * i) - '0'), k * (run.charAt(2 * i + 1) - '0'));
        return Footprints.GEOMETRY.createLineString(at);
    }

    /** An arrow that points along +v, centred on the origin. */
    static Geometry arrow(double height, double stroke) {
        double h = height / 2, w = 0.45 * h;
        var shaft = Footprints.GEOMETRY.createLineString(new Coordinate[] {new Coordinate(0, -h), new Coordinate(0, h)})
                .buffer(stroke / 2, 2);
        var head = Footprints.GEOMETRY
                .createLineString(new Coordinate[] {new Coordinate(-w, h - 1.2 * w), new Coordinate(0, h), new Coordinate(w, h - 1.2 * w)})
                .buffer(stroke / 2, 2);
        return together(List.of(shaft, head));
    }

    static Geometry together(List<Geometry> parts) {
        return Footprints.GEOMETRY.createGeometryCollection(parts.toArray(Geometry[]::new)).union();
    }

    static Geometry placed(Geometry g, double turn, double u, double v) {
        return new AffineTransformation().rotate(turn).translate(u, v).transform(g);
    }
}
