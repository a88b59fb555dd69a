package yellowbracket.derive.join;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.join.Broken;
import yellowbracket.join.Contact;
import yellowbracket.join.Fittings;
import yellowbracket.join.Handled;
import yellowbracket.join.InHand;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinPlanner;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Mend;
import yellowbracket.join.Removable;
import yellowbracket.join.Rod;
import yellowbracket.join.Weakest;
import yellowbracket.log.Breakage;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.SectionPrint;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Material;
import yellowbracket.size.Exposure;
import yellowbracket.size.Use;

/** How the prop is joined. */
public final class JoinFigures {
    /** All that joining goes by. */
    public static final Figure<JoinPlanner.Given> ASKED = Figure.ofProp("what is joined", JoinPlanner.Given.class, JoinFigures::asked);

    public static final Figure<JoinPlan> JOINS = Figure.ofProp("joins", JoinPlan.class,
            in -> JoinPlanner.plan(in.get(ASKED), in.progress()));

    /** Bodies that meet without having been cut apart. */
    public static final Figure<Contact.Found> CONTACTS = Figure.ofProp("contacts", Contact.Found.class,
            in -> Contact.of(in.get(CutFigures.SECTIONS).sections(), in.get(CutFigures.SECTIONS).seams(), in.progress()));

    /** What is reached, and how parts lie, whatever they are printed of. */
    public static final Figure<InHand> IN_HAND = Figure.ofProp("parts in hand", InHand.class,
            in -> InHand.of(in.get(CutFigures.SECTIONS).sections(), in.get(CutFigures.SECTIONS).seams(), in.progress()));

    /** What the cut station worked into each seam. */
    public static final Figure<Worked> FITTINGS = Figure.ofProp("hardware of seams", Worked.class, JoinFigures::fittings);

    /** What broke and how it is mended. */
    public static final Figure<Mends> MENDS = Figure.ofProp("mends", Mends.class, JoinFigures::mends);

    private JoinFigures() {}

    public record Worked(Map<String, Fittings> bySeam) {}

    /** @param alike seams made like one that broke */
    public record Mends(List<Mend> list, List<Finding> alike) {}

    private static Mends mends(Reads in) {
        var broke = Breakage.of(in.build(Build::log), in.of(Prop::id));
        if (broke.isEmpty()) return new Mends(List.of(), List.of());
        var plan = in.get(JOINS);
        var shop = in.shop(s -> s);
        double hottest = in.of(p -> Exposure.hottestC(p.size().exposures()));
        String material = in.of(p -> p.print().profile().material());
        var strongest = shop.joins()
                .stream()
                .filter(p -> p.suits(material) && p.mostC() >= hottest && !p.manner().welds())
                .max(Comparator.comparingDouble(JoinProduct::shearLowMpa));
        var out = new ArrayList<Mend>();
        for (var b : broke) {
            var seam = b.seam(plan);
            var rods = plan.rods()
                    .getOrDefault(b.sections().size() == 2 ? seam.map(j -> j.seam().name()).orElse("") : b.sections().getFirst(),
                            List.of());
            if (seam.isPresent()) out.add(Mend.seam(b.task(), seam.get(), rods, plan.options().get(seam.get().seam().name()), shop));
            else if (strongest.isPresent()) out.add(Mend.section(b.task(), String.join("|", b.sections()),
                    plan.weakest().stream().filter(w -> w.section().equals(b.sections().getFirst())).findFirst(), place(b, in), rods,
                    strongest.get(), in.build(Build::shopCelsius), shop));
        }
        return new Mends(List.copyOf(out), Breakage.alike(broke, plan));
    }

    /** What the print is like where it broke. */
    private static Optional<Broken> place(Breakage b, Reads in) {
        if (b.place().isEmpty()) return Optional.empty();
        var at = b.place().get().times(in.of(Prop::scale));
        var section = in.get(CutFigures.SECTIONS).sections().stream().filter(s -> s.name().equals(b.sections().getFirst())).findFirst();
        var q = in.get(PrintFigures.PRINTS).prints().stream().filter(p -> p.name().equals(b.sections().getFirst())).findFirst();
        if (section.isEmpty() || q.isEmpty()) return Optional.empty();
        return Broken.of(section.get().mesh(), print(q.get(), in.shop(s -> s.material(q.get().profile().material()))).how(), at);
    }

    private static JoinPlanner.Given asked(Reads in) {
        var sections = in.get(CutFigures.SECTIONS);
        var prints = new HashMap<String, JoinPlanner.Print>();
        for (var q : in.get(PrintFigures.PRINTS).prints()) prints.put(q.name(), print(q, in.shop(s -> s.material(q.profile().material()))));
        var place = new JoinPlanner.Place(in.build(Build::shopCelsius), in.of(p -> Exposure.hottestC(p.size().exposures())));
        return new JoinPlanner.Given(sections.sections(), sections.seams(), in.get(CONTACTS), in.get(IN_HAND), prints,
                in.get(FITTINGS).bySeam(), place, in.of(Prop::join), cases(in, prints), open(in), shelf(in), in.shop(s -> s));
    }

    /** Grams of what is there. */
    private static Map<String, Double> shelf(Reads in) {
        var out = new HashMap<String, Double>();
        for (var s : in.build(Build::stock)) if (s.unit().equals("g")) out.merge(s.name(), s.amount(), Double::sum);
        return out;
    }

    private static JoinPlanner.Print print(SectionPrint q, Material m) {
        var p = q.profile();
        boolean solid = p.cure().isPresent();
        var how = new Weakest.Printed(solid ? 1 : p.walls(), solid ? 1 : p.lineWidthMm(), solid ? 1 : p.infill(),
                q.orientation().turn().row2(), m.tensileMpa(), m.layerStrength());
        return new JoinPlanner.Print(q.estimate().grams(), q.profile().material(), how);
    }

    private static Worked fittings(Reads in) {
        var out = new TreeMap<String, Fittings>();
        var found = in.find(CutFigures.REGISTERED);
        if (found.isEmpty()) return new Worked(out);
        var wanted = in.of(p -> p.cut().registration());
        for (var s : in.get(CutFigures.SECTIONS).seams()) {
            int pieces = 0;
            boolean all = false;
            double pull = 0, pegs = 0;
            var rods = new ArrayList<Rod>();
            for (var f : found.get().fitted()) {
                boolean through = f.kind() == RegistrationKind.THROUGH_ROD && wanted.kind(s.name()) == RegistrationKind.THROUGH_ROD;
                if (!f.seam().equals(s.name()) && !through) continue;
                pieces++;
                all |= through;
                if (f.kind().magnet()) pull += Removable.pullN(f.diameterMm(), f.lengthMm(),
                        f.kind() == RegistrationKind.SEALED_MAGNETS ? Removable.SEALED_GAP_MM : Removable.OPEN_GAP_MM);
                else pegs += Math.PI / 4 * f.diameterMm() * f.diameterMm();
                var stock = f.kind() == RegistrationKind.DOWELS ? Rod.Stock.BEECH : Rod.Stock.ALUMINIUM; // here: the weakest metal there is
                if (f.kind() == RegistrationKind.RODS || f.kind() == RegistrationKind.DOWELS || through)
                    rods.add(new Rod(stock, f.diameterMm(), Math.min(f.intoAboveMm(), f.intoBelowMm()), f.lengthMm(), true));
            }
            pieces += (int) found.get().tongues().stream().filter(t -> t.seam().equals(s.name())).count();
            if (pieces > 0) out.put(s.name(), new Fittings(pieces, rods, all, pull, pegs));
        }
        return new Worked(Collections.unmodifiableMap(out));
    }

    private static List<LoadCase> cases(Reads in, HashMap<String, JoinPlanner.Print> prints) {
        var sections = in.get(CutFigures.SECTIONS).sections();
        var by = new Handled(sections, in.of(p -> p.join().times()));
        var use = in.of(p -> p.size().use());
        if (use.filter(u -> u == Use.FACE).isPresent()) return by.onTheFace();
        if (use.map(Use::worn).orElse(in.of(Prop::worn))) return by.worn();
        double scale = in.of(Prop::scale), grams = 0;
        var hold = in.of(p -> p.join().hold());
        if (use.filter(u -> u == Use.STANDS).isPresent() && hold.isEmpty()) return by.standing();
        var balance = Vec3.ZERO;
        for (var s : sections) {
            double g = prints.get(s.name()).grams();
            grams += g;
            balance = balance.plus(s.mesh().bounds().centre().times(g));
        }
        return by.carried(hold.map(h -> h.times(scale)), grams > 0 ? balance.times(1 / grams) : Vec3.ZERO);
    }

    /** Seams to be left open until the prop is out of the spray spot, through the door or in the car. */
    private static Set<String> open(Reads in) {
        var out = new HashSet<String>();
        in.find(CutFigures.RIGID).ifPresent(r -> r.list().forEach(s -> out.addAll(s.open())));
        return out;
    }
}
