package yellowbracket.derive;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.colour.ColourPlan;
import yellowbracket.cut.Alike;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.TurnedFit;
import yellowbracket.cut.registration.Registered;
import yellowbracket.intake.BodyList;
import yellowbracket.intake.Stance;
import yellowbracket.join.JoinPlan;
import yellowbracket.log.Lessons;
import yellowbracket.log.PrintRecord;
import yellowbracket.log.Recurring;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.Cylinders;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.FaultEdges;
import yellowbracket.mesh.repair.FaultPlaces;
import yellowbracket.mesh.repair.Mend;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.mesh.repair.Overlaps;
import yellowbracket.plan.Needs;
import yellowbracket.plan.Schedule;
import yellowbracket.plan.Scheduler;
import yellowbracket.plan.Task;
import yellowbracket.print.Columns;
import yellowbracket.print.Estimate;
import yellowbracket.print.OnePiece;
import yellowbracket.print.Orientation;
import yellowbracket.print.Plates;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.Remark;
import yellowbracket.print.SectionPrint;
import yellowbracket.print.Shadow;
import yellowbracket.print.SpoolPlan;
import yellowbracket.shop.Rate;
import yellowbracket.size.Carry;
import yellowbracket.size.Cavity;
import yellowbracket.size.Clearance;
import yellowbracket.size.Donning;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.MaskFit;
import yellowbracket.size.Proportions;
import yellowbracket.size.Remedy;
import yellowbracket.size.Room;
import yellowbracket.size.TestPiece;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Fineness;
import yellowbracket.smooth.SmoothPlan;
import yellowbracket.wear.PadPlan;

/** The name and type of one derived result. Results of a prop are kept by the prop's id; those of the whole build under {@link #BUILD}. */
public record Node<T>(String name, Class<T> type) {
    /** Stands for the prop in results of the whole build. */
    public static final String BUILD = "";

    public static final Node<Model> MODEL = new Node<>("model", Model.class);
    public static final Node<BodyList> BODIES = new Node<>("bodies", BodyList.class);
    public static final Node<Stance> STANCE = new Node<>("way up", Stance.class);
    public static final Node<Walls> WALLS = new Node<>("walls", Walls.class);
    public static final Node<Proxy> FILE_PROXY = new Node<>("bodies drawn", Proxy.class);
    public static final Node<Mended> MENDED = new Node<>("mending", Mended.class);
    public static final Node<Health> HEALTH = new Node<>("health", Health.class);
    public static final Node<Proxy> PROXY = new Node<>("proxy", Proxy.class);
    public static final Node<Bvh> INDEX = new Node<>("index", Bvh.class);
    public static final Node<Cavity> CAVITY = new Node<>("cavity", Cavity.class);
    public static final Node<Clearance> CLEARANCE = new Node<>("clearance", Clearance.class);
    public static final Node<AllScales> SCALES = new Node<>("scales", AllScales.class);
    public static final Node<Fits> FITS = new Node<>("fits", Fits.class);
    public static final Node<Rooms> ROOMS = new Node<>("room wanted", Rooms.class);
    public static final Node<Fields> FIELDS = new Node<>("head fields", Fields.class);
    public static final Node<Donnings> DONNING = new Node<>("putting it on", Donnings.class);
    public static final Node<Remedies> REMEDIES = new Node<>("remedies", Remedies.class);
    public static final Node<ByAxis> BY_AXIS = new Node<>("scale by axis", ByAxis.class);
    public static final Node<Pieces> TEST_PIECES = new Node<>("test pieces", Pieces.class);
    public static final Node<Holes> HOLES = new Node<>("holes and pegs", Holes.class);
    public static final Node<MaskFits> MASK = new Node<>("on the face", MaskFits.class);
    public static final Node<MaskFit.Read> MASK_READ = new Node<>("mask", MaskFit.Read.class);
    public static final Node<Carry> CARRY = new Node<>("carrying it", Carry.class);
    public static final Node<Sectioning> MODEL_SECTIONS = new Node<>("cuts", Sectioning.class);
    public static final Node<Drawn> DRAWN = new Node<>("drawing", Drawn.class);
    /** As the drawing, from the light copy alone: there at once, letters as they most likely will be. */
    public static final Node<Drawn> SKETCH = new Node<>("sketch", Drawn.class);
    public static final Node<Sectioning> SECTIONS = new Node<>("sections", Sectioning.class);
    public static final Node<Registered> REGISTERED = new Node<>("registration", Registered.class);
    public static final Node<Stands> STANDS = new Node<>("room on the beds", Stands.class);
    public static final Node<Twins> TWINS = new Node<>("sections alike", Twins.class);
    public static final Node<Samples> SAMPLES = new Node<>("surface", Samples.class);
    public static final Node<Choices> CHOICES = new Node<>("orientations", Choices.class);
    /** The choices, with turns made by hand and those that alone fit a bed. */
    public static final Node<Choices> ALL_WAYS = new Node<>("ways up", Choices.class);
    public static final Node<Records> RECORDS = new Node<>("printers' records", Records.class);
    public static final Node<Remarks> REMARKS = new Node<>("print remarks", Remarks.class);
    public static final Node<Ways> WAYS = new Node<>("best ways up", Ways.class);
    public static final Node<Posts> POSTS = new Node<>("support", Posts.class);
    public static final Node<Fineness> FINENESS = new Node<>("fineness", Fineness.class);
    public static final Node<OnePiece> ONE_PIECE = new Node<>("one piece", OnePiece.class);
    public static final Node<Shadows> SHADOWS = new Node<>("shadows", Shadows.class);
    public static final Node<Plating> PLATES = new Node<>("plates", Plating.class);
    public static final Node<SpoolPlan> SPOOLS = new Node<>("spools", SpoolPlan.class);
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

    /** The mesh that is sized, cut and printed, mm, unscaled. */
    public record Model(Mesh mesh) {}

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

    /** A mesh light enough to draw; that of the file is tagged with body numbers. */
    public record Proxy(Mesh mesh) {}

    /**
     * Light section meshes by name, in model coordinates, and the lines along which their cuts reach the surface: segments, six numbers
     * each.
     */
    public record Drawn(Map<String, Mesh> bySection, Map<String, double[]> rims) {
        static Drawn of(Map<String, Mesh> bySection) {
            var rims = new LinkedHashMap<String, double[]>();
            bySection.forEach((name, mesh) -> rims.put(name, Sectioning.rims(mesh)));
            return new Drawn(bySection, rims);
        }
    }

    /** Lowest, recommended and highest scale by wearer. */
    public record AllScales(Map<String, Fit.Scales> byWearer) {}

    /** One fit a wearer, in the prop's order. */
    public record Fits(List<Fit> list) {}

    /** How much room each wearer wants, by name. */
    public record Rooms(Map<String, Room> byWearer) {}

    /** Distance to each wearer's head, in the prop's order. */
    public record Fields(List<HeadField> list) {}

    /** One way in a wearer, in the prop's order. */
    public record Donnings(List<Donning> list) {}

    /** What would let the first wearer whose head does not pass in; empty when all pass. */
    public record Remedies(Optional<String> wearer, List<Remedy> list) {}

    /** A scale of its own along each axis, where that is worth it. */
    public record ByAxis(Optional<Proportions> best) {}

    /** Prints that prove the fit of the first wearer; those that cannot be made say why. */
    public record Pieces(List<Piece> list, List<String> missing) {}

    /** A test piece and what it costs to print. */
    public record Piece(TestPiece piece, Estimate print) {}

    /** Round holes and pegs, widest first, model mm. */
    public record Holes(List<Cylinders.Cylinder> list) {}

    /** One a wearer, in the prop's order. */
    public record MaskFits(List<MaskFit> list) {}

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

    /** Sections that another one's file prints. */
    public record Twins(List<Alike.Twin> list) {}

    /** Equal-area samples by section, in model coordinates. */
    public record Samples(Map<String, SurfaceSamples> bySection) {}

    /** What the log says of each printer. */
    public record Records(List<PrintRecord> list) {
        public PrintRecord of(String printer) {
            return list.stream()
                    .filter(r -> r.printer().equals(printer))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no printer " + printer));
        }
    }

    /** Rules broken by prints still ahead, and situations in which prints failed before. */
    public record Remarks(List<Remark> rules, List<Recurring.Warning> recurring) {}

    /** A way up worth choosing: as it stands in the choices, what it is best at, and its print. */
    public record Way(Turn turn, List<Orientation.Aim> aims, SectionPrint print) {}

    public record Ways(Map<String, List<Way>> bySection) {}

    /** Columns of support in the coordinates of the turned section, some of them, and the height of its bed there. */
    public record Held(List<Columns.Post> posts, double bedZ) {}

    public record Posts(Map<String, Held> bySection) {}

    public record Shadows(Map<String, Shadow> bySection) {}

    /** Plates still to print, of all props: each section by itself, and beds filled; which of them is the plan. */
    public record Plating(List<Plates.Plate> single, List<Plates.Plate> full, boolean fullPlates) {
        public List<Plates.Plate> chosen() {
            return fullPlates ? full : single;
        }
    }

    /** Ways up by section, best first, for the unscaled section. */
    public record Choices(Map<String, List<Orientation>> bySection) {}

    /** One set a wearer. */
    public record Pads(List<PadPlan> sets) {}

    /**
     * All tasks with this maker's rates, what the log taught, the rates this build alone taught, and the prints that are to come first, by
     * id.
     */
    public record Tasks(List<Task> list, Lessons lessons, Map<String, Rate> own, List<String> order) {
        Scheduler.Facts facts() {
            return new Scheduler.Facts(lessons.doneWith(list), lessons.running(), order);
        }
    }

    /** Share of simulated futures that end in time. */
    public record Chance(double share, int runs) {}
}
