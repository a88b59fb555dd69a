package yellowbracket.derive.cut;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowbracket.cut.Alike;
import yellowbracket.cut.Bed;
import yellowbracket.cut.Nearly;
import yellowbracket.cut.Neck;
import yellowbracket.cut.RigidSize;
import yellowbracket.cut.Section;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.registration.Registered;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Drains;
import yellowbracket.shop.Printer;

/** Sections, seams, registration. Maps of one prop go by the section's letter. */
public final class CutFigures {
    /** Samples a section: enough for shares of a surface to two or three per cent. */
    private static final int SAMPLES = 1400;

    /** Sections as they are cut, before anything is worked into their faces; model mm. */
    public static final Figure<Sectioning> MODEL_SECTIONS = Figure.ofProp("cuts", Sectioning.class, CutFigures::cut)
            .weighing(CutFigures::meshes);
    public static final Figure<Registered> REGISTERED = Figure.ofProp("registration", Registered.class, CutFigures::registered)
            .weighing(r -> meshes(r.sections()));
    /** Sections as they are printed, real mm. */
    public static final Figure<Sectioning> SECTIONS = Figure
            .ofProp("sections", Sectioning.class,
                    in -> Drains.cut(in.get(REGISTERED).sections(), in.of(p -> p.print().drains()), in.of(Prop::scale)))
            .weighing(CutFigures::meshes);
    public static final Figure<Samples> SAMPLES_OF = Figure.ofProp("surface", Samples.class, CutFigures::samples)
            .weighing(s -> s.bySection().values().stream());
    public static final Figure<Stands> STANDS = Figure.ofProp("room on the beds", Stands.class, CutFigures::stands);
    public static final Figure<Necks> NECKS = Figure.ofProp("necks", Necks.class,
            in -> new Necks(Neck.of(in.get(MODEL_SECTIONS).sections(), in.of(p -> p.cut().tree().unlocked()), in.of(Prop::scale))));
    /** Whether the joined prop gets into what it has to get into. */
    public static final Figure<Rigid> RIGID = Figure.ofProp("rigid size", Rigid.class, in -> new Rigid(
            RigidSize.of(in.get(SECTIONS), in.get(MODEL_SECTIONS), in.of(p -> p.cut().tree().unlocked()), in.build(Build::spaces))));
    public static final Figure<NearFits> NEARLY = Figure.ofProp("what nearly fits", NearFits.class, CutFigures::nearly);
    public static final Figure<Twins> TWINS = Figure.ofProp("sections alike", Twins.class,
            in -> new Twins(Alike.among(in.get(SECTIONS).sections())));
    public static final Figure<Drawing> DRAWING = Figure
            .ofProp("drawing", Drawing.class,
                    in -> Drawing
                            .of(in.get(MODEL_SECTIONS).drawn(in.get(ModelFigures.PROXY).mesh(), in.of(p -> p.cut().tree().unlocked()))))
            .weighing(d -> d.bySection().values().stream());
    /** As the drawing, from the light copy alone: there at once, letters as they most likely will be. */
    public static final Figure<Drawing> SKETCH = Figure
            .ofProp("sketch", Drawing.class,
                    in -> Drawing.of(Sectioning.sketch(in.get(ModelFigures.PROXY).mesh(), in.of(p -> p.cut().tree().unlocked()),
                            in.of(Prop::letters))))
            .weighing(d -> d.bySection().values().stream());

    private CutFigures() {}

    /**
     * Light section meshes by letter, in model coordinates, and the lines along which their cuts reach the surface: segments, six numbers
     * each.
     */
    public record Drawing(Map<String, Mesh> bySection, Map<String, double[]> rims) {
        static Drawing of(Map<String, Mesh> bySection) {
            var rims = new LinkedHashMap<String, double[]>();
            bySection.forEach((name, mesh) -> rims.put(name, Sectioning.rims(mesh)));
            return new Drawing(bySection, rims);
        }
    }

    /** How each section stands on each printer's bed: by section, then by printer. */
    public record Stands(Map<String, Map<String, TurnedFit.Stand>> bySection) {
        public boolean fitsSomewhere(String section) {
            return bySection.getOrDefault(section, Map.of()).values().stream().anyMatch(TurnedFit.Stand::fits);
        }

        /** By how much it is too large for the printer that comes nearest, mm. */
        public double overMm(String section) {
            return bySection.getOrDefault(section, Map.of()).values().stream().mapToDouble(TurnedFit.Stand::overMm).min().orElse(0);
        }
    }

    /** How strong the prop is at each plane. */
    public record Necks(List<Neck> list) {
        public List<Finding> findings(double scale) {
            return list.stream().map(n -> n.finding(scale)).flatMap(Optional::stream).toList();
        }
    }

    public record Rigid(List<RigidSize> list) {
        public List<Finding> findings() {
            return list.stream().map(RigidSize::finding).flatMap(Optional::stream).toList();
        }
    }

    /** Cuts that a little less size, or another way to lie on the bed, would spare. */
    public record NearFits(List<Nearly> list) {}

    /** Sections that another one's file prints. */
    public record Twins(List<Alike.Twin> list) {}

    /** Equal-area samples by section, in model coordinates. */
    public record Samples(Map<String, SurfaceSamples> bySection) {}

    private static Stream<?> meshes(Sectioning s) {
        return s.sections().stream().map(Section::mesh);
    }

    /** Something for each section, side by side. */
    public static <T> Map<String, T> each(Sectioning cuts, Function<Section, T> make) {
        return cuts.sections().parallelStream().collect(Collectors.toMap(Section::name, make));
    }

    private static Sectioning cut(Reads in) {
        return Sectioning.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh(), in.of(p -> p.cut().tree().unlocked()),
                in.prop(), in.of(Prop::letters), in.progress());
    }

    private static Registered registered(Reads in) {
        return Registrar.of(in.get(ModelFigures.MODEL).mesh(), in.get(ModelFigures.INDEX).bvh(), in.get(MODEL_SECTIONS),
                in.of(p -> p.cut().tree().unlocked()), in.of(Prop::scale), in.of(p -> p.cut().registration()), in.progress());
    }

    private static Samples samples(Reads in) {
        var index = in.get(ModelFigures.INDEX).bvh();
        return new Samples(each(in.get(MODEL_SECTIONS), s -> SurfaceSamples.of(s.mesh(), index, SAMPLES)));
    }

    private static NearFits nearly(Reads in) {
        double stands = in.of(p -> p.cut().registration().usual().standsOutMm());
        var beds = in.build(CutFigures::beds).values().stream().map(b -> b.less(stands)).distinct().toList();
        return new NearFits(
                Nearly.among(in.get(MODEL_SECTIONS), in.of(p -> p.cut().tree().unlocked()), in.of(Prop::scale), beds, in.progress()));
    }

    private static Map<String, Bed> beds(Build b) {
        return b.printers().stream().collect(Collectors.toMap(Printer::name, Bed::of, (x, y) -> x, LinkedHashMap::new));
    }

    /**
     * On the plain sections: what is worked into their faces does not make them larger by more than a tongue, which the bed's margin holds.
     */
    private static Stands stands(Reads in) {
        var beds = in.build(CutFigures::beds);
        double scale = in.of(Prop::scale);
        return new Stands(each(in.get(MODEL_SECTIONS), s -> {
            var mesh = s.mesh().scaled(scale);
            var by = new LinkedHashMap<String, TurnedFit.Stand>();
            beds.forEach((name, bed) -> by.put(name, TurnedFit.stand(mesh, bed)));
            return Collections.unmodifiableMap(by);
        }));
    }
}
