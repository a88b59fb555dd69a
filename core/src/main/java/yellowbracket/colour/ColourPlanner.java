package yellowbracket.colour;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.colour.order.Aim;
import yellowbracket.colour.order.Jobs;
import yellowbracket.colour.order.Ordered;
import yellowbracket.colour.order.PaintOrder;
import yellowbracket.colour.zone.Border;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Lab;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Sheen;

/** Makes a {@link ColourPlan}. Single use. */
public final class ColourPlanner {
    /** Painted by brush what could be sprayed: the paint of the same colour for it. */
    private static final String BRUSH_PAINT = "brush acrylic", UNDERCOAT = "sealing primer";
    /** A brush lays a thicker film: it hides so much better. */
    private static final double BRUSH_HIDES = 0.1, MOST_SHARE = 0.97;
    /** Width the gun lays down, half over the last pass; a brush. */
    private static final double GUN_STEP_M = 0.05, BRUSH_STEP_M = 0.012;
    private static final int CLEAR_COATS = 2;
    /** Cutting in along a border by brush, m a minute for one coat. */
    private static final double CUT_IN_M_MIN = 0.12;
    /** More than this is many coats. */
    private static final int MANY = 6;

    private final ColourSurface surface;
    private final ColourWish wish;
    private final Undercoats.Shade primer;
    private final PaintShelf shelf;
    private final Catalogue shop;
    private final List<ColourPlan.Area> areas = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private Undercoats undercoats = new Undercoats(List.of(), 0);

    private ColourPlanner(ColourSurface surface, ColourWish wish, Undercoats.Shade primer, PaintShelf shelf, Catalogue shop) {
        this.surface = surface;
        this.wish = wish;
        this.primer = primer;
        this.shelf = shelf;
        this.shop = shop;
    }

    /** @param primer what smoothing leaves @param shelf paints whose cards tell how they hide */
    public static ColourPlan plan(ColourSurface surface, ColourWish wish, Undercoats.Shade primer, PaintShelf shelf, Catalogue shop) {
        return new ColourPlanner(surface, wish, primer, shelf, shop).run();
    }

    private ColourPlan run() {
        for (var z : wish.zones()) {
            double dm2 = surface.paintedDm2(z.id());
            if (dm2 > 0) areas.add(new ColourPlan.Area(z, dm2, surface.areas().get(z.id()).mm2() / 1e4));
            else findings.add(Finding.of(Weight.NOTE, Subject.named(z.name()),
                    surface.areas().getOrDefault(z.id(), new ColourSurface.Area(0, 0)).mm2() > 0
                            ? z.name() + " lies where nobody sees it: it is left as it is"
                            : z.name() + " has no surface: paint it on the model, or merge it"));
        }
        if (areas.isEmpty()) {
            findings.add(Finding.care("no colour zones: add one to plan the painting"));
            var none = new Ordered(List.of(), 0, 0, 0, 0, true);
            return new ColourPlan(List.of(), undercoats, List.of(), Map.of(), none, false, List.of(), findings);
        }
        undercoats = Undercoats.of(areas.stream().map(this::over).toList(), primer,
                new Undercoats.Cost(60 * shop.usual(Practice.COAT_SETUP_H), shop.usual(Practice.SPRAY_MIN_DM2)));
        var jobs = jobs();
        var orders = new EnumMap<Aim, Ordered>(Aim.class);
        for (var aim : Aim.values()) orders.put(aim, PaintOrder.best(jobs, aim));
        boolean own = !wish.order().isEmpty();
        var ids = areas.stream().map(a -> a.zone().id()).toList();
        var chosen = own ? PaintOrder.priced(jobs, wish.wholeOrder().stream().filter(ids::contains).map(ids::indexOf).toList(), wish.aim())
                : orders.get(wish.aim());
        var coats = timed(coats(chosen));
        rules(coats);
        if (own && orders.get(wish.aim()).minutes() < chosen.minutes() - 1) findings
                .add(Finding.of(Weight.NOTE, Subject.WHOLE, "your order takes %.0f min and %.1f m of tape; %.0f min and %.1f m would do",
                        chosen.minutes(), chosen.tapeM(), orders.get(wish.aim()).minutes(), orders.get(wish.aim()).tapeM()));
        return new ColourPlan(areas, undercoats, ids, orders, chosen, own, coats, findings);
    }

    private Undercoats.Over over(ColourPlan.Area a) {
        return new Undercoats.Over(a.zone().id(), a.zone().name(), a.zone().hex(), a.dm2(), share(a.zone(), product(a.zone(), false)),
                mirror(a.zone()));
    }

    private boolean mirror(ColourZone z) {
        return shop.coating(z.paint()).kind() == Coating.Kind.METAL;
    }

    /** What a zone is painted with, by brush or not. */
    private Coating product(ColourZone z, boolean brush) {
        var wanted = shop.coating(z.paint());
        return brush && wanted.sprayed() ? shop.coating(BRUSH_PAINT) : wanted;
    }

    /** By the maker's own card of a paint that matches, else by the family of the colour. */
    private double share(ColourZone z, Coating c) {
        var carded = Match.of(Lab.ofHex(z.hex()), z.sheen(), shelf.paints())
                .stream()
                .filter(m -> m.paint().product().equals(c.name()) && m.paint().share().isPresent() && m.off() <= shelf.limit())
                .findFirst();
        if (carded.isPresent()) return carded.get().paint().share().getAsDouble();
        double of = (c.kind() == Coating.Kind.METAL ? Cover.Family.MIRROR : Cover.family(Lab.ofHex(z.hex()))).share();
        return c.sprayed() ? of : Math.min(MOST_SHARE, of + BRUSH_HIDES);
    }

    private int count(ColourZone z, Coating c) {
        return Cover.coats(undercoats.of(z.id()).hex(), z.hex(), share(z, c)).orElse(Cover.MOST);
    }

    private Jobs jobs() {
        var list = new ArrayList<Jobs.Job>();
        for (var a : areas) {
            var z = a.zone();
            boolean sprays = shop.coating(z.paint()).sprayed() && z.how() != ColourZone.How.BRUSH || mirror(z);
            boolean brushes = !sprays || z.how() == ColourZone.How.AS_COSTS_LESS && !mirror(z);
            list.add(new Jobs.Job(z.name(), sprays ? sprayMin(a) : Double.POSITIVE_INFINITY,
                    brushes ? brushMin(a) : Double.POSITIVE_INFINITY, flashH(z, product(z, !sprays)), product(z, !sprays).tapeH(),
                    Lab.ofHex(z.hex()).l()));
        }
        int n = areas.size();
        var masks = new Jobs.Mask[n][n];
        for (int i = 0; i < n; i++) for (int j = 0; j < n; j++)
            masks[i][j] = i == j ? Jobs.Mask.NONE : Tape.mask(surface, areas.get(i).zone().id(), areas.get(j).zone().id(), shop);
        return new Jobs(list, masks);
    }

    private double sprayMin(ColourPlan.Area a) {
        int n = count(a.zone(), product(a.zone(), false));
        return 60 * shop.usual(Practice.COAT_SETUP_H) * n * 0.5 + n * a.dm2() * shop.usual(Practice.SPRAY_MIN_DM2);
    }

    private double brushMin(ColourPlan.Area a) {
        int n = count(a.zone(), product(a.zone(), true));
        return 60 * shop.usual(Practice.COAT_SETUP_H) * 0.5
                + n * (a.dm2() * shop.usual(Practice.BRUSH_PAINT_MIN_DM2) + surface.borderMm(a.zone().id()) / 1000 / CUT_IN_M_MIN);
    }

    private double flashH(ColourZone z, Coating c) {
        return (count(z, c) - 1) * Math.min(shop.usual(Practice.STAND_BY_H), c.recoatFromH());
    }

    private List<ColourPlan.Coats> coats(Ordered order) {
        var out = new ArrayList<ColourPlan.Coats>();
        for (var g : undercoats.groups()) {
            if (g.there()) continue;
            var names = g.zones().size() == areas.size() ? ColourPlan.ALL
                    : String.join(", ", g.zones().stream().map(id -> wish.zone(id).orElseThrow().name()).toList());
            boolean gloss = g.shade().equals(Undercoats.GLOSS_BLACK);
            out.add(run(names, g.zones(), shop.coating(gloss ? "acrylic lacquer spray" : UNDERCOAT), g.hex(), Undercoats.COATS,
                    new ColourPlan.Range(Undercoats.COATS, Undercoats.COATS), g.dm2(), List.of(), Double.NaN));
        }
        for (var step : order.steps()) {
            var a = areas.get(step.job());
            var z = a.zone();
            var c = product(z, step.brush());
            int n = count(z, c);
            var masks = step.masked().stream().map(m -> {
                var on = areas.get(m.job()).zone();
                return new ColourPlan.Masked(on.id(), on.name(), m.mask().tapeM(), m.mask().filmDm2(), m.mask().minutes(),
                        Tape.metres(surface, z.id(), List.of(on.id())));
            }).toList();
            out.add(run(z.name(), List.of(z.id()), c, z.hex(), n, likely(z, c), a.dm2(), masks, step.minutes() / 60));
            hides(z, c, n);
        }
        if (!wish.seal().isEmpty()) seal(out);
        return out;
    }

    private ColourPlan.Range likely(ColourZone z, Coating c) {
        String base = undercoats.of(z.id()).hex();
        double share = share(z, c);
        return new ColourPlan.Range(Cover.coats(base, z.hex(), Math.min(MOST_SHARE, share * Cover.SPREAD)).orElse(Cover.MOST),
                Cover.coats(base, z.hex(), share / Cover.SPREAD).orElse(Cover.MOST));
    }

    private void hides(ColourZone z, Coating c, int n) {
        var group = undercoats.of(z.id());
        if (Cover.coats(group.hex(), z.hex(), share(z, c)).isEmpty()) findings.add(Finding.of(Weight.STOP, Subject.named(z.name()),
                "%s cannot be had: %d coats of %s do not hide %s; take a paint that hides better, or another undercoat", z.name(),
                Cover.MOST, z.hex(), group.shade()));
        else if (n >= MANY) findings.add(Finding.of(Weight.CARE, Subject.named(z.name()),
                "%s: %d coats to hide %s: try a black-and-white card, another paint of this colour may hide sooner", z.name(), n,
                group.shade()));
    }

    private void seal(List<ColourPlan.Coats> out) {
        var clear = shop.coating(wish.seal());
        var bright = areas.stream().filter(a -> mirror(a.zone())).toList();
        var masks = bright.stream().map(a -> {
            var z = a.zone();
            var others = areas.stream().map(o -> o.zone().id()).filter(id -> id != z.id()).toList();
            double minutes = surface.borders()
                    .stream()
                    .filter(b -> b.of(z.id()))
                    .mapToDouble(b -> Tape.along(b).minutes(b.lengthMm(), shop))
                    .sum() + a.dm2() * shop.usual(Practice.MASK_MIN_DM2);
            return new ColourPlan.Masked(z.id(), z.name(), surface.borderMm(z.id()) / 1000, a.dm2(), minutes,
                    Tape.metres(surface, z.id(), others));
        }).toList();
        double dm2 = areas.stream().filter(a -> !mirror(a.zone())).mapToDouble(ColourPlan.Area::dm2).sum();
        if (dm2 <= 0) return;
        double hand = masks.stream().mapToDouble(ColourPlan.Masked::minutes).sum() / 60;
        out.add(run(ColourPlan.ALL, areas.stream().filter(a -> !mirror(a.zone())).map(a -> a.zone().id()).toList(), clear, "#ffffff",
                CLEAR_COATS, new ColourPlan.Range(CLEAR_COATS, CLEAR_COATS), dm2, masks,
                hand + shop.usual(Practice.COAT_SETUP_H) + CLEAR_COATS * dm2 * shop.usual(Practice.SPRAY_MIN_DM2) / 60));
        sheens(clear);
    }

    /** One clear gives one sheen. */
    private void sheens(Coating clear) {
        var given = clear.sheen();
        var others = areas.stream()
                .map(ColourPlan.Area::zone)
                .filter(z -> !mirror(z) && given.isPresent() && z.sheen() != given.get() && !nearly(z.sheen(), given.get()))
                .toList();
        if (!others.isEmpty()) findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                "%s makes all of it %s; %s %s to be %s: seal %s apart, masked, or accept it", clear.name(), given.get().words(),
                String.join(", ", others.stream().map(ColourZone::name).toList()), others.size() == 1 ? "is" : "are",
                String.join(", ", others.stream().map(z -> z.sheen().words()).distinct().toList()), others.size() == 1 ? "it" : "them"));
    }

    /** Matt and satin are one step apart: nobody masks for that unasked. */
    private static boolean nearly(Sheen a, Sheen b) {
        return a != Sheen.GLOSS && b != Sheen.GLOSS && a != Sheen.MIRROR && b != Sheen.MIRROR;
    }

    /** @param hand hours by hand; NaN: as sprayed without masks */
    private ColourPlan.Coats run(String name, List<Integer> zones, Coating c, String hex, int n, ColourPlan.Range likely, double dm2,
            List<ColourPlan.Masked> masks, double hand) {
        double m2 = dm2 / 100, each = c.containerMl() * c.densityGcm3() / c.m2PerContainer();
        double hours = Double.isNaN(hand) ? shop.usual(Practice.COAT_SETUP_H) * n * 0.5 + n * dm2 * shop.usual(Practice.SPRAY_MIN_DM2) / 60
                : hand;
        return new ColourPlan.Coats(name, zones, c.name(), hex, n, likely, dm2, n * m2 / c.m2PerContainer(), m2 * each,
                m2 / (c.sprayed() ? GUN_STEP_M : BRUSH_STEP_M), hours,
                c.sprayed() ? (n - 1) * Math.min(shop.usual(Practice.STAND_BY_H), c.recoatFromH()) : 0, 0, c.recoatFromH(), c.recoatToH(),
                c.recoatAgainH(), c.tapeH(), c.fullH(), c.sprayed(), masks);
    }

    /**
     * With the hours after each run until the next may begin: no tape or film on what does not bear it, no solvent on enamel that still
     * cures, no hand on what is not dry.
     */
    private List<ColourPlan.Coats> timed(List<ColourPlan.Coats> coats) {
        int n = coats.size();
        var next = new double[n];
        for (int i = 0; i < n; i++) next[i] = i == n - 1 ? coats.get(i).tapeH() : coats.get(i).recoatFromH();
        for (int then = 1; then < n; then++) for (int i = 0; i < then; i++) {
            double between = next[i];
            for (int k = i + 1; k < then; k++) between += coats.get(k).handH() + coats.get(k).flashH() + next[k];
            next[then - 1] += Math.max(0, needed(coats.get(i), coats.get(then)) - between);
        }
        var out = new ArrayList<ColourPlan.Coats>();
        for (int i = 0; i < n; i++) out.add(coats.get(i).untilNext(next[i]));
        return List.copyOf(out);
    }

    /** From the end of one run to the start of a later one. */
    private double needed(ColourPlan.Coats first, ColourPlan.Coats then) {
        boolean covered = then.masks().stream().anyMatch(m -> first.zones().contains(m.zone()));
        boolean over = then.zones().stream().anyMatch(first.zones()::contains);
        var below = shop.coating(first.product());
        var above = shop.coating(then.product());
        boolean handled = above.kind() == Coating.Kind.CLEAR && !(wish.weather().none() && wish.lines().none());
        boolean cures = over && (below.binder() == Coating.Binder.ENAMEL && above.binder() != below.binder()
                || above.kind() == Coating.Kind.METAL && below.kind() != Coating.Kind.METAL);
        return cures ? first.fullH() : covered || handled ? first.tapeH() : over ? first.recoatFromH() : 0;
    }

    /** Each zone's films from the bottom up, as the plan lays them, against the table of what may go over what. */
    private void rules(List<ColourPlan.Coats> coats) {
        var told = new LinkedHashMap<String, PaintRules.Broken>();
        for (var a : areas) {
            var stack = new ArrayList<PaintRules.Layer>();
            ColourPlan.Coats below = null;
            for (int i = 0; i < coats.size(); i++) {
                var c = coats.get(i);
                if (!c.zones().contains(a.zone().id())) continue;
                if (below != null && needed(below, c) >= below.fullH() && below.fullH() > below.tapeH())
                    findings.add(Finding.of(Weight.NOTE, Subject.named(a.zone().name()), "%s waits %.0f h until %s is cured through",
                            c.product(), below.fullH(), below.product()));
                below = c;
                double until = c.nextH();
                for (int k = i + 1; k < coats.size() && !coats.get(k).zones().contains(a.zone().id()); k++)
                    until += coats.get(k).handH() + coats.get(k).waitH();
                stack.add(new PaintRules.Layer(shop.coating(c.product()), sheen(c, a.zone()), until));
            }
            for (var b : PaintRules.check(stack)) told.putIfAbsent(a.zone().name() + b.reason(), b);
        }
        told.values().stream().distinct().forEach(b -> findings.add(Finding.care(b.words())));
        if (areas.stream().anyMatch(a -> mirror(a.zone())) && !wish.seal().isEmpty())
            findings.add(Finding.care("clear coat dulls mirror metal: it is masked for it here; test on a card before you seal it"));
        narrow();
    }

    private static Sheen sheen(ColourPlan.Coats c, ColourZone z) {
        if (c.hex().equals(Undercoats.SHADES.getLast().hex())) return Sheen.GLOSS;
        return c.hex().equals(z.hex()) ? z.sheen() : Sheen.MATT;
    }

    /** Borders no tape follows. */
    private void narrow() {
        double mm = surface.borders().stream().filter(b -> Tape.along(b) == Tape.LIQUID).mapToDouble(Border::lengthMm).sum();
        if (mm > 50) findings.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                "%.0f cm of borders turn too tightly for tape: masking liquid, or a brush along the line", mm / 10));
    }
}
