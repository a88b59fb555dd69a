package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.PriorityQueue;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Grit;
import yellowbracket.shop.Practice;

/**
 * The cheapest sequence of films and sandings from layer lines of a given depth to a finish: shortest path (Dijkstra) over states of the
 * surface. A valley of depth d holds d/2 on average. A film fills valleys first and lies over the peaks with the rest; a sanding takes a
 * volume, at the rate of its grit, of the tool that the shape allows and of what is on top, and no less than the scratches of the step
 * before. Costs are per square decimetre; getting things out for a step is shared by the whole show side. Micrometres, minutes.
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
     * {@code coats} of a film, 1 for a sanding; {@code stop}: how one sees that it is enough.
     * @param mlPerDm2 of film as it comes from the tin, without waste @param takenUm sanded off, on average; {@code printUm} that of the
     *        print @param sheetsPerDm2 of paper
     */
    public record Step(Kind kind, String what, String product, double minPerDm2, double waitH, double costPerDm2, double valleyUm,
            double scratchUm, int coats, double mlPerDm2, double takenUm, double printUm, double sheetsPerDm2, String stop) {
        /** The same on a surface of another shape. */
        Step on(Areas.Shape from, Areas.Shape to) {
            double min = kind == Kind.SAND ? Math.max(ONCE_OVER_MIN, minPerDm2 * from.tool() / to.tool()) : minPerDm2;
            return new Step(kind, what, product, min, waitH, costPerDm2, valleyUm, scratchUm, coats, mlPerDm2, takenUm, printUm,
                    sheetsPerDm2, stop);
        }
    }

    /** What a step does. */
    public enum Kind { FILM, SAND, PRIME }

    /** The path, or why there is none. */
    public sealed interface Outcome {
        /** {@code minutesPerDm2} and {@code waitH} over all steps. */
        record Found(List<Step> steps, double minutesPerDm2, double waitH, double costPerDm2) implements Outcome {}

        /** The films and grits at hand do not reach the finish. */
        record OutOfReach(String why) implements Outcome {}
    }

    /** Sanding marks may shrink to about half in one step before gloss and metal, to a third else; a finer grit would polish them in. */
    private static final double FINEST_STEP = 2.1, FINEST_STEP_MATT = 3.1;
    /** Spray does not hide the marks of paper coarser than P120, um; sprayed films are sanded with P240 and finer. */
    private static final double DEEPEST_UNDER_SPRAY_UM = 44;
    private static final int COARSEST_ON_SPRAY = 240;
    /** With finer paper nobody sands a film down to the peaks, or lines off bare print. */
    private static final int FINEST_TO_PEAKS = 320, FINEST_FOR_LINES = 240;
    /** A skim lies so far over the peaks, um. */
    private static final double SKIM_UM = 150;
    /** Scratch of a print's skin: strings and the texture of lines, not sanded yet, um. */
    private static final double SKIN_UM = 30;
    /** Of a sprayed film at least so much is sanded off: the guide coat is gone except in the lows. */
    private static final double GUIDE = 0.5;
    /** A paper is moved over a square decimetre so long at least, min. */
    private static final double ONCE_OVER_MIN = 0.3;
    /** cm3 that a sheet takes off what is soft, and off bare print, before it is dull; wet it lasts half as much again. */
    private static final double SOFT_CM3 = 6, HARD_CM3 = 2, WET = 1.5;
    /** Faster than this is soft. */
    private static final double SOFT = 2;
    /** From this grit on it is sanded wet. */
    private static final int WET_FROM = 400;
    /** mm3 of a dm2 by 1 um, in cm3. */
    private static final double CM3 = 0.01;
    /** States looked at before the best found is taken. */
    private static final int BUDGET = 20_000;
    /** A surface is told apart no finer than this, um. */
    private static final double CELL_UM = 4;
    /** Smaller props are not worked alone, dm2. */
    private static final double LEAST_DM2 = 2;

    /**
     * @param valley left open @param over film above the peaks @param scratch of the step before @param top what is on top: index of the
     *        film, -1 for the print @param fresh a film that is not sanded
     */
    private record State(double valley, double over, double scratch, int top, boolean fresh) {
        State rounded() {
            return new State(cell(valley), cell(over / 2), scratch, top, fresh);
        }

        private static double cell(double um) {
            return Math.round(Math.max(0, um) / CELL_UM);
        }
    }

    private record Arc(State to, Step step) {}

    private record Way(State at, double cost, Way before, Step by) {}

    private final Finish finish;
    private final School school;
    private final Weights weights;
    private final Catalogue shop;
    private final double tool;
    private final double print;
    private final List<Coating> films;
    private final double outByHand;
    private final double outToSpray;

    private Ladder(Areas.Shape shape, Finish finish, School school, Weights weights, Catalogue shop, String material, double totalDm2) {
        this.finish = finish;
        this.school = school;
        this.weights = weights;
        this.shop = shop;
        tool = shape.tool();
        print = shop.material(material).sandTimes();
        outByHand = 60 * shop.usual(Practice.HAND_SETUP_H) / totalDm2;
        outToSpray = 60 * shop.usual(Practice.SPRAY_SETUP_H) / totalDm2;
        films = shop.coatings().stream().filter(c -> school.allows(c.kind())).toList();
    }

    /** @param material of the print @param totalDm2 of the show side */
    public static Outcome find(double valleyUm, Areas.Shape shape, Finish finish, School school, Weights weights, Catalogue shop,
            String material, double totalDm2) {
        return new Ladder(shape, finish, school, weights, shop, material, Math.max(LEAST_DM2, totalDm2)).run(valleyUm);
    }

    private Outcome run(double valleyUm) {
        var queue = new PriorityQueue<Way>(java.util.Comparator.comparingDouble(Way::cost));
        var known = new HashMap<State, Double>();
        queue.add(new Way(new State(valleyUm, 0, SKIN_UM, -1, false), 0, null, null));
        int left = BUDGET;
        while (!queue.isEmpty() && left-- > 0) {
            var way = queue.poll();
            if (way.cost > known.getOrDefault(way.at.rounded(), Double.POSITIVE_INFINITY)) continue;
            if (reached(way.at)) return found(way);
            for (var arc : arcs(way.at)) {
                double cost = way.cost + cost(arc.step);
                var key = arc.to.rounded();
                if (cost >= known.getOrDefault(key, Double.POSITIVE_INFINITY)) continue;
                known.put(key, cost);
                queue.add(new Way(arc.to, cost, way, arc.step));
            }
        }
        return new Outcome.OutOfReach("no ladder of the school \"" + school.label() + "\" reaches " + finish.label() + " from "
                + Math.round(valleyUm) + " micrometres: choose another school or a lower layer height");
    }

    /** Smooth enough, and primed all over: nothing takes colour evenly on print and filler side by side. */
    private boolean reached(State s) {
        return !s.fresh && s.over > 0 && films.get(s.top).sprayed() && s.valley <= finish.valleyUm() + 1e-9
                && s.scratch <= finish.scratchUm() + 1e-9;
    }

    private double cost(Step s) {
        return weights.workMin * (s.minPerDm2 + (s.kind == Kind.PRIME ? outToSpray : outByHand)) + weights.waitH * s.waitH
                + weights.money * s.costPerDm2;
    }

    private List<Arc> arcs(State s) {
        var out = new ArrayList<Arc>();
        if (!s.fresh) for (int i = 0; i < films.size(); i++)
            for (int coats = 1; coats <= most(films.get(i)); coats++) if (covers(s, films.get(i))) out.add(film(s, i, coats));
        for (var grit : shop.grits()) sand(s, grit, out);
        return out;
    }

    /** Spray does not hide deep marks. */
    private static boolean covers(State s, Coating film) {
        return !film.sprayed() || s.scratch <= DEEPEST_UNDER_SPRAY_UM;
    }

    private static int most(Coating film) {
        return skims(film) || film.kind() == Coating.Kind.EPOXY ? 1 : 3;
    }

    /** Laid on with a knife: as thick as the valleys are deep, and a skim over them. */
    static boolean skims(Coating film) {
        return switch (film.kind()) {
            case FILLER, PASTE, PUTTY -> true;
            default -> false;
        };
    }

    private static double skimUm(double valleyUm) {
        return valleyUm / 2 + SKIM_UM;
    }

    /** What a knife lays on lines of a mean depth, ml/dm2. */
    static double skimMl(double meanUm) {
        return CM3 * skimUm(meanUm);
    }

    private Arc film(State s, int index, int coats) {
        var film = films.get(index);
        double put = skims(film) ? skimUm(s.valley) : coats * film.filmUm(), stays = put * film.stays();
        double level = levelling(film) * stays;
        // a valley of depth d filled by t is left sqrt(d2 - 2 d t) deep: it is as wide as it is deep
        double left = level < s.valley / 2 ? Math.sqrt(s.valley * s.valley - 2 * s.valley * level) : 0;
        if (film.sprayed()) left = Math.max(0, s.valley - level); // it follows the lines
        if (skims(film)) left = (1 - film.stays()) * s.valley;
        double over = s.over + Math.max(0, stays - (s.valley - left) / 2), marks = Math.max(texture(film), s.scratch - level);
        double work = coats * switch (film.kind()) {
            case FILLER -> shop.usual(Practice.SPREAD_FILLER_MIN_DM2);
            case PASTE, PUTTY -> shop.usual(Practice.SPREAD_PASTE_MIN_DM2);
            case RESIN -> shop.usual(Practice.BRUSH_RESIN_MIN_DM2);
            case EPOXY -> shop.usual(Practice.BRUSH_EPOXY_MIN_DM2);
            case SPRAY_PUTTY, FILLER_PRIMER, PRIMER, PAINT, METAL, WASH, CLEAR -> shop.usual(Practice.SPRAY_MIN_DM2);
        };
        double ml = put * CM3, wait = (coats - 1) * film.recoatFromH() + film.sandableH();
        double cost = film.sprayed() ? coats * film.cost() / (100 * film.m2PerContainer()) : ml * film.cost() / film.containerMl();
        String stop = film.kind() == Coating.Kind.FILLER_PRIMER ? "an even grey, no bare print showing"
                : skims(film) ? "the lines are full, the peaks just covered" : "the lines are covered, without runs";
        var step = new Step(film.sprayed() ? Kind.PRIME : Kind.FILM, coats + (coats == 1 ? " coat " : " coats ") + film.name(), film.name(),
                work, wait, cost, left, marks, coats, ml, 0, 0, 0, stop);
        return new Arc(new State(left, over, marks, index, true), step);
    }

    /** How much more of a film settles in a valley than on a peak: a knife fills, a brush flows, spray follows the lines. */
    private static double levelling(Coating film) {
        return film.sprayed() ? 0.45 : film.kind() == Coating.Kind.RESIN || film.kind() == Coating.Kind.EPOXY ? 0.75 : 1;
    }

    /** Orange peel, brush marks or knife marks of a fresh film, micrometres. */
    private static double texture(Coating film) {
        if (film.sprayed()) return 12;
        return film.kind() == Coating.Kind.RESIN || film.kind() == Coating.Kind.EPOXY ? 15 : 80;
    }

    private void sand(State s, Grit grit, List<Arc> out) {
        double after = grit.scratchUm(), ratio = finish.scratchUm() < Finish.SATIN.scratchUm() ? FINEST_STEP : FINEST_STEP_MATT;
        if (s.scratch > ratio * after || s.over > 0 && films.get(s.top).sprayed() && grit.p() < COARSEST_ON_SPRAY) return;
        if (s.over > 0) {
            // down to the peaks; scratches deeper than the film go on into the print
            if (grit.p() <= FINEST_TO_PEAKS) out.add(sanded(s, grit, s.over, Math.max(0, s.scratch - s.over), 0, s.valley));
            double off = s.fresh && films.get(s.top).sprayed() ? Math.max(s.scratch, GUIDE * s.over) : s.scratch;
            if (s.over > off + CELL_UM && (after < s.scratch || s.fresh)) out.add(sanded(s, grit, off, 0, s.over - off, s.valley));
            return;
        }
        double down = s.valley - finish.valleyUm();
        if (down > 0 && grit.p() <= FINEST_FOR_LINES) {
            double taken = Math.max(down * down / (2 * s.valley), s.scratch);
            out.add(sanded(s, grit, 0, taken, 0, finish.valleyUm()));
        }
        if (after < s.scratch) out.add(sanded(s, grit, 0, s.scratch, 0, Math.max(0, s.valley - s.scratch)));
    }

    /** @param film taken of what is on top, {@code bare} of the print, um on average */
    private Arc sanded(State s, Grit grit, double film, double bare, double over, double valley) {
        double times = s.top < 0 ? print : films.get(s.top).sandTimes();
        double cm3Film = CM3 * film, cm3Bare = CM3 * bare, rate = grit.cm3Min() * tool;
        double minutes = Math.max(ONCE_OVER_MIN, cm3Film / (rate * times) + cm3Bare / (rate * print));
        boolean wet = grit.p() >= WET_FROM;
        double lasts = wet ? WET : 1, sheets = (cm3Film / (times > SOFT ? SOFT_CM3 : HARD_CM3) + cm3Bare / HARD_CM3) / lasts;
        String stop = film > 0 && over == 0 ? "the peaks just show through: the guide coat is gone except in the lows"
                : film > 0 ? "the guide coat is gone, no print shows" : "an even, dull scratch all over";
        var step = new Step(Kind.SAND, "sand " + grit.name() + (wet ? " wet" : ""), grit.name(), minutes, 0, sheets * shop.sheetCost(),
                valley, grit.scratchUm(), 1, 0, film + bare, bare, sheets, stop);
        return new Arc(new State(valley, over, grit.scratchUm(), over > 0 ? s.top : -1, false), step);
    }

    private static Outcome found(Way last) {
        var steps = new ArrayList<Step>();
        for (var w = last; w.by != null; w = w.before) steps.addFirst(w.by);
        double min = 0, wait = 0, cost = 0;
        for (var s : steps) {
            min += s.minPerDm2;
            wait += s.waitH;
            cost += s.costPerDm2;
        }
        return new Outcome.Found(List.copyOf(steps), min, wait, cost);
    }
}
