package yellowbracket.cut;

import java.util.Arrays;
import java.util.List;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Printer;

/** The room a printer leaves for a section, mm. */
public record Bed(double x, double y, double z) {
    public static Bed of(Printer p) {
        return new Bed(p.usableX(), p.usableY(), p.usableZ());
    }

    /** {@code 220x220x250}. @throws IllegalArgumentException with what to type instead */
    public static Bed parse(String text) {
        var parts = text.toLowerCase(java.util.Locale.ROOT).split("[x*,]");
        try {
            if (parts.length == 3) {
                var bed = new Bed(Double.parseDouble(parts[0].strip()), Double.parseDouble(parts[1].strip()),
                        Double.parseDouble(parts[2].strip()));
                if (bed.x > 0 && bed.y > 0 && bed.z > 0) return bed;
            }
        } catch (NumberFormatException e) {
            // told below with every other wrong text
        }
        throw new IllegalArgumentException("a bed is written 220x220x250, in mm, not \"" + text + "\"");
    }

    /** The room left for what is cut, where something may stand on it afterwards. */
    public Bed less(double mm) {
        return mm == 0 ? this : new Bed(Math.max(1, x - mm), Math.max(1, y - mm), Math.max(1, z - mm));
    }

    /** Whether a box of this size stands on the bed in some quarter turn. */
    public boolean holds(Vec3 size) {
        double[] s = {size.x(), size.y(), size.z()}, b = {x, y, z};
        Arrays.sort(s);
        Arrays.sort(b);
        return s[0] <= b[0] && s[1] <= b[1] && s[2] <= b[2];
    }

    /** Its sides along x, y and z in each quarter turn. */
    public double[][] turns() {
        return new double[][] {{x, y, z}, {x, z, y}, {y, x, z}, {y, z, x}, {z, x, y}, {z, y, x}};
    }

    /** The fewest boxes of the bed's size that a box of this size can be divided into. */
    public int leastParts(Vec3 size) {
        int least = Integer.MAX_VALUE;
        for (var t : turns()) {
            double n = Math.ceil(size.x() / t[0]) * Math.ceil(size.y() / t[1]) * Math.ceil(size.z() / t[2]);
            least = (int) Math.min(least, n);
        }
        return least;
    }

    public double volume() {
        return x * y * z;
    }

    public List<Double> lengths() {
        return List.of(x, y, z).stream().distinct().sorted().toList();
    }
}
