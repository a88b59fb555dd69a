package yellowbracket.plan;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import yellowbracket.shop.Catalogue;
import yellowbracket.work.Operation;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;
import yellowbracket.work.Tool;
import static org.assertj.core.api.Assertions.assertThat;

/** Each order of the craft, broken by the maker's own tasks or by leaving one out, is found; with its fix it passes. */
class OrderRulesTest {
    private static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final Set<String> ALL_KNOWN = Set.of("spray", "lines", "weather", "form");

    private static TaskId once(TaskId.Once o) {
        return new TaskId.OfProp("helm", o);
    }

    private static TaskId colour(int n) {
        return new TaskId.Step("helm", TaskId.Series.COLOUR, n);
    }

    private static final TaskId FIT = once(TaskId.Once.DRYFIT), GLUE = new TaskId.Step("helm", TaskId.Series.JOIN, 1),
            INSIDE = once(TaskId.Once.INSIDE), TRY = once(TaskId.Once.TRYON), SEAMS = once(TaskId.Once.SEAMS),
            SAND = new TaskId.Step("helm", TaskId.Series.SMOOTH, 1), PRIME = new TaskId.Step("helm", TaskId.Series.SMOOTH, 2),
            WIRE = once(TaskId.Once.LIGHTS), STRAPS = once(TaskId.Once.STRAPS);

    /** A helm from dry fit to straps, in the order of the craft. */
    private static List<Task> helm() {
        var out = new ArrayList<Task>();
        add(out, FIT, Operation.DRY_FIT, "");
        add(out, GLUE, Operation.GLUE, "CA gel");
        add(out, INSIDE, Operation.REINFORCE, "");
        add(out, TRY, Operation.TRY_ON, "");
        add(out, SEAMS, Operation.FILL_SEAMS, "two-part polyester filler");
        add(out, SAND, Operation.SAND, "");
        add(out, PRIME, Operation.PRIME, "filler primer");
        add(out, colour(1), Operation.SPRAY, "acrylic lacquer spray");
        add(out, colour(2), Operation.SPRAY, "matt clear");
        add(out, WIRE, Operation.WIRE, "");
        add(out, STRAPS, Operation.FIT_STRAPS, "");
        return out;
    }

    private static void add(List<Task> out, TaskId id, Operation o, String product) {
        var after = out.isEmpty() ? List.<TaskId>of() : List.of(out.getLast().id());
        out.add(Task.byHand(id, o.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '), o, Tool.HANDS, 0.5, after)
                .withProduct(product));
    }

    private static List<OrderRules.Broken> broken(PlanWish wish, Set<String> known) {
        var s = new Scheduler(NOW, NOW.plusDays(60), WorkHours.evenings(), (t, at) -> true).schedule(wish.apply(helm()), Map.of());
        return new OrderRules(s, wish, helm(), known, SHOP).broken();
    }

    /** Found, once, and gone when its fix is taken. */
    private static void foundAndMended(OrderRules.Rule rule, PlanWish wish) {
        var found = broken(wish, ALL_KNOWN).stream().filter(b -> b.rule() == rule).toList();
        assertThat(found).as("%s", rule).isNotEmpty();
        var now = wish;
        for (int i = 0; i < 5; i++) {
            var next = broken(now, ALL_KNOWN).stream().filter(b -> b.rule() == rule).findFirst();
            if (next.isEmpty()) return;
            now = next.get().fix().orElseThrow().on(now);
        }
        assertThat(broken(now, ALL_KNOWN)).as("with its fixes").noneMatch(b -> b.rule() == rule);
    }

    private static PlanWish own(Operation o, TaskId after) {
        return PlanWish.NONE.with(new OwnTask("helm", 1, "something of mine", o, 0.5, 0, List.of(after), List.of()));
    }

    /** Begun as soon as there is time, before the rest. */
    private static PlanWish soon(Operation o) {
        return PlanWish.NONE.with(new OwnTask("helm", 1, "something of mine", o, 0.5, 0, List.of(), List.of(GLUE)));
    }

    @Test
    void theStationsKeepTheOrder() {
        assertThat(broken(PlanWish.NONE, ALL_KNOWN)).isEmpty();
    }

    @Test
    void dryFitBeforeGlue() {
        foundAndMended(OrderRules.Rule.DRY_FIT, own(Operation.DRY_FIT, GLUE));
    }

    @Test
    void primeAfterReinforcing() {
        foundAndMended(OrderRules.Rule.REINFORCE, own(Operation.REINFORCE, colour(1)));
        foundAndMended(OrderRules.Rule.REINFORCE, soon(Operation.PRIME));
    }

    @Test
    void onTheWearerBeforePaint() {
        foundAndMended(OrderRules.Rule.TRY_ON, soon(Operation.PRIME));
        foundAndMended(OrderRules.Rule.LEFT_OUT, PlanWish.NONE.leaving(TRY, true));
    }

    @Test
    void noGlueOnPaint() {
        foundAndMended(OrderRules.Rule.GLUE, own(Operation.GLUE, colour(2)));
    }

    @Test
    void noCoarseFillAfterFinePaper() {
        foundAndMended(OrderRules.Rule.FINE_PAPER, own(Operation.SPREAD, SAND));
    }

    @Test
    void colourAfterItsUndercoatAndBeforeTheClear() {
        foundAndMended(OrderRules.Rule.UNDERCOAT, own(Operation.PRIME, colour(1)));
        foundAndMended(OrderRules.Rule.CLEAR, own(Operation.BRUSH, colour(2)));
        foundAndMended(OrderRules.Rule.LEFT_OUT, PlanWish.NONE.leaving(colour(2), true));
        foundAndMended(OrderRules.Rule.LEFT_OUT, PlanWish.NONE.leaving(PRIME, true));
    }

    @Test
    void wiresBeforeWhatCoversThem() {
        foundAndMended(OrderRules.Rule.HARNESS, own(Operation.WIRE, STRAPS));
    }

    @Test
    void textureAfterSmoothing() {
        var texture = PlanWish.NONE.with(new OwnTask("helm", 1, "sand it once more", Operation.SAND, 0.5, 0, List.of(PRIME), List.of()));
        var tasks = new ArrayList<>(helm());
        tasks.replaceAll(t -> t.id().equals(PRIME) ? t.withProduct("texture coating") : t);
        var scheduler = new Scheduler(NOW, NOW.plusDays(60), WorkHours.evenings(), (t, at) -> true);
        var found = new OrderRules(scheduler.schedule(texture.apply(tasks), Map.of()), texture, tasks, ALL_KNOWN, SHOP).broken();
        assertThat(found).anyMatch(b -> b.rule() == OrderRules.Rule.TEXTURE);
        var fixed = found.stream()
                .filter(b -> b.rule() == OrderRules.Rule.TEXTURE)
                .findFirst()
                .orElseThrow()
                .fix()
                .orElseThrow()
                .on(texture);
        assertThat(new OrderRules(scheduler.schedule(fixed.apply(tasks), Map.of()), fixed, tasks, ALL_KNOWN, SHOP).broken())
                .noneMatch(b -> b.rule() == OrderRules.Rule.TEXTURE);
    }

    @Test
    void aTrialBeforeAMethodNeverUsedHere() {
        var found = broken(PlanWish.NONE, Set.of("lines"));
        assertThat(found).extracting(OrderRules.Broken::rule).containsExactly(OrderRules.Rule.TRIAL);
        var tried = found.getFirst().fix().orElseThrow().on(PlanWish.NONE);
        assertThat(tried.own()).hasSize(1);
        assertThat(broken(tried, Set.of("lines"))).isEmpty();
    }

    @Test
    void whatCouldBeDroppedIsToldWithWhatItWins() {
        var tasks = new ArrayList<>(helm());
        add(tasks, new TaskId.Step("helm", TaskId.Series.WEATHER, 1), Operation.WEATHER, "");
        tasks.replaceAll(t -> t.operation() == Operation.WEATHER ? t.lasting(9) : t);
        var scheduler = new Scheduler(NOW, NOW.plusDays(2), WorkHours.evenings(), (t, at) -> true);
        var facts = new Scheduler.Facts(Map.of(), Map.of(), List.of());
        var now = scheduler.schedule(tasks, facts);
        var drops = Drop.of(tasks, PlanWish.NONE, now, scheduler, facts);
        assertThat(drops.getFirst().words()).isEqualTo("no weathering on helm");
        assertThat(drops.getFirst().handH()).isEqualTo(9);
        var without = scheduler.schedule(drops.getFirst().on(PlanWish.NONE).apply(tasks), facts);
        assertThat(without.slackH() - now.slackH()).as("as much as it said").isEqualTo(drops.getFirst().wonH());
        assertThat(drops).as("what the prop cannot do without is not offered").noneMatch(d -> d.words().contains("glue"));
    }
}
