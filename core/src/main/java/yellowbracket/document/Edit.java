package yellowbracket.document;

import java.util.function.UnaryOperator;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.print.QueueWish;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Spool;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Proportions;
import yellowbracket.size.Remedy;
import yellowbracket.size.Reshape;

/** A named pure change of a build: "undo scale to 104 %". */
public record Edit(String name, UnaryOperator<Build> change) {

    public static Edit ofProp(String name, String prop, UnaryOperator<Prop> change) {
        return new Edit(name, b -> b.prop(prop).map(p -> b.with(change.apply(p))).orElse(b));
    }

    public static Edit scale(String prop, double scale) {
        return ofProp(String.format(java.util.Locale.ROOT, "scale to %.1f %%", 100 * scale), prop, p -> p.withScale(scale));
    }

    public static Edit reshape(String name, String prop, UnaryOperator<Reshape> change) {
        return ofProp(name, prop, p -> p.withReshape(change.apply(p.reshape())));
    }

    /** Takes what was proposed for a head that does not pass. */
    public static Edit remedy(String prop, Remedy remedy) {
        return ofProp(remedy.words(), prop, p -> switch (remedy) {
            case Remedy.WidenNeck w -> p.withReshape(p.reshape().widened(w.neck()));
            case Remedy.Part part -> p.withCuts(p.cuts().cutEverywhere(CutPlane.across(1, part.modelY())));
            case Remedy.Larger l -> p.withScale(l.scale());
        });
    }

    /** A scale and proportions that go together. */
    public static Edit proportions(String prop, Proportions q) {
        return ofProp("scale by axis to " + q.words(), prop,
                p -> p.withScale(q.scale())
                        .withReshape(p.reshape()
                                .along(p.reshape().wide() * q.reshape().wide(), p.reshape().deep() * q.reshape().deep(),
                                        p.reshape().tall() * q.reshape().tall())));
    }

    public static Edit wearers(String prop, java.util.List<String> names) {
        return ofProp(names.isEmpty() ? "nobody wears it" : "worn by " + String.join(" and ", names), prop, p -> p.withWearers(names));
    }

    public static Edit intake(String name, String prop, UnaryOperator<Intake> change) {
        return ofProp(name, prop, p -> p.withIntake(change.apply(p.intake())));
    }

    public static Edit cuts(String name, String prop, UnaryOperator<CutTree> change) {
        return ofProp(name, prop, p -> p.withCuts(change.apply(p.cuts())));
    }

    public static Edit lockPlane(String prop, int number, boolean on) {
        return ofProp((on ? "keep plane " : "let go of plane ") + (number + 1), prop, p -> p.withLock(number, on));
    }

    public static Edit movePlane(String prop, int number, CutPlane to) {
        return ofProp("move cut to " + to.words(), prop, p -> p.withPlane(number, to));
    }

    public static Edit registration(String name, String prop, UnaryOperator<Registration> change) {
        return ofProp(name, prop, p -> p.withRegistration(change.apply(p.registration())));
    }

    public static Edit profile(String prop, Profile profile) {
        return ofProp("print " + profile.name() + ", " + profile.layerMm() + " mm", prop, p -> p.withProfile(profile));
    }

    /** What is decided about one section's print. */
    public static Edit print(String name, String prop, String section, UnaryOperator<SectionWish> change) {
        return ofProp(name, prop, p -> p.withPrint(section, change.apply(p.print(section))));
    }

    public static Edit queue(String name, UnaryOperator<QueueWish> change) {
        return new Edit(name, b -> b.withQueue(change.apply(b.queue())));
    }

    public static Edit printer(String name, String printer, UnaryOperator<Printer> change) {
        return new Edit(name, b -> b.withPrinters(b.printers().stream().map(p -> p.name().equals(printer) ? change.apply(p) : p).toList()));
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
        return ofProp("join " + seam + " with " + product, prop, p -> p.withJoin(seam, product));
    }

    public static Edit log(Entry entry) {
        return new Edit("log entry", b -> b.with(entry));
    }

    /** @param photo by the name under which it must already be in the library */
    public static Edit photo(Entry entry, String photo) {
        return new Edit("photo", b -> b.withLog(b.log().stream().map(e -> e.equals(entry) ? e.withPhoto(photo) : e).toList()));
    }

    public static Edit wearer(Wearer w) {
        return new Edit("measures of " + w.name(), b -> b.with(w));
    }

    /** @param mesh must already be in the library under its hash */
    public static Edit addProp(Prop prop, Mesh mesh) {
        if (!prop.mesh().equals(mesh.contentHash())) throw new IllegalArgumentException("the prop names another mesh");
        return new Edit("open " + prop.name(), b -> b.with(prop));
    }
}
