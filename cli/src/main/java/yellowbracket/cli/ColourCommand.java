package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Mount;
import yellowbracket.colour.Overlap;
import yellowbracket.colour.ZoneFile;
import yellowbracket.colour.line.LinePlan;
import yellowbracket.colour.line.SurfaceLine;
import yellowbracket.colour.zone.Border;
import yellowbracket.colour.zone.Painted;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Edit;
import yellowbracket.document.Prop;
import yellowbracket.export.Stencils;
import yellowbracket.export.ZonesDrawing;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Practice;

@Command(name = "colour", description = "zones with their borders, the order of painting, what is masked, coats and cans")
final class ColourCommand extends OneProp {
    /** Tape comes off while the last coat is touch dry: 10 to 40 minutes after it. */
    private static final double UNMASK_H = 40 / 60.0;

    @Option(names = "--zones", paramLabel = "FILE", description = "zones of a JSON, PLY or OBJ file instead of those of the build")
    Path zones;

    @Option(names = "--lines", description = "looks for grooves and raised lines, and plans them by hand, also where the build has none")
    boolean lines;

    @Option(names = "--drawing", paramLabel = "FILE.pdf", description = "writes a drawing of the zones, seen from four sides")
    Path drawing;

    @Option(names = "--card", paramLabel = "FILE.pdf", description = "writes a card of the colours, with fields for real paint")
    Path card;

    @Option(names = "--stencils", paramLabel = "FILE.pdf", description = "writes the stencils of all marks at 1:1")
    Path stencils;

    @Override
    Map<String, Object> work() {
        var file = Opened.read(build, this::remark);
        var p = chosen(file.build());
        var b = warmed(file.build());
        String id = p.id();
        if (zones != null) {
            var model = Opened.only(b, file.meshes(), id, ModelFigures.MODEL)
                    .get(ModelFigures.MODEL, id)
                    .orElseThrow(() -> new Refused("the model of " + p.name() + " cannot be made: see \"yb check\"."))
                    .mesh();
            try {
                var wish = ZoneFile.read(zones, model, p.colour());
                b = Edit.colours("zones", id, w -> wish).change().apply(b);
            } catch (ZoneFile.Unreadable e) {
                throw new Refused(e.getMessage() + ".");
            }
        }
        if (lines && b.prop(id).orElseThrow().colour().lines().none())
            b = Edit.colours("lines", id, w -> w.withLines(w.lines().withKinds(EnumSet.allOf(SurfaceLine.Kind.class)))).change().apply(b);
        var derived = Opened.only(b, file.meshes(), id, ColourFigures.COLOUR, ColourFigures.TIGHT, ColourFigures.ZONES,
                ColourFigures.SURFACE, ColourFigures.LINE_PLAN, ColourFigures.BARE, ColourFigures.MOUNTS, ColourFigures.LAID,
                ColourFigures.LIGHT);
        var plan = derived.get(ColourFigures.COLOUR, id).orElseThrow(() -> new Refused(derived.reason(ColourFigures.COLOUR, id) + "."));
        var surface = derived.get(ColourFigures.SURFACE, id)
                .orElseThrow(() -> new Refused(derived.reason(ColourFigures.SURFACE, id) + "."));
        var findings = new ArrayList<>(plan.findings());
        derived.get(ColourFigures.ZONES, id).ifPresent(z -> findings.addAll(0, z.told()));
        derived.get(ColourFigures.TIGHT, id).ifPresent(t -> findings.addAll(t.findings()));
        var byHand = derived.get(ColourFigures.LINE_PLAN, id).orElse(LinePlan.NONE);
        findings.addAll(byHand.findings());
        var bare = derived.get(ColourFigures.BARE, id).map(ColourFigures.Bare::list).orElse(List.of());
        bare.forEach(f -> findings.add(f.finding()));
        var mounts = derived.get(ColourFigures.MOUNTS, id);
        mounts.ifPresent(m -> findings.addAll(m.findings()));
        var wish = b.prop(id).orElseThrow().colour();
        var now = b.prop(id).orElseThrow();
        derived.get(ColourFigures.LAID, id).ifPresent(l -> findings.addAll(l.findings(wish.marks(), now.scale())));
        for (var r : wish.references()) findings.addAll(r.open(wish.zones(), b.paints().limit()));
        var out = new LinkedHashMap<String, Object>();
        out.put("zones", wish.zones().stream().map(z -> zone(z, wish.zones(), plan, surface)).toList());
        out.put("order", order(plan, surface, wish));
        var shop = Catalogue.builtIn();
        out.put("rates",
                map("tapeMinPerM", shop.usual(Practice.TAPE_GENTLE_MIN_M), "tightTapeMinPerM", shop.usual(Practice.TAPE_TIGHT_MIN_M),
                        "touchUpMinPerM", shop.usual(Practice.TOUCH_UP_MIN_M), "filmMinPerDm2", shop.usual(Practice.MASK_MIN_DM2),
                        "sprayMinPerDm2", shop.usual(Practice.SPRAY_MIN_DM2), "brushMinPerDm2", shop.usual(Practice.BRUSH_PAINT_MIN_DM2)));
        out.put("totals", map("cans", plan.cans(), "tapeM", plan.tapeM(), "filmDm2", plan.maskDm2(), "hours", plan.hours(), "waitH",
                plan.waitH(), "cost", plan.cost(shop)));
        if (!wish.lines().none()) out.put("lines", lines(byHand));
        out.put("mounts", mounts.map(ColourFigures.Mounts::list).orElse(List.of()).stream().map(ColourCommand::mount).toList());
        if (!bare.isEmpty()) out.put("bare",
                bare.stream()
                        .map(f -> map("seam", f.where(), "why", f.why(), "dm2", f.dm2(), "sockets", f.sockets(), "tapeM", f.tapeM(),
                                "filmMm", f.filmMm()))
                        .toList());
        out.put("findings", findings.stream().map(f -> f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words()).toList());
        papers(now, derived.get(ColourFigures.LIGHT, id).map(ColourFigures.Light::painted), surface, plan, b.paints());
        return out;
    }

    private void papers(Prop p, Optional<Painted> light, ColourSurface surface, ColourPlan plan, PaintShelf shelf) {
        var wish = p.colour();
        if (drawing != null && light.isPresent()) {
            var real = light.get().on(light.get().base().scaled(p.scale()));
            written(drawing, () -> ZonesDrawing.zones(p.name(), real, wish.zones(), surface, plan, drawing));
        }
        if (card != null) written(card, () -> ZonesDrawing.card(p.name(), wish.zones(), shelf, plan, card));
        if (stencils != null && wish.marks().isEmpty()) throw new Refused(p.name() + " has no marks: lay some on its marks page first.");
        if (stencils != null) written(stencils, () -> Stencils.pdf(wish.marks(), stencils));
    }

    private interface Writing {
        void run() throws IOException;
    }

    private void written(Path file, Writing writing) {
        try {
            writing.run();
            remark("written: " + file);
        } catch (IOException e) {
            throw new Refused(file + " was not written: " + WriteProblem.words(e) + ".");
        }
    }

    private static Map<String, Object> lines(LinePlan plan) {
        return map("lengthMm", plan.lengthMm(), "count", plan.lines().size(), "hours", plan.hours(), "sessions", plan.sessions().size(),
                "days", plan.days(), "by", plan.chosen().map(w -> w.tool().words()).orElse(null), "ways",
                plan.ways()
                        .stream()
                        .map(w -> map("tool", w.tool().words(), "minutes", w.minutes(), "range", List.of(w.least(), w.most()), "passes",
                                w.passes(), "measured", w.measured(), "not", w.works() ? null : w.why()))
                        .toList());
    }

    private static Map<String, Object> mount(Mount m) {
        return map("part", m.part(), "how", m.how().words(), "grams", m.grams(), "bearsG", m.bearsG(), "roomMm",
                List.of(m.roomMm().x(), m.roomMm().y(), m.roomMm().z()), "untilHandledH", m.freeH());
    }

    private static Map<String, Object> zone(ColourZone z, List<ColourZone> all, ColourPlan plan, ColourSurface s) {
        var area = s.areas().getOrDefault(z.id(), new ColourSurface.Area(0, 0));
        var coats = plan.coats().stream().filter(c -> c.zones().equals(List.of(z.id())) && c.zone().equals(z.name())).findFirst();
        var under = plan.undercoats().groups().stream().filter(g -> g.zones().contains(z.id())).findFirst();
        var borders = new ArrayList<Object>();
        for (var o : all) {
            double mm = s.between(z.id(), o.id()).stream().mapToDouble(Border::lengthMm).sum();
            if (o.id() != z.id() && mm > 0) borders.add(map("with", o.name(), "lengthMm", mm));
        }
        return map("id", z.id(), "name", z.name(), "hex", z.hex(), "areaMm2", area.mm2(), "paintedMm2", area.mm2() * area.seen(), "paint",
                coats.map(ColourPlan.Coats::product).orElse(z.paint()), "coats", coats.map(ColourPlan.Coats::count).orElse(0), "undercoat",
                under.map(g -> g.shade()).orElse(null), "borders", borders);
    }

    private static List<Object> order(ColourPlan plan, ColourSurface surface, ColourWish wish) {
        var out = new ArrayList<Object>();
        int step = 0;
        for (var c : plan.coats()) {
            boolean never = c.recoatToH() >= 100;
            var at = Overlap.of(plan, surface, step, wish::zone);
            out.add(map("step", ++step, "zone", c.zone(), "product", c.product(), "hex", c.hex(), "coats", c.count(), "likely",
                    List.of(c.likely().least(), c.likely().most()), "gramsEach", c.grams(), "mask",
                    map("tapeM", c.tapeM(), "filmDm2", c.filmDm2(), "minutes", c.maskMin(), "brush", !c.sprayed(), "on",
                            c.masks().stream().map(ColourPlan.Masked::name).toList()),
                    "window", map("fromH", c.recoatFromH(), "toH", never ? null : c.recoatToH(), "againH", never ? null : c.recoatAgainH()),
                    "overMm", at.over().stream().map(o -> map("zone", o.zone(), "mm", o.mm())).toList(), "tapeAfterH", c.tapeH(),
                    "unmaskWithinH", Optional.of(UNMASK_H).filter(h -> !c.masks().isEmpty()).orElse(null)));
        }
        return out;
    }

}
