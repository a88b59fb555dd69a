package yellowbracket.build;

import java.util.List;
import java.util.Map;
import yellowbracket.colour.ColourPlan;
import yellowbracket.cut.Sectioning;
import yellowbracket.join.JoinPlan;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Bvh;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshHealth;
import yellowbracket.mesh.SurfaceSamples;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Task;
import yellowbracket.print.Orientation;
import yellowbracket.print.PrintPlan;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.Fit;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.PadPlan;

/** The name and type of one derived result. Results of a prop are kept by the prop's id; those of the whole build under {@link #BUILD}. */
public record Node<T>(String name, Class<T> type) {
    /** Stands for the prop in results of the whole build. */
    public static final String BUILD = "";

    public static final Node<Health> HEALTH = new Node<>("health", Health.class);
    public static final Node<Proxy> PROXY = new Node<>("proxy", Proxy.class);
    public static final Node<Bvh> INDEX = new Node<>("index", Bvh.class);
    public static final Node<Cavity> CAVITY = new Node<>("cavity", Cavity.class);
    public static final Node<Clearance> CLEARANCE = new Node<>("clearance", Clearance.class);
    public static final Node<AllScales> SCALES = new Node<>("scales", AllScales.class);
    public static final Node<Fits> FITS = new Node<>("fits", Fits.class);
    public static final Node<Sectioning> MODEL_SECTIONS = new Node<>("cuts", Sectioning.class);
    public static final Node<Drawn> DRAWN = new Node<>("drawing", Drawn.class);
    public static final Node<Sectioning> SECTIONS = new Node<>("sections", Sectioning.class);
    public static final Node<Samples> SAMPLES = new Node<>("surface", Samples.class);
    public static final Node<Choices> CHOICES = new Node<>("orientations", Choices.class);
    public static final Node<PrintPlan> PRINTS = new Node<>("prints", PrintPlan.class);
    public static final Node<JoinPlan> JOINS = new Node<>("joins", JoinPlan.class);
    public static final Node<Areas> AREAS = new Node<>("areas", Areas.class);
    public static final Node<SmoothPlan> SMOOTH = new Node<>("smoothing", SmoothPlan.class);
    public static final Node<ColourPlan> COLOUR = new Node<>("colours", ColourPlan.class);
    public static final Node<Pads> PADS = new Node<>("pads", Pads.class);
    public static final Node<Tasks> TASKS = new Node<>("tasks", Tasks.class);
    public static final Node<Schedule> SCHEDULE = new Node<>("schedule", Schedule.class);
    public static final Node<Chance> CHANCE = new Node<>("chance", Chance.class);
    public static final Node<Needs> NEEDS = new Node<>("needs", Needs.class);

    /** The mesh's faults, counted. */
    public record Health(MeshHealth health) {}

    /** A mesh light enough to draw. */
    public record Proxy(Mesh mesh) {}

    /** Light section meshes by name, in model coordinates. */
    public record Drawn(Map<String, Mesh> bySection) {}

    /** Lowest, recommended and highest scale by wearer. */
    public record AllScales(Map<String, Fit.Scales> byWearer) {}

    /** One fit a wearer, in the prop's order. */
    public record Fits(List<Fit> list) {}

    /** Equal-area samples by section, in model coordinates. */
    public record Samples(Map<String, SurfaceSamples> bySection) {}

    /** Ways up by section, best first, for the unscaled section. */
    public record Choices(Map<String, List<Orientation>> bySection) {}

    /** One set a wearer. */
    public record Pads(List<PadPlan> sets) {}

    /** All tasks with this maker's rates, and what the log taught. */
    public record Tasks(List<Task> list, Lessons lessons) {}

    /** Share of simulated futures that end in time. */
    public record Chance(double share, int runs) {}
}
