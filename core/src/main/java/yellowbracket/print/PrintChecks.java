package yellowbracket.print;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Fix;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Process;

/**
 * What is looked for in one section before it is printed the way it is planned: support that stays in, details that do not print, resin
 * that stays in. Slower than rules; each takes some tenths of a second.
 */
public record PrintChecks(SupportReach support, ThinFeatures thin, Optional<Hollows> hollows, Optional<Raft> raft, List<Finding> findings) {
    /** Of lost and closed detail less is not worth a word, mm2. */
    private static final double TOLD_MM2 = 3;
    /** A scar that is sanded anyway, mm2. */
    private static final double SCAR_MM2 = 50;
    /** Less drips off by itself, mm3. */
    private static final double POOL_MM3 = 2000;
    /** A cup wider than this may tear the print off its plate, mm2. */
    private static final double WIDE_CUP_MM2 = 600;

    public PrintChecks {
        findings = List.copyOf(findings);
    }

    /** @param section real mm @param seen by facet: on the show side @param scale of the prop */
    public static PrintChecks of(Mesh section, SectionPrint p, boolean[] seen, double scale) {
        var turn = p.orientation().turn();
        var profile = p.profile();
        var support = SupportReach.of(section, turn, profile.supportAngleDeg());
        boolean resin = profile.process() == Process.RESIN;
        // a resin printer draws with pixels: what it shows is as wide as some of them
        double line = resin ? profile.layerMm() * 2 : profile.lineWidthMm();
        var thin = ThinFeatures.of(section, Bvh.of(section), turn.row2(), line, profile.layerMm());
        var hollows = resin ? Optional.of(Hollows.of(section, turn)) : Optional.<Hollows>empty();
        var out = new ArrayList<Finding>();
        told(p, support, out);
        told(p, thin, line, out);
        hollows.ifPresent(h -> told(p, h, q -> Drains.propose(section, turn, q, seen, scale), out));
        var raft = Raft.of(section, p, seen);
        raft.ifPresent(r -> told(p, r, out));
        return new PrintChecks(support, thin, hollows, raft, out);
    }

    private static void told(SectionPrint p, SupportReach s, List<Finding> out) {
        if (s.tellsUnreachable()) out.add(care(p,
                "section %s: %.1f cm\u00b2 of support sits where no tool of %.0f mm gets: another way up, cut it open, or leave it in",
                p.name(), s.unreachableMm2() / 100, SupportReach.TOOL_MM));
        if (s.tellsFragile()) out.add(care(p,
                "section %s: %.1f cm\u00b2 of support holds details or edges under %.0f mm, which chip as it comes off: another way up, or "
                        + "print the detail apart",
                p.name(), s.fragileMm2() / 100, SupportReach.THIN_MM));
    }

    private static void told(SectionPrint p, ThinFeatures t, double line, List<Finding> out) {
        if (t.lostMm2() >= TOLD_MM2) out.add(care(p,
                "section %s: details of %.2f mm will not print with lines of %.2f mm (%s): a smaller nozzle, more scale, or thicken them",
                p.name(), least(t, ThinFeatures.Fate.LOST), line, places(t, ThinFeatures.Fate.LOST)));
        if (t.closedMm2() >= TOLD_MM2) out.add(note(p, "section %s: gaps down to %.2f mm close up (%s)", p.name(),
                least(t, ThinFeatures.Fate.CLOSED), places(t, ThinFeatures.Fate.CLOSED)));
        if (t.weakMm2() >= TOLD_MM2) out.add(note(p, "section %s: details down to %.2f mm print as a single line and snap easily (%s)",
                p.name(), least(t, ThinFeatures.Fate.WEAK), places(t, ThinFeatures.Fate.WEAK)));
    }

    private static double least(ThinFeatures t, ThinFeatures.Fate fate) {
        return t.spots().stream().filter(s -> s.fate() == fate).mapToDouble(ThinFeatures.Spot::mm).min().orElse(0);
    }

    private static String places(ThinFeatures t, ThinFeatures.Fate fate) {
        long n = t.spots().stream().filter(s -> s.fate() == fate).count();
        return n == 1 ? "1 place" : n + " places";
    }

    private static void told(SectionPrint p, Hollows h, Function<Hollows.Hollow, List<Drain>> places, List<Finding> out) {
        for (var q : h.trapped()) {
            var f = Finding.of(Weight.STOP, Subject.section(p.id()),
                    q.holes().isEmpty() ? "section %s: a closed cavity traps %.0f ml of liquid resin, which bursts the print later"
                            : "section %s: a hollow of %.0f ml does not drain: it wants two holes of " + (int) Hollows.DRAIN_MM
                                    + " mm, it has " + wide(q),
                    p.name(), q.volumeMm3() / 1000);
            var drains = places.apply(q);
            out.add(drains.isEmpty() ? f
                    : f.fixedBy(new Fix.Change<>(drains.size() == 1 ? "cut a drain hole" : "cut two drain holes", PrintWish.class,
                            w -> w.withDrains(p.name(), drains))));
        }
        hanging(p, h, out);
        for (var c : h.cups()) out.add(Finding.of(c.areaMm2() > WIDE_CUP_MM2 ? Weight.CARE : Weight.NOTE, Subject.section(p.id()),
                "section %s: a cup of %.0f cm\u00b2 sucks at the film this way up: a hole near its closed end, or another way up", p.name(),
                c.areaMm2() / 100));
    }

    /** What closed and narrow hollows keep is told with them. */
    private static void hanging(SectionPrint p, Hollows h, List<Finding> out) {
        double open = h.hangingMm3() - h.trapped().stream().mapToDouble(Hollows.Hollow::volumeMm3).sum();
        if (open > POOL_MM3) out.add(note(p,
                "section %s keeps %.0f ml as it hangs from the plate: tilt it over the vat before it comes off", p.name(), open / 1000));
    }

    private static void told(SectionPrint p, Raft r, List<Finding> out) {
        Fix brim = new Fix.Change<>("brim instead", PrintWish.class,
                w -> w.withProfileOf(p.name(), q -> q.withRaftLayers(0).withBrimMm(PrintRules.BRIM_MM)));
        if (!r.fits())
            out.add(care(p, "section %s fits %s, its raft of %.0f x %.0f mm does not", p.name(), p.printer().name(), r.wideMm(), r.deepMm())
                    .fixedBy(brim));
        if (r.seenMm2() > SCAR_MM2) out.add(
                care(p, "section %s: the raft leaves %.1f cm\u00b2 of rough underside where it is seen: a brim, or " + "a hidden face down",
                        p.name(), r.seenMm2() / 100).fixedBy(brim));
    }

    private static String wide(Hollows.Hollow q) {
        return String.join(" and ", q.holes().stream().map(o -> String.format(Locale.ROOT, "one of %.1f", o.diameterMm())).toList());
    }

    private static Finding care(SectionPrint p, String format, Object... values) {
        return Finding.of(Weight.CARE, Subject.section(p.id()), format, values);
    }

    private static Finding note(SectionPrint p, String format, Object... values) {
        return Finding.of(Weight.NOTE, Subject.section(p.id()), format, values);
    }
}
