package yellowbracket.derive.model;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.document.Prop;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Simplify;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.FaultEdges;
import yellowbracket.mesh.repair.FaultPlaces;
import yellowbracket.mesh.measure.Facets;
import yellowbracket.mesh.repair.Rounding;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.mesh.repair.Overlaps;

/** The mesh of a prop as it is used, and what is told of it. */
public final class ModelFigures {
    /** A renderer in software turns so many at 20 frames a second. */
    private static final int PROXY_TRIANGLES = 22_000;

    /** The mesh that is sized, cut and printed, mm, unscaled: unit, way up, the bodies that count, proportions. */
    public static final Figure<Model> MODEL = Figure.ofProp("model", Model.class, ModelFigures::model)
            .weighing(m -> Stream.of(m.mesh()))
            .toldApartBy(m -> m.mesh().contentHash())
            .notKeptWhenSuperseded();
    public static final Figure<Index> INDEX = Figure.ofProp("index", Index.class, ModelFigures::index)
            .weighing(i -> Stream.of(i.bvh()))
            .toldApartBy(Index::of)
            .notKeptWhenSuperseded();
    public static final Figure<Proxy> PROXY = Figure
            .ofProp("proxy", Proxy.class, in -> new Proxy(Simplify.to(in.get(MODEL).mesh(), PROXY_TRIANGLES, in.progress())))
            .weighing(p -> Stream.of(p.mesh()));
    public static final Figure<BodyList> BODIES = Figure.ofProp("bodies", BodyList.class, in -> BodyList.of(in.file()));
    public static final Figure<Stance> STANCE = Figure.ofProp("way up", Stance.class, in -> Stance.of(in.file()));
    public static final Figure<Proxy> FILE_PROXY = Figure
            .ofProp("bodies drawn", Proxy.class,
                    in -> new Proxy(Simplify.to(Bodies.of(in.file()).tagged(), PROXY_TRIANGLES, in.progress())))
            .weighing(p -> Stream.of(p.mesh()));
    public static final Figure<Health> HEALTH = Figure.ofProp("health", Health.class, ModelFigures::health);
    public static final Figure<Walls> WALLS = Figure.ofProp("walls", Walls.class, ModelFigures::walls)
            .weighing(w -> Stream.of(w.beneath, w.proxy));
    /** Flats of the model as it is, and as it would be rounded once more; model mm. */
    public static final Figure<Flats> FLATS = Figure.ofProp("flats", Flats.class, ModelFigures::flats);
    public static final Figure<Mended> MENDED = Figure.ofProp("mending", Mended.class, ModelFigures::mended);

    private ModelFigures() {}

    public record Model(Mesh mesh) {}

    /** @param of the content hash of the mesh it was made of */
    public record Index(String of, Bvh bvh) {}

    /** A mesh light enough to draw; that of the file is tagged with body numbers. */
    public record Proxy(Mesh mesh) {}

    /** The mesh's faults, counted, and where it runs through itself. */
    public record Health(MeshHealth health, Overlaps overlaps, FaultEdges edges, List<FaultPlaces.Place> places) {}

    /** Thickness over the whole surface, and beneath the middle of each facet of a proxy, mm unscaled, infinite where unknown. */
    public record Walls(WallThickness thickness, Mesh proxy, double[] beneath) {
        public Walls {
            beneath = beneath.clone();
        }

        public double at(int facet) {
            return beneath[facet];
        }
    }

    /** What the mends asked for did, and what all of them would do. */
    public record Mended(List<Mend.Change> done, List<Mend.Change> possible) {}

    /** @param after empty where there is no room for more triangles, or no flats show */
    public record Flats(Facets now, Optional<Facets> after) {
        /** Deeper flats show through paint, mm. */
        private static final double SHOWS_MM = 0.08;

        /** Whether they show at a scale. */
        public boolean show(double scale) {
            return now.deep95() * scale > SHOWS_MM && now.bentShare() > 0.02;
        }
    }

    private static Flats flats(Reads in) {
        var mesh = in.get(MODEL).mesh();
        var now = Facets.of(mesh);
        // here: rounding takes seconds on a large mesh, and is offered only where flats show
        if (!in.of(p -> new Flats(now, Optional.empty()).show(p.scale())) || in.of(p -> p.intake().rounded()) >= Intake.MOST_ROUNDED)
            return new Flats(now, Optional.empty());
        var finer = Rounding.of(mesh, 1, in.progress());
        return new Flats(now, finer == mesh ? Optional.empty() : Optional.of(Facets.of(finer)));
    }

    private static Model model(Reads in) {
        var model = in.of(p -> p.size().reshape()).apply(in.of(Prop::intake).apply(in.file(), in.progress()));
        if (model.isEmpty()) throw new IllegalStateException("every body of " + in.of(Prop::name) + " is dropped: keep one of them");
        return new Model(model);
    }

    private static Index index(Reads in) {
        var mesh = in.get(MODEL).mesh();
        return new Index(mesh.contentHash(), Bvh.of(mesh));
    }

    private static Health health(Reads in) {
        var mesh = in.get(MODEL).mesh();
        var edges = new Edges(mesh);
        var bodies = Bodies.of(mesh, edges);
        var health = MeshHealth.of(mesh, edges, bodies);
        var overlaps = Overlaps.of(mesh, edges, bodies, in.get(INDEX).bvh(), Overlaps.MANY, in.progress());
        return new Health(health, overlaps, FaultEdges.of(mesh), FaultPlaces.of(mesh, health, overlaps));
    }

    private static Walls walls(Reads in) {
        var mesh = in.get(MODEL).mesh();
        var index = in.get(INDEX).bvh();
        var proxy = in.get(PROXY).mesh();
        return new Walls(WallThickness.of(mesh, index), proxy, IntStream.range(0, proxy.triangleCount()).parallel().mapToDouble(f -> {
            var on = index.closest(proxy.centroid(f));
            return WallThickness.at(index, on.point(), mesh.areaVector(on.triangle()));
        }).toArray());
    }

    private static Mended mended(Reads in) {
        Intake intake = in.of(Prop::intake);
        var whole = intake.printed(in.file());
        var all = intake.withMends(Set.copyOf(EnumSet.allOf(Mend.Step.class)));
        return new Mended(intake.mended(whole, in.progress()).changes(), all.mended(whole, in.progress()).changes());
    }
}
