package yellowbracket.wear.pad;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.flat.Flattened;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Foam;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadForm;
import yellowbracket.size.Vision;
import yellowbracket.size.Zone;

/**
 * One wearer's set of foam pads: where each lies, its layers, its template, and how the shell then sits: it sinks until what the pads on
 * the
 * crown push up with is its weight. Those at the sides are steeper than foam slips on hair: they hold it still and bear nothing.
 *
 * @param sinksMm under its weight from where the Size station has it; below 0 it is pushed up
 * @param cradle where foam would be too thick to hold it still
 */
public record PadPlan(Wearer wearer, List<Pad> pads, double grams, double sinksMm, Optional<Cradle> cradle, List<Finding> findings) {
    /**
     * One piece of foam.
     *
     * @param name "brow", "left temple" ... @param gapMm between skin, hair pressed, and wall: the median under it @param stack none
     * where there
     * is no room or no wall
     * @param kpa mean pressure with the shell sunk, {@code mostKpa} at its worst place @param liftN of the weight it bears
     * @param lies the middle of the foam on the head @param stretch a flat sheet must give there @param outline u and v mm of the
     * template, in turn
     */
    public record Pad(String name, Zone zone, double gapMm, FoamStack stack, double pressedShare, double kpa, double mostKpa, double liftN,
            Mesh lies, Vec3 middle, double stretch, List<double[]> outline) {
        public Pad {
            outline = List.copyOf(outline);
        }

        public double areaMm2() {
            return lies.areaMm2();
        }

        public List<Double> layersMm() {
            return stack.mm();
        }

        public boolean none() {
            return stack.none();
        }

        public double thicknessMm() {
            return stack.freeMm();
        }

        /** By how much foams of one name differ; one that bears is pressed until it bears, be it soft or firm. */
        public double softest() {
            return none() || liftN > 0 ? 1 : stack.layers().getFirst().foam().least() / stack.layers().getFirst().foam().kpa();
        }

        public double firmest() {
            return none() || liftN > 0 ? 1 : stack.layers().getFirst().foam().most() / stack.layers().getFirst().foam().kpa();
        }

        public String words() {
            return stack.words();
        }

        /** Hook tape on its back: half of it, mm2. */
        public double tapeMm2() {
            return none() ? 0 : TAPED * areaMm2();
        }

    }

    /** What one stands for hours: on the average, and at one place, kPa. */
    public static final double COMFORT_KPA = 4, POINT_KPA = 8;
    /** Share of its thickness that foam gives way when worn. */
    static final double PRESSED = 0.27;
    /** Less is left without a pad; thicker foam does not hold a shell still; so far it may sink; mm. */
    static final double THINNEST_GAP_MM = 2.5, THICKEST_MM = 45;
    public static final double SINKS_MM = 4;
    private static final double TAPED = 0.5, GRAVITY = 9.81e-3, KPA = 1e-3;
    /** A second layer must be worth its glue, mm. */
    private static final double WORTH_MM = 1.5;
    /** Pads keep so far off ears and the arms of glasses, mm. */
    private static final double OFF_EARS_MM = 10, OFF_ARMS_MM = 9;
    private static final double SHRINK = 0.88, LEAST_SIDE_MM = 24, FREE = 0.94;
    private static final double MOST_SINK_MM = 40, FINE_MM = 0.01;

    /** Where a pad is wanted: direction from amid the head, degrees to the right and up, and its size on a head of 570 mm round. */
    private record Wanted(String name, Zone zone, double azimuthDeg, double upDeg, double wideMm, double highMm) {}

    private static final double USUAL_ROUND_MM = 570;
    private static final List<Wanted> SIX = List.of(new Wanted("brow", Zone.BROW, 0, 26, 92, 30),
            new Wanted("left temple", Zone.TEMPLES, -84, 34, 62, 38), new Wanted("right temple", Zone.TEMPLES, 84, 34, 62, 38),
            new Wanted("front crown", Zone.CROWN, 0, 68, 84, 54), new Wanted("back crown", Zone.CROWN, 180, 68, 84, 54),
            new Wanted("back", Zone.BACK, 180, 8, 76, 52));

    /** What a try-on said, mm by zone: above 0 too tight. */
    public record Told(Map<Zone, Double> tightMm) {
        public static final Told NOTHING = new Told(Map.of());

        public Told {
            tightMm = Map.copyOf(tightMm);
        }

        double tight(Zone z) {
            return tightMm.getOrDefault(z, 0.0);
        }
    }

    /** A pad before its foam is chosen. */
    private record Laid(Wanted wanted, PadPatch patch, double[] gaps, double medianMm) {
        boolean bears() {
            return wanted.zone == Zone.CROWN;
        }
    }

    /** @param grams that the pads carry @param shell in which straps would be fixed */
    public static PadPlan of(Fit fit, double grams, List<Foam> foams, Told told, ScaledShell shell) {
        var form = fit.clearance().form();
        var index = Bvh.of(form.mesh());
        var findings = new ArrayList<Finding>();
        var laid = new ArrayList<Laid>();
        for (var w : SIX) lay(w, fit, form, index, told, findings).ifPresent(laid::add);
        if (foams.isEmpty()) {
            findings.add(Finding.stop("no foam is in the catalogue or on the shelf: no pads can be cut"));
            return new PadPlan(fit.wearer(), List.of(), grams, 0, Optional.empty(), findings);
        }
        var chosen = choose(laid, grams, foams);
        boolean borne = liftN(laid, chosen.stacks, MOST_SINK_MM) >= grams * GRAVITY;
        double sinks = borne ? chosen.sinks : 0;
        if (!borne)
            findings.add(Finding.stop("no pad on the crown bears it: there is no room for one, so it stands on the head or hangs on the "
                    + "sides; a larger scale, or a cradle"));
        var pads = new ArrayList<Pad>();
        for (int i = 0; i < laid.size(); i++) pads.add(pad(laid.get(i), chosen.stacks.get(i), sinks));
        judge(pads, grams, sinks, findings);
        boolean large = pads.stream().anyMatch(p -> p.gapMm() > (1 - PRESSED) * THICKEST_MM);
        var cradle = large ? Optional.of(Cradle.of(form, fit.pose(), shell)) : Optional.<Cradle>empty();
        if (large) findings.add(Finding.care("over " + Math.round(THICKEST_MM)
                + " mm of foam is soft to stand on: hang a headband cradle instead, " + cradle.get().anchors().size() + " anchors below"));
        cradle.ifPresent(c -> findings.addAll(c.findings()));
        return new PadPlan(fit.wearer(), List.copyOf(pads), grams, sinks, cradle, List.copyOf(findings));
    }

    private static Optional<Laid> lay(Wanted w, Fit fit, HeadForm form, Bvh index, Told told, List<Finding> findings) {
        double az = Math.toRadians(w.azimuthDeg), el = Math.toRadians(w.upDeg), k = form.measures().circumferenceMm() / USUAL_ROUND_MM;
        var d = new Vec3(Math.cos(el) * Math.sin(az), Math.cos(el) * Math.cos(az), Math.sin(el));
        // from amid the skull, a little above the eyes
        var amid = new Vec3(0, 0, 0.06 * form.measures().heightMm());
        var hit = index.first(amid, d);
        if (hit.isEmpty()) return Optional.empty();
        var centre = amid.plus(d.times(hit.get().distance()));
        var normal = form.mesh().areaVector(hit.get().triangle()).unit();
        var up = w.zone == Zone.CROWN ? new Vec3(0, w.azimuthDeg == 0 ? -1 : 1, 0) : Vec3.Z;
        var near = new Nearest(form, fit);
        for (double wide = w.wideMm * k, high = w.highMm * k; wide >= LEAST_SIDE_MM && high >= LEAST_SIDE_MM * 0.8;
                wide *= SHRINK, high *= SHRINK) {
            var patch = PadPatch.on(form.mesh(), index, centre, normal, up, wide, high);
            if (patch.isEmpty()) continue;
            var gaps = new double[patch.get().places().size()];
            int free = 0;
            for (int i = 0; i < gaps.length; i++) {
                gaps[i] = near.gapMm(patch.get().places().get(i).at()) - fit.wearer().hairMm() / 3 - told.tight(w.zone);
                if (!Double.isNaN(gaps[i]) && near.mayLie(patch.get().places().get(i).at(),
                        patch.get().places().get(i).at().plus(patch.get().places().get(i).normal().times(Math.max(0, gaps[i] / 2)))))
                    free++;
            }
            if (free < FREE * gaps.length) continue;
            return Optional.of(new Laid(w, patch.get(), gaps, median(gaps)));
        }
        findings.add(Finding.of(Weight.NOTE, Subject.named(w.name),
                w.name + ": no place for a pad there: an opening, the view, an ear or the arm of the glasses takes it"));
        return Optional.empty();
    }

    /** What the clearance says near a place of the head. */
    private static final class Nearest {
        private final HeadForm form;
        private final Fit fit;

        Nearest(HeadForm form, Fit fit) {
            this.form = form;
            this.fit = fit;
        }

        /** Of the nearest sample; NaN before an opening. */
        double gapMm(Vec3 p) {
            return fit.clearance().mm(nearest(p));
        }

        /** Whether a direction from an eye, in head coordinates, leads through an opening. */
        private boolean seen(Vec3 d) {
            double r = angle(d), side = Math.hypot(d.x(), d.z());
            if (side < 1e-9) return true;
            int s = fit.vision().field().near(r * d.x() / side, r * d.z() / side);
            return s != Vision.Field.BLOCKED && s != Vision.Field.BEYOND;
        }

        private int nearest(Vec3 p) {
            int best = 0;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < form.samples().size(); i++) {
                double d = form.samples().get(i).point().distance(p);
                if (d < least) {
                    least = d;
                    best = i;
                }
            }
            return best;
        }

        /** Off ears, the arms of glasses, and out of sight. @param outer the middle of the foam over it */
        boolean mayLie(Vec3 p, Vec3 outer) {
            for (int side : new int[] {-1, 1}) if (seen(outer.minus(form.eye(side)))) return false;
            if (fit.wearer().glasses() && p.y() > -10 && Math.abs(p.z() - form.eye(1).z() - 6) < OFF_ARMS_MM) return false;
            return form.samples().stream().noneMatch(s -> s.zone() == Zone.EARS && s.point().distance(p) < OFF_EARS_MM);
        }
    }

    private static double angle(Vec3 d) {
        return Math.toDegrees(Math.acos(Math.clamp(d.y() / Math.max(1e-9, d.norm()), -1, 1)));
    }

    private static double median(double[] values) {
        var d = java.util.Arrays.stream(values).filter(x -> !Double.isNaN(x)).sorted().toArray();
        return d.length == 0 ? Double.NaN : d[d.length / 2];
    }

    private record Choice(List<FoamStack> stacks, double sinks, double cost) {}

    /**
     * The softest foam beside the head; on the crown whatever of all foams lets it sink least and stays bearable, thick enough for its
     * share.
     */
    private static Choice choose(List<Laid> laid, double grams, List<Foam> foams) {
        var soft = foams.stream().min(Comparator.comparingDouble(Foam::kpa)).orElseThrow();
        Choice best = null;
        double borne = grams * GRAVITY / Math.max(1, upMm2(laid)) / KPA;
        for (var crown : foams) for (double more : new double[] {1, 1.1, 0.9}) {
            var stacks = new ArrayList<FoamStack>();
            for (var l : laid) {
                boolean top = l.bears();
                var foam = top ? crown : soft;
                stacks.add(FoamStack.of(foam,
                        top ? layers(more * l.medianMm / (1 - foam.pressed(borne)), foam.stockMm()) : holding(l.medianMm, foam)));
            }
            double sinks = sinks(laid, stacks, grams);
            double cost = Math.abs(sinks);
            for (int i = 0; i < laid.size(); i++) {
                double[] p = pressures(laid.get(i), stacks.get(i), sinks);
                cost += 3 * Math.max(0, p[0] - COMFORT_KPA) + Math.max(0, p[1] - POINT_KPA);
            }
            if (best == null || cost < best.cost - 1e-9) best = new Choice(List.copyOf(stacks), sinks, cost);
        }
        return best;
    }

    /** One thickness, or two, whose pressure in the gap comes nearest to what is felt and not minded. */
    static List<Double> holding(double gapMm, Foam foam) {
        if (!(gapMm >= THINNEST_GAP_MM)) return List.of();
        List<Double> best = List.of();
        double least = Double.POSITIVE_INFINITY;
        for (double a : foam.stockMm()) for (double b : foam.stockMm()) {
            boolean two = b != a || foam.stockMm().getLast() < gapMm;
            for (var layers : two && a >= b ? List.of(List.of(a), List.of(a, b)) : List.of(List.of(a))) {
                double p = FoamStack.of(foam, layers).pressureKpa(gapMm);
                double off = (p <= 0 ? 9 : Math.abs(Math.log(p / HELD_KPA))) + SECOND_LAYER * (layers.size() - 1);
                if (off < least - 1e-9) {
                    least = off;
                    best = layers;
                }
            }
        }
        return best;
    }

    /** What a pad beside the head holds with; what a second layer must better, as a logarithm of pressures. */
    private static final double HELD_KPA = 2.6, SECOND_LAYER = 0.3;

    /** One stock thickness, or the two whose sum comes nearest to {@code wanted}; nothing for no gap. */
    static List<Double> layers(double wanted, List<Double> stockMm) {
        if (!(wanted >= THINNEST_GAP_MM)) return List.of();
        List<Double> best = List.of();
        double off = Double.POSITIVE_INFINITY;
        for (double a : stockMm) {
            if (Math.abs(a - wanted) < off - 1e-9) {
                off = Math.abs(a - wanted);
                best = List.of(a);
            }
        }
        for (double a : stockMm) for (double b : stockMm) if (a >= b && Math.abs(a + b - wanted) < off - WORTH_MM) {
            off = Math.abs(a + b - wanted);
            best = List.of(a, b);
        }
        return best;
    }

    /** Down from the wearing pose until the pads bear the weight, mm. */
    private static double sinks(List<Laid> laid, List<FoamStack> stacks, double grams) {
        return yellowbracket.search.Threshold.between(-MOST_SINK_MM, MOST_SINK_MM, FINE_MM, d -> liftN(laid, stacks, d) >= grams * GRAVITY);
    }

    /** Of the pads on the crown, seen from above. */
    private static double upMm2(List<Laid> laid) {
        return laid.stream().filter(Laid::bears).flatMap(l -> l.patch.places().stream()).mapToDouble(p -> p.mm2() * p.normal().z()).sum();
    }

    private static double liftN(List<Laid> laid, List<FoamStack> stacks, double sinks) {
        double sum = 0;
        for (int i = 0; i < laid.size(); i++) if (laid.get(i).bears()) sum += liftN(laid.get(i), stacks.get(i), sinks);
        return sum;
    }

    private static double liftN(Laid l, FoamStack s, double sinks) {
        double sum = 0;
        for (int k = 0; k < l.gaps.length; k++) {
            var p = l.patch.places().get(k);
            double up = p.normal().z();
            if (!Double.isNaN(l.gaps[k])) sum += KPA * s.pressureKpa(l.gaps[k] - sinks * up) * p.mm2() * up;
        }
        return sum;
    }

    /** Mean and most, kPa. */
    private static double[] pressures(Laid l, FoamStack s, double sinks) {
        double force = 0, area = 0, most = 0;
        for (int k = 0; k < l.gaps.length; k++) {
            var p = l.patch.places().get(k);
            if (Double.isNaN(l.gaps[k])) continue;
            double kpa = s.pressureKpa(l.gaps[k] - sinks * p.normal().z());
            force += kpa * p.mm2();
            area += p.mm2();
            most = Math.max(most, kpa);
        }
        return new double[] {area > 0 ? force / area : 0, most};
    }

    private static Pad pad(Laid l, FoamStack s, double sinks) {
        double[] p = pressures(l, s, sinks);
        double pressed = s.none() ? 0
                : Math.max(0, 1 - (l.medianMm - sinks * l.patch.places().get(l.gaps.length / 2).normal().z()) / s.freeMm());
        double half = Math.max(0, l.medianMm / 2);
        Flattened flat = l.patch.flat(q -> half);
        var outline = new ArrayList<double[]>();
        for (int v : l.patch.border()) outline.add(new double[] {flat.u(v), flat.v(v)});
        return new Pad(l.wanted.name, l.wanted.zone, l.medianMm, s, pressed, p[0], p[1], l.bears() ? liftN(l, s, sinks) : 0, flat.piece(),
                l.patch.places().get(l.gaps.length / 2).at(), flat.stretch(), outline);
    }

    private static void judge(List<Pad> pads, double grams, double sinks, List<Finding> out) {
        for (var p : pads) {
            if (p.gapMm() < THINNEST_GAP_MM) out.add(Finding.care(p.name() + ": no room for a pad"));
            else if (p.mostKpa() > POINT_KPA || p.kpa() > COMFORT_KPA) out.add(Finding.care(String.format(Locale.ROOT,
                    "%s: presses with %.1f kPa, %.1f at its worst; %.0f and %.0f are borne for hours: a larger or a softer pad", p.name(),
                    p.kpa(), p.mostKpa(), COMFORT_KPA, POINT_KPA)));
        }
        if (Math.abs(sinks) > SINKS_MM) out.add(Finding.care(sinks > 0 ? String.format(Locale.ROOT,
                "it sinks %.0f mm under its %.0f g: the eyes come to sit too high in the opening; firmer foam on the crown", sinks, grams)
                : String.format(Locale.ROOT, "the pads push it up by %.0f mm: thinner foam on the crown, or a chin strap", -sinks)));
    }

    /** Whether it can be cut and carries the shell. */
    boolean bears() {
        return !cut().isEmpty() && findings.stream().noneMatch(f -> f.weight() == Weight.STOP);
    }

    /** The set with what the foam on the shelf says to it. @param again the set made of some foams only */
    public PadPlan heldAgainst(FoamShelf shelf, List<Foam> foams, Function<List<Foam>, PadPlan> again) {
        return shelf.judge(this, foams, again).map(this::saying).orElse(this);
    }

    /** With one more thing to say. */
    public PadPlan saying(Finding f) {
        var all = new ArrayList<>(findings);
        all.add(f);
        return new PadPlan(wearer, pads, grams, sinksMm, cradle, List.copyOf(all));
    }

    /** Pads of the same place and layers in another set: they can stay. */
    public List<String> sharedWith(PadPlan other) {
        return pads.stream()
                .filter(p -> !p.none() && other.pads.stream().anyMatch(q -> q.name().equals(p.name()) && q.stack().equals(p.stack())))
                .map(Pad::name)
                .toList();
    }

    /** What all pads together push up with, N: the weight, once it has sunk. */
    public OptionalDouble worstKpa() {
        return pads.stream().mapToDouble(Pad::mostKpa).max();
    }

    /** Hook tape for all of them, mm2. */
    public double tapeMm2() {
        return pads.stream().mapToDouble(Pad::tapeMm2).sum();
    }

    public List<Pad> cut() {
        return pads.stream().filter(p -> !p.none()).toList();
    }

    /** Foam by stack and thickness, mm2 with what is lost cutting it out. */
    public Map<String, Double> foamMm2() {
        var out = new java.util.TreeMap<String, Double>();
        for (var p : cut())
            for (var l : p.stack().layers()) out.merge(FoamShelf.called(l.foam(), l.mm()), WASTE * p.areaMm2(), Double::sum);
        return out;
    }

    private static final double WASTE = 1.3;

    /** Sum of told tightness by zone. */
    public static Told told(List<Map.Entry<Zone, Double>> notes) {
        var sum = new EnumMap<Zone, Double>(Zone.class);
        notes.forEach(n -> sum.merge(n.getKey(), n.getValue(), Double::sum));
        return new Told(sum);
    }
}
