package yellowbracket.derive.all;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Memo;
import yellowbracket.derive.Want;
import yellowbracket.derive.Workings;
import yellowbracket.derive.World;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.device.WeatherFeed;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/** Lists what is derived of a build. Figures that others stand on come with them and need no line here. */
public final class Everything {
    /** What a slider shows, cheapest first. */
    private static final List<Figure<?>> AT_ONCE = List.of(CutFigures.SKETCH, SizeFigures.GUESS);
    private static final List<Figure<?>> FIT = List.of(SizeFigures.CLEARANCE, SizeFigures.FITS);
    private static final List<Figure<?>> WORK = List.of(CutFigures.STANDS, PrintFigures.REMARKS, PrintFigures.SHADOWS);
    private static final List<Figure<?>> DRAWN = List.of(ModelFigures.PROXY, CutFigures.TWINS, CutFigures.DRAWING);
    private static final List<Figure<?>> PLAN = List.of(PlanFigures.SCHEDULE, PlanFigures.LEFT_OUT, PlanFigures.LATEST, PlanFigures.BETTER,
            PlanFigures.BROKEN, PlanFigures.BETTER_BROKEN, ShelfFigures.SPOOLS, ShelfFigures.NEEDS, ShelfFigures.CONSUMED,
            ShelfFigures.RESERVED, ShelfFigures.NEVER, ShelfFigures.SHOPPING, PlanFigures.RULES, PlanFigures.CHANCE, PlanFigures.EARLIEST,
            PlanFigures.DROPS, PlanFigures.TALLY, PlanFigures.SKY);
    private static final List<Figure<?>> CUT_PAGE = List.of(CutFigures.NECKS, CutFigures.NEARLY, CutFigures.RIGID);
    private static final List<Figure<?>> PRINT_PAGE = List.of(PrintFigures.WAYS, PrintFigures.POSTS, SmoothFigures.FINENESS,
            PrintFigures.ONE_PIECE, PrintFigures.CHECKED, SmoothFigures.BANDS, ColourFigures.TIGHT, ColourFigures.CARDS,
            ColourFigures.MOUNTS, ColourFigures.LAID);
    private static final List<Figure<?>> SMOOTH_PAGE = List.of(SmoothFigures.LOST, SmoothFigures.ROUNDS, SmoothFigures.TAUGHT);
    private static final List<Figure<?>> SIZE_PAGE = List.of(SizeFigures.HOLES, SizeFigures.TEST_PIECES, SizeFigures.BY_AXIS,
            SizeFigures.REMEDIES, SizeFigures.MASK, SizeFigures.CARRY);
    private static final List<Figure<?>> WEAR_PAGE = List.of(WearFigures.PADS, WearFigures.VISOR, WearFigures.VIEWS, WearFigures.CLOSURES,
            WearFigures.BALANCE, WearFigures.STAND, WearFigures.TURNS, WearFigures.WALK, WearFigures.AFTER_PAINT, WearFigures.SEATS,
            WearFigures.PACKING, WearFigures.POCKETS, WearFigures.SHARP);
    private static final List<Figure<?>> HEALTH = List.of(ModelFigures.BODIES, ModelFigures.STANCE, ModelFigures.FILE_PROXY,
            ModelFigures.HEALTH, ModelFigures.FLATS, ModelFigures.WALLS, ModelFigures.MENDED);

    private static final Workings.Wants WANTS = new Workings.Wants() {
        @Override
        public List<Want> all(Build build, String first) {
            var props = new ArrayList<>(build.props().stream().map(Prop::id).toList());
            props.sort(Comparator.comparing(id -> id.equals(first) ? 0 : 1));
            var out = new ArrayList<Want>();
            var shown = props.stream().limit(1).toList();
            each(shown, AT_ONCE, out);
            each(shown, FIT, out);
            each(shown, WORK, out);
            each(shown, DRAWN, out);
            if (!shown.isEmpty() && build.prop(shown.getFirst()).filter(p -> p.size().asks()).isPresent())
                each(shown, List.of(SizeFigures.USE), out);
            each(shown, List.of(SizeFigures.DONNING), out);
            each(props, FIT, out);
            each(props, WORK, out);
            each(props, DRAWN, out);
            each(props, List.of(PlanFigures.WORK), out);
            PLAN.forEach(f -> out.add(Want.ofBuild(f)));
            out.add(Want.ofBuild(PlanFigures.RAISES));
            each(props, CUT_PAGE, out);
            each(props, SMOOTH_PAGE, out);
            each(props, WEAR_PAGE, out);
            each(props, PRINT_PAGE, out);
            each(props, List.of(SizeFigures.DONNING), out);
            each(props, SIZE_PAGE, out);
            each(props, HEALTH, out);
            each(shown, List.of(ColourFigures.SOOTED), out);
            return out;
        }

        @Override
        public List<Want> figures(Build build) {
            var out = new ArrayList<Want>();
            var props = build.props().stream().map(Prop::id).toList();
            each(props, FIT, out);
            each(props, List.of(CutFigures.STANDS, PrintFigures.REMARKS, PlanFigures.WORK, SizeFigures.DONNING), out);
            out.add(Want.ofBuild(PlanFigures.SCHEDULE));
            return out;
        }
    };

    private Everything() {}

    private static void each(List<String> props, List<Figure<?>> figures, List<Want> out) {
        for (var p : props) for (var f : figures) out.add(new Want(f, p));
    }

    public static Workings workings(Catalogue shop, WeatherFeed weather, Clock clock, Memo memo, Consumer<Derived> listener) {
        return new Workings(shop, weather, clock, memo, WANTS, listener);
    }

    /** Every number at once on the caller's thread, for the command line and tests; drawings are left out. */
    public static Derived derive(Build build, Meshes meshes, Catalogue shop, WeatherFeed weather, Clock clock, Progress progress) {
        var wants = new ArrayList<>(WANTS.figures(build));
        PLAN.forEach(f -> wants.add(Want.ofBuild(f)));
        return Workings.derive(new World(build, meshes, shop, weather, Workings.rounded(clock)), wants, new Memo(), progress);
    }

    /** The plan of a build, and no more than it stands on. */
    public static List<Want> plan() {
        return PLAN.stream().map(Want::ofBuild).toList();
    }

    /** All of it, as the window wants it. */
    public static List<Want> wants(Build build, String first) {
        return WANTS.all(build, first);
    }
}
