package yellowbracket.document;

import java.util.Optional;
import java.util.List;
import java.util.Comparator;
import java.util.ArrayList;
import java.util.function.UnaryOperator;
import yellowbracket.colour.ColourWish;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Nearly;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.finding.Fix;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.plan.PlanWish;
import yellowbracket.print.QueueWish;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Spool;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Exposure;
import yellowbracket.size.KeyPoint;
import yellowbracket.size.Proportions;
import yellowbracket.size.Reference;
import yellowbracket.size.Remedy;
import yellowbracket.size.Reshape;
import yellowbracket.size.Use;
import yellowbracket.smooth.SmoothWish;

/** A named pure change of a build: "undo scale to 104 %". */
public record Edit(String name, UnaryOperator<Build> change) {

    public static Edit ofProp(String name, String prop, UnaryOperator<Prop> change) {
        return new Edit(name, b -> b.prop(prop).map(p -> b.with(change.apply(p))).orElse(b));
    }

    public static Edit scale(String prop, double scale) {
        return ofProp(String.format(java.util.Locale.ROOT, "scale to %.1f %%", 100 * scale), prop,
                p -> p.withSize(p.size().withScale(scale)));
    }

    public static Edit reshape(String name, String prop, UnaryOperator<Reshape> change) {
        return ofProp(name, prop, p -> p.withSize(p.size().withReshape(change.apply(p.size().reshape()))));
    }

    /** Takes what was proposed for a head that does not pass. */
    public static Edit remedy(String prop, Remedy remedy) {
        return ofProp(remedy.words(), prop, p -> switch (remedy) {
            case Remedy.WidenNeck w -> p.withSize(p.size().withReshape(p.size().reshape().widened(w.neck())));
            case Remedy.Part part -> p.cutAs(p.cut().cutAnew(p.cut().tree().cutEverywhere(CutPlane.across(1, part.modelY()))));
            case Remedy.Larger l -> p.withSize(p.size().withScale(l.scale()));
        });
    }

    /** A scale and proportions that go together. */
    public static Edit proportions(String prop, Proportions q) {
        return ofProp("scale by axis to " + q.words(), prop, p -> {
            var now = p.size().reshape();
            var more = q.reshape();
            return p.withSize(p.size()
                    .withScale(q.scale())
                    .withReshape(now.along(now.wide() * more.wide(), now.deep() * more.deep(), now.tall() * more.tall())));
        });
    }

    public static Edit wearers(String prop, java.util.List<String> names) {
        return ofProp(names.isEmpty() ? "nobody wears it" : "worn by " + String.join(" and ", names), prop,
                p -> p.withSize(p.size().wornBy(names)));
    }

    /** What is assumed is right, or another was said. */
    public static Edit settle(Question q) {
        return new Edit("that is right", b -> b.settling(q));
    }

    public static Edit use(String prop, Use use) {
        return ofProp(use.words(), prop, p -> p.withSize(p.size().usedAs(use)));
    }

    public static Edit exposed(String prop, Exposure e, boolean on) {
        return ofProp((on ? "" : "not ") + e.words(), prop, p -> p.withSize(p.size().exposed(e, on)));
    }

    public static Edit keyPoint(String prop, KeyPoint k) {
        return ofProp("name " + k.name(), prop, p -> p.withSize(p.size().withKeyPoint(k)));
    }

    public static Edit forgetKeyPoint(String prop, String name) {
        return ofProp("forget " + name, prop, p -> p.withSize(p.size().withoutKeyPoint(name)));
    }

    public static Edit reference(String name, String prop, Reference r) {
        return ofProp(name, prop, p -> p.withSize(p.size().withReference(r)));
    }

    public static Edit intake(String name, String prop, UnaryOperator<Intake> change) {
        return ofProp(name, prop, p -> p.taking(change.apply(p.intake())));
    }

    public static Edit cuts(String name, String prop, UnaryOperator<CutTree> change) {
        return ofProp(name, prop, p -> p.cutAs(p.cut().cutAnew(change.apply(p.cut().tree()))));
    }

    /** Sections that nearly fit a bed together, printed as one: the cuts between them fall away, and the scale follows where it must. */
    public static Edit asOne(String prop, Nearly n) {
        return ofProp("print " + String.join(" and ", n.sections()) + " as one", prop, p -> {
            var cut = p.cutAs(p.cut().cutAnew(n.without(p.cut().tree())));
            return n.fits() ? cut : cut.withSize(cut.size().withScale(n.scale()));
        });
    }

    public static Edit lockPlane(String prop, int number, boolean on) {
        return ofProp((on ? "keep plane " : "unlock plane ") + (number + 1), prop, p -> p.withCut(p.cut().withLock(number, on)));
    }

    public static Edit movePlane(String prop, int number, CutPlane to) {
        return ofProp("move cut to " + to.words(), prop, p -> p.withCut(p.cut().withPlane(number, to)));
    }

    public static Edit registration(String name, String prop, UnaryOperator<Registration> change) {
        return ofProp(name, prop, p -> p.withCut(p.cut().withRegistration(change.apply(p.cut().registration()))));
    }

    public static Edit profile(String prop, Profile profile) {
        return ofProp("print " + profile.name() + ", " + profile.layerMm() + " mm", prop, p -> p.withPrint(p.print().withProfile(profile)));
    }

    /** What is decided about one section's print. */
    public static Edit print(String name, String prop, String section, UnaryOperator<SectionWish> change) {
        return ofProp(name, prop, p -> p.withPrint(p.print().withSection(section, change.apply(p.print().section(section)))));
    }

    public static Edit queue(String name, UnaryOperator<QueueWish> change) {
        return new Edit(name, b -> b.withQueue(change.apply(b.queue())));
    }

    public static Edit printer(String name, String printer, UnaryOperator<Printer> change) {
        return new Edit(name, b -> b.settling(Question.PRINTERS)
                .withPrinters(b.printers().stream().map(p -> p.name().equals(printer) ? change.apply(p) : p).toList()));
    }

    public static Edit spool(String name, String spool, UnaryOperator<Spool> change) {
        return new Edit(name, b -> b.withSpools(b.spools().stream().map(s -> s.name().equals(spool) ? change.apply(s) : s).toList()));
    }

    /** Puts a spool on a printer; what was on it goes to the shelf. */
    public static Edit load(String spool, String printer) {
        return new Edit(spool + " on " + printer,
                b -> b.withSpools(b.spools()
                        .stream()
                        .map(s -> s.name().equals(spool) ? s.on(printer) : s.printer().equals(printer) ? s.on("") : s)
                        .toList()));
    }

    public static Edit join(String prop, String seam, String product) {
        return ofProp("join " + seam + " with " + product, prop, p -> p.withJoin(p.join().with(seam, product)));
    }

    public static Edit smoothing(String name, String prop, UnaryOperator<SmoothWish> change) {
        return ofProp(name, prop, p -> p.withSmooth(change.apply(p.smooth())));
    }

    public static Edit colours(String name, String prop, UnaryOperator<ColourWish> change) {
        return ofProp(name, prop, p -> p.withColour(change.apply(p.colour())));
    }

    /** Paints and test cards. */
    public static Edit paints(String name, UnaryOperator<PaintShelf> change) {
        return new Edit(name, b -> b.withPaints(change.apply(b.paints())));
    }

    /** What would mend a finding, where that is a change. */
    public static <W> Edit fix(String prop, Fix.Change<W> fix) {
        return ofProp(fix.words(), prop, p -> p.with(fix.decision(), fix.change()));
    }

    /** What the maker wishes of the plan itself. */
    public static Edit plan(String name, UnaryOperator<PlanWish> change) {
        return new Edit(name, b -> b.withPlan(change.apply(b.plan())));
    }

    public static Edit log(Entry entry) {
        return new Edit("log entry", b -> b.with(entry));
    }

    /** Lines of another log, in the order of their time among those there are. What they used was taken off the shelf then. */
    public static Edit logged(List<Entry> more) {
        return new Edit("import " + more.size() + " lines", b -> {
            var all = new ArrayList<>(b.log());
            all.addAll(more);
            all.sort(Comparator.comparing(Entry::at));
            return b.withLog(all);
        });
    }

    /** Another line in the place of one; what stood there stays as a note behind it. */
    public static Edit corrected(Entry entry, Entry now) {
        return new Edit("correct " + entry.text(), b -> {
            var all = new ArrayList<Entry>();
            for (var e : b.log()) {
                if (!e.equals(entry)) {
                    all.add(e);
                    continue;
                }
                all.add(now);
                all.add(new Entry(entry.at(), Entry.Kind.NOTE, Optional.empty(), 0, 0, Optional.empty(), "before: " + entry.text(),
                        List.of()));
            }
            return b.withLog(all);
        });
    }

    /** @param photo by the name under which it must already be in the library */
    public static Edit photo(Entry entry, String photo) {
        return new Edit("photo", b -> b.withLog(b.log().stream().map(e -> e.equals(entry) ? e.withPhoto(photo) : e).toList()));
    }

    /** @param place as {@link Entry#shows}; blank for nowhere in particular */
    public static Edit shows(Entry entry, String place) {
        return new Edit("what the photo shows",
                b -> b.withLog(b.log().stream().map(e -> e.equals(entry) ? e.withShows(place) : e).toList()));
    }

    public static Edit wearer(Wearer w) {
        return new Edit("measures of " + w.name(), b -> b.with(w));
    }

    /** Both, in one step of the history. */
    public Edit and(Edit then) {
        return new Edit(name + ", " + then.name, b -> then.change.apply(change.apply(b)));
    }

    /** @param mesh must already be in the library under its hash */
    public static Edit addProp(Prop prop, Mesh mesh) {
        if (!prop.mesh().equals(mesh.contentHash())) throw new IllegalArgumentException("the prop names another mesh");
        return new Edit("open " + prop.name(), b -> b.with(prop));
    }
}
