package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.List;
import yellowbracket.search.BestFirst;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Grit;

/**
 * The cheapest sequence of films and sandings from layer lines of a given depth to a finish: shortest path (Dijkstra) over states (valley
 * depth,
 * scratch depth, fresh film or sanded). A film fills valleys and scratches by its thickness less shrinkage and must be sanded before the
 * next unlike
 * film; a sanding takes a share of its grain off the peaks and leaves its own scratches, provided it takes off those of the step before.
 * Costs are per square decimetre, so the path does not depend on the size of the prop.
 */
public final class Ladder {
    /** What is minimised, as minutes: a minute of work, an hour of waiting, a unit of money. */
    public record Weights(String name, double workMin, double waitH, double money) {
        public static final Weights LEAST_WORK = new Weights("least work", 1, 0.15, 0.5);
        public static final Weights SOONEST = new Weights("soonest", 1, 2.0, 0.5);
        public static final Weights CHEAPEST = new Weights("cheapest", 0.35, 0.05, 6);
    }

    /**
     * One step. {@code minPerDm2} work, {@code waitH} until the next, {@code costPerDm2}; valley and scratch left after it, micrometres;
     * {@code passes}
     * of sanding or coats of film; {@code stop}: how one sees that it is enough.
     */
    public record Step(Kind kind, String what, String product, double minPerDm2, double waitH, double costPerDm2, double valleyUm,
            double scratchUm, int passes, String stop) {}

    /** What a step does. */
    public enum Kind { FILM, SAND, PRIME }

    /** The path, or why there is none. */
    public sealed interface Outcome {
        /** {@code minutesPerDm2} and {@code waitH} over all steps. */
        record Found(List<Step> steps, double minutesPerDm2, double waitH, double costPerDm2) implements Outcome {}

        /** The films and grits at hand do not reach the finish. */
        record OutOfReach(String why) implements Outcome {}
    }

    /** Depths nearer than this are one state of the search, um. */
    private static final double CELL_UM = 3;
    /** Share of a film that stays after solvents have left. */
    private static final double STAYS = 0.72;
    /** Sanding marks may shrink to about half in one step; a finer grit would polish them in. */
    private static final double FINEST_STEP = 2.1;
    /** A film is sanded over at least so often, until the guide coat is gone. */
    private static final int FILM_PASSES = 2;
    /** What one full pass takes off the peaks, as a share of the mean grain. */
    private static final double TAKES = 0.16;
    /** States looked at before the best found is taken. */
    private static final int BUDGET = 60_000;
    /** Scratch of a print's skin: lines and strings, not sanded yet. */
    private static final double SKIN_UM = 40;
    /** Marks that the roughest film leaves. */
    private static final double ROUGHEST_FILM_UM = 80;
    /** Of two ladders that cost the same the one with fewer steps. */
    private static final double A_STEP = 0.01;

    /** Depths in cells. */
    private record State(int valley, int scratch, boolean fresh) {
        static State of(int number, int most) {
            int n = number / 2;
            return new State(n / (most + 1), n % (most + 1), number % 2 == 1);
        }

        int number(int most) {
            return 2 * (valley * (most + 1) + scratch) + (fresh ? 1 : 0);
        }
    }

    private final School school;
    private final Weights weights;
    private final Catalogue shop;
    private final double sandMinutes;
    private final List<Coating> films;

    private Ladder(School school, Weights weights, Catalogue shop, double sandMinutes) {
        this.school = school;
        this.weights = weights;
        this.shop = shop;
        this.sandMinutes = sandMinutes;
        films = shop.coatings().stream().filter(c -> school.allows(c.kind())).toList();
    }

    /** @param sandMinutes minutes for one pass over a square decimetre of this prop's mix of flat, curved and tight */
    public static Outcome find(double valleyUm, Finish finish, School school, Weights weights, Catalogue shop, double sandMinutes) {
        return new Ladder(school, weights, shop, sandMinutes).run(valleyUm, finish);
    }

    private Outcome run(double valleyUm, Finish finish) {
        var start = new State(cell(valleyUm), cell(SKIN_UM), false);
        int most = Math.max(start.valley, start.scratch) + cell(ROUGHEST_FILM_UM);
        var way = BestFirst.cheapest(graph(finish, most), start.number(most), BUDGET);
        return way.<Outcome>map(w -> found(w, most))
                .orElseGet(() -> new Outcome.OutOfReach("no ladder of the school \"" + school.label() + "\" reaches " + finish.label()
                        + " from " + Math.round(valleyUm) + " micrometres: choose another school or a lower layer height"));
    }

    /** @param most the highest cell a state can have */
    private BestFirst.Graph graph(Finish finish, int most) {
        return new BestFirst.Graph() {
            @Override
            public int nodes() {
                return new State(most, most, true).number(most) + 1;
            }

            @Override
            public boolean goal(int node) {
                return reached(State.of(node, most), finish);
            }

            @Override
            public void edges(int node, BestFirst.Edges out) {
                var steps = steps(State.of(node, most));
                for (int i = 0; i < steps.size(); i++) out.to(after(steps.get(i)).number(most), cost(steps.get(i)), i);
            }
        };
    }

    private static State after(Step step) {
        return new State(cell(step.valleyUm), cell(step.scratchUm), step.kind != Kind.SAND);
    }

    private double cost(Step s) {
        return weights.workMin * s.minPerDm2 + weights.waitH * s.waitH + weights.money * s.costPerDm2 + A_STEP;
    }

    private static boolean reached(State s, Finish f) {
        return !s.fresh && um(s.valley) <= f.valleyUm() && um(s.scratch) <= f.scratchUm();
    }

    private static int cell(double um) {
        return (int) Math.round(Math.max(0, um) / CELL_UM);
    }

    private static double um(int cell) {
        return cell * CELL_UM;
    }

    private List<Step> steps(State s) {
        var out = new ArrayList<Step>();
        double valley = um(s.valley), scratch = um(s.scratch);
        if (!s.fresh) for (var film : films) for (int coats = 1; coats <= most(film); coats++) out.add(film(film, coats, valley, scratch));
        for (var grit : shop.grits()) if (grit.p() <= 1000 || scratch < 12) sand(grit, valley, scratch, s.fresh).ifPresent(out::add);
        return out;
    }

    private static int most(Coating film) {
        return film.kind() == Coating.Kind.FILLER || film.kind() == Coating.Kind.EPOXY || film.kind() == Coating.Kind.PASTE ? 1 : 3;
    }

    private Step film(Coating film, int coats, double valley, double scratch) {
        double levels = STAYS * levelling(film) * film.filmUm() * coats;
        double work = coats * switch (film.kind()) {
            case FILLER -> shop.usual(Practice.SPREAD_FILLER_MIN_DM2);
            case PASTE -> shop.usual(Practice.SPREAD_PASTE_MIN_DM2);
            case RESIN -> shop.usual(Practice.BRUSH_RESIN_MIN_DM2);
            case EPOXY -> shop.usual(Practice.BRUSH_EPOXY_MIN_DM2);
            case PUTTY, SPRAY_PUTTY, FILLER_PRIMER, PRIMER, PAINT, METAL, WASH, CLEAR -> shop.usual(Practice.SPRAY_MIN_DM2);
        };
        double wait = (coats - 1) * film.recoatFromH() + film.sandableH();
        double cost = coats * film.cost() / (100 * film.m2PerContainer());
        double left = Math.max(film.sprayed() ? 0 : 3, valley - levels), marks = Math.max(texture(film), scratch - levels);
        String stop = film.kind() == Coating.Kind.FILLER_PRIMER ? "an even grey, no bare print showing"
                : "the lines are covered, without runs";
        return new Step(film.sprayed() ? Kind.PRIME : Kind.FILM, coats + (coats == 1 ? " coat " : " coats ") + film.name(), film.name(),
                work, wait, cost, left, marks, coats, stop);
    }

    /** How much more of a film settles in a valley than on a peak: a knife fills, a brush flows, spray follows the lines. */
    private static double levelling(Coating film) {
        return film.sprayed() ? 0.45 : film.kind() == Coating.Kind.RESIN || film.kind() == Coating.Kind.EPOXY ? 0.75 : 0.9;
    }

    /** Orange peel, brush marks or knife marks of a fresh film, micrometres. */
    private static double texture(Coating film) {
        if (film.sprayed()) return 12;
        return film.kind() == Coating.Kind.RESIN || film.kind() == Coating.Kind.EPOXY ? 30 : 80;
    }

    /** Enough passes to take off the scratches before; each also lowers the valleys, whose peaks it cuts. */
    private java.util.Optional<Step> sand(Grit grit, double valley, double scratch, boolean fresh) {
        double takes = TAKES * grit.grainUm(), after = grit.scratchUm();
        if (after >= scratch || after * FINEST_STEP < scratch) return java.util.Optional.empty();
        int passes = Math.max(fresh ? FILM_PASSES : 1, (int) Math.ceil((scratch - after) / takes));
        if (passes > 6) return java.util.Optional.empty();
        double gone = 0.5 * passes * takes; // half of what comes off is peaks, the other half the marks of the step before
        boolean wet = grit.p() >= 400;
        String stop = fresh ? "sand nearly all away: the guide coat is gone except in the lows" : "an even, dull scratch all over";
        double sheets = passes / shop.sheetDm2();
        return java.util.Optional.of(new Step(Kind.SAND, "sand " + grit.name() + (wet ? " wet" : ""), grit.name(), passes * sandMinutes, 0,
                sheets * shop.sheetCost(), Math.max(0, valley - gone), Math.max(after, scratch - passes * takes), passes, stop));
    }

    private Outcome found(BestFirst.Way way, int most) {
        var steps = new ArrayList<Step>();
        for (int i = 1; i < way.steps().size(); i++)
            steps.add(steps(State.of(way.steps().get(i - 1).node(), most)).get(way.steps().get(i).label()));
        double min = 0, wait = 0, cost = 0;
        for (var s : steps) {
            min += s.minPerDm2;
            wait += s.waitH;
            cost += s.costPerDm2;
        }
        return new Outcome.Found(List.copyOf(steps), min, wait, cost);
    }
}
