package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import yellowbracket.derive.Derived;
import yellowbracket.derive.size.SizeFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.document.Prop;
import yellowbracket.export.FitOutFiles;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.WriteProblem;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Sheeting;
import yellowbracket.wear.body.Stand;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.light.Power;
import yellowbracket.wear.panel.Panel;
import yellowbracket.wear.panel.PanelWish;
import yellowbracket.wear.panel.ViewThrough;
import yellowbracket.wear.panel.Visor;

@Command(name = "wear", description = "pads, visor and lenses, closures, lights, balance, head turn, what is sharp, the walk test")
final class WearCommand extends OneProp {
    @Option(names = "--close", paramLabel = "OPENING=HOW", description = "open, sheet, pressed, formed or mesh; may be given again. "
            + "Such as \"front=sheet:dark smoke PETG:1\"")
    List<String> close = List.of();

    @Option(names = "--files", paramLabel = "FOLDER", description = "writes all templates at 1:1, lenses and bucks there")
    Path files;

    @Override
    Map<String, Object> work() {
        var file = Opened.read(build, this::remark);
        var p = chosen(file.build());
        for (var c : close) p = closed(p, c);
        var b = warmed(file.build().with(p));
        var derived = Opened.only(b, file.meshes(), p.id(), WearFigures.PADS, WearFigures.VISOR, WearFigures.VIEWS, WearFigures.CLOSURES,
                WearFigures.BALANCE, WearFigures.TURNS, WearFigures.POCKETS, WearFigures.POWER, WearFigures.SEATS, WearFigures.AFTER_PAINT,
                WearFigures.SHARP, WearFigures.STAND, WearFigures.WALK, WearFigures.PACKING);
        String id = p.id();
        var balance = derived.get(WearFigures.BALANCE, id).orElseThrow(() -> new Refused(derived.reason(WearFigures.BALANCE, id) + "."));
        var visor = derived.get(WearFigures.VISOR, id);
        for (var c : close) known(c, visor);
        var findings = findings(derived, id);
        var whole = balance.list().getFirst();
        double scale = p.scale(), clearance = p.cut().registration().clearanceMm() / 2;
        return map("pads", pads(derived, id), "visors", visor.map(v -> visors(v, derived, id)).orElse(List.of()), "magnets",
                derived.get(WearFigures.CLOSURES, id)
                        .map(WearFigures.Closures::list)
                        .orElse(List.of())
                        .stream()
                        .map(c -> map("seam", c.seam(), "count", c.magnets().size(), "sizes", c.sizes(), "pullN", c.pullN(), "needN",
                                c.needN(), "polarity", c.best().words(), "wrongRepels", c.best().wrongRepels()))
                        .toList(),
                "hinges",
                derived.get(WearFigures.CLOSURES, id)
                        .map(WearFigures.Closures::hinges)
                        .orElse(List.of())
                        .stream()
                        .map(h -> map("seam", h.seam(), "from", at(h.from()), "to", at(h.to()), "leafMm", h.leafMm(), "pinOutMm",
                                h.bulgeMm()))
                        .toList(),
                "balance",
                map("massG", whole.grams(), "centre", at(whole.centre()), "neckNmm", whole.neckNmm(), "bearable", whole.bearable().words(),
                        "counterG", whole.counter().map(c -> c.grams()).orElse(null)),
                "headTurn",
                derived.get(WearFigures.TURNS, id)
                        .flatMap(t -> t.list().stream().findFirst())
                        .map(t -> map("leftDeg", t.leftDeg(), "rightDeg", t.rightDeg(), "upDeg", t.upDeg(), "downDeg", t.downDeg()))
                        .orElse(null),
                "pockets",
                derived.get(WearFigures.POCKETS, id)
                        .map(WearFigures.Pockets::list)
                        .orElse(List.of())
                        .stream()
                        .map(q -> map("x", q.box().size().x(), "y", q.box().size().y(), "z", q.box().size().z(), "at", at(q.box().centre()),
                                "reachMm", q.reachMm()))
                        .toList(),
                "lights",
                derived.get(WearFigures.POWER, id)
                        .map(l -> map("milliamp", l.power().milliamp(), "hours", l.power().runs().isEmpty() ? null : l.power().hours(),
                                "cells", l.power().cells().map(c -> c.words()).orElse(null), "wireMm",
                                l.wires().isEmpty() ? null : Power.wireMm(List.copyOf(l.wires().values()))))
                        .orElse(null),
                "fitsAfterPaint",
                derived.get(WearFigures.AFTER_PAINT, id)
                        .map(WearFigures.AfterPaint::list)
                        .orElse(List.of())
                        .stream()
                        .map(f -> map("seam", f.where(), "what", f.what(), "gapMm", f.gapMm(), "filmMm", f.filmMm(), "bare", f.bare(),
                                "leftMm", f.leftMm()))
                        .toList(),
                "sharp",
                derived.get(WearFigures.SHARP, id)
                        .map(WearFigures.Sharps::list)
                        .orElse(List.of())
                        .stream()
                        .map(s -> map("kind", s.kind().name().toLowerCase(Locale.ROOT), "at", at(s.at()), "radiusMm", s.radiusMm(),
                                "lengthMm", s.lengthMm(), "bluntMm", s.bluntMm()))
                        .toList(),
                "walk",
                derived.get(WearFigures.WALK, id)
                        .map(WearFigures.Walks::list)
                        .orElse(List.of())
                        .stream()
                        .map(w -> map("wearer", w.wearer(), "items",
                                w.items()
                                        .stream()
                                        .map(i -> map("what", i.what().word(), "why", i.why(), "passed",
                                                i.result().map(r -> r.passed()).orElse(null)))
                                        .toList()))
                        .toList(),
                "packing",
                derived.get(WearFigures.PACKING, id)
                        .map(q -> java.util.stream.Stream.concat(q.prop().stream(), q.kit().stream())
                                .map(l -> map("what", l.what(), "amount", l.amount()))
                                .toList())
                        .orElse(List.of()),
                "scale", scale, "files", written(derived, id, visor, clearance), "findings",
                findings.stream().map(f -> f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words()).toList());
    }

    private static Map<String, Object> at(Vec3 p) {
        return map("x", p.x(), "y", p.y(), "z", p.z());
    }

    private static List<Finding> findings(Derived d, String id) {
        var out = new ArrayList<Finding>();
        d.get(SizeFigures.FITS, id)
                .ifPresent(x -> x.list()
                        .forEach(f -> f.findings()
                                .stream()
                                .filter(q -> q.weight() == Weight.STOP)
                                .forEach(q -> out.add(of(f.wearer().name(), q)))));
        d.get(WearFigures.PADS, id).ifPresent(p -> out.addAll(p.findings()));
        d.get(WearFigures.VISOR, id).ifPresent(v -> out.addAll(v.findings()));
        d.get(WearFigures.VIEWS, id).ifPresent(v -> v.list().forEach(x -> x.findings().forEach(f -> out.add(of(x.wearer(), f)))));
        d.get(WearFigures.CLOSURES, id).ifPresent(c -> out.addAll(c.findings()));
        var names = d.get(WearFigures.HEADS, id).map(h -> h.list().stream().map(x -> x.wearer().name()).toList()).orElse(List.of());
        var turns = d.get(WearFigures.TURNS, id).map(WearFigures.Turns::list).orElse(List.of());
        var balances = d.get(WearFigures.BALANCE, id).map(WearFigures.Balances::list).orElse(List.of());
        for (int i = 0; i < names.size(); i++) {
            String name = names.get(i);
            if (i < balances.size()) balances.get(i).findings().forEach(f -> out.add(of(name, f)));
            if (i < turns.size()) turns.get(i).findings().forEach(f -> out.add(of(name, f)));
        }
        d.get(WearFigures.POWER, id).ifPresent(x -> out.addAll(x.power().findings()));
        d.get(WearFigures.SEATS, id).ifPresent(x -> x.list().forEach(y -> y.finding().ifPresent(out::add)));
        d.get(WearFigures.AFTER_PAINT, id).ifPresent(x -> out.addAll(x.findings()));
        d.get(WearFigures.SHARP, id).ifPresent(x -> x.list().forEach(y -> out.add(y.finding())));
        d.get(WearFigures.STAND, id).flatMap(Stand::finding).ifPresent(out::add);
        d.get(WearFigures.WALK, id).ifPresent(x -> x.list().forEach(y -> out.addAll(y.findings())));
        return out.stream().distinct().sorted(Finding.GRAVEST_FIRST).toList();
    }

    private static Finding of(String wearer, Finding f) {
        return new Finding(f.weight(), f.subject(), wearer + ": " + f.words(), f.fix());
    }

    private static List<Object> pads(Derived d, String id) {
        var out = new ArrayList<Object>();
        for (var set : d.get(WearFigures.PADS, id).map(WearFigures.Pads::sets).orElse(List.of())) for (PadPlan.Pad p : set.pads())
            out.add(map("wearer", set.wearer().name(), "zone", p.name(), "gapMm", p.gapMm(), "foamMm", p.layersMm(), "foam", p.words(),
                    "pressed", p.pressedShare(), "areaMm2", p.areaMm2(), "kpa", p.kpa(), "stretch", p.stretch(), "sinksMm", set.sinksMm()));
        return out;
    }

    private static List<Object> visors(Visor v, Derived d, String id) {
        var out = new ArrayList<Object>();
        var through = d.get(WearFigures.VIEWS, id).flatMap(x -> x.list().stream().findFirst());
        for (int i = 0; i < v.openings().size(); i++) {
            var o = v.openings().get(i);
            Optional<Panel> p = v.panel(o.name());
            double r = o.surface().radiusMm(0);
            out.add(map("opening", o.name(), "areaMm2", o.areaMm2(), "radiusMm", Double.isFinite(r) ? r : null, "surface",
                    o.surface().words(), "standsOffMm", o.standsOffMm(), "closed", v.wishes().get(i).kind().words(), "bendDeg",
                    p.filter(Panel::laid).map(x -> x.bend().degrees()).orElse(null), "bend",
                    p.filter(Panel::laid).map(x -> x.bend().words()).orElse(null), "flat",
                    p.filter(Panel::laid).map(x -> map("widthMm", x.wideMm(), "heightMm", x.highMm())).orElse(null), "openShare",
                    through.map(x -> x.through().openShare()).orElse(null), "seenShare",
                    through.map(x -> x.through().seenShare()).orElse(null), "dusk",
                    through.map(x -> x.through().enough(ViewThrough.When.DUSK)).orElse(null), "airCm2",
                    through.filter(x -> x.airCm2().isPresent()).map(x -> x.airCm2().getAsDouble()).orElse(null)));
        }
        return out;
    }

    private List<String> written(Derived d, String id, Optional<Visor> visor, double clearance) {
        if (files == null) return List.of();
        try {
            var w = FitOutFiles.write(files, d.get(WearFigures.PADS, id).map(WearFigures.Pads::sets).orElse(List.of()), visor, clearance);
            w.left().forEach(this::remark);
            return w.files().stream().map(Path::toString).toList();
        } catch (IOException e) {
            throw new Refused(files + " cannot be written: " + WriteProblem.words(e) + ".");
        }
    }

    /** {@code front=sheet:dark smoke PETG:1}. */
    private Prop closed(Prop p, String said) {
        int at = said.indexOf('=');
        var parts = at < 1 ? new String[0] : said.substring(at + 1).split(":", -1);
        var kind = parts.length == 0 ? Optional.<PanelWish.Kind>empty()
                : Arrays.stream(PanelWish.Kind.values()).filter(k -> k.name().equalsIgnoreCase(parts[0].strip())).findFirst();
        if (kind.isEmpty()) throw new ParameterException(spec.commandLine(),
                "--close " + said + ": type an opening, = and one of open, sheet, pressed, formed, mesh, such as front=sheet");
        var sheets = Catalogue.builtIn().sheets();
        var usual = kind.get() == PanelWish.Kind.MESH ? sheets.stream().filter(s -> !s.plastic()).findFirst().orElseThrow()
                : sheets.getFirst();
        var sheet = parts.length > 1
                ? sheets.stream()
                        .filter(s -> s.name().equals(parts[1].strip()))
                        .findFirst()
                        .orElseThrow(
                                () -> new ParameterException(spec.commandLine(),
                                        "--close " + said + ": no such sheet; there is "
                                                + String.join(", ", sheets.stream().map(Sheeting::name).toList())))
                : usual;
        try {
            double thick = parts.length > 2 ? Double.parseDouble(parts[2].strip()) : sheet.thickMm().getFirst();
            return p.withWear(p.wear()
                    .with(new PanelWish(said.substring(0, at).strip(), kind.get(), sheet.name(), thick, PanelWish.USUAL_MARGIN_MM)));
        } catch (NumberFormatException e) {
            throw new ParameterException(spec.commandLine(), "--close " + said + ": the thickness is in mm, such as 1.5");
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), "--close " + said + ": " + e.getMessage());
        }
    }

    private void known(String said, Optional<Visor> visor) {
        String name = said.substring(0, said.indexOf('=')).strip();
        var names = visor.map(v -> v.openings().stream().map(o -> o.name()).toList()).orElse(List.of());
        if (!names.contains(name)) throw new ParameterException(spec.commandLine(),
                "--close " + said + ": there is no such opening; there is " + (names.isEmpty() ? "none" : String.join(", ", names)));
    }
}
