package yellowbracket.bench;

import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.derive.Derived;
import yellowbracket.derive.Memo;
import yellowbracket.derive.all.Everything;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.Edit;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.Intake;
import yellowbracket.mesh.Shapes;
import yellowbracket.shop.Catalogue;

/**
 * Heap after collection while a model of a million triangles is worked on: changes of width, moved planes, changes of scale, each derived
 * as the window does before the next comes. Not timed. {@code MemoryProbe [PART [KIND]]}: a part of 200, 200 and 50 edits, 1 for all; of
 * one kind ({@code width}, {@code plane}, {@code scale}) or all.
 */
public final class MemoryProbe {
    private static final int TRIANGLES = 1_000_000;
    private static final int WIDTHS = 200;
    private static final int PLANES = 200;
    private static final int SCALES = 50;

    private MemoryProbe() {}

    public static void main(String[] args) throws InterruptedException {
        double part = args.length == 0 ? 1 : Double.parseDouble(args[0]);
        var mesh = Shapes.bumpySphere(150, TRIANGLES);
        var shop = Catalogue.builtIn();
        var cut = new CutWish(CutTree.split(CutPlane.across(2, 10.137), CutTree.WHOLE, CutTree.WHOLE), Registration.PLAIN, 0);
        var prop = Prop.fromFile("ball", "ball", mesh.contentHash(), Letters.from(0, 1), Intake.AS_IT_IS, shop.profile("usual"))
                .withCut(cut);
        var clock = Clock.systemDefaultZone();
        var build = Build.empty(java.time.LocalDateTime.now(clock), ShopFile.fresh()).with(prop);
        var memo = new Memo();
        var waiting = new AtomicReference<CountDownLatch>(new CountDownLatch(1));
        var wanted = new AtomicReference<Build>(build);
        try (var workings = Everything.workings(shop, new SimulatedWeather(11), clock, memo, d -> {
            if (done(d, wanted.get())) waiting.get().countDown();
        })) {
            var meshes = Meshes.NONE.with(mesh);
            double most = 0;
            for (var kind : args.length > 1 ? List.of(args[1]) : List.of("width", "plane", "scale")) {
                int n = (int) Math.ceil(part * (kind.equals("width") ? WIDTHS : kind.equals("plane") ? PLANES : SCALES));
                for (int i = 0; i < n; i++) {
                    build = edit(kind, i).change().apply(build);
                    wanted.set(build);
                    waiting.set(new CountDownLatch(1));
                    workings.show(build, meshes, "ball");
                    waiting.get().await();
                    if (i % 10 == 9 || i == n - 1) most = Math.max(most, told(kind, i + 1, memo));
                }
            }
            System.out.printf(Locale.ROOT, "most %.0f MB of heap after collection (limit 1200)%n", most);
        }
    }

    private static boolean done(Derived d, Build b) {
        return d.build().filter(b::equals).isPresent() && d.fresh(PlanFigures.CHANCE) && d.fresh(CutFigures.DRAWING, "ball");
    }

    private static Edit edit(String kind, int i) {
        return switch (kind) {
            case "width" -> Edit.reshape("width", "ball", r -> r.along(1 + 0.001 * (i + 1), 1, 1));
            case "plane" -> Edit.movePlane("ball", 0, CutPlane.across(2, 10.137 + 0.21 * i));
            default -> Edit.scale("ball", 1 + 0.004 * (i + 1));
        };
    }

    private static double told(String kind, int edits, Memo memo) {
        System.gc();
        var run = Runtime.getRuntime();
        double mb = (run.totalMemory() - run.freeMemory()) / 1e6;
        System.out.printf(Locale.ROOT, "%s %3d: heap %5.0f MB, remembered %5.0f MB%n", kind, edits, mb, memo.bytes() / 1e6);
        return mb;
    }
}
