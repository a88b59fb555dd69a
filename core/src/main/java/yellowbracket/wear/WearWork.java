package yellowbracket.wear;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.wear.light.Bought;
import yellowbracket.wear.light.Power;
import yellowbracket.wear.pad.FoamShelf;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.panel.Nest;
import yellowbracket.wear.panel.Panel;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.Visor;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/**
 * Fitting out once the last paint has cured: lights and what is bought, panels, pads, and the walk test last of all. For a prop nobody
 * puts on
 * lights and bought parts alone.
 *
 * @param pads one set a wearer @param visor none where nothing is closed
 */
public record WearWork(String prop, boolean worn, List<PadPlan> pads, Optional<Visor> visor, Power power, WearWish wish,
        Catalogue shop) implements StationWork {
    /** Holds sheets and plates, and stays soft. */
    private static final String GLUE = "flexible contact adhesive";
    private static final double GLUE_MM = 0.5, TAPE_MM = 20;

    @Override
    public Stated after(Ready before) {
        var tasks = new ArrayList<Task>();
        if (!power.runs().isEmpty())
            tasks.add(Task.byHand(once(TaskId.Once.LIGHTS), "fit and wire " + count(power.runs().size(), "light"), Operation.WIRE,
                    Tool.IRON, shop.usual(Practice.LIGHTS_H) + shop.usual(Practice.LIGHT_H) * power.runs().size(), before.all()));
        if (!wish.bought().isEmpty())
            tasks.add(Task.byHand(once(TaskId.Once.PARTS), "fit " + String.join(", ", wish.bought().stream().map(Bought::name).toList()),
                    Operation.FIT_PARTS, Tool.ROTARY, shop.usual(Practice.PART_H) * wish.bought().size(), before.all()));
        // pads and panels cover wires and what is bolted through: they come after
        var open = tasks.isEmpty() ? before
                : Ready.after(java.util.stream.Stream.concat(before.all().stream(), tasks.stream().map(Task::id)).toList());
        panels(tasks, open);
        if (worn) {
            pads(tasks, open);
            var fitted = new ArrayList<>(before.all());
            tasks.forEach(t -> fitted.add(t.id()));
            tasks.add(Task.byHand(once(TaskId.Once.TEST), "walk test: stairs, floor, hearing, off in five seconds", Operation.WALK_TEST,
                    Tool.HANDS, shop.usual(Practice.WALK_TEST_H), fitted));
        }
        return tasks.isEmpty() ? new Stated(List.of(), before)
                : new Stated(tasks, worn ? Ready.after(List.of(tasks.getLast().id()))
                        : Ready.after(java.util.stream.Stream.concat(before.all().stream(), tasks.stream().map(Task::id)).toList()));
    }

    private TaskId once(TaskId.Once o) {
        return new TaskId.OfProp(prop, o);
    }

    private static String count(int n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
    }

    private List<Panel> of(PanelWish.Kind kind) {
        return visor.map(v -> v.panels().stream().filter(p -> p.wish().kind() == kind).toList()).orElse(List.of());
    }

    private void panels(List<Task> tasks, Ready before) {
        var formed = of(PanelWish.Kind.FORMED);
        if (!formed.isEmpty()) tasks.add(Task.byHand(once(TaskId.Once.FORM),
                "form " + count(Visor.formed(formed.size()), "lens").replace("lenss", "lenses") + " over the buck, trim the best",
                Operation.FORM_LENS, Tool.HEAT_GUN,
                shop.usual(Practice.FORM_H) + shop.usual(Practice.FORM_LENS_H) * Visor.formed(formed.size()), before.all()));
        var glued = new ArrayList<>(of(PanelWish.Kind.SHEET));
        glued.addAll(of(PanelWish.Kind.MESH));
        glued.addAll(formed);
        if (!glued.isEmpty()) {
            var after = new ArrayList<>(before.all());
            tasks.stream().filter(t -> t.operation() == Operation.FORM_LENS).forEach(t -> after.add(t.id()));
            double more = shop.usual(Practice.PANEL_H) * (glued.size() - 1);
            tasks.add(Task
                    .byHand(once(TaskId.Once.VISOR),
                            "cut, bend and glue in " + String.join(", ", glued.stream().map(p -> p.opening().name()).toList()),
                            Operation.FIT_VISOR, Tool.KNIFE, shop.usual(Practice.VISOR_H) + more, after)
                    .withProduct(GLUE)
                    .withLag(Task.Lag.atLeast(shop.usual(Practice.VISOR_SETS_H))));
        }
        var pressed = of(PanelWish.Kind.PRESSED);
        if (!pressed.isEmpty())
            tasks.add(Task.byHand(once(TaskId.Once.LENS), "polish and press in " + count(pressed.size(), "lens").replace("lenss", "lenses"),
                    Operation.FIT_VISOR, Tool.SANDING, shop.usual(Practice.LENS_H) * pressed.size(), before.all()));
    }

    private void pads(List<Task> tasks, Ready before) {
        for (var p : pads) tasks.add(Task.byHand(new TaskId.Pads(prop, p.wearer().name()), "cut and fit pads for " + p.wearer().name(),
                Operation.CUT_PADS, Tool.KNIFE, shop.usual(Practice.PADS_H) + shop.usual(Practice.PAD_H) * p.cut().size(), before.all()));
        if (pads.isEmpty()) tasks.add(Task.byHand(once(TaskId.Once.STRAPS), "fit straps and rim foam", Operation.FIT_STRAPS, Tool.KNIFE,
                shop.usual(Practice.STRAPS_H), before.all()));
    }

    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        double tape = 0;
        for (var p : pads) {
            p.foamMm2().forEach((foam, mm2) -> out.add(new Need(FoamShelf.product(foam), mm2 / 1e4, "dm2")));
            tape += p.tapeMm2();
        }
        if (tape > 0) out.add(new Need("hook tape 20 mm", 2 * tape / TAPE_MM / 1000, "m"));
        visor.ifPresent(v -> {
            for (var n : v.nests()) if (n.sheets() > 0) out.add(new Need(sheet(n), n.sheets(), "sheets"));
            double mm2 = v.panels().stream().filter(p -> p.wish().kind() != PanelWish.Kind.PRESSED).mapToDouble(Panel::gluedMm2).sum();
            if (mm2 > 0) out.add(new Need(GLUE, mm2 * GLUE_MM / 1000 * shop.join(GLUE).densityGcm3(), "g"));
            for (var p : of(PanelWish.Kind.FORMED))
                out.add(new Need(String.format(Locale.ROOT, "%s to form, %.2g mm", p.sheet().name(), p.wish().thickMm()), Visor.formed(1),
                        "pieces"));
        });
        for (var r : power.runs())
            out.add(r.load().kind().along() ? new Need(r.load().kind().words(), r.load().count() * r.lengthMm() / 1000, "m")
                    : new Need(r.load().kind().words(), r.load().count(), "pieces"));
        power.cells()
                .ifPresent(
                        c -> out.add(new Need(c.words(), Math.max(1, Math.ceil(wish.litHours() / Math.max(0.1, power.hours()))), "sets")));
        return List.copyOf(out);
    }

    private static String sheet(Nest n) {
        return String.format(Locale.ROOT, "%s, %s mm", n.sheet().name(),
                n.thickMm() == Math.rint(n.thickMm()) ? String.valueOf((long) n.thickMm()) : String.valueOf(n.thickMm()));
    }
}
