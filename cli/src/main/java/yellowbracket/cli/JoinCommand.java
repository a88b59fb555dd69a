package yellowbracket.cli;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import yellowbracket.derive.join.JoinFigures;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.SeamJoin;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Catalogue;
import yellowbracket.size.Use;

@Command(name = "join", description = "what each seam bears, with what it is joined and in which order, where it snaps first")
final class JoinCommand extends OneProp {
    @Option(names = "--hold", description = "where it is held: end, middle, worn, or x,y,z in the model's mm")
    String hold;

    @Option(names = "--use", description = "a product for a seam, such as \"A|B=epoxy slow\"; may be given again")
    List<String> use = List.of();

    @Override
    Map<String, Object> work() {
        var file = Opened.read(build, this::remark);
        var p = chosen(file.build());
        p = held(p, file.meshes());
        for (var u : use) p = used(p, u);
        var b = warmed(file.build().with(p));
        var derived = Opened.only(b, file.meshes(), p.id(), JoinFigures.JOINS);
        String id = p.id();
        var plan = derived.get(JoinFigures.JOINS, id).orElseThrow(() -> new Refused(derived.reason(JoinFigures.JOINS, id) + "."));
        for (var u : use) known(plan, u.substring(0, u.indexOf('=')).strip());
        return document(plan);
    }

    private Prop held(Prop p, Meshes meshes) {
        if (hold == null) return p;
        if (hold.equals("worn")) return p.withSize(p.size().withUse(Optional.of(Use.HEAD)));
        var mesh = meshes.get(p.mesh())
                .map(m -> p.intake().apply(m, Progress.NONE))
                .orElseThrow(() -> new Refused("the model of " + p.name() + " is missing from the build."));
        var box = mesh.bounds();
        int axis = 0;
        for (int k = 1; k < 3; k++) if (box.size().get(k) > box.size().get(axis)) axis = k;
        Vec3 at = switch (hold) {
            case "middle" -> box.centre();
            case "end" -> box.centre().minus(Vec3.axis(axis).times(box.size().get(axis) / 2));
            default -> place();
        };
        for (int k = 0; k < 3; k++)
            if (at.get(k) < box.min().get(k) - 1 || at.get(k) > box.max().get(k) + 1) throw new ParameterException(spec.commandLine(),
                    "--hold " + hold + " lies off the prop, which reaches from " + words(box.min()) + " to " + words(box.max()) + " mm");
        return p.withSize(p.size().withUse(Optional.of(Use.HELD))).withJoin(p.join().withHold(Optional.of(at)));
    }

    private static String words(Vec3 p) {
        return Math.round(p.x()) + "," + Math.round(p.y()) + "," + Math.round(p.z());
    }

    private Vec3 place() {
        var parts = hold.split(",", -1);
        try {
            if (parts.length == 3)
                return new Vec3(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]), Double.parseDouble(parts[2]));
        } catch (NumberFormatException e) {
            // told below
        }
        throw new ParameterException(spec.commandLine(), "--hold " + hold + ": type end, middle, worn, or three numbers such as 0,0,850");
    }

    private Prop used(Prop p, String u) {
        int at = u.indexOf('=');
        var products = Catalogue.builtIn().joins().stream().map(JoinProduct::name).toList();
        if (at < 1 || !products.contains(u.substring(at + 1).strip()))
            throw new ParameterException(spec.commandLine(), "--use " + u + ": type a seam, = and one of " + String.join(", ", products));
        return p.withJoin(p.join().with(u.substring(0, at).strip(), u.substring(at + 1).strip()));
    }

    private void known(JoinPlan plan, String seam) {
        if (plan.joins().stream().noneMatch(j -> j.seam().name().equals(seam)))
            throw new ParameterException(spec.commandLine(), "--use " + seam + ": there is no such seam; there is "
                    + String.join(", ", plan.joins().stream().map(j -> j.seam().name()).toList()));
    }

    private static Map<String, Object> document(JoinPlan plan) {
        var seams = plan.joins().stream().map(j -> {
            var d = j.demand();
            return map("name", j.seam().name(), "areaMm2", j.seam().areaMm2(), "bondedMm2", j.bondedMm2(), "lengthMm", j.seam().lengthMm(),
                    "product", j.product().name(), "freeGrams", d.freeGrams(), "case", d.words(), "load",
                    map("shearN", d.newton(), "bendingNmm", d.bendingNmm(), "torsionNmm", d.torsionNmm()), "reserve",
                    map("low", j.reserve(), "high", j.high()), "apart", j.besides().apart().map(a -> a.words()).orElse(null), "inner",
                    j.besides().inner().map(i -> i.words()).orElse(null), "onShelf", j.besides().owned(), "finishMin",
                    j.besides().finishMin(), "fillCm3", j.besides().fillMm3() / 1000, "glueG", j.grams(), "workMin", j.needMin(), "openMin",
                    j.openMin(), "holdMin", j.holdMin(), "handleH", j.handleH(), "fullH", j.fullH(), "against",
                    j.against().stream().map(SeamJoin.Against::words).toList());
        }).toList();
        var weakest = plan.weakest()
                .stream()
                .map(w -> map("section", w.section(), "at", map("x", w.at().x(), "y", w.at().y(), "z", w.at().z()), "areaMm2", w.areaMm2(),
                        "modulusMm3", w.modulusMm3(), "stressMpa", w.stressMpa(), "reserve", map("low", w.low(), "high", w.high()), "walls",
                        w.walls().orElse(null), "infill", w.infill().orElse(null)))
                .toList();
        var rods = new ArrayList<Object>();
        plan.rods()
                .entrySet()
                .stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(e -> e.getValue()
                        .forEach(r -> rods.add(map("seam", e.getKey(), "diameterMm", r.diameterMm(), "lengthMm", r.sawMm(), "material",
                                r.stock().words(), "fits", r.fits()))));
        var steps = plan.steps()
                .stream()
                .map(s -> map("number", s.number(), "one", s.one(), "other", s.other(), "seams", s.seams(), "product", s.products(),
                        "grams", s.grams(), "needMin", s.needMin(), "openMin", s.openMin(), "holdMin", s.holdMin(), "tack",
                        s.tack().orElse(null), "how", s.how(), "before", s.before(), "notes", s.notes()))
                .toList();
        double active = plan.byHandMin(Catalogue.builtIn()) / 60;
        return map("seams", seams, "weakest", weakest, "rods", rods, "steps", steps, "totals",
                map("glueG", plan.glueGrams(), "activeH", active, "waitH", waitH(plan)), "findings",
                plan.findings().stream().map(f -> f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words()).toList());
    }

    /** Until everything may be handled: what is joined later waits for what it is joined to. */
    private static double waitH(JoinPlan plan) {
        var ready = new HashMap<String, Double>();
        double last = 0;
        for (var s : plan.steps()) {
            double at = 0;
            for (var n : s.one()) at = Math.max(at, ready.getOrDefault(n, 0.0));
            for (var n : s.other()) at = Math.max(at, ready.getOrDefault(n, 0.0));
            at += s.handleH();
            for (var n : s.one()) ready.put(n, at);
            for (var n : s.other()) ready.put(n, at);
            last = Math.max(last, at);
        }
        return last;
    }
}
