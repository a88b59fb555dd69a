package yellowbracket.export;

import java.awt.Shape;
import java.awt.geom.Path2D;
import java.util.List;
import org.locationtech.jts.geom.Polygon;

/**
 * Something to cut out at 1:1, mm with y up.
 *
 * @param notes lines beneath its name @param cut what is cut along @param marks drawn dashed: bend lines, the window within the margin
 */
record Pattern(String name, List<String> notes, Shape cut, List<Shape> marks) {
    Pattern {
        notes = List.copyOf(notes);
        marks = List.copyOf(marks);
    }

    static Shape of(Polygon p) {
        var out = new Path2D.Double();
        var c = p.getExteriorRing().getCoordinates();
        for (int i = 0; i < c.length - 1; i++) {
            if (i == 0) out.moveTo(c[i].x, c[i].y);
            else out.lineTo(c[i].x, c[i].y);
        }
        out.closePath();
        return out;
    }

    static Shape of(List<double[]> outline) {
        var out = new Path2D.Double();
        for (int i = 0; i < outline.size(); i++) {
            if (i == 0) out.moveTo(outline.get(i)[0], outline.get(i)[1]);
            else out.lineTo(outline.get(i)[0], outline.get(i)[1]);
        }
        out.closePath();
        return out;
    }

    static Shape line(double u, double from, double to) {
        var out = new Path2D.Double();
        out.moveTo(u, from);
        out.lineTo(u, to);
        return out;
    }

    /** Upwards, about a middle. @param half of its length, mm */
    static Shape arrow(double u, double v, double half) {
        var out = new Path2D.Double();
        out.moveTo(u, v - half);
        out.lineTo(u, v + half);
        out.moveTo(u - half / 5, v + half * 0.7);
        out.lineTo(u, v + half);
        out.lineTo(u + half / 5, v + half * 0.7);
        return out;
    }
}
