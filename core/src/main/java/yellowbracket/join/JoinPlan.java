package yellowbracket.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.JoinProduct;

/**
 * A method for each seam and the order in which clusters of sections come together; light and small first, so that every join can be held.
 */
public record JoinPlan(List<SeamJoin> joins, List<Step> steps, List<Finding> findings) {
    /** Two subassemblies brought together over all seams between them at once. */
    public record Step(int number, List<String> one, List<String> other, List<String> seams) {
        public String words() {
            return String.join("+", one) + " to " + String.join("+", other);
        }
    }

    /** Scuffed print bears about seven tenths of a tested coupon; layers and gaps take the rest. */
    private static final double KNOCK_DOWN = 0.7;
    /** Below this reserve a joint is not trusted. */
    public static final double LEAST_RESERVE = 3;

    /** Minutes that nobody gives to a joint that lets go in the heat. */
    private static final double CREEPS = 400;

    /**
     * @param grams mass of each section by name
     * @param hottestC what the prop goes through, degrees
     * @param chosen the maker's own choice of product by seam name, where made
     */
    public static JoinPlan of(List<Section> sections, List<Seam> seams, Map<String, Double> grams, String material, double celsius,
            double hottestC, Map<String, String> chosen, Catalogue shop) {
        var joins = new ArrayList<SeamJoin>();
        var findings = new ArrayList<Finding>();
        var centres = new HashMap<String, yellowbracket.mesh.Vec3>();
        sections.forEach(s -> centres.put(s.name(), s.mesh().bounds().centre()));
        for (var seam : seams) {
            boolean firstLighter = grams.getOrDefault(seam.first(), 0.0) <= grams.getOrDefault(seam.second(), 0.0);
            String light = firstLighter ? seam.first() : seam.second();
            var load = Load.of(seam, grams.getOrDefault(light, 0.0), centres.get(light).distance(seam.centre()));
            var options = options(seam, load, material, celsius, hottestC, shop);
            var join = chosen.containsKey(seam.name()) ? options.stream()
                    .filter(o -> o.product().name().equals(chosen.get(seam.name())))
                    .findFirst()
                    .orElse(options.getFirst()) : options.getFirst();
            joins.add(join);
            if (join.reserve() < LEAST_RESERVE) findings.add(Finding.of(Weight.CARE, Subject.seam(seam.name()),
                    "seam %s bears only %.1f times its load: add a rod or an inner strip", seam.name(), join.reserve()));
        }
        joins.stream()
                .map(SeamJoin::product)
                .filter(p -> p.mostC() < hottestC)
                .distinct()
                .forEach(p -> findings.add(tooWarm(p, joins, hottestC)));
        return new JoinPlan(List.copyOf(joins), order(sections, seams, grams), List.copyOf(findings));
    }

    private static Finding tooWarm(JoinProduct p, List<SeamJoin> joins, double hottestC) {
        var seams = joins.stream().filter(j -> j.product().equals(p)).map(j -> j.seam().name()).toList();
        return Finding.of(Weight.CARE, Subject.WHOLE, "%s creeps above %.0f C, and what the prop goes through gets up to %.0f: seam%s %s",
                p.name(), p.mostC(), hottestC, seams.size() == 1 ? "" : "s", String.join(", ", seams));
    }

    /** Every product that suits the material, best first. @param hottestC what the prop goes through, degrees */
    public static List<SeamJoin> options(Seam seam, Load load, String material, double celsius, double hottestC, Catalogue shop) {
        var out = new ArrayList<SeamJoin>();
        for (var p : shop.joins()) if (p.suits(material)) out.add(join(seam, load, p, celsius, shop));
        out.sort(Comparator.comparingDouble(j -> cost(j, hottestC, shop)));
        return List.copyOf(out);
    }

    private static SeamJoin join(Seam seam, Load load, JoinProduct p, double celsius, Catalogue shop) {
        double slower = Math.pow(2, (20 - celsius) / 10); // cure rate doubles with 10 degrees
        double capacity = KNOCK_DOWN * p.shearLowMpa() * (p.gapMm() < shop.usual(Practice.GLUE_FILM_MM) ? 0.7 : 1);
        double reserve = load.combined() > 0 ? Math.min(99, capacity / load.combined()) : 99;
        double grams = seam.areaMm2() * shop.usual(Practice.GLUE_FILM_MM) * p.densityGcm3() / 1000 * shop.usual(Practice.GLUE_TIMES);
        return new SeamJoin(seam, p, grams, p.workMin(), p.holdMin() * slower, p.handleH() * slower, p.fullH() * slower, reserve,
                why(seam, p, reserve, shop));
    }

    /** Minutes of the maker's life, with penalties for what would go wrong. */
    private static double cost(SeamJoin j, double hottestC, Catalogue shop) {
        double need = j.seam().lengthMm() / shop.usual(Practice.WET_SEAM_MM_MIN);
        double tooFast = Math.max(0, need - j.workMin()) * 15;
        double weak = Math.max(0, LEAST_RESERVE - j.reserve()) * 40 + Math.max(0, 8 - j.reserve()) * 3;
        double peels = j.product().peel() < 0.2 && j.seam().lengthMm() > 60 ? 25 : 0;
        return Math.min(40, j.holdMin()) + 2 * j.handleH() + tooFast + weak + peels + (j.product().shearLowMpa() < 1 ? 200 : 0)
                + (j.product().mostC() < hottestC ? CREEPS : 0);
    }

    private static String why(Seam seam, JoinProduct p, double reserve, Catalogue shop) {
        double need = seam.lengthMm() / shop.usual(Practice.WET_SEAM_MM_MIN);
        String time = need > p.workMin()
                ? String.format(Locale.ROOT, "%.0f mm need %.1f min to wet, it stays open %.1f", seam.lengthMm(), need, p.workMin())
                : String.format(Locale.ROOT, "stays open long enough for %.0f mm", seam.lengthMm());
        String strong = reserve >= 99 ? "hardly loaded" : String.format(Locale.ROOT, "bears %.1f times the handling load", reserve);
        return strong + "; " + time;
    }

    /** Of all pairs of clusters that share a seam, the lightest pair is joined next. Sections without a seam stay alone. */
    static List<Step> order(List<Section> sections, List<Seam> seams, Map<String, Double> grams) {
        var cluster = new HashMap<String, List<String>>();
        sections.forEach(s -> cluster.put(s.name(), List.of(s.name())));
        var steps = new ArrayList<Step>();
        while (true) {
            Seam best = null;
            double least = Double.POSITIVE_INFINITY;
            for (var seam : seams) {
                var a = cluster.get(seam.first());
                var b = cluster.get(seam.second());
                if (a == b) continue;
                double weight = mass(a, grams) + mass(b, grams);
                if (weight < least) {
                    least = weight;
                    best = seam;
                }
            }
            if (best == null) return List.copyOf(steps);
            var a = cluster.get(best.first());
            var b = cluster.get(best.second());
            var between = seams.stream()
                    .filter(s -> cluster.get(s.first()) == a && cluster.get(s.second()) == b
                            || cluster.get(s.first()) == b && cluster.get(s.second()) == a)
                    .map(Seam::name)
                    .toList();
            steps.add(new Step(steps.size() + 1, a, b, between));
            var merged = java.util.stream.Stream.concat(a.stream(), b.stream())
                    .sorted(Comparator.comparing(String::length).thenComparing(Comparator.naturalOrder()))
                    .toList();
            merged.forEach(n -> cluster.put(n, merged));
        }
    }

    private static double mass(List<String> names, Map<String, Double> grams) {
        return names.stream().mapToDouble(n -> grams.getOrDefault(n, 0.0)).sum();
    }

    public SeamJoin join(String seam) {
        return joins.stream()
                .filter(j -> j.seam().name().equals(seam))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no seam " + seam));
    }
}
