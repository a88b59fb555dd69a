package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.measure.Quantile;

/**
 * What is worked on, in areas that are worked alike: by the depth of their lines, by shape and by what they are to become.
 * @param list largest first @param valleyMm3 what all valleys hold: area times half their depth
 * @param valley50Um half of it is finer, {@code valley90Um} nine tenths
 */
public record Areas(List<Area> list, double valleyMm3, double valley50Um, double valley90Um) {
    /** How a surface bends, and how fast a hand sands it against a block on a flat. */
    public enum Shape {
        FLAT("flat", 1), CURVED("curved", 0.6), TIGHT("tight", 0.3), DETAIL("edges, rivets and grooves", 0.2);

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

        /** What paper is held with. */
        public String heldBy() {
            return switch (this) {
                case FLAT -> "block";
                case CURVED -> "soft pad or sponge";
                case TIGHT -> "folded paper";
                case DETAIL -> "file and stick, by hand";
            };
        }

        /** @param bend sharpest bend, 1/mm */
        static Shape of(double bend) {
            return bend < 1 / FLAT_MM ? FLAT : bend < 1 / TIGHT_MM ? CURVED : bend < 1 / DETAIL_MM ? TIGHT : DETAIL;
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

        public static Lines of(double um) {
            return um < FINE_UM ? FINE : um < COARSE_UM ? MIDDLING : STEPS;
        }
    }

    /**
     * @param where on the prop most of it lies, in words @param meanUm depth of its lines, {@code deepUm}: nine tenths of it are finer
     * @param skinMm solid print beneath, a twentieth of it has less
     */
    public record Area(Shape shape, Lines lines, Target target, String where, double mm2, double meanUm, double deepUm, double skinMm) {
        public String words() {
            String how = shape.words + ", " + lines.words;
            return (where.isEmpty() ? how : where + ": " + how) + (target == Target.SHOW ? "" : ", " + target.label());
        }

        public double dm2() {
            return mm2 / 1e4;
        }

        /** How ill a place fits in: rather with another shape than with shallower lines. */
        private int off(Place p) {
            int deeper = lines.ordinal() - p.lines().ordinal();
            return Math.abs(shape.ordinal() - p.shape().ordinal()) + (deeper < 0 ? -10 * deeper : deeper);
        }
    }

    /** Valleys below the first are fine, above the second coarse, um. */
    public static final double FINE_UM = 50;
    public static final double COARSE_UM = 110;
    /** Radius above which a surface counts as flat, below which as tight, and as detail, mm. */
    private static final double FLAT_MM = 120;
    private static final double TIGHT_MM = 12;
    private static final double DETAIL_MM = 3;
    /** A smaller share goes with its neighbour. */
    private static final double LEAST = 0.04;
    /** So much of an area lies where it is said to lie. */
    private static final double MOST_OF_IT = 0.55;
    /** Faces that look straight that way, by cosine. */
    private static final double FACES = 0.7;
    public static final Areas NONE = new Areas(List.of(), 0, 0, 0);

    public Areas {
        list = List.copyOf(list);
    }

    public static Areas of(DepthMap map, Targets targets) {
        var worked = map.places().stream().map(p -> p.to(targets.ofArea(p))).filter(p -> p.target().worked()).toList();
        if (worked.isEmpty()) return NONE;
        double all = sum(worked), mm3 = worked.stream().mapToDouble(Place::valleyMm3).sum();
        double low = worked.stream().mapToDouble(p -> p.at().z()).min().orElseThrow(),
                high = worked.stream().mapToDouble(p -> p.at().z()).max().orElseThrow();
        var alike = worked.stream().collect(Collectors.groupingBy(p -> new Alike(p.shape(), p.lines(), p.target())));
        var groups = new ArrayList<Group>();
        for (var target : Target.values()) for (var shape : Shape.values()) {
            var rest = new ArrayList<Place>();
            for (var lines : Lines.values()) {
                rest.addAll(alike.getOrDefault(new Alike(shape, lines, target), List.of()));
                // here: what is little is worked like the deeper of its shape
                if (sum(rest) < LEAST * all && lines != Lines.STEPS || rest.isEmpty()) continue;
                groups.add(new Group(shape, deepest(rest), target, List.copyOf(rest)));
                rest.clear();
            }
        }
        var out = new ArrayList<Area>();
        for (var g : merged(groups, LEAST * all)) out.add(area(g.shape, g.target, g.places, low, high));
        out.sort(Comparator.comparingDouble(Area::mm2).reversed());
        return new Areas(out, mm3, depth(worked, 0.5), depth(worked, 0.9));
    }

    private record Alike(Shape shape, Lines lines, Target target) {}

    private record Group(Shape shape, Lines lines, Target target, List<Place> places) {}

    /** What is still little goes with the nearest shape that has lines as deep. */
    private static List<Group> merged(List<Group> groups, double least) {
        var out = new ArrayList<>(groups);
        while (true) {
            var small = out.stream()
                    .filter(g -> sum(g.places) < least && out.stream().anyMatch(o -> fits(g, o)))
                    .min(Comparator.comparingDouble(g -> sum(g.places)));
            if (small.isEmpty()) return out;
            var g = small.get();
            var into = out.stream()
                    .filter(o -> fits(g, o))
                    .min(Comparator.<Group>comparingInt(o -> Math.abs(o.shape.ordinal() - g.shape.ordinal()))
                            .thenComparingDouble(o -> -sum(o.places)))
                    .orElseThrow();
            out.remove(g);
            out.set(out.indexOf(into),
                    new Group(into.shape, into.lines, into.target, Stream.concat(into.places.stream(), g.places.stream()).toList()));
        }
    }

    private static boolean fits(Group g, Group o) {
        return g != o && o.target == g.target && o.lines == g.lines;
    }

    private static double sum(List<Place> spots) {
        return spots.stream().mapToDouble(Place::mm2).sum();
    }

    private static Area area(Shape shape, Target target, List<Place> some, double low, double high) {
        double all = sum(some);
        var skins = some.stream().mapToDouble(Place::skinMm).sorted().toArray();
        return new Area(shape, deepest(some), target, where(some, low, high), all,
                some.stream().mapToDouble(p -> p.depthUm() * p.mm2()).sum() / all, depth(some, 0.9), skins[skins.length / 20]);
    }

    private static Lines deepest(List<Place> some) {
        return some.stream().map(Place::lines).max(Comparator.naturalOrder()).orElseThrow();
    }

    /** As a person would point at it: where most of it faces, else where most of it lies. */
    private static String where(List<Place> some, double low, double high) {
        double all = sum(some);
        var faces = new TreeMap<String, Double>();
        var heights = new TreeMap<String, Double>();
        for (var p : some) {
            String faced = facing(p.normal());
            if (!faced.isEmpty()) faces.merge(faced, p.mm2(), Double::sum);
            double t = high > low ? (p.at().z() - low) / (high - low) : 0.5;
            heights.merge(t > 2 / 3.0 ? "upper third" : t < 1 / 3.0 ? "lower third" : "middle", p.mm2(), Double::sum);
        }
        return Stream.of(faces, heights)
                .flatMap(m -> m.entrySet().stream().filter(e -> e.getValue() > MOST_OF_IT * all).map(java.util.Map.Entry::getKey))
                .findFirst()
                .orElse("");
    }

    /** Blank where it looks no way in particular. */
    private static String facing(Vec3 n) {
        if (n.z() > FACES) return "top";
        if (n.z() < -FACES) return "underside";
        if (n.y() > FACES) return "front";
        if (n.y() < -FACES) return "back";
        return Math.abs(n.x()) > FACES ? "sides" : "";
    }

    /** So much of them has lines no deeper than this, um. */
    private static double depth(List<Place> some, double share) {
        return Quantile.of(some.stream().mapToDouble(Place::depthUm).toArray(), some.stream().mapToDouble(Place::mm2).toArray(), share);
    }

    /** The area a place belongs to; empty where nothing is done. */
    public java.util.Optional<Area> of(Place p, Targets targets) {
        var q = p.to(targets.ofArea(p));
        return list.stream().filter(a -> a.target == q.target()).min(Comparator.comparingInt(a -> a.off(q)));
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
