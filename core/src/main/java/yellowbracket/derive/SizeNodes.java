package yellowbracket.derive;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Carry;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.Donning;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;
import yellowbracket.size.MaskFit;
import yellowbracket.size.Proportions;
import yellowbracket.size.Remedy;
import yellowbracket.size.TestPiece;
import yellowbracket.size.Trial;
import yellowbracket.wear.PadPlan;

/** The nodes of the Size station, in three steps: what the slider shows, the way in, the rest of the page. */
final class SizeNodes {
    /** Results only a prop that somebody wears has. */
    private static final List<Node<?>> ON_A_HEAD = List.of(Node.ROOMS, Node.FITS, Node.SCALES, Node.CLEARANCE, Node.PADS, Node.FIELDS,
            Node.DONNING, Node.REMEDIES, Node.BY_AXIS, Node.TEST_PIECES, Node.MASK, Node.MASK_READ);

    private final Build build;
    private final Results results;
    private final Catalogue shop;

    SizeNodes(Build build, Results results, Catalogue shop) {
        this.build = build;
        this.results = results;
        this.shop = shop;
    }

    /** Clearance, scales and pads of everybody who wears it, cheapest first; nothing for a prop that nobody puts on. */
    List<PadPlan> fits(Prop p, Mesh mesh, Bvh index) {
        results.forget(p, p.worn() ? List.of(Node.CARRY) : ON_A_HEAD);
        if (!p.worn()) return List.of();
        var cavity = results.node(Node.CAVITY, p, List.of(mesh), () -> Cavity.of(mesh, index));
        if (!cavity.holdsAHead()) {
            results.forget(p, ON_A_HEAD.stream().filter(n -> n != Node.MASK && n != Node.MASK_READ).toList());
            return List.of();
        }
        results.forget(p, List.of(Node.MASK, Node.MASK_READ));
        var wearers = wearers(p);
        var wrong = wearers.stream().filter(w -> !w.head().check().isEmpty()).findFirst();
        if (wearers.isEmpty() || wrong.isPresent()) {
            results.forget(p, ON_A_HEAD);
            wrong.ifPresent(w -> results.fail(Node.FITS, p, w.name() + ", " + w.head().check().getFirst().sentence()));
            return List.of();
        }
        var forms = wearers.stream().collect(Collectors.toMap(Wearer::name, HeadForm::of));
        var main = wearers.getFirst();
        results.newest(Node.FITS, p).filter(f -> !f.list().isEmpty() && f.list().getFirst().wearer().equals(main)).ifPresent(before -> {
            var f = before.list().getFirst();
            var pose = f.pose().grown(p.scale() / f.scale());
            results.node(Node.CLEARANCE, p, List.of(cavity, main, p.scale(), pose),
                    () -> Clearance.of(f.clearance().form(), cavity, p.scale(), pose));
        });
        var rooms = results
                .node(Node.ROOMS, p, List.of(cavity, wearers, trials(p)),
                        () -> new Node.Rooms(wearers.stream()
                                .collect(Collectors.toMap(Wearer::name,
                                        w -> Fit.room(w, trials(p).getOrDefault(w.name(), List.of()), forms.get(w.name()), cavity)))))
                .byWearer();
        var scales = results.node(Node.SCALES, p, List.of(cavity, rooms),
                () -> new Node.AllScales(wearers.parallelStream()
                        .collect(Collectors.toMap(Wearer::name,
                                w -> Fit.scales(rooms.get(w.name()), forms.get(w.name()), cavity, results.progress())))));
        var fits = results.node(Node.FITS, p, List.of(cavity, wearers, rooms, p.scale()),
                () -> new Node.Fits(wearers.parallelStream()
                        .map(w -> Fit.of(rooms.get(w.name()), forms.get(w.name()), cavity, p.scale(), scales.byWearer().get(w.name())))
                        .toList()));
        results.node(Node.CLEARANCE, p, List.of(fits), () -> fits.list().getFirst().clearance());
        return results
                .node(Node.PADS, p, List.of(fits),
                        () -> new Node.Pads(fits.list().stream().map(f -> PadPlan.of(f.wearer(), f.clearance(), shop.foamsMm())).toList()))
                .sets();
    }

    private List<Wearer> wearers(Prop p) {
        return p.wearers().stream().map(build::wearer).flatMap(Optional::stream).distinct().toList();
    }

    /** What test pieces told, by wearer, oldest first. */
    private Map<String, List<Trial>> trials(Prop p) {
        return build.log()
                .stream()
                .filter(e -> e.kind() == yellowbracket.log.Entry.Kind.FIT && e.about().equals(p.id()))
                .map(e -> e.trial().orElseThrow())
                .collect(Collectors.groupingBy(t -> t.wearer(), java.util.TreeMap::new,
                        Collectors.mapping(t -> t.trial(), Collectors.toList())));
    }

    /** Whether each wearer's head goes in: dearer than the fit, so it comes after what the slider shows. */
    void donning(Prop p) {
        var known = results.known();
        if (!known.fresh(Node.FITS, p.id())) return;
        var fits = known.require(Node.FITS, p.id());
        var cavity = known.require(Node.CAVITY, p.id());
        var wearers = fits.list().stream().map(Fit::wearer).toList();
        var fields = results.node(Node.FIELDS, p, List.of(wearers), () -> new Node.Fields(
                fits.list().stream().map(f -> HeadField.of(f.clearance().form(), f.wearer(), results.progress())).toList()));
        results.node(Node.DONNING, p, List.of(fits, fields), () -> {
            var out = new ArrayList<Donning>();
            for (int i = 0; i < fits.list().size(); i++)
                out.add(Donning.of(fields.list().get(i), cavity, p.scale(), fits.list().get(i).pose(), results.progress()));
            return new Node.Donnings(List.copyOf(out));
        });
    }

    /** What the Size station tells beyond the fit. */
    void rest(Prop p, Mesh mesh, Bvh index) {
        results.node(Node.HOLES, p, List.of(mesh), () -> new Node.Holes(Cylinders.of(mesh, index, results.progress())));
        var known = results.known();
        if (known.fresh(Node.FITS, p.id()) && known.fresh(Node.DONNING, p.id())) helm(p, known);
        else if (p.worn() && known.get(Node.CAVITY, p.id()).filter(c -> !c.holdsAHead()).isPresent()) mask(p, mesh, index);
        else if (!p.worn()) {
            var bearer = build.wearers().stream().findFirst();
            bearer.ifPresent(w -> results.node(Node.CARRY, p, List.of(mesh, p.scale(), w), () -> Carry.of(mesh, index, p.scale(), w)));
        }
    }

    private void helm(Prop p, Derived known) {
        var fits = known.require(Node.FITS, p.id());
        var cavity = known.require(Node.CAVITY, p.id());
        var donnings = known.require(Node.DONNING, p.id());
        var main = fits.list().getFirst();
        results.node(Node.TEST_PIECES, p, List.of(fits, donnings, p.profile()), () -> pieces(p, main, donnings.list().getFirst(), cavity));
        var scales = known.require(Node.SCALES, p.id()).byWearer().get(main.wearer().name());
        results.node(Node.BY_AXIS, p, List.of(cavity, main.room(), scales),
                () -> new Node.ByAxis(Proportions.of(main.room(), main.clearance().form(), cavity, scales)));
        var fields = known.require(Node.FIELDS, p.id());
        results.node(Node.REMEDIES, p, List.of(donnings, fields), () -> {
            for (int i = 0; i < donnings.list().size(); i++) {
                if (donnings.list().get(i).passes()) continue;
                return new Node.Remedies(Optional.of(fits.list().get(i).wearer().name()),
                        Remedy.of(fields.list().get(i), cavity, p.scale(), donnings.list().get(i), results.progress()));
            }
            return new Node.Remedies(Optional.empty(), List.of());
        });
    }

    private Node.Pieces pieces(Prop p, Fit fit, Donning donning, Cavity cavity) {
        var out = new ArrayList<Node.Piece>();
        var missing = new ArrayList<String>();
        for (var kind : TestPiece.Kind.values()) {
            try {
                out.add(Pricing.of(TestPiece.of(kind, fit, donning, cavity), p.profile(), build.printers().getFirst(), shop));
            } catch (IllegalStateException e) {
                missing.add(kind.label() + ": " + e.getMessage());
            }
        }
        return new Node.Pieces(List.copyOf(out), List.copyOf(missing));
    }

    private void mask(Prop p, Mesh mesh, Bvh index) {
        var wearers = wearers(p).stream().filter(w -> w.head().check().isEmpty()).toList();
        if (wearers.isEmpty()) return;
        var read = results.node(Node.MASK_READ, p, List.of(mesh), () -> MaskFit.Read.of(mesh, index));
        results.node(Node.MASK, p, List.of(read, wearers, p.scale()),
                () -> new Node.MaskFits(wearers.stream().map(w -> MaskFit.of(w, HeadForm.of(w), read, p.scale())).toList()));
    }
}
