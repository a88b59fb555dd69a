package yellowbracket.cut.registration;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/**
 * Places registration on every seam and works it into the sections: as many as the seam is long, as far apart as they go, only where the
 * wall left over is
 * thick enough on both sides; a section goes on one way only. What cannot be placed is told with its reason. Single use.
 */
public final class Registrar {
    /** A tongue along a wall is better than pins thinner than this. */
    private static final double STURDY_MM = 4;
    /** Between a witness mark and what is placed in a face, mm. */
    private static final double LEFT_MM = 0.2;

    private final Sectioning plain;
    private final List<CutPlane> planes;
    private final double scale;
    private final Registration wanted;
    private final WallRoom room;
    private final List<Fitted> fitted = new ArrayList<>();
    private final List<Registered.Tongue> tongues = new ArrayList<>();
    private final List<Registered.Refused> refused = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Map<String, FaceWork.Job> jobs = new HashMap<>();
    /** Seams that need bosses, or would be helped by them. */
    private final java.util.Set<String> bossed = new java.util.TreeSet<>();
    /** Where bosses were added, by seam, model coordinates. */
    private Map<String, List<Vec3>> middles = Map.of();
    /** What a tongue on each seam would be: no hole placed changes it, so all are made at once. */
    private final Map<String, Optional<TongueCut>> tongueCuts = new ConcurrentHashMap<>();
    /** The widest place of each seam's face. */
    private final Map<String, Optional<FacePlaces.Circle>> widest = new ConcurrentHashMap<>();
    private double added;
    private double removed;

    private Registrar(Sectioning plain, CutTree tree, Bvh index, double scale, Registration wanted) {
        this.plain = plain;
        this.scale = scale;
        this.wanted = wanted;
        planes = tree.planes().stream().map(p -> new CutPlane(p.normal(), p.offsetMm() * scale)).toList();
        room = new WallRoom(index, scale, planes, plain);
    }

    /**
     * @param plain sections and seams in real mm
     * @param tree as cut, in model coordinates, which {@code scale} brings to real mm
     * @param index of the model that was cut
     */
    public static Registered of(Sectioning plain, CutTree tree, Bvh index, double scale, Registration wanted, Progress progress) {
        if (wanted.nothing() || plain.sections().isEmpty()) return Registered.plain(plain);
        return new Registrar(plain, tree, index, scale, wanted).decide(progress).worked();
    }

    /**
     * As {@link #of}, with bosses and witness marks: those change the model before it is cut, which costs a second cut.
     * @param model what {@code plain} was cut from, and {@code plain} in its coordinates
     */
    public static Registered of(Mesh model, Bvh index, Sectioning plain, CutTree tree, double scale, Registration wanted,
            Progress progress) {
        if (wanted.nothing() || plain.seams().isEmpty() && !wanted.letters()) return Registered.plain(plain.scaled(scale));
        var first = new Registrar(plain.scaled(scale), tree, index, scale, wanted).decide(progress);
        var blocks = new WallBlocks(model, index, tree, scale, wanted).plan(plain.seams(), first.bossed, first::keepsOff);
        if (blocks.none()) return first.worked();
        var carved = blocks.carved();
        progress.check();
        if (blocks.bosses().isEmpty())
            return first.worked(plain.cutLikeThis(carved, tree, progress).stream().map(s -> s.scaled(scale)).toList());
        var again = Bvh.of(carved);
        var second = new Registrar(plain.cutAgain(carved, again, tree, progress).scaled(scale), tree, again, scale, wanted);
        second.middles = blocks.bosses();
        second.knows(first);
        return second.decide(progress).worked();
    }

    private boolean keepsOff(Seam seam, Vec3 a, Vec3 b, double radius) {
        return room.free(seam.above(), a, b, radius, LEFT_MM) && room.free(seam.below(), a, b, radius, LEFT_MM);
    }

    /** Bosses change the faces of their own seams only: what was found of the others holds. */
    private void knows(Registrar before) {
        for (var s : plain.seams()) {
            if (middles.containsKey(s.name()) || !before.widest.containsKey(s.name())) continue;
            widest.put(s.name(), before.widest.get(s.name()));
            if (before.tongueCuts.containsKey(s.name())) tongueCuts.put(s.name(), before.tongueCuts.get(s.name()));
        }
    }

    private Registrar decide(Progress progress) {
        if (plain.seams().stream().anyMatch(s -> wanted.kind(s.name()) == RegistrationKind.THROUGH_ROD)) throughRod();
        plain.seams().parallelStream().forEach(s -> {
            widest.computeIfAbsent(s.name(),
                    k -> wanted.kind(k) == RegistrationKind.PLAIN ? Optional.empty() : FacePlaces.widest(s.face().shape()));
            if (mayHaveTongue(s))
                tongueCuts.computeIfAbsent(s.name(), k -> TongueCut.of(s, room, wanted.clearanceMm(), plane -> beside(s, plane)));
        });
        for (var seam : plain.seams()) {
            progress.check();
            place(seam);
        }
        for (var name : wanted.byHand().keySet()) if (plain.seams().stream().noneMatch(s -> s.name().equals(name)))
            findings.add(Finding.note("what was placed on seam " + name + " is waiting: there is no such seam now"));
        return this;
    }

    private Registered worked() {
        return worked(plain.sections());
    }

    private Registered worked(List<Section> bare) {
        if (wanted.letters()) letters();
        var sections = bare.parallelStream()
                .map(s -> jobs.containsKey(s.name()) ? new Section(s.id(), FaceWork.of(s.mesh(), planes, jobs.get(s.name())), s.closed())
                        : s)
                .toList();
        return new Registered(new Sectioning(sections, plain.seams(), plain.findings()), fitted, tongues, refused, loose(), hardware(),
                findings, added, removed);
    }

    private FaceWork.Job job(String section) {
        return jobs.computeIfAbsent(section, k -> new FaceWork.Job(new TreeMap<>(), new ArrayList<>(), new ArrayList<>()));
    }

    private void place(Seam seam) {
        var hand = wanted.byHand().get(seam.name());
        if (hand != null) {
            hand.forEach(s -> byHand(seam, s));
            return;
        }
        var kind = wanted.kind(seam.name());
        switch (kind) {
            case PLAIN, THROUGH_ROD -> {}
            case FITTING -> {
                if (inBosses(seam) || several(seam, RegistrationKind.PINS, count(seam, RegistrationKind.PINS), STURDY_MM) || tongue(seam)
                        || several(seam, RegistrationKind.PINS, 1, 0))
                    return;
                bossed.add(seam.name());
                findings.add(Finding.of(Weight.CARE, Subject.seam(seam.name()),
                        "seam %s stays plain: its wall of %.1f mm holds neither pins nor a tongue; align it by the witness marks or "
                                + "add inner bosses",
                        seam.name(), seam.wallMm()));
            }
            case TONGUE -> {
                if (!tongue(seam))
                    refuse(seam, kind, String.format(Locale.ROOT, "the wall of %.1f mm leaves none of %.1f mm between cheeks of %.1f mm",
                            seam.wallMm(), TongueCut.THINNEST_MM, TongueCut.CHEEK_MM));
            }
            case BOSSES -> {
                if (inBosses(seam)) return;
                bossed.add(seam.name());
                refuse(seam, kind, "no hidden inner wall carries two of them");
            }
            default -> {
                if (!several(seam, kind, Math.min(2, count(seam, kind)), 0) && !several(seam, kind, 1, 0))
                    refuse(seam, kind, reason(seam, kind));
            }
        }
    }

    private void refuse(Seam seam, RegistrationKind kind, String why) {
        refused.add(new Registered.Refused(seam.name(), kind, seam.centre(), why, false));
    }

    /** Why not even the smallest fits at the widest place. */
    private String reason(Seam seam, RegistrationKind kind) {
        double d = kind.sizes().getLast(), r = radius(kind, d);
        double have = widest.getOrDefault(seam.name(), Optional.empty()).map(c -> c.r()).orElse(0.0);
        if (have < r + wanted.wallMm()) return String.format(Locale.ROOT,
                "the face is %.1f mm wide at most, %.1f mm are needed for the smallest, %.0f mm", 2 * have, 2 * (r + wanted.wallMm()), d);
        return "there is not the depth for the smallest, " + Math.round(d) + " mm, in both sections";
    }

    private double radius(RegistrationKind kind, double diameter) {
        return diameter / 2 + wanted.clearanceMm() / 2;
    }

    static int count(Seam seam, RegistrationKind kind) {
        var e = seam.face().shape().getEnvelopeInternal();
        double d = Math.hypot(e.getWidth(), e.getHeight());
        return d < 22 ? 1 : d < 60 ? 2 : d < 160 ? 3 : (int) Math.min(6, 4 + (d - 160) / 140);
    }

    /** Largest stock first, none thinner than {@code thinnest} mm; fewer than {@code least} places are not worth it. */
    private boolean several(Seam seam, RegistrationKind kind, int least, double thinnest) {
        var widest = this.widest.getOrDefault(seam.name(), Optional.empty());
        for (double d : kind.sizes()) {
            if (d < thinnest || widest.isEmpty() || widest.get().r() < radius(kind, d) + wanted.wallMm()) continue;
            var places = places(seam, kind, d, count(seam, kind));
            if (places.size() == 1) places = places(seam, kind, d, 1); // alone it belongs in the middle
            if (places.size() < least) continue;
            boolean unequal = places.size() > 1 && (kind == RegistrationKind.DOWELS || kind == RegistrationKind.RODS)
                    && FacePlaces.goesBothWays(seam.face().shape(), places);
            var north = kind.magnet() ? north(seam, places) : List.<Boolean>of();
            for (int i = 0; i < places.size(); i++) {
                double own = unequal && i == 1 ? kind.sizes().get(Math.min(kind.sizes().size() - 1, kind.sizes().indexOf(d) + 1)) : d;
                put(seam, kind, places.get(i), own, false, kind.magnet() && north.get(i));
            }
            if (unequal && d == kind.sizes().getLast()) findings.add(Finding.of(Weight.CARE, Subject.seam(seam.name()),
                    "seam " + seam.name() + " goes together both ways round: mark it before it is glued"));
            else if (places.size() == 1 && (kind == RegistrationKind.DOWELS || kind == RegistrationKind.RODS || kind.magnet()))
                findings.add(Finding.of(Weight.NOTE, Subject.seam(seam.name()),
                        "seam " + seam.name() + " has a single round " + kind.words() + ": it can turn, so align the witness marks"));
            return true;
        }
        return false;
    }

    /** So that turned or shifted it repels. */
    private static List<Boolean> north(Seam seam, List<Coordinate> places) {
        return Polarity.of(places.stream().map(c -> seam.face().at(c.x, c.y)).toList(), seam.face().plane().normal()).north();
    }

    /** Pins where bosses were added for them. */
    private boolean inBosses(Seam seam) {
        var at = middles.getOrDefault(seam.name(), List.of());
        var kind = RegistrationKind.BOSSES;
        boolean any = false;
        for (var m : at) {
            var c = seam.face().flat(m.times(scale));
            for (double d : kind.sizes()) {
                if (objection(seam, seam.face().at(c.x, c.y), radius(kind, d), kind.leastDepthMm(d)).isPresent()) continue;
                put(seam, kind, c, d, false, false);
                any = true;
                break;
            }
        }
        return any;
    }

    /** Up to {@code n}, far from each other, each deep enough on both sides. */
    private List<Coordinate> places(Seam seam, RegistrationKind kind, double diameter, int n) {
        double r = radius(kind, diameter), least = kind.leastDepthMm(diameter);
        var inner = seam.face().shape().buffer(-(r + wanted.wallMm()));
        if (inner.isEmpty()) return List.of();
        var open = FacePlaces.candidates(inner);
        // here: also the widest place of what is left when the rim is taken off
        widest.getOrDefault(seam.name(), Optional.empty()).ifPresent(c -> open.add(c.c()));
        var chosen = new ArrayList<Coordinate>();
        var middle = n == 1 ? open.getLast() : inner.getCentroid().getCoordinate();
        while (chosen.size() < n && !open.isEmpty()) {
            Coordinate best = null;
            double most = Double.NEGATIVE_INFINITY;
            for (var c : open) {
                double away = chosen.isEmpty() ? (n == 1 ? -1 : 1) * c.distance(middle)
                        : chosen.stream().mapToDouble(c::distance).min().orElseThrow();
                if (away > most) {
                    most = away;
                    best = c;
                }
            }
            if (!chosen.isEmpty() && most < 3.5 * diameter) break;
            open.remove(best);
            var p = seam.face().at(best.x, best.y);
            if (objection(seam, p, r, least).isEmpty()) chosen.add(best);
            else {
                var failed = best;
                open.removeIf(c -> c.distance(failed) < 1.2 * FacePlaces.GRID_MM);
            }
        }
        return chosen;
    }

    private Optional<String> objection(Seam seam, Vec3 p, double r, double least) {
        var n = seam.face().plane().normal();
        return room.objection(seam.above(), p, n, r, wanted.wallMm(), least, seam.plane())
                .or(() -> room.objection(seam.below(), p, n.times(-1), r, wanted.wallMm(), least, seam.plane()));
    }

    private void byHand(Seam seam, Registration.Spot spot) {
        var c = seam.face().flat(spot.at().times(scale));
        var p = seam.face().at(c.x, c.y);
        double r = radius(spot.kind(), spot.diameterMm());
        var why = spot.kind().sizes().isEmpty() || spot.kind() == RegistrationKind.THROUGH_ROD
                ? Optional.of("it is not a single piece: choose it for the whole seam")
                : seam.face().shape().contains(Footprints.GEOMETRY.createPoint(c))
                        ? objection(seam, p, r, spot.kind().leastDepthMm(spot.diameterMm()))
                        : Optional.of("it lies off the face of the seam");
        if (why.isPresent()) refused.add(new Registered.Refused(seam.name(), spot.kind(), p, why.get(), true));
        else put(seam, spot.kind(), c, spot.diameterMm(), true,
                fitted.stream().filter(f -> f.seam().equals(seam.name()) && f.kind().magnet()).count() % 2 == 0);
    }

    private void put(Seam seam, RegistrationKind kind, Coordinate c, double diameter, boolean byHand, boolean northUp) {
        double r = radius(kind, diameter), deep = kind.depthMm(diameter) + (kind == RegistrationKind.SEALED_MAGNETS ? Fitted.SKIN_MM : 0);
        var n = seam.face().plane().normal();
        var p = seam.face().at(c.x, c.y);
        double least = kind.leastDepthMm(diameter), up = room.depth(seam.above(), p, n, r, wanted.wallMm(), deep, seam.plane()),
                down = room.depth(seam.below(), p, n.times(-1), r, wanted.wallMm(), deep, seam.plane());
        // a pin that sits as deep on either side cannot be pushed in too far
        double both = Math.max(least, Math.min(up, down));
        both = room.free(seam.above(), p, n, r, wanted.wallMm(), both, least);
        both = room.free(seam.below(), p, n.times(-1), r, wanted.wallMm(), both, least);
        sink(seam, seam.above(), kind, c, diameter, both, northUp);
        sink(seam, seam.below(), kind, c, diameter, both, !northUp);
        room.take(seam.above(), p, p.plus(n.times(both)), r);
        room.take(seam.below(), p, p.minus(n.times(both)), r);
        fitted.add(new Fitted(seam.name(), seam.above(), seam.below(), kind, p, n, diameter, both, both, byHand, northUp));
    }

    private void sink(Seam seam, String section, RegistrationKind kind, Coordinate c, double diameter, double depth, boolean north) {
        var clear = wanted.clearanceMm() / 2;
        var round = kind == RegistrationKind.PINS || kind == RegistrationKind.BOSSES ? Footprints.flatSided(c.x, c.y, diameter, clear)
                : Footprints.round(c.x, c.y, diameter + 2 * clear);
        if (kind == RegistrationKind.SEALED_MAGNETS) {
            var h = new FaceWork.Hollow(seam.plane(), round, Fitted.SKIN_MM, depth);
            job(section).hollows().add(h);
            removed += h.volumeMm3();
            return;
        }
        var feature = !kind
                .magnet()
                        ? CapFeature.bevelled(round, depth, 0.3)
                        : north ? new CapFeature(round, List.of(new CapFeature.Level(0, 1), new CapFeature.Level(-depth, 1),
                                new CapFeature.Level(-depth, 0.3), new CapFeature.Level(-depth - 0.4, 0.3)))
                                : CapFeature.straight(round, -depth);
        work(seam.plane(), section, feature);
    }

    private void work(int plane, String section, CapFeature feature) {
        job(section).features().computeIfAbsent(plane, k -> new ArrayList<>()).add(feature);
        double v = feature.volumeMm3();
        if (v > 0) added += v;
        else removed -= v;
    }

    private boolean mayHaveTongue(Seam s) {
        var kind = wanted.kind(s.name());
        return (kind == RegistrationKind.TONGUE || kind == RegistrationKind.FITTING) && !wanted.byHand().containsKey(s.name());
    }

    /** What a groove of a seam keeps from another face of its section: if that may have one too, neither comes into the other. */
    private double beside(Seam seam, int plane) {
        boolean grooved = plain.seams().stream().anyMatch(s -> s.plane() == plane && s.above().equals(seam.above()) && mayHaveTongue(s));
        return TongueCut.CHEEK_MM + (grooved ? TongueCut.deepestMm() : 0);
    }

    private boolean tongue(Seam seam) {
        var cut = tongueCuts.getOrDefault(seam.name(), Optional.empty()).flatMap(t -> t.clearOf(seam, room, wanted.clearanceMm()));
        if (cut.isEmpty()) return false;
        var t = cut.get();
        t.grooves().forEach(g -> {
            work(seam.plane(), seam.above(), CapFeature.straight(g, -t.depthMm()));
            room.take(seam.above(), seam.face(), g, t.depthMm());
        });
        t.tongues().forEach(g -> work(seam.plane(), seam.below(), CapFeature.straight(g, t.heightMm())));
        tongues.add(new Registered.Tongue(seam.name(), seam.below(), t.lengthMm(), t.heightMm()));
        return true;
    }

    /** One straight bore through all seams that want it: their planes must be parallel. */
    private void throughRod() {
        var kind = RegistrationKind.THROUGH_ROD;
        var seams = plain.seams().stream().filter(s -> wanted.kind(s.name()) == kind).toList();
        var first = seams.getFirst();
        var n = first.face().plane().normal();
        var crooked = seams.stream().filter(s -> Math.abs(s.face().plane().normal().dot(n)) < 1 - 1e-9).findFirst();
        if (crooked.isPresent()) {
            seams.forEach(s -> refuse(s, kind,
                    "seams " + first.name() + " and " + crooked.get().name() + " are not parallel; a rod is straight"));
            return;
        }
        for (double d : kind.sizes()) {
            double r = radius(kind, d);
            Geometry common = null;
            for (var s : seams) {
                var inner = onto(s, first).buffer(-(r + wanted.wallMm()));
                common = common == null ? inner : common.intersection(inner);
            }
            var at = FacePlaces.widest(common);
            if (at.isEmpty() && !common.isEmpty()) at = Optional.of(new FacePlaces.Circle(common.getInteriorPoint().getCoordinate(), 0));
            if (at.isEmpty() || !bored(seams, at.get().c(), d)) continue;
            return;
        }
        seams.forEach(s -> refuse(s, kind,
                "no straight line stays within the material through seams " + first.name() + " to " + seams.getLast().name()));
    }

    /** The seam's face in the plane coordinates of another, parallel one. */
    private static Geometry onto(Seam s, Seam other) {
        var copy = s.face().shape().copy();
        copy.apply((org.locationtech.jts.geom.CoordinateFilter) c -> c.setCoordinate(other.face().flat(s.face().at(c.x, c.y))));
        copy.geometryChanged();
        return copy;
    }

    private boolean bored(List<Seam> seams, Coordinate c, double d) {
        double r = radius(RegistrationKind.THROUGH_ROD, d), end = RegistrationKind.THROUGH_ROD.depthMm(d);
        var first = seams.getFirst();
        var n = first.face().plane().normal();
        var mids = new HashMap<String, List<Seam>>();
        for (var s : seams) {
            mids.computeIfAbsent(s.above(), k -> new ArrayList<>()).add(s);
            mids.computeIfAbsent(s.below(), k -> new ArrayList<>()).add(s);
        }
        record Blind(String section, Seam seam, Vec3 into, double deep) {}
        var blind = new ArrayList<Blind>();
        double length = 0;
        for (var e : mids.entrySet()) {
            if (e.getValue().size() > 2) return false;
            var s = e.getValue().getFirst();
            var p = on(s, first, c);
            if (e.getValue().size() == 2) {
                var q = on(e.getValue().get(1), first, c);
                double span = p.distance(q);
                var way = q.minus(p).times(1 / span);
                for (double t = 0; t <= span;
                        t += r)
                    if (room.around(e.getKey(), p.plus(way.times(t)),
                            t < r + 2 ? s.plane() : span - t < r + 2 ? e.getValue().get(1).plane() : -1) < r + wanted.wallMm() * 0.6
                            && t > r + 2 && span - t > r + 2)
                        return false;
                length += span;
                continue;
            }
            var into = s.face().plane().normal().times(s.above().equals(e.getKey()) ? 1 : -1);
            double deep = room.depth(e.getKey(), p, into, r, wanted.wallMm(), end, s.plane());
            if (deep < d) return false;
            blind.add(new Blind(e.getKey(), s, into, deep));
            length += deep;
        }
        for (var e : mids.entrySet()) {
            if (e.getValue().size() != 2) continue;
            var s = e.getValue().getFirst();
            var q = s.face().flat(on(s, first, c));
            var print = Footprints.round(q.x, q.y, d + wanted.clearanceMm());
            var other = e.getValue().get(1);
            job(e.getKey()).bores().add(new FaceWork.Bore(s.plane(), other.plane(), print));
            removed += print.getArea() * on(s, first, c).distance(on(other, first, c));
            room.take(e.getKey(), on(s, first, c), on(other, first, c), r);
        }
        for (var b : blind) {
            var p = on(b.seam, first, c);
            var q = b.seam.face().flat(p);
            work(b.seam.plane(), b.section, CapFeature.straight(Footprints.round(q.x, q.y, d + wanted.clearanceMm()), -b.deep));
            room.take(b.section, p, p.plus(b.into.times(b.deep)), r);
        }
        double half = length / 2;
        fitted.add(new Fitted(first.name(), first.above(), first.below(), RegistrationKind.THROUGH_ROD, on(first, first, c), n, d, half,
                half, false, false));
        findings.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                "the rod lies straight through %d sections: turn them to the witness marks, a round rod does not stop them", mids.size()));
        return true;
    }

    private static Vec3 on(Seam s, Seam first, Coordinate c) {
        var p = first.face().at(c.x, c.y);
        var plane = s.face().plane();
        return p.minus(plane.normal().times(plane.height(p)));
    }

    private void letters() {
        var lettered = Lettering.of(plain, scale,
                (section, plane) -> jobs.containsKey(section) ? jobs.get(section).features().getOrDefault(plane, List.of()) : List.of());
        lettered.marks().forEach(l -> l.marks().forEach(m -> work(l.plane(), l.section(), m)));
        lettered.finding().ifPresent(w -> findings.add(Finding.note(w)));
    }

    private List<Registered.Loose> loose() {
        var by = new TreeMap<String, List<Fitted>>();
        for (var f : fitted) if (f.kind() == RegistrationKind.PINS || f.kind() == RegistrationKind.BOSSES)
            by.computeIfAbsent(f.size(), k -> new ArrayList<>()).add(f);
        return by.entrySet()
                .stream()
                .map(e -> new Registered.Loose("pin " + e.getKey(), e.getValue().size(),
                        Footprints.pin(e.getValue().getFirst().diameterMm(), Math.floor(e.getValue().getFirst().lengthMm()))))
                .toList();
    }

    private List<Registered.Hardware> hardware() {
        var counts = new TreeMap<RegistrationKind, Map<String, Integer>>();
        for (var f : fitted)
            counts.computeIfAbsent(f.kind(), k -> new TreeMap<>()).merge(f.size(), f.kind().magnet() ? 2 : 1, Integer::sum);
        var out = new ArrayList<Registered.Hardware>();
        counts.forEach((k, sizes) -> sizes.forEach((size, n) -> out.add(new Registered.Hardware(k, size, n))));
        return out;
    }
}
