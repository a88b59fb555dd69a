package yellowbracket.smooth;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.shop.Catalogue;

/**
 * What is to be done from the layer lines to the finish, with hours and amounts: each area has its ladder, and what is alike is done in one
 * go. {@code seamDm2}: bands of filler along the show side of the seams, done before the ladder.
 * @param ladders the steps of each area @param mixes of two-part products, the seams' left out @param dustCm3 that flies @param detailUm by
 *        which details are filled or worn where most is
 */
public record SmoothPlan(Areas areas, Ladder.Way way, Map<Areas.Area, List<Ladder.Step>> ladders, List<Work> work, double seamDm2,
        Optional<Mix> seamFiller, List<Mix> mixes, List<Amount> amounts, double hours, double waitH, double cost, int sheets, double cans,
        double dustCm3, double detailUm, SkinLeft skin, List<Finding> findings) {
    /**
     * One step, done where it is needed.
     * @param step as on the largest of its areas @param where names of areas; empty for everywhere @param ml of film without waste;
     *        {@code cans} of what is sprayed @param tool what it is done with
     */
    public record Work(Ladder.Step step, List<String> where, double areaDm2, double hours, double ml, double sheets, double cans,
            String amount, String tool) {
        public Work {
            where = List.copyOf(where);
        }
    }

    /** What becomes of a film: in valleys, over the peaks, along the seams, and what stays in the cup; ml. */
    public record Amount(String product, double valleysMl, double skimMl, double seamsMl, double wasteMl) {
        public double ml() {
            return valleysMl + skimMl + seamsMl + wasteMl;
        }
    }

    /** @param leastUm solid print left where least is, {@code takenUm} sanded off there, {@code where} that is */
    public record SkinLeft(double leastUm, double takenUm, String where) {
        static final SkinLeft UNTOUCHED = new SkinLeft(Double.POSITIVE_INFINITY, 0, "");
    }

    public SmoothPlan {
        ladders = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(ladders));
        work = List.copyOf(work);
        mixes = List.copyOf(mixes);
        amounts = List.copyOf(amounts);
        findings = List.copyOf(findings);
    }

    /** Hours by hand of filling and blending the seams. */
    public double seamH() {
        return hours - work.stream().mapToDouble(Work::hours).sum();
    }

    /** Minutes of sanding for each cm3 taken off, by the catalogue; 0 where nothing is sanded. */
    public double sandMinCm3() {
        double min = 0, cm3 = 0;
        for (var e : ladders.entrySet()) for (var s : e.getValue()) {
            if (s.kind() != Ladder.Kind.SAND) continue;
            min += s.minPerDm2() * e.getKey().dm2();
            cm3 += s.takenUm() / 100 * e.getKey().dm2(); // 1 dm2 by 1 um is 0.01 cm3
        }
        return cm3 > 0 ? min / cm3 : 0;
    }

    /** Whether a way leads to the finish, or nothing has to be done. */
    public boolean reaches() {
        return !work.isEmpty() || areas.list().isEmpty();
    }

    /** How a place looks after so many of its area's steps; as printed where nothing is done. */
    public Surface surface(Place p, Targets targets, int steps, Catalogue shop) {
        var now = Surface.printed(p.depthUm(), shop);
        var area = areas.of(p, targets);
        if (area.isEmpty()) return now;
        for (var s : until(area.get(), steps)) now = now.after(s, shop);
        return now;
    }

    /** The steps of an area that lie within the first so many of the plan's. */
    public List<Ladder.Step> until(Areas.Area area, int steps) {
        var own = ladders.getOrDefault(area, List.of());
        int done = 0;
        for (var w : work.subList(0, Math.clamp(steps, 0, work.size()))) {
            if (done >= own.size()) break;
            var s = own.get(done);
            boolean there = w.where.isEmpty() || w.where.contains(area.words()) || w.where.contains(area.lines().words());
            if (there && s.kind() == w.step.kind() && s.product().equals(w.step.product())) done++;
        }
        return own.subList(0, done);
    }

    /**
     * Seams on the show side.
     * @param lengthMm of all of them @param unevenMm what is to be filled along them beyond the usual, on average; below 0 where glue fills
     * @param sandTimes how long they take to sand, against the usual
     */
    public record Seams(double lengthMm, double unevenMm, double sandTimes) {
        public static final Seams NONE = new Seams(0, 0, 1);

        public static Seams usual(double lengthMm) {
            return new Seams(lengthMm, 0, 1);
        }
    }

    /** What the work goes by. @param material of the print */
    public record Asked(Ladders ladders, double celsius, String material) {}

    public static SmoothPlan of(Areas areas, Seams seams, Asked asked, Catalogue shop) {
        return new SmoothPlanner(areas, seams, asked, shop).run();
    }
}
