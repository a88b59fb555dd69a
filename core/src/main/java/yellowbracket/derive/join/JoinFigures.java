package yellowbracket.derive.join;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Seam;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;
import yellowbracket.finding.Finding;
import yellowbracket.join.Contact;
import yellowbracket.join.Handled;
import yellowbracket.join.JoinPlan;
import yellowbracket.join.JoinPlanner;
import yellowbracket.join.LoadCase;
import yellowbracket.join.Mend;
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
    public static final Figure<JoinPlan> JOINS = Figure.ofProp("joins", JoinPlan.class, JoinFigures::joins);

    /** Bodies that meet without having been cut apart. */
    public static final Figure<Contact.Found> CONTACTS = Figure.ofProp("contacts", Contact.Found.class,
            in -> Contact.of(in.get(CutFigures.SECTIONS).sections(), in.get(CutFigures.SECTIONS).seams(), in.progress()));

    /** What broke and how it is mended. */
    public static final Figure<Mends> MENDS = Figure.ofProp("mends", Mends.class, JoinFigures::mends);

    private JoinFigures() {}

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
                .filter(p -> p.suits(material) && p.mostC() >= hottest)
                .max(Comparator.comparingDouble(JoinProduct::shearLowMpa));
        var out = new ArrayList<Mend>();
        for (var b : broke) {
            var seam = b.seam(plan);
            var rods = plan.rods()
                    .getOrDefault(b.sections().size() == 2 ? seam.map(j -> j.seam().name()).orElse("") : b.sections().getFirst(),
                            List.of());
            if (seam.isPresent()) out.add(Mend.seam(b.task(), seam.get(), rods, plan.options().get(seam.get().seam().name()), shop));
            else if (strongest.isPresent()) out.add(Mend.section(b.task(), String.join("|", b.sections()),
                    plan.weakest().stream().filter(w -> w.section().equals(b.sections().getFirst())).findFirst(), rods, strongest.get(),
                    in.build(Build::shopCelsius), shop));
        }
        return new Mends(List.copyOf(out), Breakage.alike(broke, plan));
    }

    private static JoinPlan joins(Reads in) {
        var sections = in.get(CutFigures.SECTIONS);
        var prints = new HashMap<String, JoinPlanner.Print>();
        for (var q : in.get(PrintFigures.PRINTS).prints()) prints.put(q.name(), print(q, in.shop(s -> s.material(q.profile().material()))));
        return JoinPlanner.plan(new JoinPlanner.Given(sections.sections(), sections.seams(), in.get(CONTACTS), prints, pins(in), rods(in),
                in.build(Build::shopCelsius), in.of(p -> Exposure.hottestC(p.size().exposures())), in.of(Prop::join), cases(in, prints),
                open(in), in.shop(s -> s)), in.progress());
    }

    private static JoinPlanner.Print print(SectionPrint q, Material m) {
        var p = q.profile();
        boolean solid = p.cure().isPresent();
        var how = new Weakest.Printed(solid ? 1 : p.walls(), solid ? 1 : p.lineWidthMm(), solid ? 1 : p.infill(),
                q.orientation().turn().row2(), m.tensileMpa(), m.layerStrength());
        return new JoinPlanner.Print(q.estimate().grams(), q.profile().material(), how);
    }

    /** Pieces of hardware in each seam, a tongue as one. */
    private static HashMap<String, Integer> pins(Reads in) {
        var out = new HashMap<String, Integer>();
        in.find(CutFigures.REGISTERED).ifPresent(r -> {
            r.fitted().forEach(f -> out.merge(f.seam(), 1, Integer::sum));
            r.tongues().forEach(t -> out.merge(t.seam(), 1, Integer::sum));
        });
        return out;
    }

    private static Map<String, List<Rod>> rods(Reads in) {
        var out = new HashMap<String, List<Rod>>();
        var wanted = in.of(p -> p.cut().registration());
        var through = in.get(CutFigures.SECTIONS)
                .seams()
                .stream()
                .map(Seam::name)
                .filter(s -> wanted.kind(s) == RegistrationKind.THROUGH_ROD);
        in.find(CutFigures.REGISTERED).ifPresent(r -> r.fitted().forEach(f -> {
            var stock = f.kind() == RegistrationKind.DOWELS ? Rod.Stock.BEECH : Rod.Stock.ALUMINIUM; // here: the weakest metal there is
            var rod = new Rod(stock, f.diameterMm(), Math.min(f.intoAboveMm(), f.intoBelowMm()), f.lengthMm(), true);
            switch (f.kind()) {
                case RODS, DOWELS -> out.computeIfAbsent(f.seam(), k -> new ArrayList<>()).add(rod);
                case THROUGH_ROD -> through.forEach(s -> out.put(s, List.of(rod)));
                default -> {}
            }
        }));
        return out;
    }

    private static List<LoadCase> cases(Reads in, HashMap<String, JoinPlanner.Print> prints) {
        var sections = in.get(CutFigures.SECTIONS).sections();
        var by = new Handled(sections, in.of(p -> p.join().times()));
        var use = in.of(p -> p.size().use());
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
