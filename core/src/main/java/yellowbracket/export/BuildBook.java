package yellowbracket.export;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import yellowbracket.shop.ProductCard;
import java.util.Locale;
import yellowbracket.colour.ColourPlan;
import yellowbracket.derive.Derived;
import yellowbracket.derive.colour.ColourFigures;
import yellowbracket.derive.plan.PlanFigures;
import yellowbracket.derive.plan.ShelfFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.derive.wear.WearFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.log.Costs;
import yellowbracket.mesh.io.FileSet;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.plan.Shopping;
import yellowbracket.wear.light.Power;
import yellowbracket.work.Task;

/**
 * The book of a build, for judges and for oneself: facts, costs, hours told and taken, what was used, recipes, what happened with its
 * pictures, lessons; as PDF and as Markdown. And a sheet for whoever receives the prop.
 */
public final class BuildBook {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Build build;
    private final Meshes meshes;
    private final Derived derived;

    private BuildBook(Build build, Meshes meshes, Derived derived) {
        this.build = build;
        this.meshes = meshes;
        this.derived = derived;
    }

    /** All of it or nothing. */
    public static List<Path> write(Build build, Meshes meshes, Derived derived, Path folder) throws IOException {
        var whole = FileSet.write(folder, aside -> new BuildBook(build, meshes, derived).files(aside));
        return whole.value().stream().map(whole::at).toList();
    }

    private List<Path> files(Path folder) throws IOException {
        var out = new ArrayList<Path>();
        var book = book();
        out.add(folder.resolve("build-book.pdf"));
        FlowPdf.write(book, out.getLast());
        out.add(folder.resolve("build-book.md"));
        SafeFile.write(out.getLast(), book.markdown().getBytes(StandardCharsets.UTF_8));
        for (var p : book.pictures()) {
            var file = folder.resolve(p.name());
            if (out.contains(file)) continue;
            SafeFile.write(file, p.bytes());
            out.add(file);
        }
        for (var p : build.props()) {
            out.add(folder.resolve("hand-off-" + p.id() + ".pdf"));
            FlowPdf.write(handOff(p), out.getLast());
        }
        return out;
    }

    private Flow book() {
        var f = new Flow(build.name(), build.event() + ", " + DAY.format(build.due()) + "; begun " + DAY.format(build.started()));
        facts(f);
        costs(f);
        hours(f);
        used(f);
        recipes(f);
        decisions(f);
        happened(f);
        lessons(f);
        return f;
    }

    private void facts(Flow f) {
        f.heading("What was made");
        f.table(List.of("prop", "scale", "printed", "sections", "hours", "weight"), build.props().stream().map(p -> {
            var prints = derived.get(PrintFigures.PRINTS, p.id());
            return List.of(p.name(), text("%.1f %%", 100 * p.scale()),
                    p.print().profile().material() + text(", %.2f mm layers", p.print().profile().layerMm()),
                    prints.map(q -> String.valueOf(q.prints().size())).orElse("-"),
                    prints.map(q -> text("%.0f", q.prints().stream().mapToDouble(x -> x.hours()).sum())).orElse("-"),
                    prints.map(q -> text("%.0f g", q.prints().stream().mapToDouble(x -> x.grams()).sum())).orElse("-"));
        }).toList());
        if (!build.wearers().isEmpty()) f.text("For " + String.join(", ", build.wearers().stream().map(w -> w.name()).toList()) + ".");
    }

    /** What it cost so far and will, and how much that is an hour. */
    public static Costs costs(Build build, Derived derived) {
        double worked = derived.get(PlanFigures.TASKS)
                .map(t -> t.list()
                        .stream()
                        .filter(x -> x.resource() != Task.Resource.PRINTER)
                        .flatMap(x -> java.util.Optional.ofNullable(t.facts().done().get(x.id())).stream())
                        .mapToDouble(a -> a.hours())
                        .sum())
                .orElse(0.0);
        double ahead = derived.get(PlanFigures.SCHEDULE).map(s -> s.handH()).orElse(0.0);
        return Costs.of(build.log(), derived.get(ShelfFigures.SHOPPING).map(Shopping::cost).orElse(0.0), worked, ahead);
    }

    private void costs(Flow f) {
        var c = costs(build, derived);
        f.heading("What it cost");
        var rows = new ArrayList<List<String>>();
        for (var k : Costs.Kind.values()) {
            var sum = c.spent().get(k);
            if (sum != null) rows.add(List.of(k.words(), text("%.2f", sum)));
        }
        rows.add(List.of("spent so far", text("%.2f", c.spentMoney())));
        if (c.aheadMoney() > 0) rows.add(List.of("still to buy, at starting prices", text("%.2f", c.aheadMoney())));
        f.table(List.of("for", "money"), rows);
        f.text(text("%.0f hours by hand so far, about %.0f ahead.", c.workedH(), c.aheadH())
                + (c.hours() > 0 ? text(" That is %.2f an hour of work.", c.inAll() / c.hours()) : ""));
    }

    private void hours(Flow f) {
        var tally = derived.get(PlanFigures.TALLY);
        if (tally.isEmpty() || tally.get().jobs().isEmpty()) return;
        f.heading("Hours, as told and as taken");
        f.table(List.of("station", "jobs", "told", "taken"),
                tally.get()
                        .byStation()
                        .entrySet()
                        .stream()
                        .map(e -> List.of(e.getKey().label(), String.valueOf(e.getValue().jobs()), text("%.1f h", e.getValue().toldH()),
                                text("%.1f h", e.getValue().tookH())))
                        .toList());
        f.text(text("%.0f %% of the jobs took what was told, give or take; 80 %% was promised.", 100 * tally.get().calibration()));
    }

    private void used(Flow f) {
        derived.get(ShelfFigures.NEEDS).ifPresent(n -> {
            f.heading("Materials");
            f.table(List.of("what", "how much"),
                    n.lines()
                            .stream()
                            .map(l -> List.of(l.name(), text(l.needed() < 10 ? "%.1f " : "%.0f ", l.needed()) + l.unit()))
                            .toList());
        });
    }

    private void recipes(Flow f) {
        for (var p : build.props()) derived.get(ColourFigures.COLOUR, p.id()).ifPresent(c -> {
            if (c.coats().isEmpty()) return;
            f.heading("Colour of " + p.name());
            f.table(List.of("zone", "paint", "shade", "coats"), c.coats().stream().map(BuildBook::coat).toList());
        });
        var cards = build.paints().cards();
        products(f);
        if (!cards.isEmpty()) f.heading("Tried on cards")
                .items(cards.stream()
                        .map(c -> String.join(" over ", c.products().reversed()) + ": " + (c.good() ? "good" : "not good")
                                + (c.words().isBlank() ? "" : ", " + c.words()))
                        .toList());
    }

    private void products(Flow f) {
        var known = build.paints().products();
        if (known.isEmpty()) return;
        f.heading("Products")
                .items(known.stream()
                        .map(p -> p.product() + (p.label().isEmpty() ? "" : ", by its label: " + said(p))
                                + p.never().map(w -> "; never again: " + w).orElse(""))
                        .toList());
    }

    private static String said(ProductCard p) {
        return p.label()
                .entrySet()
                .stream()
                .map(e -> text("%s %.4g %s", e.getKey().words(), e.getValue(), e.getKey().unit()))
                .collect(Collectors.joining(", "));
    }

    private static List<String> coat(ColourPlan.Coats c) {
        return List.of(c.zone(), c.product(), c.hex(), String.valueOf(c.count()));
    }

    private void decisions(Flow f) {
        var why = build.log().stream().flatMap(e -> e.why().stream()).toList();
        if (!why.isEmpty()) f.heading("Why it is as it is").items(why);
    }

    private void happened(Flow f) {
        if (build.log().isEmpty()) return;
        f.heading("What happened");
        var day = build.log().getFirst().at().toLocalDate().minusDays(1);
        for (var e : build.log()) {
            if (!e.at().toLocalDate().equals(day)) {
                day = e.at().toLocalDate();
                f.text(DAY.format(day));
            }
            f.items(List.of(e.text()));
            for (var name : e.photos()) meshes.photo(name).ifPresent(p -> f.picture(p, e.text()));
        }
    }

    private void lessons(Flow f) {
        var all = build.log().stream().flatMap(e -> e.lesson().stream()).toList();
        if (!all.isEmpty()) f.heading("Lessons").items(all);
    }

    private Flow handOff(Prop p) {
        var f = new Flow(p.name(), "for whoever receives it; made for " + build.event());
        f.heading("Care").items(care(p));
        derived.get(ColourFigures.COLOUR, p.id())
                .filter(c -> !c.coats().isEmpty())
                .ifPresent(c -> f.heading("Paints to repair it")
                        .table(List.of("zone", "paint", "shade", "coats"), c.coats().stream().map(BuildBook::coat).toList())
                        .text("Clean, scuff lightly, thin coats, let each dry; the same clear over it, or it shines otherwise."));
        if (p.worn()) f.heading("To put it on and take it off")
                .items(List.of("Hair back, glasses off; open what opens, ears last.",
                        "Walk with a helper for the first steps: you see less, and hear less.",
                        "A break every half hour; drink. Off at once if it grows hot, or you feel unwell.",
                        "Know how to be out of it in five seconds, and tell your helper."));
        derived.get(WearFigures.POWER, p.id())
                .map(WearFigures.Lit::power)
                .filter(w -> !w.runs().isEmpty())
                .ifPresent(w -> f.heading("Lights").items(lights(w)));
        f.heading("If it breaks")
                .text("Keep the pieces. " + joins(p) + " Scrape both faces bare before you glue; sharp edges are taped until then.");
        return f;
    }

    private List<String> care(Prop p) {
        var material = p.print().profile().material();
        var out = new ArrayList<String>();
        out.add("Not in a car in the sun" + (material.equals("PLA") ? ": it softens from about 55 C, a closed car is hotter" : "") + ".");
        out.add("Wipe with a damp soft cloth; no solvent, no dishwasher.");
        out.add("Keep and carry it on a stand or in a padded box, weight off thin parts.");
        out.add("Paint is hard to the touch after a day and hard through after weeks: no tight wrapping before.");
        return out;
    }

    private static String joins(Prop p) {
        return p.join().products().isEmpty()
                ? "It is printed in " + p.print().profile().material() + "; ask the maker which glue it was joined with."
                : "Joined with " + String.join(", ", p.join().products().values().stream().distinct().toList()) + ".";
    }

    private static List<String> lights(Power w) {
        var out = new ArrayList<String>();
        w.cells().ifPresent(c -> out.add("Power: " + c.words() + text(", about %.1f hours.", w.hours())));
        out.add("Cells out for storing and carrying; never charged inside the prop or unwatched.");
        return out;
    }

    private static String text(String f, Object... a) {
        return String.format(Locale.ROOT, f, a);
    }
}
