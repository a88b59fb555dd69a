package yellowbracket.cli;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine.Command;
import yellowbracket.derive.smooth.SmoothFigures;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.smooth.Areas;
import yellowbracket.smooth.Ladder;
import yellowbracket.smooth.Mix;
import yellowbracket.smooth.Rounds;
import yellowbracket.smooth.SmoothPlan;

@Command(name = "smooth", description = "depth of the lines, the ladder from them to the finish, what to mix, rounds left")
final class SmoothCommand extends OneProp {
    @Override
    Map<String, Object> work() {
        var file = Opened.read(build, this::remark);
        var p = chosen(file.build());
        var b = warmed(file.build());
        var derived = Opened.only(b, file.meshes(), p.id(), SmoothFigures.SMOOTH, SmoothFigures.ROUNDS, SmoothFigures.LOST);
        String id = p.id();
        var plan = derived.get(SmoothFigures.SMOOTH, id).orElseThrow(() -> new Refused(derived.reason(SmoothFigures.SMOOTH, id) + "."));
        var rounds = derived.get(SmoothFigures.ROUNDS, id).orElseThrow(() -> new Refused(derived.reason(SmoothFigures.ROUNDS, id) + "."));
        var findings = new ArrayList<>(plan.findings());
        derived.get(SmoothFigures.LOST, id).flatMap(SmoothFigures.DetailsLost::finding).ifPresent(findings::add);
        var out = new LinkedHashMap<String, Object>(document(plan, Catalogue.builtIn()));
        out.put("rounds", rounds(rounds));
        out.put("hours", plan.hours());
        out.put("waitH", plan.waitH());
        out.put("cost", plan.cost());
        out.put("findings", findings.stream().map(f -> f.weight().name().toLowerCase(Locale.ROOT) + ": " + f.words()).toList());
        return out;
    }

    private static Map<String, Object> document(SmoothPlan plan, Catalogue shop) {
        var areas = plan.areas();
        var ladder = new ArrayList<Object>();
        for (var w : plan.work()) ladder.add(step(w, shop));
        double scale = plan.way().means().scaleG();
        var mixes = new ArrayList<Object>();
        plan.seamFiller().ifPresent(m -> mixes.add(mix(m, "seams", scale, shop)));
        plan.mixes().forEach(m -> mixes.add(mix(m, "surface", scale, shop)));
        var skin = plan.skin();
        return map("depth", map("p50Um", areas.valley50Um(), "p90Um", areas.valley90Um(), "volumeMl", areas.valleyMl()), "areas",
                areas.list().stream().map(SmoothCommand::area).toList(), "ladder", ladder, "mixes", mixes, "skin",
                map("leastUm", Double.isFinite(skin.leastUm()) ? skin.leastUm() : null, "takenUm", skin.takenUm(), "where", skin.where()),
                "seamDm2", plan.seamDm2(), "dustCm3", plan.dustCm3());
    }

    private static Map<String, Object> area(Areas.Area a) {
        return map("name", a.words(), "areaDm2", a.dm2(), "flat", of(a, Areas.Shape.FLAT), "curved", of(a, Areas.Shape.CURVED), "tight",
                of(a, Areas.Shape.TIGHT), "detail", of(a, Areas.Shape.DETAIL), "target", a.target().name().toLowerCase(Locale.ROOT),
                "deepUm", a.deepUm(), "skinMm", a.skinMm());
    }

    private static double of(Areas.Area a, Areas.Shape shape) {
        return a.shape() == shape ? a.dm2() : 0;
    }

    private static Map<String, Object> step(SmoothPlan.Work w, Catalogue shop) {
        var s = w.step();
        boolean paper = s.kind() == Ladder.Kind.SAND, film = s.kind() == Ladder.Kind.FILM || s.kind() == Ladder.Kind.PRIME;
        boolean sprayed = film && shop.coating(s.product()).sprayed();
        return map("area", w.where().isEmpty() ? "everywhere" : String.join("; ", w.where()), "step", s.what(), "product",
                film ? s.product() : null, "grit", paper ? s.product() : null, "areaDm2", w.areaDm2(), "passes", s.coats(), "hours",
                w.hours(), "waitH", s.waitH(), "amount", paper ? w.sheets() : sprayed ? w.cans() : w.ml() * shop.usual(Practice.MIX_TIMES),
                "unit", paper ? "sheets" : sprayed ? "cans" : film ? "ml" : null, "leaves",
                map("valleyUm", s.valleyUm(), "scratchUm", s.scratchUm()), "tool", w.tool(), "why", s.why(), "stop", s.stop());
    }

    private static Map<String, Object> mix(Mix m, String where, double scaleG, Catalogue shop) {
        var dose = m.dose(m.step(scaleG));
        return map("product", m.product(), "where", where, "batches", m.batches(), "gramsEach", m.gramsTotal() / m.batches(), "baseEach",
                m.baseEach(), "hardenerEach", m.hardenerEach(), "unit", m.unit(), "hardenerG", m.weighed() ? m.hardenerEach() : null,
                "share", map("least", dose.lowShare(), "meant", m.hardenerShare(), "most", dose.highShare()), "potLifeMin", m.potLifeMin(),
                "minutesEach", m.minutesEach());
    }

    private static Map<String, Object> rounds(Rounds r) {
        return map("found", r.counts().stream().map(Rounds.Count::found).toList(), "open", r.open(), "hidden", r.hidden(), "left",
                map("median", r.left().median(), "p80", List.of(r.left().low(), r.left().high())));
    }
}
