package yellowbracket.derive.wear;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.SurfacePath;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.Removable;
import yellowbracket.join.Weighed;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Foam;
import yellowbracket.size.Air;
import yellowbracket.size.Cavity;
import yellowbracket.size.OnHead;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.body.Balance;
import yellowbracket.wear.body.HeadTurn;
import yellowbracket.wear.body.Pocket;
import yellowbracket.wear.body.Sharp;
import yellowbracket.wear.body.Stand;
import yellowbracket.wear.day.Packing;
import yellowbracket.wear.day.WalkTest;
import yellowbracket.wear.hold.Closure;
import yellowbracket.wear.hold.FitAfter;
import yellowbracket.wear.hold.Hinge;
import yellowbracket.wear.light.Bought;
import yellowbracket.wear.light.Load;
import yellowbracket.wear.light.Power;
import yellowbracket.wear.light.Way;
import yellowbracket.wear.pad.FoamShelf;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.panel.Openings;
import yellowbracket.wear.panel.ViewThrough;
import yellowbracket.wear.panel.Visor;

/** Fitting out: pads, what closes openings, closures, lights, balance, the walk test. Lists follow the prop's order of wearers. */
public final class WearFigures {
    /** Holes in the wall of what is worn, prop mm. */
    public static final Figure<Openings> OPENINGS = Figure.ofProp("openings", Openings.class, WearFigures::openings);
    /** Who has it on, be it a helm or a mask. */
    public static final Figure<Heads> HEADS = Figure.ofProp("with it on", Heads.class, WearFigures::heads);
    public static final Figure<Visor> VISOR = Figure.ofProp("visor and lenses", Visor.class, WearFigures::visor);
    /** What is seen and breathed with all of it in. */
    public static final Figure<Views> VIEWS = Figure.ofProp("view through", Views.class, WearFigures::views);
    /** The prop as painted and joined, without what is fitted to it. */
    public static final Figure<Parts> PARTS = Figure.ofProp("what weighs", Parts.class, WearFigures::parts);
    /** From the room that the fit leaves. */
    public static final Figure<Pads> PADS = Figure.ofProp("pads", Pads.class, WearFigures::pads);
    public static final Figure<Balances> BALANCE = Figure.ofProp("balance", Balances.class, WearFigures::balances);
    /** How it stands for display. */
    public static final Figure<Stand> STAND = Figure.ofProp("how it stands", Stand.class,
            in -> Stand.of(in.get(ModelFigures.MODEL).mesh(), in.of(Prop::scale), in.get(BALANCE).list().getFirst().centre()));
    public static final Figure<Turns> TURNS = Figure.ofProp("head turn", Turns.class, WearFigures::turns);
    public static final Figure<Pockets> POCKETS = Figure.ofProp("pockets", Pockets.class, WearFigures::pockets);
    public static final Figure<Lit> POWER = Figure.ofProp("lights and cells", Lit.class, WearFigures::power);
    public static final Figure<Seats> SEATS = Figure.ofProp("bought parts", Seats.class, WearFigures::seats);
    public static final Figure<Closures> CLOSURES = Figure.ofProp("closures", Closures.class, WearFigures::closures);
    public static final Figure<AfterPaint> AFTER_PAINT = Figure.ofProp("fits after paint", AfterPaint.class, WearFigures::afterPaint);
    public static final Figure<Sharps> SHARP = Figure.ofProp("points and edges", Sharps.class,
            in -> new Sharps(Sharp.of(shell(in), in.progress())));
    public static final Figure<Walks> WALK = Figure.ofProp("walk test", Walks.class, WearFigures::walks);
    public static final Figure<Packing> PACKING = Figure.ofProp("packing list", Packing.class, WearFigures::packing);

    /** What films, fillers, magnets and rods weigh, g/cm3. */
    private static final double FILM_DENSITY = 1.3, FILLER_DENSITY = 1.2, METAL_DENSITY = 7.5;
    /** Of what is spread, so much is sanded off again; a starting value. */
    private static final double STAYS = 0.4;
    /** Taken of a prop whose mass cannot be worked out. */
    private static final double UNKNOWN_G = 900;
    private static final double PATH_STEP_MM = 2;
    /** Above the rim, so that a ray meets its wall, model mm. */
    private static final double RIM_MM = 4;
    private static final double FACE_BACK_MM = 25;

    private WearFigures() {}

    public record Heads(List<OnHead> list) {}

    /** By wearer. @param airCm2 near the mouth with panels in, {@code openAirCm2} without; empty where the mouth lies free */
    public record View(String wearer, ViewThrough through, OptionalDouble airCm2, OptionalDouble openAirCm2, List<Finding> findings) {}

    public record Views(List<View> list) {}

    public record Parts(List<Weighed> list) {
        public double grams() {
            return list.stream().mapToDouble(Weighed::grams).sum();
        }
    }

    /** One set a wearer. */
    public record Pads(List<PadPlan> sets) {
        public List<Finding> findings() {
            return sets.stream()
                    .flatMap(s -> s.findings()
                            .stream()
                            .map(f -> new Finding(f.weight(), f.subject(), s.wearer().name() + ": " + f.words(), f.fix())))
                    .toList();
        }
    }

    /** One a wearer, or one for what is carried. */
    public record Balances(List<Balance> list) {}

    public record Turns(List<HeadTurn> list) {}

    public record Pockets(List<Pocket> list) {}

    /**
     * Prop mm.
     *
     * @param paths of the runs @param wires on the wall from the cells, or from the collar where those go on the belt, to each of them
     */
    public record Lit(Power power, Map<String, List<Vec3>> paths, Map<String, Way> wires) {}

    public record Seats(List<Bought.Seat> list) {}

    /** @param hinges of joints that come off, where their edge is straight enough */
    public record Closures(List<Closure> list, List<Hinge> hinges) {
        public List<Finding> findings() {
            return Stream.concat(list.stream().flatMap(c -> c.findings().stream()), hinges.stream().flatMap(h -> h.findings().stream()))
                    .toList();
        }
    }

    public record AfterPaint(List<FitAfter> list) {
        public List<Finding> findings() {
            return list.stream().flatMap(f -> f.finding().stream()).distinct().toList();
        }
    }

    public record Sharps(List<Sharp> list) {}

    public record Walks(List<WalkTest> list) {}

    private static ScaledShell shell(Reads in) {
        return new ScaledShell(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh(), in.of(Prop::scale));
    }

    private static Openings openings(Reads in) {
        var cavity = in.get(SizeFigures.CAVITY);
        double s = in.of(Prop::scale);
        if (in.find(SizeFigures.FITS).isPresent() || cavity.holdsAHead())
            return Openings.of(shell(in), amid(cavity).times(s), new Vec3(0, 0, -1), in.progress());
        var box = cavity.mesh().bounds();
        var face = in.find(SizeFigures.MASK)
                .flatMap(m -> m.list().stream().findFirst())
                .map(m -> m.pose().place(new Vec3(0, 0, 0)))
                .orElse(new Vec3(box.centre().x(), box.min().y() - FACE_BACK_MM, box.centre().z()).times(s));
        return Openings.of(shell(in), face, new Vec3(0, -1, 0), in.progress());
    }

    private static Vec3 amid(Cavity c) {
        return new Vec3(0, c.middleY(), c.visorZ().orElse((c.rimZ() + c.roofZ()) / 2));
    }

    private static Visor visor(Reads in) {
        double[] neck = neck(in);
        return Visor.of(in.get(OPENINGS), in.of(p -> p.wear().panels()), in.shop(Catalogue::sheets), shell(in), neck[0], neck[1]);
    }

    /** Width and depth of the way in at the rim. */
    private static double[] neck(Reads in) {
        var cavity = in.get(SizeFigures.CAVITY);
        if (!cavity.holdsAHead()) return new double[] {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
        var shell = shell(in);
        double s = in.of(Prop::scale);
        var c = new Vec3(0.4, cavity.middleY(), cavity.rimZ() + RIM_MM).times(s);
        var out = new double[2];
        var ways = List.of(Vec3.X, Vec3.Y);
        for (int k = 0; k < 2; k++) out[k] = shell.firstMm(c, ways.get(k)) + shell.firstMm(c, ways.get(k).times(-1));
        return out;
    }

    private static Heads heads(Reads in) {
        var fits = in.find(SizeFigures.FITS);
        if (fits.isPresent()) return new Heads(fits.get().list().stream().map(OnHead::of).toList());
        var masks = in.get(SizeFigures.MASK).list();
        var shell = in.get(SizeFigures.CAVITY);
        double s = in.of(Prop::scale);
        return new Heads(masks.stream().map(m -> OnHead.of(m, shell, s)).toList());
    }

    private static Views views(Reads in) {
        var panels = in.get(VISOR).panels();
        var closed = panels.stream().filter(p -> p.sheet().plastic()).toList();
        var cavity = in.get(SizeFigures.CAVITY);
        double s = in.of(Prop::scale);
        return new Views(in.get(HEADS).list().stream().map(h -> {
            var through = ViewThrough.of(h.vision(), h.form(), h.pose(), panels);
            var open = h.air().map(a -> OptionalDouble.of(a.openCm2())).orElse(OptionalDouble.empty());
            var air = closed.isEmpty() || open.isEmpty() ? open
                    : OptionalDouble.of(Air.behind(h.form(), cavity, s, h.pose(), (p, d) -> ViewThrough.wallMm(p, d, closed)).openCm2());
            return new View(h.wearer().name(), through, air, open, judged(through, air, closed.isEmpty()));
        }).toList());
    }

    private static List<Finding> judged(ViewThrough t, OptionalDouble air, boolean open) {
        var out = new ArrayList<Finding>();
        for (var w : ViewThrough.When.values()) if (t.openShare() > 0.02 && t.enough(w) < 0.5) {
            out.add(Finding.care(String.format(java.util.Locale.ROOT,
                    "too dark %s: only %.0f %% of what is open lets through %.0f %% of the light; a lighter sheet, or lift it", w.words(),
                    100 * t.enough(w), 100 * w.least())));
            break;
        }
        if (!open && air.isPresent() && air.getAsDouble() < Air.WANTED_CM2) out.add(Finding.care(String.format(java.util.Locale.ROOT,
                "with the sheet in %.1f cm2 is left to breathe through, %.0f wanted: it fogs; leave a gap above and below, mesh, or a fan",
                air.getAsDouble(), Air.WANTED_CM2)));
        return out;
    }

    private static Parts parts(Reads in) {
        var asked = in.get(JoinFigures.ASKED);
        var out = new ArrayList<Weighed>();
        for (var sec : asked.sections()) {
            var q = asked.prints().get(sec.name());
            if (q != null) out.add(Weighed.of(sec.name(), sec.mesh(), q.grams(), q.how().walls() * q.how().lineMm(),
                    in.shop(c -> c.material(q.material()).densityGcm3())));
        }
        var at = Balance.whole(out).at();
        in.find(CutFigures.REGISTERED).ifPresent(r -> r.fitted().forEach(f -> {
            boolean metal = f.kind().magnet() || f.kind() == RegistrationKind.RODS || f.kind() == RegistrationKind.THROUGH_ROD;
            double cm3 = Math.PI / 4 * f.diameterMm() * f.diameterMm() * f.lengthMm() * (f.kind().magnet() ? 2 : 1) / 1000;
            if (metal) out.add(new Weighed(f.kind().words() + " in " + f.seam(), METAL_DENSITY * cm3, f.at()));
        }));
        in.find(JoinFigures.JOINS).map(JoinPlan::glueGrams).filter(g -> g > 0).ifPresent(g -> out.add(new Weighed("glue", g, at)));
        in.find(SmoothFigures.SMOOTH)
                .map(WearFigures::filler)
                .filter(g -> g > 0)
                .ifPresent(g -> out.add(new Weighed("filler and primer", g, at)));
        in.find(ColourFigures.COLOUR)
                .map(c -> in.shop(s -> film(c, s)))
                .filter(g -> g > 0)
                .ifPresent(g -> out.add(new Weighed("paint", g, at)));
        return new Parts(List.copyOf(out));
    }

    private static double filler(SmoothPlan p) {
        return STAYS * FILLER_DENSITY * p.amounts().stream().mapToDouble(a -> a.valleysMl() + a.skimMl() + a.seamsMl()).sum();
    }

    private static double film(ColourPlan c, Catalogue shop) {
        return FILM_DENSITY * c.areas().stream().mapToDouble(a -> a.dm2() * 10 * c.filmMm(a.zone().id(), shop)).sum();
    }

    private static Pads pads(Reads in) {
        var foams = in.shop(Catalogue::foams);
        var known = in.find(PARTS).map(Parts::grams).filter(g -> g > 0);
        double grams = known.orElse(UNKNOWN_G);
        var told = in.build(b -> padNotes(b));
        String prop = in.prop();
        var shell = shell(in);
        var shelf = in.build(b -> FoamShelf.of(b.stock()));
        var out = new ArrayList<PadPlan>();
        for (var f : in.get(SizeFigures.FITS).list()) {
            var tight = PadPlan.told(told.stream()
                    .filter(n -> n.prop().equals(prop) && n.wearer().equals(f.wearer().name()))
                    .map(n -> Map.entry(n.zone(), n.tightMm()))
                    .toList());
            Function<List<Foam>, PadPlan> of = some -> PadPlan.of(f, grams, some, tight, shell);
            var set = of.apply(foams).heldAgainst(shelf, foams, of);
            out.add(known.isPresent() ? set
                    : set.saying(Finding.care(String.format(java.util.Locale.ROOT,
                            "its mass could not be worked out: the crown pads are made for %.0f g", UNKNOWN_G))));
        }
        return new Pads(List.copyOf(out));
    }

    private static List<Entry.PadNote> padNotes(Build b) {
        return b.log().stream().flatMap(e -> e.padNote().stream()).toList();
    }

    private static Balances balances(Reads in) {
        var parts = new ArrayList<>(in.get(PARTS).list());
        var scale = in.of(Prop::scale);
        in.find(VISOR)
                .ifPresent(v -> v.panels()
                        .forEach(p -> parts
                                .add(new Weighed(p.sheet().name() + ", " + p.opening().name(), Visor.grams(p), p.opening().middle()))));
        in.find(POWER).ifPresent(l -> {
            for (var r : l.power().runs()) {
                var path = l.paths().get(r.load().name());
                if (!path.isEmpty()) parts.add(new Weighed(r.load().name(), r.load().grams(r.lengthMm()), path.get(path.size() / 2)));
            }
            l.power()
                    .cells()
                    .ifPresent(c -> parts.add(new Weighed(c.words(), c.grams(),
                            l.power().pocket().map(q -> q.box().centre()).orElse(Balance.whole(parts).at()))));
        });
        for (var b : in.of(p -> p.wear().bought())) if (b.grams() > 0) parts.add(new Weighed(b.name(), b.grams(), b.at().times(scale)));
        if (!in.of(Prop::worn)) return new Balances(List.of(Balance.carried(parts)));
        var heads = in.find(HEADS).map(Heads::list).orElse(List.of());
        if (heads.isEmpty()) return new Balances(List.of(Balance.carried(parts)));
        var pads = in.find(PADS).map(Pads::sets).orElse(List.of());
        double counter = in.of(p -> p.wear().counterG());
        var shell = shell(in);
        var out = new ArrayList<Balance>();
        for (int i = 0; i < heads.size(); i++) {
            var h = heads.get(i);
            var mine = new ArrayList<>(parts);
            if (i < pads.size()) for (var p : pads.get(i).cut())
                mine.add(new Weighed("pad, " + p.name(), p.areaMm2() * p.thicknessMm() * FOAM_G_MM3, h.pose().place(p.middle())));
            var behind = behind(h, shell);
            if (counter > 0 && behind.isPresent()) mine.add(new Weighed("counterweight", counter, behind.get()));
            out.add(Balance.worn(mine, Balance.joint(h.form(), h.pose()), behind));
        }
        return new Balances(List.copyOf(out));
    }

    /** Foam, g/mm3. */
    private static final double FOAM_G_MM3 = 4e-5;
    /** Within the wall behind the head, low, mm. */
    private static final double IN_FRONT_OF_WALL_MM = 6, LOW = -0.12;

    private static Optional<Vec3> behind(OnHead h, ScaledShell shell) {
        var from = h.pose().place(new Vec3(0, 0, LOW * h.form().measures().heightMm()));
        var back = h.pose().direction(new Vec3(0, -1, 0));
        double far = shell.firstMm(from, back);
        return Double.isFinite(far) ? Optional.of(from.plus(back.times(far - IN_FRONT_OF_WALL_MM))) : Optional.empty();
    }

    private static Turns turns(Reads in) {
        var m = in.get(ModelFigures.MODEL).mesh();
        double s = in.of(Prop::scale);
        return new Turns(in.get(HEADS).list().stream().map(h -> HeadTurn.of(m, s, h.form(), h.pose(), h.wearer())).toList());
    }

    private static Pockets pockets(Reads in) {
        var fits = in.get(SizeFigures.FITS).list();
        if (fits.isEmpty()) throw in.none();
        return new Pockets(Pocket.beside(in.get(SizeFigures.FIELDS).list().getFirst(), fits.getFirst().pose(), shell(in), in.progress()));
    }

    private static Lit power(Reads in) {
        var loads = in.of(p -> p.wear().loads());
        if (loads.isEmpty()) return new Lit(Power.of(List.of(), in.of(p -> p.wear().litHours()), List.of()), Map.of(), Map.of());
        double s = in.of(Prop::scale);
        var paths = new HashMap<String, List<Vec3>>();
        var runs = new ArrayList<Power.Run>();
        for (var l : loads) {
            var path = path(in, l, s);
            paths.put(l.name(), path);
            var way = new Way(path);
            runs.add(new Power.Run(l, path.size() > 1 ? way.lengthMm() : l.lengthMm(), way.tightestMm()));
        }
        var power = Power.of(runs, in.of(p -> p.wear().litHours()), in.find(POCKETS).map(Pockets::list).orElse(List.of()));
        var wires = new HashMap<String, Way>();
        power.pocket()
                .map(q -> q.box().centre())
                .or(() -> collar(in))
                .ifPresent(from -> paths
                        .forEach((name, path) -> path.stream().findFirst().ifPresent(to -> wires.put(name, wire(in, from, to, s)))));
        return new Lit(power, Map.copyOf(paths), Map.copyOf(wires));
    }

    /** Where a lead from the belt comes up: inside the rim, behind. */
    private static Optional<Vec3> collar(Reads in) {
        return in.find(SizeFigures.CAVITY).flatMap(c -> {
            var from = new Vec3(0, c.middleY(), c.rimZ() + RIM_MM).times(in.of(Prop::scale));
            double far = shell(in).firstMm(from, Vec3.Y.times(-1));
            return Double.isFinite(far) ? Optional.of(from.plus(Vec3.Y.times(-far))) : Optional.empty();
        });
    }

    /** Along the wall, where tape or a bead of hot glue holds it; straight where body and light are not of one piece. */
    private static Way wire(Reads in, Vec3 from, Vec3 to, double s) {
        try {
            return new Way(over(in, List.of(from.times(1 / s), to.times(1 / s)), s));
        } catch (IllegalArgumentException e) {
            return new Way(List.of(from, to));
        }
    }

    private static List<Vec3> path(Reads in, Load l, double s) {
        if (l.opening().isPresent()) return in.find(OPENINGS)
                .flatMap(o -> o.list().stream().filter(x -> x.name().equals(l.opening().get())).findFirst())
                .map(o -> closed(o.loop()))
                .orElse(List.of());
        if (l.places().size() < 2) return l.places().stream().map(p -> p.times(s)).toList();
        return over(in, l.places(), s);
    }

    private static List<Vec3> closed(List<Vec3> loop) {
        var out = new ArrayList<>(loop);
        if (!loop.getFirst().equals(loop.getLast())) out.add(loop.getFirst());
        return out;
    }

    /** The shortest way over the surface through places of the model, prop mm. */
    private static List<Vec3> over(Reads in, List<Vec3> places, double s) {
        var light = in.get(ModelFigures.PROXY).mesh();
        return SurfacePath.through(Painted.all(light, 0), places, PATH_STEP_MM).points().stream().map(p -> p.times(s)).toList();
    }

    private static Seats seats(Reads in) {
        var bought = in.of(p -> p.wear().bought());
        if (bought.isEmpty()) return new Seats(List.of());
        var shell = shell(in);
        return new Seats(bought.stream().map(b -> {
            var near = shell.index().closest(b.at());
            return b.seat(shell, shell.mesh().areaVector(near.triangle()).unit(),
                    b.along().size() < 2 ? 0 : new Way(over(in, b.along(), in.of(Prop::scale))).lengthMm());
        }).toList());
    }

    /** Thickest film of all zones, mm. */
    private static double filmMm(Reads in) {
        return in.find(ColourFigures.COLOUR)
                .map(c -> in.shop(s -> c.areas().stream().mapToDouble(a -> c.filmMm(a.zone().id(), s)).max().orElse(0)))
                .orElse(0.0);
    }

    private static Closures closures(Reads in) {
        var registered = in.find(CutFigures.REGISTERED);
        if (registered.isEmpty()) return new Closures(List.of(), List.of());
        var plan = in.get(JoinFigures.JOINS);
        boolean worn = in.of(Prop::worn);
        var out = new ArrayList<Closure>();
        for (var j : plan.joins()) {
            if (j.glued()) continue;
            boolean sealed = registered.get()
                    .fitted()
                    .stream()
                    .anyMatch(f -> f.seam().equals(j.seam().name()) && f.kind() == RegistrationKind.SEALED_MAGNETS);
            double need = JoinPlan.LEAST_RESERVE * Removable.loadN(j.seam(), j.demand());
            Closure.of(j.seam().name(), registered.get().fitted(), sealed ? Removable.SEALED_GAP_MM : Removable.OPEN_GAP_MM, 0, need, worn)
                    .ifPresent(out::add);
        }
        var hinges = plan.joins().stream().filter(j -> !j.glued()).flatMap(j -> Hinge.of(j.seam()).stream()).toList();
        return new Closures(List.copyOf(out), hinges);
    }

    private static AfterPaint afterPaint(Reads in) {
        var registered = in.find(CutFigures.REGISTERED);
        if (registered.isEmpty()) return new AfterPaint(List.of());
        double film = filmMm(in), clearance = in.of(p -> p.cut().registration().clearanceMm()) / 2;
        var bare = in.find(ColourFigures.BARE).map(ColourFigures.Bare::list).orElse(List.of()).stream().map(b -> b.where()).toList();
        var late = in.get(JoinFigures.JOINS).joins().stream().filter(j -> !j.glued()).map(j -> j.seam().name()).toList();
        var out = new ArrayList<FitAfter>();
        for (var name : Stream.concat(late.stream(), bare.stream()).distinct().toList()) {
            var sizes = registered.get()
                    .fitted()
                    .stream()
                    .filter(f -> f.seam().equals(name))
                    .map(f -> f.kind().words() + " " + f.size())
                    .distinct()
                    .toList();
            for (var size : sizes) out.add(new FitAfter(name, size, clearance, film, bare.contains(name)));
            if (registered.get().tongues().stream().anyMatch(t -> t.seam().equals(name)))
                out.add(new FitAfter(name, "tongue", clearance, film, bare.contains(name)));
        }
        return new AfterPaint(List.copyOf(out));
    }

    private static Walks walks(Reads in) {
        var heads = in.get(HEADS).list();
        var views = in.get(VIEWS).list();
        var turns = in.get(TURNS).list();
        var balances = in.get(BALANCE).list();
        double hours = in.of(p -> p.wear().wornHours());
        boolean covers = in.get(SizeFigures.CAVITY).holdsAHead();
        var told = in.build(WearFigures::walked);
        String prop = in.prop();
        var out = new ArrayList<WalkTest>();
        for (int i = 0; i < heads.size(); i++) {
            var results = new EnumMap<WalkTest.What, WalkTest.Result>(WalkTest.What.class);
            String name = heads.get(i).wearer().name();
            told.stream().filter(w -> w.prop().equals(prop) && w.wearer().equals(name)).forEach(w -> results.put(w.what(), w.result()));
            var v = views.get(i);
            out.add(WalkTest.of(new WalkTest.Known(heads.get(i), v.through, v.airCm2, turns.get(i), balances.get(i), hours, covers),
                    results));
        }
        return new Walks(List.copyOf(out));
    }

    private static List<Entry.Walked> walked(Build b) {
        return b.log().stream().flatMap(e -> e.walked().stream()).toList();
    }

    private static Packing packing(Reads in) {
        var joins = in.find(JoinFigures.JOINS).map(JoinPlan::joins).orElse(List.of());
        int magnets = in.find(CutFigures.REGISTERED).map(r -> (int) r.fitted().stream().filter(f -> f.kind().magnet()).count()).orElse(0);
        var pads = in.find(PADS).map(Pads::sets).orElse(List.of());
        var colours = in.of(p -> p.colour().zones().stream().map(ColourZone::name).distinct().toList());
        return Packing.of(new Packing.Of(in.of(Prop::name), in.of(Prop::worn), pads.stream().map(p -> p.wearer().name()).toList(),
                joins.size(), magnets, colours, pads.stream().mapToDouble(PadPlan::tapeMm2).max().orElse(0),
                in.find(VISOR).filter(v -> v.panels().stream().anyMatch(p -> p.sheet().plastic())).isPresent(),
                in.find(POWER).map(Lit::power), in.of(p -> Math.max(p.wear().litHours(), p.wear().wornHours()))));
    }
}
