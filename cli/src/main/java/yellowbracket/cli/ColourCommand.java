package yellowbracket.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import yellowbracket.colour.ColourPlan;
import yellowbracket.colour.ColourSurface;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.ZoneFile;
import yellowbracket.colour.zone.Border;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.model.ModelFigures;
import yellowbracket.document.Edit;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;

@Command(name = "colour", description = "zones with their borders, the order of painting, what is masked, coats and cans")
final class ColourCommand extends OneProp {
    /** Tape comes off while the last coat is touch dry: 10 to 40 minutes after it. */
    private static final double UNMASK_H = 40 / 60.0;

    @Option(names = "--zones", paramLabel = "FILE", description = "zones of a JSON, PLY or OBJ file instead of those of the build")
    Path zones;

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
        var derived = Opened.only(b, file.meshes(), id, ColourFigures.COLOUR, ColourFigures.TIGHT, ColourFigures.ZONES,
                ColourFigures.SURFACE);
        var plan = derived.get(ColourFigures.COLOUR, id).orElseThrow(() -> new Refused(derived.reason(ColourFigures.COLOUR, id) + "."));
        var surface = derived.get(ColourFigures.SURFACE, id)
                .orElseThrow(() -> new Refused(derived.reason(ColourFigures.SURFACE, id) + "."));
        var findings = new ArrayList<>(plan.findings());
        derived.get(ColourFigures.ZONES, id).ifPresent(z -> findings.addAll(0, z.told()));
        derived.get(ColourFigures.TIGHT, id).ifPresent(t -> findings.addAll(t.findings()));
        var wish = b.prop(id).orElseThrow().colour();
        var out = new LinkedHashMap<String, Object>();
        out.put("zones", wish.zones().stream().map(z -> zone(z, wish.zones(), plan, surface)).toList());
        out.put("order", order(plan));
        var shop = Catalogue.builtIn();
        out.put("rates",
                map("tapeMinPerM", shop.usual(Practice.TAPE_GENTLE_MIN_M), "tightTapeMinPerM", shop.usual(Practice.TAPE_TIGHT_MIN_M),
                        "touchUpMinPerM", shop.usual(Practice.TOUCH_UP_MIN_M), "filmMinPerDm2", shop.usual(Practice.MASK_MIN_DM2),
                        "sprayMinPerDm2", shop.usual(Practice.SPRAY_MIN_DM2), "brushMinPerDm2", shop.usual(Practice.BRUSH_PAINT_MIN_DM2)));
        out.put("totals", map("cans", plan.cans(), "tapeM", plan.tapeM(), "filmDm2", plan.maskDm2(), "hours", plan.hours(), "waitH",
                plan.waitH(), "cost", plan.cost(shop)));
        out.put("findings", findings.stream().map(f -> f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words()).toList());
        return out;
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

    private static List<Object> order(ColourPlan plan) {
        var out = new ArrayList<Object>();
        int step = 0;
        for (var c : plan.coats()) {
            boolean never = c.recoatToH() >= 100;
            out.add(map("step", ++step, "zone", c.zone(), "product", c.product(), "hex", c.hex(), "coats", c.count(), "likely",
                    List.of(c.likely().least(), c.likely().most()), "gramsEach", c.grams(), "mask",
                    map("tapeM", c.tapeM(), "filmDm2", c.filmDm2(), "minutes", c.maskMin(), "brush", !c.sprayed(), "on",
                            c.masks().stream().map(ColourPlan.Masked::name).toList()),
                    "window", map("fromH", c.recoatFromH(), "toH", never ? null : c.recoatToH(), "againH", never ? null : c.recoatAgainH()),
                    "tapeAfterH", c.tapeH(), "unmaskWithinH", Optional.of(UNMASK_H).filter(h -> !c.masks().isEmpty()).orElse(null)));
        }
        return out;
    }

}
