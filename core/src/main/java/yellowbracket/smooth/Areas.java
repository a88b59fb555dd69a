package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import yellowbracket.cut.Section;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Cusp;
import yellowbracket.print.SectionPrint;

/**
 * The show side in areas that are worked alike: by the depth of their layer lines and by shape. Shape from the sharpest bend of a facet.
 * Measured on equal-area samples.
 * @param list largest first @param valleyMm3 what all valleys hold: area times half their depth
 * @param valley50Um half of the show side is finer, {@code valley90Um} nine tenths
 */
public record Areas(List<Area> list, double valleyMm3, double valley50Um, double valley90Um) {
    /** How a surface bends, and how fast a hand sands it against a block on a flat. */
    public enum Shape {
        FLAT("flat", 1), CURVED("curved", 0.6), TIGHT("tight", 0.3);

        private final String words;
        private final double tool;

        Shape(String words, double tool) {
            this.words = words;
            this.tool = tool;
        }

        public String words() {
            return words;
        }

        public double tool() {
            return tool;
        }
    }

    /** Depth of lines. */
    public enum Lines {
        FINE("fine lines"), MIDDLING("middling lines"), STEPS("steps");

        private final String words;

        Lines(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        static Lines of(double um) {
            return um < FINE_UM ? FINE : um < COARSE_UM ? MIDDLING : STEPS;
        }
    }

    /** @param meanUm depth of its lines, {@code deepUm}: nine tenths of it are finer */
    public record Area(Shape shape, Lines lines, double mm2, double meanUm, double deepUm) {
        public String words() {
            return shape.words + ", " + lines.words;
        }

        public double dm2() {
            return mm2 / 1e4;
        }
    }

    /** Valleys below the first are fine, above the second coarse, um. */
    public static final double FINE_UM = 50;
    public static final double COARSE_UM = 110;
    /** Radius above which a surface counts as flat, and below which as tight, mm. */
    private static final double FLAT_MM = 120;
    private static final double TIGHT_MM = 12;
    /** A smaller share of the show side goes with its neighbour. */
    private static final double LEAST = 0.04;
    public static final Areas NONE = new Areas(List.of(), 0, 0, 0);

    public Areas {
        list = List.copyOf(list);
    }

    /** One section's samples with how it is printed; sums over them with {@link #of(List)}. */
    public record Printed(Section section, SurfaceSamples samples, SectionPrint print) {}

    /** A place: how deep, how bent, how much of it. */
    private record Spot(double um, Shape shape, double mm2) {}

    public static Areas of(List<Printed> printed) {
        var spots = new ArrayList<Spot>();
        for (var p : printed) {
            double each = p.samples().areaEachMm2();
            var up = p.print().orientation().turn().row2();
            double low = p.samples().samples().stream().mapToDouble(q -> up.dot(q.point())).min().orElse(0);
            for (var s : p.samples().samples()) if (s.seen()) spots.add(
                    new Spot(Cusp.um(p.print().layerAt(up.dot(s.point()) - low), Math.abs(up.dot(s.normal()))), shape(s.bend()), each));
        }
        return ofSpots(spots);
    }

    private static Shape shape(double bend) {
        return bend < 1 / FLAT_MM ? Shape.FLAT : bend < 1 / TIGHT_MM ? Shape.CURVED : Shape.TIGHT;
    }

    private static Areas ofSpots(List<Spot> spots) {
        if (spots.isEmpty()) return NONE;
        var sorted = spots.stream().sorted(Comparator.comparingDouble(Spot::um)).toList();
        double all = sum(sorted), mm3 = sorted.stream().mapToDouble(s -> s.um / 2000 * s.mm2).sum();
        var out = new ArrayList<Area>();
        for (var shape : Shape.values()) {
            var rest = new ArrayList<Spot>();
            for (var lines : Lines.values()) {
                sorted.stream().filter(s -> s.shape == shape && Lines.of(s.um) == lines).forEach(rest::add);
                // here: what is little is worked like the deeper of its shape
                if (sum(rest) < LEAST * all && lines != Lines.STEPS || rest.isEmpty()) continue;
                out.add(area(shape, rest));
                rest.clear();
            }
        }
        out.sort(Comparator.comparingDouble(Area::mm2).reversed());
        return new Areas(out, mm3, at(sorted, 0.5 * all), at(sorted, 0.9 * all));
    }

    private static double sum(List<Spot> spots) {
        return spots.stream().mapToDouble(Spot::mm2).sum();
    }

    private static Area area(Shape shape, List<Spot> sorted) {
        double all = sum(sorted);
        return new Area(shape, Lines.of(sorted.getLast().um), all, sorted.stream().mapToDouble(s -> s.um * s.mm2).sum() / all,
                at(sorted, 0.9 * all));
    }

    private static double at(List<Spot> sorted, double area) {
        double run = 0;
        for (var s : sorted) {
            run += s.mm2;
            if (run >= area) return s.um;
        }
        return sorted.getLast().um;
    }

    public double totalMm2() {
        return list.stream().mapToDouble(Area::mm2).sum();
    }

    public double totalDm2() {
        return totalMm2() / 1e4;
    }

    /** What all valleys hold, ml. */
    public double valleyMl() {
        return valleyMm3 / 1000;
    }
}
