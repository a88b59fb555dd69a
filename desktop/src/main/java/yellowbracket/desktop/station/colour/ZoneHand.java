package yellowbracket.desktop.station.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import java.util.function.Supplier;
import javafx.scene.shape.MeshView;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.zone.Brush;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Region;
import yellowbracket.colour.zone.Side;
import yellowbracket.desktop.bench.Bench;
import yellowbracket.desktop.bench.Drawn;
import yellowbracket.desktop.model.AppModel;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.theme.Role;
import yellowbracket.mesh.Bounds3;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.smooth.Flaw;

/** Paints zones on the bench with the pointer: what a click or a stroke would take is lit before it is taken. */
final class ZoneHand {
    /** What the pointer does on the bench. */
    enum Tool {
        BRUSH("brush"), FLOOD("flood up to creases"), BODY("a whole body"), SECTION("a whole section"), PLANE("the side of a plane");

        private final String words;

        Tool(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** Sides of the model, in its own axes. */
    enum Way {
        ABOVE("above", Vec3.Z), BELOW("below", Vec3.Z.times(-1)), LEFT("left of", Vec3.X), RIGHT("right of", Vec3.X.times(-1)),
        AHEAD("ahead of", Vec3.Y), BEHIND("behind", Vec3.Y.times(-1));

        private final String words;
        private final Vec3 normal;

        Way(String words, Vec3 normal) {
            this.words = words;
            this.normal = normal;
        }

        String words() {
            return words;
        }
    }

    static final double LEAST_MM = 1, MOST_MM = 200;
    private static final double STEP = 1.25;

    private final ColourView view;
    private final ZonePainter painter;
    private final Supplier<ColourZone> zone;
    /** Apart from the pages' own, whose kept shapes a moving pointer would drive out. */
    private final Drawn drawn = new Drawn();
    Tool tool = Tool.BRUSH;
    Way way = Way.ABOVE;
    double radiusMm = 12;
    double creaseDeg = 30;
    double share = 0.5;
    boolean twin;
    boolean within;
    private Optional<Shown> shown = Optional.empty();
    private Optional<Vec3> pointer = Optional.empty();

    /** What is on the bench: the light copy, its index, the thing drawn, and the stroke in hand. */
    private static final class Shown {
        private final Painted light;
        private final Bvh index;
        private final MeshView view;
        private Optional<Brush> stroke = Optional.empty();

        Shown(Painted light, MeshView view) {
            this.light = light;
            this.view = view;
            index = Bvh.of(light.mesh());
        }

        int piece(Vec3 p) {
            return index.closest(p).triangle();
        }
    }

    /** @param zone that is painted */
    ZoneHand(ColourView view, ZonePainter painter, Supplier<ColourZone> zone) {
        this.view = view;
        this.painter = painter;
        this.zone = zone;
    }

    /** Whether a stroke is being drawn. */
    boolean strokes() {
        return shown.filter(s -> s.stroke.isPresent()).isPresent();
    }

    /** The model, ready for the pointer. */
    void draw() {
        var light = view.light().orElseThrow();
        var thing = view.painted(light, view.palette(), f -> view.slot(light.zone(f)));
        var now = new Shown(light, thing);
        shown = Optional.of(now);
        thing.setUserData(new Bench.Brush(this::hover, this::over, this::done, true));
        view.bench().onSize(this::resize);
        var labels = view.prop()
                .smooth()
                .flaws()
                .stream()
                .filter(Flaw::accepted)
                .map(f -> new Bench.Callout(f.at().times(view.prop().scale()), "weathering: " + f.kind().label(), ""))
                .toList();
        view.shown(List.of(thing), labels, "prop");
        view.legendOfZones();
        if (tool == Tool.PLANE) light();
    }

    private void resize(int by) {
        radiusMm = Math.clamp(radiusMm * Math.pow(STEP, by), LEAST_MM, MOST_MM);
        view.model().tell(AppModel.Tone.NOTE, Words.text("brush of %.0f mm", radiusMm));
        light();
    }

    private void hover(Vec3 p) {
        if (pointer.isPresent() && pointer.get().distance(p) < 1) return;
        pointer = Optional.of(p);
        light();
    }

    private void over(Vec3 p, boolean takes) {
        if (tool != Tool.BRUSH) return;
        var s = shown.orElseThrow();
        if (s.stroke.isEmpty()) s.stroke = Optional.of(new Brush(s.light, radiusMm / view.prop().scale()));
        var stroke = s.stroke.get();
        boolean more = stroke.add(s.piece(p), p);
        if (twin) {
            var q = mirrored(p);
            stroke.add(s.piece(q), q);
        }
        if (more) lit(s, stroke::covers, takes ? view.prop().colour().ground() : zone.get().id());
    }

    private void done(List<Vec3> points, boolean takes) {
        var s = shown.orElseThrow();
        s.stroke = Optional.empty();
        int to = takes ? view.prop().colour().ground() : zone.get().id();
        var name = view.prop().colour().zone(to).map(ColourZone::name).orElse("zone");
        double radius = radiusMm / view.prop().scale(), crease = creaseDeg;
        boolean stay = within;
        var seeds = new ArrayList<>(tool == Tool.BRUSH ? points : points.subList(0, 1));
        if (twin) points.stream().limit(tool == Tool.BRUSH ? points.size() : 1).map(this::mirrored).forEach(seeds::add);
        var planes = seeds.stream().map(q -> view.prop().cut().tree().around(q)).toList();
        switch (tool) {
            case BRUSH -> painter.run("brush: " + name, p -> brush(p, seeds, radius).onto(to));
            case FLOOD -> painter.run("flood: " + name, p -> flood(p, seeds, q -> Region.flood(p, q, crease, stay), to));
            case BODY -> painter.run("body: " + name, p -> flood(p, seeds, q -> Region.body(p, q), to));
            case SECTION -> painter.run("section: " + name, p -> {
                var now = p;
                for (var round : planes)
                    now = Side.within(now, round.stream().map(c -> new Side.Half(c.normal(), c.offsetMm())).toList(), to);
                return now;
            });
            case PLANE -> {}
        }
    }

    private interface Picked {
        boolean[] from(int piece);
    }

    private static Painted flood(Painted p, List<Vec3> seeds, Picked region, int to) {
        var index = Bvh.of(p.mesh());
        var in = new boolean[p.count()];
        for (var s : seeds) {
            var one = region.from(index.closest(s).triangle());
            for (int f = 0; f < in.length; f++) in[f] |= one[f];
        }
        return p.with(in, to);
    }

    private static Brush brush(Painted p, List<Vec3> points, double radius) {
        var index = Bvh.of(p.mesh());
        var brush = new Brush(p, radius);
        for (var q : points) {
            var near = index.closest(q);
            brush.add(near.triangle(), near.point());
        }
        return brush;
    }

    void side() {
        double at = planeAt();
        var z = zone.get();
        var normal = way.normal;
        painter.run(z.name() + " " + way.words + " " + planeWords(), p -> Side.of(p, normal, at, z.id(), Side.Only.ALL));
    }

    private Optional<Bounds3> box() {
        return shown.map(s -> s.light.mesh().bounds());
    }

    double middle() {
        return box().map(b -> b.centre().x()).orElse(0.0);
    }

    private Vec3 mirrored(Vec3 p) {
        return new Vec3(2 * middle() - p.x(), p.y(), p.z());
    }

    /** Along the normal, model mm. */
    private double planeAt() {
        var b = box().orElse(Bounds3.of(0, 0, 0, 1, 1, 1));
        double low = Math.min(way.normal.dot(b.min()), way.normal.dot(b.max())),
                high = Math.max(way.normal.dot(b.min()), way.normal.dot(b.max()));
        boolean up = way.normal.x() + way.normal.y() + way.normal.z() > 0;
        return low + (up ? share : 1 - share) * (high - low);
    }

    String planeWords() {
        return view.words().length(Math.abs(planeAt()) * view.prop().scale());
    }

    /** What a click or the button would take is lit. */
    void light() {
        if (shown.isEmpty() || shown.get().stroke.isPresent()) return;
        var s = shown.get();
        if (tool == Tool.PLANE) {
            double at = planeAt();
            lit(s, f -> s.light.mesh().centroid(f).dot(way.normal) > at, zone.get().id());
            return;
        }
        if (pointer.isEmpty()) return;
        var seeds = twin ? List.of(pointer.get(), mirrored(pointer.get())) : List.of(pointer.get());
        lit(s, region(s, seeds), zone.get().id());
    }

    private IntPredicate region(Shown s, List<Vec3> seeds) {
        if (tool == Tool.BRUSH) {
            var tip = new Brush(s.light, radiusMm / view.prop().scale());
            seeds.forEach(q -> tip.add(s.piece(q), q));
            return tip::covers;
        }
        var all = new boolean[s.light.count()];
        for (var q : seeds) {
            var planes = view.prop().cut().tree().around(q);
            var one = switch (tool) {
                case FLOOD -> Region.flood(s.light, s.piece(q), creaseDeg, within);
                case BODY -> Region.body(s.light, s.piece(q));
                case SECTION, BRUSH, PLANE -> within(s.light, planes);
            };
            for (int f = 0; f < all.length; f++) all[f] |= one[f];
        }
        return f -> all[f];
    }

    private static boolean[] within(Painted p, List<yellowbracket.cut.solid.CutPlane> planes) {
        var out = new boolean[p.count()];
        for (int f = 0; f < out.length; f++) {
            var c = p.mesh().centroid(f);
            out[f] = planes.stream().allMatch(q -> q.height(c) >= 0);
        }
        return out;
    }

    private void lit(Shown s, IntPredicate which, int to) {
        var palette = new ArrayList<>(view.palette());
        var base = palette.get(view.slot(to));
        palette.add(base.interpolate(Role.PICKED.colour(), 0.45));
        int lit = palette.size() - 1;
        var look = drawn.byPalette(s.light.mesh(), palette, f -> which.test(f) ? lit : view.slot(s.light.zone(f)));
        s.view.setMesh(look.getMesh());
        s.view.setMaterial(look.getMaterial());
    }
}
