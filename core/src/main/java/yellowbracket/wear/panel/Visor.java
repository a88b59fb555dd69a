package yellowbracket.wear.panel;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.index.ScaledShell;
import yellowbracket.shop.Sheeting;

/** What closes the openings of a prop: the panels, how they lie on sheets, when and how each goes in. */
public record Visor(List<Opening> openings, List<PanelWish> wishes, List<Panel> panels, List<Nest> nests, List<WayIn> ways,
        Map<String, Lens.Buck> bucks, List<Finding> findings) {
    /** A hole smaller than this is a slot, which nobody closes by default, mm2; so is what is narrower, mm. */
    private static final double LEAST_MM2 = 600, LEAST_WIDE_MM = 60;
    /** Plastic weighs about so much, g/cm3; mesh and cloth, g/dm2. */
    private static final double DENSITY = 1.2, CLOTH_G_DM2 = 3;
    /** A printed lens is as thick as the wall, mm. */
    public static final double LENS_MM = 3;
    /** One more at least, and one in four; a starting value. */
    private static final double SPARES_SHARE = 0.25;

    public Visor {
        openings = List.copyOf(openings);
        wishes = List.copyOf(wishes);
        panels = List.copyOf(panels);
        nests = List.copyOf(nests);
        ways = List.copyOf(ways);
        bucks = Map.copyOf(bucks);
        findings = List.copyOf(findings);
    }

    /** Through where a panel goes in, and until when. @param passes whether it gets through the way the head goes, as it is or rolled */
    public record WayIn(Panel panel, String through, String latest, boolean passes) {}

    /** @param neckWideMm and {@code neckDeepMm} of the way the head goes, prop mm; infinite for a mask */
    public static Visor of(Openings found, List<PanelWish> wished, List<Sheeting> sheets, ScaledShell shell, double neckWideMm,
            double neckDeepMm) {
        var findings = new ArrayList<>(found.findings());
        var wishes = found.list().stream().map(o -> wish(o, wished, sheets)).toList();
        var panels = new ArrayList<Panel>();
        for (int i = 0; i < wishes.size(); i++) {
            var w = wishes.get(i);
            if (w.kind() == PanelWish.Kind.OPEN) continue;
            var sheet = sheets.stream().filter(s -> s.name().equals(w.sheet())).findFirst();
            if (sheet.isEmpty()) {
                findings.add(
                        Finding.stop("the " + w.opening() + " opening: no sheet called \"" + w.sheet() + "\" is known; choose another"));
                continue;
            }
            panels.add(Panel.of(found.list().get(i), w, sheet.get(), shell));
        }
        for (var w : wished)
            if (found.list().stream().noneMatch(o -> o.name().equals(w.opening()))) findings.add(Finding.of(Weight.NOTE, Subject.WHOLE,
                    "the " + w.opening() + " opening is not there any more; what was said of it is kept, and counts when it is back"));
        if (found.list().isEmpty() && found.findings().isEmpty()) findings.add(Finding
                .note("no opening with wall all round it: an open face is closed with the helm's own edge, by tape and a paper pattern"));
        var nests = nests(panels);
        nests.forEach(n -> findings.addAll(n.findings()));
        panels.forEach(p -> findings.addAll(p.findings()));
        var ways = panels.stream().map(p -> way(p, neckWideMm, neckDeepMm)).toList();
        for (var w : ways) if (!w.passes) findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                String.format(Locale.ROOT,
                        "the lens of the %s opening, %.0f x %.0f mm and stiff, does not pass the neck of %.0f x %.0f: put it in "
                                + "before the last halves are joined",
                        w.panel.opening().name(), w.panel.wideMm(), w.panel.highMm(), neckWideMm, neckDeepMm)));
        return new Visor(found.list(), wishes, panels, nests, ways, bucks(panels, findings), findings);
    }

    /** As said, or a sheet behind a wide opening ahead and nothing elsewhere. */
    static PanelWish wish(Opening o, List<PanelWish> wished, List<Sheeting> sheets) {
        return wished.stream().filter(w -> w.opening().equals(o.name())).findFirst().orElseGet(() -> {
            boolean sight = o.name().equals("front") && o.areaMm2() > LEAST_MM2 && o.wideMm() > LEAST_WIDE_MM;
            var s = sheets.getFirst();
            return new PanelWish(o.name(), sight ? PanelWish.Kind.SHEET : PanelWish.Kind.OPEN, s.name(), s.thickMm().getFirst(),
                    PanelWish.USUAL_MARGIN_MM);
        });
    }

    private static List<Nest> nests(List<Panel> panels) {
        var by = new TreeMap<String, List<Panel>>();
        for (var p : panels) {
            if (p.laid()) by.computeIfAbsent(p.sheet().name() + "/" + p.wish().thickMm(), k -> new ArrayList<>()).add(p);
        }
        return by.values().stream().map(l -> Nest.of(l, l.getFirst().sheet(), l.getFirst().wish().thickMm())).toList();
    }

    /** By opening. */
    private static Map<String, Lens.Buck> bucks(List<Panel> panels, List<Finding> findings) {
        var out = new TreeMap<String, Lens.Buck>();
        for (var p : panels) if (p.wish().kind() == PanelWish.Kind.FORMED) try {
            if (p.sheet().formsC() <= 0)
                throw new IllegalStateException(p.sheet().name() + " does not soften for forming: choose another sheet");
            var b = p.buck();
            out.put(p.opening().name(), b);
            findings.add(Finding.care(String.format(Locale.ROOT,
                    "the buck of the %s opening must stand %.0f \u00b0C: print it in resin or cast it in plaster, PLA gives way; "
                            + "it takes %.0f x %.0f mm of the former's bed, the sheet thins to about %.0f %% on the average; "
                            + "form %d, some are spoilt",
                    p.opening().name(), p.sheet().formsC(), b.wideMm(), b.deepMm(), 100 * b.thinned(), formed(1))));
        } catch (IllegalStateException e) {
            findings.add(Finding.stop("the " + p.opening().name() + " opening: " + e.getMessage()));
        }
        return out;
    }

    private static WayIn way(Panel p, double neckWide, double neckDeep) {
        return switch (p.wish().kind()) {
            case PRESSED -> new WayIn(p, "from outside", "any time after the last coat", true);
            case FORMED -> {
                double least = Math.min(p.wideMm(), p.highMm());
                boolean passes = least < Math.max(neckWide, neckDeep);
                yield new WayIn(p, passes ? "through the neck" : "between the halves",
                        passes ? "after the last coat, before the pads" : "before the last seam is glued", passes);
            }
            default -> {
                // rolled or flexed it is as narrow as its height
                boolean passes = p.highMm() < Math.max(neckWide, neckDeep) || p.wideMm() < Math.min(neckWide, neckDeep);
                yield new WayIn(p, passes ? "through the neck, flexed" : "between the halves",
                        passes ? "after the last coat, before the pads" : "before the last seam is glued", passes);
            }
        };
    }

    /** What is cut from sheets: each pattern, or its halves; patterns too large for any sheet are not among them. */
    public List<Nest.Piece> pieces() {
        return nests.stream().flatMap(n -> n.laid().stream()).map(Nest.Laid::piece).toList();
    }

    public Optional<Panel> panel(String opening) {
        return panels.stream().filter(p -> p.opening().name().equals(opening)).findFirst();
    }

    public static double grams(Panel p) {
        double mm2 = p.pattern().getArea();
        return p.sheet().plastic() ? mm2 * thick(p) * DENSITY / 1000 : mm2 / 1e4 * CLOTH_G_DM2;
    }

    private static double thick(Panel p) {
        return p.wish().kind() == PanelWish.Kind.PRESSED ? LENS_MM : p.wish().thickMm();
    }

    /** Lenses to form, with those that will be spoilt. */
    public static int formed(int wanted) {
        return wanted + (int) Math.ceil(SPARES_SHARE * wanted);
    }
}
