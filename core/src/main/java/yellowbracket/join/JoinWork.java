package yellowbracket.join;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Practice;
import yellowbracket.work.Need;
import yellowbracket.work.Operation;
import yellowbracket.work.Ready;
import yellowbracket.work.StationWork;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;

/** Dry fit, the steps of assembly, reinforcement from inside before anything is primed. */
public record JoinWork(String prop, boolean worn, JoinPlan plan, Map<String, Fittings> worked, List<Mend> mends,
        Catalogue shop) implements StationWork {
    /** A strip of tape across a seam, mm. */
    private static final double TAPE_MM = 80;
    /** Spots of quick glue along a seam, g for each dm. */
    private static final double TACK_G_DM = 0.1;

    @Override
    public Stated after(Ready before) {
        if (plan.steps().isEmpty() && mends.isEmpty()) return new Stated(List.of(), Ready.after(before.all()));
        if (plan.steps().isEmpty()) return new Stated(mending(), Ready.after(Stream.concat(before.all().stream(), mendIds()).toList()));
        var tasks = new ArrayList<Task>();
        int seams = plan.joins().size(), glued = (int) plan.joins().stream().filter(SeamJoin::glued).count();
        var fit = Task.byHand(new TaskId.OfProp(prop, TaskId.Once.DRYFIT), "dry fit, number, scuff P80", Operation.DRY_FIT, Tool.SANDING,
                shop.usual(Practice.DRY_FIT_H) + shop.usual(Practice.DRY_FIT_SEAM_H) * seams + scuffH(), before.all());
        tasks.add(fit);
        var latest = new HashMap<String, TaskId>();
        before.bySection().keySet().forEach(s -> latest.put(s.letter(), fit.id()));
        for (var step : plan.steps()) {
            var task = glue(step, Stream.concat(step.one().stream(), step.other().stream()).map(latest::get).distinct().toList());
            tasks.add(task);
            step.one().forEach(n -> latest.put(n, task.id()));
            step.other().forEach(n -> latest.put(n, task.id()));
        }
        double cure = plan.joins().stream().mapToDouble(j -> j.fullH() - j.handleH()).max().orElse(0);
        var inside = Task
                .byHand(new TaskId.OfProp(prop, TaskId.Once.INSIDE), "reinforce the seams from inside", Operation.REINFORCE, Tool.HANDS,
                        shop.usual(Practice.REINFORCE_SEAM_H) * glued + innerH(), latest.values().stream().distinct().toList())
                .withLag(Task.Lag.atLeast(Math.clamp(cure, 0, shop.usual(Practice.CURE_BEFORE_INSIDE_H))));
        tasks.add(inside);
        tasks.addAll(mending());
        var last = new ArrayList<TaskId>(List.of(inside.id()));
        last.addAll(mendIds().toList());
        if (!worn) return new Stated(tasks, Ready.after(last));
        // whatever does not sit is cheap to mend now, and dear once it is painted
        var tryOn = Task.byHand(new TaskId.OfProp(prop, TaskId.Once.TRYON), "try it on, joined and bare", Operation.TRY_ON, Tool.HANDS,
                shop.usual(Practice.TRY_ON_H), last);
        tasks.add(tryOn);
        return new Stated(tasks, Ready.after(List.of(tryOn.id())));
    }

    private double scuffH() {
        return plan.joins().stream().filter(SeamJoin::glued).mapToDouble(j -> j.seam().lengthMm()).sum() / shop.usual(Practice.SCUFF_MM_MIN)
                / 60;
    }

    private double innerH() {
        return inner().mapToDouble(Inner::hours).sum();
    }

    private Stream<Inner> inner() {
        return plan.joins().stream().flatMap(j -> j.besides().inner().stream());
    }

    private Stream<TaskId> mendIds() {
        return mends.stream().map(Mend::task);
    }

    /** What broke waits for nothing; what comes later waits for it. */
    private List<Task> mending() {
        return mends.stream()
                .map(m -> Task.byHand(m.task(), "mend " + m.what(), Operation.REINFORCE, Tool.HANDS, m.hours(), List.of())
                        .withProduct(m.product())
                        .withLag(Task.Lag.atLeast(m.waitH())))
                .toList();
    }

    private Task glue(JoinPlan.Step step, List<TaskId> after) {
        double work = (step.needMin() + Math.min(step.holdMin(), shop.usual(Practice.HOLD_BY_HAND_MIN))
                + shop.usual(Practice.GLUE_SEAM_MIN) * step.seams().size()) / 60;
        return Task
                .byHand(new TaskId.Step(prop, TaskId.Series.JOIN, step.number()), "join " + step.words(), Operation.GLUE, Tool.HANDS, work,
                        after)
                .withProduct(step.products().isEmpty() ? "" : step.products().getFirst())
                .withLag(Task.Lag.atLeast(step.handleH()))
                .withDoer(Task.Doer.PERSON_AT_A_STRETCH);
    }

    /** Glues by the batch, and all that goes with them: activator, bicarbonate, tape, rods, strips, staples. */
    @Override
    public List<Need> needs() {
        var out = new ArrayList<Need>();
        for (var s : plan.steps()) for (var p : s.products()) out.add(new Need(p, s.grams() / s.products().size(), "g"));
        for (var s : plan.steps()) s.tack()
                .ifPresent(t -> out.add(
                        new Need(t, TACK_G_DM * s.seams().stream().mapToDouble(n -> plan.join(n).seam().lengthMm()).sum() / 100, "g")));
        double tapeMm = 0;
        var through = new HashSet<Rod>();
        for (var j : plan.joins()) {
            if (!j.glued()) continue;
            for (var b : j.product().manner().beside())
                out.add(new Need(b.name(), b.perG() * j.grams() + b.perDm() * j.seam().lengthMm() / 100, b.unit()));
            tapeMm += TAPE_MM * Math.ceil(j.seam().lengthMm() / 2 / shop.usual(Practice.TAPE_APART_MM));
            var f = worked.getOrDefault(j.seam().name(), Fittings.NONE);
            if (f.through()) f.rods().stream().findFirst().ifPresent(through::add);
            else f.rods().forEach(r -> out.add(r.need()));
        }
        through.forEach(r -> out.add(r.need()));
        if (tapeMm > 0) out.add(new Need("masking tape", tapeMm / 1000, "m"));
        inner().forEach(i -> out.add(i.need()));
        for (var m : mends) out.addAll(m.needs());
        return out;
    }
}
