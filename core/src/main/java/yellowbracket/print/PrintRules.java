package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Material;
import yellowbracket.shop.Process;
import yellowbracket.shop.Profile;
import yellowbracket.size.Exposure;
import yellowbracket.work.Station;

/**
 * Common workshop rules on profile and stance of prints: layer against nozzle, walls against strength, heat and sun against the material,
 * hold on the bed
 * against footprint and height, tall thin sections, prints near the bed's edge. Each says its limit.
 */
public final class PrintRules {
    /** Below this share of the nozzle the flow gets uneven. */
    private static final double THIN_LAYER = 0.2;
    /** What is worn wants this much wall, mm. */
    private static final double WORN_WALL_MM = 1.2;
    /** Materials that soften below are not left in a car in the sun, degrees. */
    private static final double SOFT_C = 65;
    /** Nearer than this to its softening point a part under load gives way, degrees. */
    private static final double SOFT_MARGIN_C = 3;
    /** Longest side over the next: what is longer snaps along its layers with thin walls. */
    private static final double SLENDER = 4;
    /** Height over the square root of the footprint; a 150 mm section on 400 mm2 stands at this. */
    private static final double LEVER = 7.5;
    /** A section that falls when leaned by less is told, degrees. */
    private static final double TIP_DEG = 8;
    /** Of the bed; its rim is colder and less flat. */
    private static final double EDGE_SHARE = 0.94;
    /** Share of the catalogue's scale of warping from which on it is told. */
    private static final double WARPS = 0.5;
    /** Feet larger than this pull at their corners as they cool, mm2. */
    private static final double WARP_FOOT_MM2 = 4000;
    /** A brim that holds what stands on little. */
    public static final double BRIM_MM = 8;
    /** A brim this wide counts as held. */
    private static final double HOLDS_MM = 4;

    private final List<SectionPrint> prints;
    private final Catalogue shop;
    private final boolean worn;
    private final List<Exposure> exposures;
    private final List<Finding> out = new ArrayList<>();

    private PrintRules(List<SectionPrint> prints, Catalogue shop, boolean worn, List<Exposure> exposures) {
        this.prints = prints;
        this.shop = shop;
        this.worn = worn;
        this.exposures = exposures;
    }

    /** Heaviest first. @param prints those still ahead @param worn the prop goes on somebody @param exposures what it goes through */
    public static List<Finding> of(List<SectionPrint> prints, Catalogue shop, boolean worn, List<Exposure> exposures) {
        return new PrintRules(prints, shop, worn, exposures).run();
    }

    private List<Finding> run() {
        prints.stream().map(SectionPrint::profile).distinct().forEach(this::profile);
        prints.forEach(this::section);
        out.sort(Finding.GRAVEST_FIRST);
        return List.copyOf(out);
    }

    private void profile(Profile p) {
        p.check().forEach(w -> out.add(remark(Weight.STOP, Optional.empty(), p.name() + ": " + w)));
        var material = shop.material(p.material());
        if (p.process() == Process.FILAMENT) {
            if (p.layerMm() < THIN_LAYER * p.nozzleMm()) out.add(remark(Weight.CARE, Optional.empty(),
                    text("layers of %.2f mm are under a fifth of the %.1f mm nozzle: the flow gets uneven", p.layerMm(), p.nozzleMm())));
            int enough = (int) Math.ceil(WORN_WALL_MM / p.lineWidthMm() - 1e-9);
            if (worn && p.walls() < enough) out.add(remark(Weight.CARE, Optional.empty(),
                    text("walls of %.1f mm: what is worn wants %.1f mm, and sanding takes some of it", p.wallMm(), WORN_WALL_MM),
                    enough + " walls", q -> q.withWalls(enough)));
            prints.stream()
                    .filter(q -> q.profile().equals(p) && q.printer().nozzleMm() != p.nozzleMm())
                    .map(q -> q.printer().name() + " has a " + q.printer().nozzleMm() + " mm nozzle fitted: change it to " + p.nozzleMm()
                            + " mm first")
                    .distinct()
                    .forEach(w -> out.add(remark(Weight.NOTE, Optional.empty(), w)));
        } else out.add(remark(Weight.NOTE, Optional.empty(),
                "resin: gloves and glasses; wash, dry, cure hard before sanding, wet only; leftovers and wipes are cured before the bin"));
        heat(material);
    }

    private void heat(Material m) {
        if (exposures.isEmpty()) unknownUse(m);
        else knownUse(m);
        if (m.fumes()) out.add(remark(Weight.NOTE, Optional.empty(),
                m.name() + " gives off fumes while printing: closed chamber or air out, nobody sleeping in the room"));
    }

    /** Nobody has said where it goes: the limits are told. */
    private void unknownUse(Material m) {
        var limits = new ArrayList<String>();
        if (m.softensC() < SOFT_C) limits.add(text("softens at %.0f C: not in a hot car, not for hours in the sun", m.softensC()));
        if (!m.sunProof()) limits.add("goes brittle in the sun after months: paint it");
        if (!limits.isEmpty())
            out.add(remark(Weight.NOTE, Optional.empty(), m.name() + " " + String.join("; it ", limits) + "; ASA stands both"));
    }

    private void knownUse(Material m) {
        var hottest = exposures.stream().max(java.util.Comparator.comparingDouble(Exposure::hottestC)).orElseThrow();
        if (m.softensC() < hottest.hottestC() + SOFT_MARGIN_C)
            out.add(remark(Weight.STOP, Optional.empty(),
                    text("%s softens at %.0f C, and %s it gets up to %.0f: it sags; take a material that softens later", m.name(),
                            m.softensC(), hottest.words(), hottest.hottestC()))
                    .fixedBy(Fix.go("choose another", Station.PRINT, "how fine")));
        if (exposures.contains(Exposure.SUN) && !m.sunProof()) out.add(remark(Weight.CARE, Optional.empty(),
                m.name() + " goes brittle in the sun after months: paint all of it with a sun-proof clear, or take ASA"));
        if (exposures.contains(Exposure.CHILDREN) && m.process() == Process.RESIN) out.add(remark(Weight.CARE, Optional.empty(),
                "children near: resin irritates until it is washed, cured right through and sealed; broken edges are sharp"));
    }

    private void section(SectionPrint p) {
        var o = p.orientation();
        var size = o.size();
        boolean held = p.profile().brimMm() >= HOLDS_MM || p.profile().raftLayers() > 0;
        slender(p);
        if (p.profile().process() == Process.RESIN) return;
        if (o.lever() > LEVER && !held) out.add(remark(Weight.CARE, Optional.of(p),
                text("section %s is %.0f mm tall on %.1f cm2: it may come off the bed", p.name(), size.z(), o.footMm2() / 100),
                "brim " + (int) BRIM_MM + " mm", q -> q.withBrimMm(BRIM_MM)));
        else if (o.tipDeg() < TIP_DEG && !held) out.add(remark(Weight.CARE, Optional.of(p),
                text("section %s leans at most %.0f degrees before it tips: another way up, or a brim", p.name(), o.tipDeg()),
                "brim " + (int) BRIM_MM + " mm", q -> q.withBrimMm(BRIM_MM)));
        var material = shop.material(p.profile().material());
        if (material.warp() >= WARPS && o.footMm2() > WARP_FOOT_MM2 && !held) out.add(remark(Weight.CARE, Optional.of(p),
                text("section %s: %s pulls its corners up on a foot of %.0f cm2: brim, closed chamber, no draught", p.name(),
                        material.name(), o.footMm2() / 100),
                "brim " + (int) BRIM_MM + " mm", q -> q.withBrimMm(BRIM_MM)));
        double share = Math.max(size.x() / p.printer().usableX(), size.y() / p.printer().usableY());
        double brimmed = Math.max((size.x() + 2 * p.profile().brimMm()) / p.printer().bedX(),
                (size.y() + 2 * p.profile().brimMm()) / p.printer().bedY());
        if (!p.fits()) return;
        if (brimmed > 1 && p.profile().brimMm() > 0)
            out.add(remark(Weight.CARE, Optional.of(p), text("section %s fits %s, its brim of %.0f mm does not: a narrower brim", p.name(),
                    p.printer().name(), p.profile().brimMm()), "no brim", q -> q.withBrimMm(0)));
        else if (share > EDGE_SHARE) out.add(remark(material.warp() >= WARPS ? Weight.CARE : Weight.NOTE, Optional.of(p),
                text("section %s reaches within %.0f mm of the edge of %s, where the bed is cooler: corners lift there first", p.name(),
                        edge(p), p.printer().name())));
    }

    private static double edge(SectionPrint p) {
        var s = p.orientation().size();
        return Math.max(0, Math.min(p.printer().bedX() - s.x(), p.printer().bedY() - s.y()) / 2);
    }

    /** Two walls on a slender neck or tail snap when it is handled. */
    private void slender(SectionPrint p) {
        var s = p.orientation().size();
        double[] d = {s.x(), s.y(), s.z()};
        java.util.Arrays.sort(d);
        if (d[2] > SLENDER * d[1] && p.profile().walls() < 3 && p.profile().process() == Process.FILAMENT) out.add(remark(Weight.CARE,
                Optional.of(p), text("section %s is slender: %d walls snap when it is handled", p.name(), p.profile().walls()), "4 walls",
                q -> q.withWalls(4)));
    }

    /** Makes a brim that holds. */
    public static Fix brim(SectionPrint p) {
        return profile("brim " + (int) BRIM_MM + " mm", Optional.of(p), q -> q.withBrimMm(BRIM_MM));
    }

    /** A change of one section's profile, or of the prop's and of all that sections have of their own. */
    private static Fix profile(String words, Optional<SectionPrint> of, Fix.Step<Profile> change) {
        var section = of.map(SectionPrint::name);
        return new Fix.Change<>(words, PrintWish.class,
                w -> section.isPresent() ? w.withProfileOf(section.get(), change) : w.everyProfile(change));
    }

    private static Finding remark(Weight weight, Optional<SectionPrint> of, String words) {
        return Finding.of(weight, of.map(p -> Subject.section(p.id())).orElse(Subject.WHOLE), words);
    }

    private static Finding remark(Weight weight, Optional<SectionPrint> of, String words, String fix, Fix.Step<Profile> change) {
        return remark(weight, of, words).fixedBy(profile(fix, of, change));
    }

    private static String text(String format, Object... args) {
        return String.format(Locale.ROOT, format, args);
    }
}
