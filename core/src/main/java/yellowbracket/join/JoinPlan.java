package yellowbracket.join;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

/**
 * How everything is joined: what each seam must bear and with what it is joined, in which steps, where it snaps first.
 * @param options every way to join a seam, best first, by its name @param rods that would do, by seam or section
 * @param breaks what breaks, to be told before anything is printed; among the findings too
 * @param ofOrder what is the matter with steps; among the findings too @param chain how straight a long prop of many sections comes out
 */
public record JoinPlan(List<SeamJoin> joins, Map<String, List<SeamJoin>> options, List<Step> steps, List<Weakest> weakest,
        Map<String, List<Rod>> rods, List<Contact> contacts, List<LoadCase> cases, Optional<Alignment.Chain> chain, List<Finding> breaks,
        List<Finding> ofOrder, List<Finding> findings) {
    /** Below this reserve, at the low end, a joint is not trusted. */
    public static final double LEAST_RESERVE = 3;
    /** From this on it need not be told. */
    public static final double HARDLY = 99;
    /** A joint that holds well. */
    public static final double GOOD_RESERVE = 8;

    public JoinPlan {
        joins = List.copyOf(joins);
        options = Map.copyOf(options);
        steps = List.copyOf(steps);
        weakest = List.copyOf(weakest);
        rods = Map.copyOf(rods);
        contacts = List.copyOf(contacts);
        cases = List.copyOf(cases);
        breaks = List.copyOf(breaks);
        ofOrder = List.copyOf(ofOrder);
        findings = List.copyOf(findings);
    }

    /**
     * Two subassemblies brought together over all seams between them at once.
     * @param needMin to wet and align all its seams, {@code openMin} for which the product gives
     * @param grams in batches, with what stays in the cup @param how it is held meanwhile @param before what is to be done before it closes
     * @param notes what to mind
     */
    public record Step(int number, List<String> one, List<String> other, List<String> seams, List<String> products, double grams,
            double needMin, double openMin, double holdMin, double handleH, Optional<String> tack, String how, List<String> before,
            List<String> notes) {
        public Step {
            one = List.copyOf(one);
            other = List.copyOf(other);
            seams = List.copyOf(seams);
            products = List.copyOf(products);
            before = List.copyOf(before);
            notes = List.copyOf(notes);
        }

        /** What is together once it is closed. */
        public Set<String> together() {
            var out = new HashSet<>(one);
            out.addAll(other);
            return out;
        }

        public String words() {
            return String.join("+", one) + " to " + String.join("+", other);
        }

        /** Everything is wet and in place before it sets, or tacked first. */
        public boolean inTime() {
            return tack.isPresent() || needMin <= openMin;
        }
    }

    public SeamJoin join(String seam) {
        return joins.stream()
                .filter(j -> j.seam().name().equals(seam))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no seam " + seam));
    }

    /** Wetting, aligning and standing by: what sets longer is braced and left. */
    public double byHandMin(Catalogue shop) {
        return steps.stream().mapToDouble(s -> s.needMin + Math.min(s.holdMin, shop.usual(Practice.HOLD_BY_HAND_MIN))).sum();
    }

    /** What stands round a seam once it is closed; itself alone where no step closes it. */
    public Set<String> together(String seam) {
        return steps.stream().filter(s -> s.seams.contains(seam)).findFirst().map(Step::together).orElse(Set.of());
    }

    public double glueGrams() {
        return steps.stream().mapToDouble(Step::grams).sum();
    }
}
