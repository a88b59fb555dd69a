package yellowbracket.derive.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.log.Entry;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.print.PricedPiece;
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
import yellowbracket.size.Room;
import yellowbracket.size.TestPiece;
import yellowbracket.size.Trial;
import yellowbracket.size.Use;
import yellowbracket.size.UseGuess;

/** Fit on the head or the face, the way in, what is carried, holes and pegs. Lists follow the prop's order of wearers. */
public final class SizeFigures {
    public static final Figure<Cavity> CAVITY = Figure.ofProp("cavity", Cavity.class, SizeFigures::cavity)
            .weighing(c -> Stream.of(c.mesh(), c.index()));
    /** Those who wear it and whose measures are a head's. */
    public static final Figure<Worn> WORN = Figure.ofProp("wearers", Worn.class, SizeFigures::worn);
    /** How much room each wearer wants. */
    public static final Figure<Rooms> ROOMS = Figure.ofProp("room wanted", Rooms.class, SizeFigures::rooms);
    public static final Figure<AllScales> SCALES = Figure.ofProp("scales", AllScales.class, SizeFigures::scales);
    public static final Figure<Fits> FITS = Figure.ofProp("fits", Fits.class, SizeFigures::fits);
    /** Of the first wearer. */
    public static final Figure<Clearance> CLEARANCE = Figure.ofProp("clearance", Clearance.class,
            in -> in.get(FITS).list().getFirst().clearance());
    /** The clearance as it most likely will be, in the pose of the fit before: there at once while the scale is dragged. */
    public static final Figure<Clearance> GUESS = Figure.ofProp("clearance, first guess", Clearance.class, SizeFigures::guess);
    /** Distance to each wearer's head. */
    public static final Figure<Fields> FIELDS = Figure.ofProp("head fields", Fields.class, SizeFigures::fields)
            .weighing(f -> f.list().stream());
    public static final Figure<Donnings> DONNING = Figure.ofProp("putting it on", Donnings.class, SizeFigures::donnings);
    public static final Figure<Remedies> REMEDIES = Figure.ofProp("remedies", Remedies.class, SizeFigures::remedies);
    public static final Figure<ByAxis> BY_AXIS = Figure.ofProp("scale by axis", ByAxis.class, SizeFigures::byAxis);
    public static final Figure<Pieces> TEST_PIECES = Figure.ofProp("test pieces", Pieces.class, SizeFigures::pieces)
            .weighing(p -> p.list().stream().map(q -> q.piece().mesh()));
    public static final Figure<Holes> HOLES = Figure.ofProp("holes and pegs", Holes.class,
            in -> new Holes(Cylinders.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh(), in.progress())));
    public static final Figure<MaskFit.Read> MASK_READ = Figure.ofProp("mask", MaskFit.Read.class, SizeFigures::maskRead);
    public static final Figure<MaskFits> MASK = Figure.ofProp("on the face", MaskFits.class, SizeFigures::masks);
    public static final Figure<Carry> CARRY = Figure.ofProp("carrying it", Carry.class, SizeFigures::carry);

    /** What it is most likely used for, by its shape. */
    public static final Figure<UseGuess> USE = Figure.ofProp("what it is for", UseGuess.class,
            in -> UseGuess.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh()));

    private SizeFigures() {}

    public record Worn(List<Wearer> list) {}

    /** Lowest, recommended and highest scale by wearer. */
    public record AllScales(Map<String, Fit.Scales> byWearer) {}

    public record Fits(List<Fit> list) {}

    public record Rooms(Map<String, Room> byWearer) {}

    public record Fields(List<HeadField> list) {}

    public record Donnings(List<Donning> list) {}

    /** What would let the first wearer whose head does not pass in; empty when all pass. */
    public record Remedies(Optional<String> wearer, List<Remedy> list) {}

    /** A scale of its own along each axis, where that is worth it. */
    public record ByAxis(Optional<Proportions> best) {}

    /** Prints that prove the fit of the first wearer; those that cannot be made say why. */
    public record Pieces(List<PricedPiece> list, List<String> missing) {}

    /** Round holes and pegs, widest first, model mm. */
    public record Holes(List<Cylinders.Cylinder> list) {}

    public record MaskFits(List<MaskFit> list) {}

    private static Cavity cavity(Reads in) {
        if (!in.of(Prop::worn)) throw in.none();
        return Cavity.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh());
    }

    private static List<Wearer> named(Reads in) {
        var names = in.of(p -> p.size().wearers());
        return in.build(b -> names.stream().map(b::wearer).flatMap(Optional::stream).distinct().toList());
    }

    private static Worn worn(Reads in) {
        var wearers = named(in);
        if (wearers.isEmpty()) throw in.none();
        wearers.stream().filter(w -> !w.head().check().isEmpty()).findFirst().ifPresent(w -> {
            throw new IllegalArgumentException(w.name() + ", " + w.head().check().getFirst().sentence());
        });
        return new Worn(wearers);
    }

    /** The shell, where it holds a head. */
    private static Cavity helm(Reads in) {
        var cavity = in.get(CAVITY);
        if (!cavity.holdsAHead() || in.of(p -> p.size().use()).filter(u -> u == Use.FACE).isPresent()) throw in.none();
        return cavity;
    }

    /** What test pieces told, by wearer, oldest first. */
    private static Map<String, List<Trial>> trials(Build b, String prop) {
        return b.log()
                .stream()
                .filter(e -> e.kind() == Entry.Kind.FIT && e.task().filter(t -> t.prop().equals(prop)).isPresent())
                .map(e -> e.trial().orElseThrow())
                .collect(Collectors.groupingBy(t -> t.wearer(), TreeMap::new, Collectors.mapping(t -> t.trial(), Collectors.toList())));
    }

    private static Rooms rooms(Reads in) {
        var cavity = helm(in);
        var wearers = in.get(WORN).list();
        String prop = in.prop();
        var trials = in.build(b -> trials(b, prop));
        return new Rooms(wearers.stream()
                .collect(Collectors.toMap(Wearer::name,
                        w -> Fit.room(w, trials.getOrDefault(w.name(), List.of()), HeadForm.of(w), cavity))));
    }

    private static AllScales scales(Reads in) {
        var cavity = helm(in);
        var wearers = in.get(WORN).list();
        var rooms = in.get(ROOMS).byWearer();
        var progress = in.progress();
        return new AllScales(wearers.parallelStream()
                .collect(Collectors.toMap(Wearer::name, w -> Fit.scales(rooms.get(w.name()), HeadForm.of(w), cavity, progress))));
    }

    private static Fits fits(Reads in) {
        var cavity = helm(in);
        var wearers = in.get(WORN).list();
        var rooms = in.get(ROOMS).byWearer();
        var scales = in.get(SCALES).byWearer();
        double scale = in.of(Prop::scale);
        return new Fits(wearers.parallelStream()
                .map(w -> Fit.of(rooms.get(w.name()), HeadForm.of(w), cavity, scale, scales.get(w.name())))
                .toList());
    }

    private static Clearance guess(Reads in) {
        var cavity = helm(in);
        var main = in.get(WORN).list().getFirst();
        double scale = in.of(Prop::scale);
        var before = in.newest(FITS).map(f -> f.list().getFirst()).filter(f -> f.wearer().equals(main)).orElseThrow(in::none);
        return Clearance.of(before.clearance().form(), cavity, scale, before.pose().grown(scale / before.scale()));
    }

    private static Fields fields(Reads in) {
        helm(in);
        var out = new ArrayList<HeadField>();
        for (var w : in.get(WORN).list()) out.add(HeadField.of(HeadForm.of(w), w, in.progress()));
        return new Fields(List.copyOf(out));
    }

    /** Whether each wearer's head goes in: dearer than the fit, so it comes after what the slider shows. */
    private static Donnings donnings(Reads in) {
        var cavity = helm(in);
        var fits = in.get(FITS).list();
        var fields = in.get(FIELDS).list();
        double scale = in.of(Prop::scale);
        var out = new ArrayList<Donning>();
        for (int i = 0; i < fits.size(); i++) out.add(Donning.of(fields.get(i), cavity, scale, fits.get(i).pose(), in.progress()));
        return new Donnings(List.copyOf(out));
    }

    private static Remedies remedies(Reads in) {
        var cavity = helm(in);
        var donnings = in.get(DONNING).list();
        var fields = in.get(FIELDS).list();
        var wearers = in.get(WORN).list();
        double scale = in.of(Prop::scale);
        for (int i = 0; i < donnings.size(); i++) {
            if (donnings.get(i).passes()) continue;
            return new Remedies(Optional.of(wearers.get(i).name()),
                    Remedy.of(fields.get(i), cavity, scale, donnings.get(i), in.progress()));
        }
        return new Remedies(Optional.empty(), List.of());
    }

    private static ByAxis byAxis(Reads in) {
        var cavity = helm(in);
        var main = in.get(WORN).list().getFirst();
        var room = in.get(ROOMS).byWearer().get(main.name());
        return new ByAxis(Proportions.of(room, HeadForm.of(main), cavity, in.get(SCALES).byWearer().get(main.name())));
    }

    private static Pieces pieces(Reads in) {
        var cavity = helm(in);
        var fit = in.get(FITS).list().getFirst();
        var donning = in.get(DONNING).list().getFirst();
        var profile = in.of(p -> p.print().profile());
        var printer = in.build(b -> b.printers().stream().findFirst())
                .orElseThrow(() -> new IllegalStateException("no printer: add one under print, printers"));
        var material = in.shop(s -> s.material(profile.material()));
        var out = new ArrayList<PricedPiece>();
        var missing = new ArrayList<String>();
        for (var kind : TestPiece.Kind.values()) {
            try {
                out.add(PricedPiece.of(TestPiece.of(kind, fit, donning, cavity), profile, printer, material));
            } catch (IllegalStateException e) {
                missing.add(kind.label() + ": " + e.getMessage());
            }
        }
        return new Pieces(List.copyOf(out), List.copyOf(missing));
    }

    /** Of a shell that goes on the face. */
    private static MaskFit.Read maskRead(Reads in) {
        if (in.get(CAVITY).holdsAHead()) throw in.none();
        return MaskFit.Read.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh());
    }

    private static MaskFits masks(Reads in) {
        var read = in.get(MASK_READ);
        var wearers = named(in).stream().filter(w -> w.head().check().isEmpty()).toList();
        if (wearers.isEmpty()) throw in.none();
        double scale = in.of(Prop::scale);
        var index = in.get(ModelFigures.INDEX).bvh();
        return new MaskFits(wearers.stream().map(w -> MaskFit.of(w, HeadForm.of(w), read, index, scale)).toList());
    }

    private static Carry carry(Reads in) {
        if (in.of(Prop::worn) || in.of(p -> p.size().use()).filter(u -> u != Use.HELD).isPresent()) throw in.none();
        var bearer = in.build(b -> b.wearers().stream().findFirst()).orElseThrow(in::none);
        return Carry.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh(), in.of(Prop::scale), bearer);
    }
}
