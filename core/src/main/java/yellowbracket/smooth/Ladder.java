package yellowbracket.smooth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Grit;
import yellowbracket.shop.Practice;
import yellowbracket.work.Hazard;

/**
 * The cheapest sequence of films and sandings from layer lines of a given depth to a finish: shortest path (Dijkstra) over states of the
 * surface. A valley of depth d holds d/2 on average. A film fills valleys first and lies over the peaks with the rest; a sanding takes a
 * volume, at the rate of its grit, of the tool that the shape allows and of what is on top, and no less than the scratches of the step
 * before. Costs are per square decimetre; getting things out for a step is shared by the whole show side. Micrometres, minutes.
 */
public final class Ladder {
    /**
     * What is minimised, as minutes: a minute of work, an hour of waiting, a unit of money, a cm3 of dry dust, a micrometre by which
     * details are filled or worn.
     */
    public record Weights(String name, double workMin, double waitH, double money, double dustCm3, double detailUm) {
        public static final Weights LEAST_WORK = new Weights("least work", 1, 0.15, 0.5, 0, 0);
        public static final Weights SOONEST = new Weights("soonest", 1, 2.0, 0.5, 0, 0);
        public static final Weights CHEAPEST = new Weights("cheapest", 0.35, 0.05, 6, 0, 0);
        public static final Weights LEAST_DUST = new Weights("least dust", 1, 0.15, 0.5, 12, 0);
        public static final Weights BEST_DETAIL = new Weights("best detail", 1, 0.15, 0.5, 0, 0.03);
    }

    /**
     * By which way, and with what.
     * @param shelf names of films and papers there are; only asked where {@link Means#onShelf}
     */
    public record Way(Finish finish, School school, Weights weights, Means means, Set<String> shelf) {
        public Way {
            shelf = Set.copyOf(shelf);
        }

        public static Way of(Finish finish, School school, Weights weights) {
            return new Way(finish, school, weights, Means.USUAL, Set.of());
        }

        public Way to(Finish other) {
            return new Way(other, school, weights, means, shelf);
        }

        boolean has(String name) {
            return !means.onShelf() || shelf.contains(name);
        }
    }

    /**
     * One step. {@code minPerDm2} work, {@code waitH} until the next, {@code costPerDm2}; valley and scratch left after it, micrometres;
     * {@code coats} of a film, 1 for a sanding; {@code stop}: how one sees that it is enough, {@code why} it is done.
     * @param mlPerDm2 of film as it comes from the tin, without waste @param takenUm sanded off, on average; {@code printUm} that of the
     *        print @param sheetsPerDm2 of paper @param overUm film left over the peaks @param dustCm3 dry, a dm2 @param detailUm by which
     *        details are filled or worn @param machine whether a sander does it
     */
    public record Step(Kind kind, String what, String product, double minPerDm2, double waitH, double costPerDm2, double valleyUm,
            double scratchUm, int coats, double mlPerDm2, double takenUm, double printUm, double sheetsPerDm2, double overUm,
            double dustCm3, double detailUm, boolean machine, String stop, String why) {
        /** The same on a surface of another shape. */
        Step on(Areas.Shape from, Areas.Shape to, Catalogue shop) {
            boolean still = machine && machines(to);
            double min = kind == Kind.SAND ? Math.max(ONCE_OVER_MIN, minPerDm2 * rate(from, machine, shop) / rate(to, still, shop))
                    : minPerDm2;
            return new Step(kind, what, product, min, waitH, costPerDm2, valleyUm, scratchUm, coats, mlPerDm2, takenUm, printUm,
                    sheetsPerDm2, overUm, dustCm3, detailUm, still, stop, why);
        }

        private Step told(Words w) {
            return new Step(kind, w.what, product, minPerDm2, waitH, costPerDm2, valleyUm, scratchUm, coats, mlPerDm2, takenUm, printUm,
                    sheetsPerDm2, overUm, dustCm3, detailUm, machine, w.stop, w.why);
        }

        private static double rate(Areas.Shape shape, boolean machine, Catalogue shop) {
            return shape.tool() * (machine ? shop.usual(Practice.MACHINE_TIMES) : 1);
        }
    }

    /** Where a machine may go at all. */
    static boolean machines(Areas.Shape shape) {
        return shape == Areas.Shape.FLAT || shape == Areas.Shape.CURVED;
    }

    /** What a step does. */
    public enum Kind { FILM, SAND, PRIME, LOOK }

    /** The path, or why there is none. */
    public sealed interface Outcome {
        /** {@code minutesPerDm2} and {@code waitH} over all steps. */
        record Found(List<Step> steps, double minutesPerDm2, double waitH, double costPerDm2) implements Outcome {
            static Found of(List<Step> steps) {
                double min = 0, wait = 0, cost = 0;
                for (var s : steps) {
                    min += s.minPerDm2;
                    wait += s.waitH;
                    cost += s.costPerDm2;
                }
                return new Found(List.copyOf(steps), min, wait, cost);
            }
        }

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
    /** A machine with finer paper polishes and warms more than it takes. */
    private static final int FINEST_BY_MACHINE = 240;
    /** A paper is moved over a square decimetre so long at least, min. */
    private static final double ONCE_OVER_MIN = 0.3;
    /** Paper lasts half as long again when wet. */
    private static final double WET = 1.5;
    /** What sands faster than this is soft. */
    private static final double SOFT = 2;
    private static final int WET_FROM = 400;
    /** mm3 of a dm2 by 1 um, in cm3. */
    private static final double CM3 = 0.01;
    /** States looked at before the best found is taken. */
    private static final int BUDGET = 20_000;
    /** A surface is told apart no finer than this, um. */
    private static final double CELL_UM = 4;
    /** Smaller props are not worked alone, dm2. */
    private static final double LEAST_DM2 = 2;
    /** A texture hides lines this many times its own grain. */
    private static final double HIDES = 2.5;
    /** A knife's minutes are told for a film so thick; half of them go with what is spread. */
    private static final double KNIFE_UM = 200;
    /** A knife fills details twice as thick as it lays on; print worn off an edge is seen more than film on it. */
    private static final double BY_KNIFE = 2, WORN = 3;

    /**
     * @param valley left open @param over film above the peaks @param scratch of the step before @param top what is on top: index of the
     *        film, -1 for the print @param fresh a film that is not sanded
     */
    private record State(double valley, double over, double scratch, int top, boolean fresh) {
        Alike rounded() {
            return new Alike(cell(valley), cell(over / 2), scratch, top, fresh);
        }

        private static int cell(double um) {
            return (int) Math.round(Math.max(0, um) / CELL_UM);
        }
    }

    /** States that are told apart no finer than a cell. */
    private record Alike(int valley, int over, double scratch, int top, boolean fresh) {
        /** Well spread: told apart by a few small numbers, many would fall together otherwise. */
        @Override
        public int hashCode() {
            long h = (valley * 31L + over) * 31 + 2 * top + (fresh ? 1 : 0) + Double.doubleToLongBits(scratch);
            return (int) (h * 0x9E37_79B9_7F4A_7C15L >>> 32);
        }
    }

    /** {@code step} without words: of the many looked at, few are told of. */
    private record Arc(State to, Step step, Supplier<Words> words) {
        Step told() {
            return step.told(words.get());
        }
    }

    private record Words(String what, String stop, String why) {}

    private record Reached(State at, double cost, Reached before, Arc by) {}

    private final Way way;
    private final Catalogue shop;
    private final Areas.Shape shape;
    private final double print;
    private final boolean soft;
    private final List<Coating> films;
    private final List<Grit> grits;
    private final Map<Grit, String> names;
    private final double outByHand;
    private final double outToSpray;

    private Ladder(Areas.Shape shape, Way way, Catalogue shop, String material, double totalDm2) {
        this.way = way;
        this.shop = shop;
        this.shape = shape;
        print = shop.material(material).sandTimes();
        soft = shop.material(material).solventSoft();
        outByHand = 60 * shop.usual(Practice.HAND_SETUP_H) / totalDm2;
        outToSpray = 60 * shop.usual(Practice.SPRAY_SETUP_H) / totalDm2;
        films = shop.coatings().stream().filter(this::allowed).toList();
        grits = shop.grits().stream().filter(g -> way.has(g.name())).toList();
        names = grits.stream().collect(Collectors.toMap(g -> g, Grit::name));
    }

    /** The school's films; a barrier where the print needs one; where nothing may be sprayed a primer for the brush. */
    private boolean allowed(Coating c) {
        if (!way.has(c.name())) return false;
        if (!way.means.spray()) {
            if (c.sprayed() || c.hazards().contains(Hazard.SOLVENT_VAPOUR) || c.hazards().contains(Hazard.STYRENE)) return false;
        } else if (c.primes() && !c.sprayed()) return false; // spray is quicker and more even
        if (!UvCure.refused(c, shop.lamp(way.means.lamp())).isEmpty()) return false;
        return way.school.allows(c.kind()) || c.kind() == Coating.Kind.PRIMER && soft && way.school.needsBarrier();
    }

    /** @param material of the print @param totalDm2 of what is worked on */
    public static Outcome find(double valleyUm, Areas.Shape shape, Way way, Catalogue shop, String material, double totalDm2) {
        if (!(valleyUm >= 0 && valleyUm < 1e5)) return new Outcome.OutOfReach(
                "lines of " + Math.round(valleyUm) + " micrometres are no layer lines: check the layer height on the print page");
        var ladder = new Ladder(shape, way, shop, material, Math.max(LEAST_DM2, totalDm2));
        return way.school == School.TEXTURE ? ladder.textured(valleyUm) : ladder.run(valleyUm);
    }

    private Outcome run(double valleyUm) {
        var queue = new PriorityQueue<Reached>(java.util.Comparator.comparingDouble(Reached::cost));
        var known = new HashMap<Alike, Double>();
        queue.add(new Reached(new State(valleyUm, 0, shop.usual(Practice.SKIN_MARKS_UM), -1, false), 0, null, null));
        int left = BUDGET;
        while (!queue.isEmpty() && left-- > 0) {
            var at = queue.poll();
            if (at.cost > known.getOrDefault(at.at.rounded(), Double.POSITIVE_INFINITY)) continue;
            if (reached(at.at)) return found(at);
            for (var arc : arcs(at.at)) {
                double cost = at.cost + cost(arc.step);
                var key = arc.to.rounded();
                if (cost >= known.getOrDefault(key, Double.POSITIVE_INFINITY)) continue;
                known.put(key, cost);
                queue.add(new Reached(arc.to, cost, at, arc));
            }
        }
        return new Outcome.OutOfReach(whyNot(valleyUm));
    }

    /** What is missing, and what would reach. */
    private String whyNot(double valleyUm) {
        String lines = "no ladder of the school \"" + way.school.label() + "\" reaches " + way.finish.label() + " from "
                + Math.round(valleyUm) + " micrometres";
        if (way.means.onShelf() && films.stream().noneMatch(Coating::primes)) return lines + ": no primer is on the shelf";
        if (way.means.onShelf() && grits.stream().noneMatch(g -> g.scratchUm() <= way.finish.scratchUm()))
            return lines + ": paper of " + finest() + " or finer is not on the shelf";
        for (var c : shop.coatings()) {
            String refused = UvCure.refused(c, shop.lamp(way.means.lamp()));
            if (way.school.allows(c.kind()) && !refused.isEmpty()) return lines + ": " + refused;
        }
        if (!way.means.spray() && way.finish.ordinal() >= Finish.GLOSS.ordinal())
            return lines + " indoors: a brush leaves marks; spray outdoors, or choose satin";
        return lines + ": choose another school or a lower layer height";
    }

    private String finest() {
        return shop.grits().stream().filter(g -> g.scratchUm() <= way.finish.scratchUm()).map(Grit::name).findFirst().orElse("finer grain");
    }

    /** Smooth enough, and primed all over: nothing takes colour evenly on print and filler side by side. */
    private boolean reached(State s) {
        return !s.fresh && s.over > 0 && films.get(s.top).primes() && s.valley <= way.finish.valleyUm() + 1e-9
                && s.scratch <= way.finish.scratchUm() + 1e-9;
    }

    private double cost(Step s) {
        var w = way.weights;
        return w.workMin * (s.minPerDm2 + (s.kind == Kind.PRIME ? outToSpray : outByHand)) + w.waitH * s.waitH + w.money * s.costPerDm2
                + w.dustCm3 * s.dustCm3 + w.detailUm * s.detailUm;
    }

    private List<Arc> arcs(State s) {
        var out = new ArrayList<Arc>();
        if (!s.fresh) for (int i = 0; i < films.size(); i++)
            for (int coats = 1; coats <= most(films.get(i)); coats++) if (covers(s, films.get(i))) out.add(film(s, i, coats));
        for (var grit : grits) sand(s, grit, out);
        return out;
    }

    /** Spray does not hide deep marks; styrene does not go on a print that it softens. */
    private boolean covers(State s, Coating film) {
        if (soft && s.top < 0 && film.hazards().contains(Hazard.STYRENE)) return false;
        return !film.sprayed() || s.scratch <= DEEPEST_UNDER_SPRAY_UM;
    }

    private static int most(Coating film) {
        return film.byKnife() || film.kind() == Coating.Kind.EPOXY ? 1 : 3;
    }

    /** What a knife lays on lines of a mean depth, ml/dm2. */
    static double skimMl(double meanUm, Catalogue shop) {
        return CM3 * (meanUm / 2 + shop.usual(Practice.SKIM_UM));
    }

    private Arc film(State s, int index, int coats) {
        var film = films.get(index);
        var f = Surface.film(film, coats, s.valley, s.over, s.scratch, shop);
        return new Arc(new State(f.valley(), f.over(), f.marks(), index, true), coats(film, coats, f, f.over() - s.over),
                () -> words(film, coats, whyFilm(s, film)));
    }

    private String whyFilm(State s, Coating film) {
        if (soft && s.top < 0 && film.kind() == Coating.Kind.PRIMER) return "a barrier: the filler's styrene softens this plastic";
        if (s.valley < CELL_UM) return "one even ground for colour";
        if (s.top < 0 && !film.sprayed()) return "fills lines of " + Math.round(s.valley) + " \u00b5m at once: it sands "
                + Math.round(Math.max(1, film.sandTimes() / print)) + " times as fast as the print";
        return "fills what is left, " + Math.round(s.valley) + " \u00b5m deep, and shows what is still low";
    }

    private static Words words(Coating film, int coats, String why) {
        String stop = film.kind() == Coating.Kind.FILLER_PRIMER ? "an even grey, no bare print showing"
                : film.byKnife() ? "the lines are full, the peaks just covered" : "the lines are covered, without runs";
        return new Words(coats + (coats == 1 ? " coat " : " coats ") + film.name(), stop, why);
    }

    /** Without words. */
    private Step coats(Coating film, int coats, Surface.Filled f, double raised) {
        double work = coats * switch (film.kind()) {
            case FILLER -> shop.usual(Practice.SPREAD_FILLER_MIN_DM2);
            case PASTE, PUTTY -> shop.usual(Practice.SPREAD_PASTE_MIN_DM2);
            case RESIN -> shop.usual(Practice.BRUSH_RESIN_MIN_DM2);
            case EPOXY -> shop.usual(Practice.BRUSH_EPOXY_MIN_DM2);
            case SPRAY_PUTTY, FILLER_PRIMER, PRIMER, TEXTURE, PAINT, METAL, WASH, CLEAR ->
                    film.sprayed() ? shop.usual(Practice.SPRAY_MIN_DM2) : shop.usual(Practice.BRUSH_PAINT_MIN_DM2);
        };
        if (film.byKnife()) work *= 0.5 + 0.5 * f.put() / KNIFE_UM;
        if (film.light().isPresent()) work += coats * UvCure.minutesPerDm2(film, shop.lamp(way.means.lamp()));
        double ml = f.put() * CM3, wait = (coats - 1) * film.recoatFromH() + film.sandableH();
        double cost = film.sprayed() ? coats * film.cost() / (100 * film.m2PerContainer()) : ml * film.cost() / film.containerMl();
        return new Step(film.primes() || film.sprayed() ? Kind.PRIME : Kind.FILM, "", film.name(), work, wait, cost, f.valley(), f.marks(),
                coats, ml, 0, 0, 0, f.over(), 0, film.byKnife() ? BY_KNIFE * f.put() : Math.max(0, raised), false, "", "");
    }

    private void sand(State s, Grit grit, List<Arc> out) {
        double after = grit.scratchUm(), ratio = way.finish.scratchUm() < Finish.SATIN.scratchUm() ? FINEST_STEP : FINEST_STEP_MATT;
        if (s.scratch > ratio * after || s.over > 0 && films.get(s.top).primes() && grit.p() < COARSEST_ON_SPRAY) return;
        if (s.over > 0) {
            // down to the peaks; scratches deeper than the film go on into the print
            if (grit.p() <= FINEST_TO_PEAKS) out.add(sanded(s, grit, s.over, Math.max(0, s.scratch - s.over), 0, s.valley));
            double off = s.fresh && films.get(s.top).sprayed() ? Math.max(s.scratch, shop.usual(Practice.GUIDE_OFF) * s.over) : s.scratch;
            if (s.over > off + CELL_UM && (after < s.scratch || s.fresh)) out.add(sanded(s, grit, off, 0, s.over - off, s.valley));
            return;
        }
        double down = s.valley - way.finish.valleyUm();
        if (down > 0 && grit.p() <= FINEST_FOR_LINES) {
            double taken = Math.max(down * down / (2 * s.valley), s.scratch);
            out.add(sanded(s, grit, 0, taken, 0, way.finish.valleyUm()));
        }
        if (after < s.scratch) out.add(sanded(s, grit, 0, s.scratch, 0, Math.max(0, s.valley - s.scratch)));
    }

    /** @param film taken of what is on top, {@code bare} of the print, um on average */
    private Arc sanded(State s, Grit grit, double film, double bare, double over, double valley) {
        double times = s.top < 0 ? print : films.get(s.top).sandTimes();
        boolean machine = way.means.machine() && machines(shape) && grit.p() <= FINEST_BY_MACHINE;
        double cm3Film = CM3 * film, cm3Bare = CM3 * bare, rate = grit.cm3Min() * Step.rate(shape, machine, shop);
        double minutes = Math.max(ONCE_OVER_MIN, cm3Film / (rate * times) + cm3Bare / (rate * print));
        boolean wet = grit.p() >= WET_FROM;
        double softCm3 = shop.usual(Practice.SHEET_SOFT_CM3), hardCm3 = shop.usual(Practice.SHEET_HARD_CM3);
        double sheets = (cm3Film / (times > SOFT ? softCm3 : hardCm3) + cm3Bare / hardCm3) / (wet ? WET : 1);
        var step = new Step(Kind.SAND, "", names.get(grit), minutes, 0, sheets * shop.sheetCost(), valley, grit.scratchUm(), 1, 0,
                film + bare, bare, sheets, over, wet ? 0 : cm3Film + cm3Bare, WORN * bare, machine, "", "");
        return new Arc(new State(valley, over, grit.scratchUm(), over > 0 ? s.top : -1, false), step,
                () -> words(s, grit, film, over, valley));
    }

    private static Words words(State s, Grit grit, double film, double over, double valley) {
        boolean toPeaks = film > 0 && over == 0;
        String stop = toPeaks ? "the peaks just show through: the guide coat is gone except in the lows"
                : film > 0 ? "the guide coat is gone, no print shows" : "an even, dull scratch all over";
        String why = toPeaks ? "takes the film down to the peaks: only the valleys keep it"
                : s.over <= 0 && valley < s.valley - s.scratch - 1e-9
                        ? "takes lines of " + Math.round(s.valley) + " \u00b5m down to " + Math.round(valley)
                        : "brings marks of " + Math.round(s.scratch) + " \u00b5m down to " + Math.round(grit.scratchUm());
        return new Words("sand " + grit.name() + (grit.p() >= WET_FROM ? " wet" : ""), stop, why);
    }

    /** Scuffed, sealed, and a coating whose own grain hides the lines. */
    private Outcome textured(double valleyUm) {
        var coat = films.stream().filter(f -> f.kind() == Coating.Kind.TEXTURE).findFirst();
        var seal = films.stream().filter(f -> f.kind() == Coating.Kind.PRIMER).findFirst();
        var scuff = grits.stream().filter(g -> g.p() >= 120 && g.p() <= 180).findFirst();
        if (coat.isEmpty() || seal.isEmpty() || scuff.isEmpty())
            return new Outcome.OutOfReach("a texture needs paper of P120 to P180, a " + "sealing primer and a texture coating, "
                    + (way.means.onShelf() ? "and not all are on the shelf" : "which are sprayed: work outdoors or with extraction"));
        double hides = HIDES * coat.get().textureUm();
        if (valleyUm > hides) return new Outcome.OutOfReach(text(
                "a texture hides lines of up to %.0f \u00b5m, these are %.0f: print finer " + "layers, or fill first with another school",
                hides, valleyUm));
        var start = new State(valleyUm, 0, shop.usual(Practice.SKIN_MARKS_UM), -1, false);
        var steps = new ArrayList<Step>();
        var scuffed = sanded(start, scuff.get(), 0, start.scratch, 0, Math.max(0, valleyUm - start.scratch));
        steps.add(scuffed.told());
        double valley = valleyUm, over = 0, marks = scuffed.to.scratch;
        for (var film : List.of(seal.get(), coat.get())) {
            var f = Surface.film(film, 1, valley, over, marks, shop);
            String why = film == seal.get() ? "a barrier between plastic and the coating's solvents"
                    : "its grain hides the lines and seams";
            steps.add(coats(film, 1, f, f.over() - over).told(words(film, 1, why)));
            valley = f.valley();
            over = f.over();
            marks = f.marks();
        }
        return Outcome.Found.of(steps);
    }

    private static Outcome found(Reached last) {
        var steps = new ArrayList<Step>();
        for (var w = last; w.by != null; w = w.before) steps.addFirst(w.by.told());
        return Outcome.Found.of(steps);
    }

    /** Primed as it is, so that its lines stay. */
    static List<Step> primedOnly(Way way, Catalogue shop, String material) {
        var ladder = new Ladder(Areas.Shape.CURVED, way, shop, material, LEAST_DM2);
        var film = ladder.films.stream().filter(Coating::primes).min(java.util.Comparator.comparingDouble(Coating::filmUm));
        if (film.isEmpty()) return List.of();
        var f = Surface.film(film.get(), 1, 0, 0, shop.usual(Practice.SKIN_MARKS_UM), shop);
        return List.of(ladder.coats(film.get(), 1, f, f.over()).told(words(film.get(), 1, "its lines stay; primer holds the colour")));
    }

    private static String text(String format, Object... args) {
        return String.format(java.util.Locale.ROOT, format, args);
    }
}
