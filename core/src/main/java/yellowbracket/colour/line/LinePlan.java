package yellowbracket.colour.line;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.Vec3;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Practice;
import yellowbracket.shop.Usual;

/**
 * What painting lines by hand takes: with each tool that could do it, and in sessions a hand stays steady for.
 * @param lines those painted, real mm @param ways one a tool @param chosen empty when no line is painted, or no tool can
 * @param sessions minutes at work of each @param days on which they are done
 */
public record LinePlan(List<SurfaceLine> lines, List<Way> ways, Optional<Way> chosen, List<Double> sessions, int days,
        List<Finding> findings) {
    public static final LinePlan NONE = new LinePlan(List.of(), List.of(), Optional.empty(), List.of(), 0, List.of());
    /** A marker hides on what is lighter by this, L*. */
    private static final double LIGHTER = 15;
    /** Tape bends no tighter, and does not seal in what is deeper than this share of its width. */
    private static final double TAPE_RADIUS_MM = 12, TAPE_DEEP = 0.3, OVER_MM = 8;
    /** A coat by a liner brush goes so far to its colour. */
    public static final double BRUSH_SHARE = 0.75;
    /** Laying out: paint thinned and tried, marker run in, tape cut. */
    private static final double LAY_OUT_MIN = 8;
    /** Paint on a line, ml for each metre and mm of width. */
    private static final double ML_M_MM = 0.12;
    /** More passes by brush are not worth it. */
    private static final int MOST_PASSES = 4;
    private static final int MOST_FORKS = 40;
    /** The prop takes so many times as long as a strip says, or as little: starting value. */
    private static final double ONE_STRIP = 1.25;

    /**
     * With one tool.
     * @param minutes of work, breaks not counted, from {@code least} to {@code most} @param sprayMin of them at the can, behind the tape
     * @param measured whether this maker's own strips tell @param why it cannot, or empty
     */
    public record Way(LineTool tool, double minutes, double least, double most, int passes, double sprayMin, boolean measured, String why) {
        public boolean works() {
            return why.isEmpty();
        }
    }

    public LinePlan {
        lines = List.copyOf(lines);
        ways = List.copyOf(ways);
        sessions = List.copyOf(sessions);
        findings = List.copyOf(findings);
    }

    public double lengthMm() {
        return lines.stream().mapToDouble(SurfaceLine::lengthMm).sum();
    }

    /** Of paint or ink. */
    public double ml() {
        int passes = chosen.map(Way::passes).orElse(0);
        return passes * lines.stream().mapToDouble(l -> l.lengthMm() / 1000 * l.widthMm() * ML_M_MM).sum();
    }

    /** At work, breaks not counted. */
    public double hours() {
        return sessions.stream().mapToDouble(x -> x).sum() / 60;
    }

    /**
     * @param lines painted, real mm @param base colour beneath a place, {@code #rrggbb}
     * @param coats by brush that hide such a colour
     */
    public static LinePlan of(List<SurfaceLine> lines, LineWish wish, Function<Vec3, String> base, ToIntFunction<String> coats,
            Catalogue shop) {
        if (lines.isEmpty() || wish.none()) return NONE;
        var findings = new ArrayList<Finding>();
        var on = lines.stream().map(l -> base.apply(l.at())).distinct().toList();
        var ways = new ArrayList<Way>();
        for (var t : LineTool.values()) ways.add(way(t, lines, wish, on, coats, shop));
        var chosen = wish.tool()
                .flatMap(t -> ways.stream().filter(w -> w.tool() == t).findFirst())
                .or(() -> ways.stream().filter(Way::works).min(java.util.Comparator.comparingDouble(Way::minutes)));
        chosen.filter(w -> !w.works())
                .ifPresent(w -> findings.add(Finding.of(Weight.CARE, Subject.WHOLE, "lines by %s: %s", w.tool().words(), w.why())));
        double work = chosen.map(w -> w.minutes() - w.sprayMin()).orElse(0.0);
        double each = shop.usual(Practice.LINE_SESSION_MIN), pause = shop.usual(Practice.LINE_BREAK_MIN),
                day = 60 * shop.usual(Practice.LINES_DAY_H);
        int count = (int) Math.ceil(work / each - 1e-9);
        var sessions = new ArrayList<Double>();
        for (int i = 0; i < count; i++) sessions.add(work / count);
        int perDay = Math.max(1, (int) Math.floor((day + pause) / (each + pause)));
        if (chosen.filter(w -> !w.measured()).isPresent())
            findings.add(Finding.note("minutes for lines are a starting value: paint 20 cm of "
                    + "the same groove on a test strip against the clock, and tell it"));
        if (chosen.filter(w -> w.passes() >= MOST_PASSES).isPresent()) findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                "%d passes to hide what is beneath the lines: spray them first and mask, or take another colour", chosen.get().passes()));
        lines.stream()
                .filter(l -> l.runs().size() > MOST_FORKS)
                .findFirst()
                .ifPresent(l -> findings.add(Finding.of(Weight.CARE, Subject.WHOLE,
                        "a %s of %d arms is more likely a rough surface than a line: leave it out, or smooth the model", l.kind().words(),
                        l.runs().size())));
        return new LinePlan(lines, ways, chosen, sessions, (count + perDay - 1) / perDay, findings);
    }

    private static Way way(LineTool t, List<SurfaceLine> lines, LineWish wish, List<String> on, ToIntFunction<String> coats,
            Catalogue shop) {
        double metres = lines.stream().mapToDouble(SurfaceLine::lengthMm).sum() / 1000;
        var own = wish.strips().stream().filter(s -> s.tool() == t).toList();
        double ownMm = own.stream().mapToDouble(LineWish.Strip::lengthMm).sum();
        var perM = ownMm > 0 ? told(own, ownMm) : usual(t, shop);
        int passes = t == LineTool.MARKER ? 1 : on.stream().mapToInt(coats).max().orElse(1);
        passes = Math.clamp(passes, 1, MOST_PASSES);
        // here: tape is laid once for all passes; a strip was painted with as many passes as it took
        double times = t == LineTool.BRUSH && ownMm == 0 ? passes : 1;
        double spray = t == LineTool.TAPE ? passes * 60 * shop.usual(Practice.COAT_SETUP_H) : 0, still = LAY_OUT_MIN + spray;
        return new Way(t, still + metres * perM.value() * times, still + metres * perM.least() * times,
                still + metres * perM.most() * times, passes, spray, ownMm > 0, why(t, lines, wish, on));
    }

    /** Minutes a metre by strips: as far apart as they are, or as far as one is likely off. */
    private static Usual told(List<LineWish.Strip> own, double ownMm) {
        double mean = own.stream().mapToDouble(LineWish.Strip::minutes).sum() / (ownMm / 1000);
        var each = own.stream().mapToDouble(s -> s.minutes() / (s.lengthMm() / 1000)).summaryStatistics();
        return new Usual(mean, Math.min(each.getMin(), mean / ONE_STRIP), Math.max(each.getMax(), mean * ONE_STRIP));
    }

    /** Minutes a metre. */
    private static Usual usual(LineTool t, Catalogue shop) {
        return switch (t) {
            case BRUSH -> shop.practice(Practice.LINE_BRUSH_MIN_M);
            case MARKER -> shop.practice(Practice.LINE_MARKER_MIN_M);
            case TAPE -> {
                var tape = shop.practice(Practice.TAPE_TIGHT_MIN_M);
                var leaks = shop.practice(Practice.TOUCH_UP_MIN_M);
                yield new Usual(2 * (tape.value() + leaks.value()), 2 * (tape.least() + leaks.least()), 2 * (tape.most() + leaks.most()));
            }
        };
    }

    private static String why(LineTool t, List<SurfaceLine> lines, LineWish wish, List<String> on) {
        if (t == LineTool.MARKER) {
            double ink = Lab.ofHex(wish.hex()).l();
            if (on.stream().anyMatch(b -> Lab.ofHex(b).l() < ink + LIGHTER))
                return "its ink does not hide on what is as dark or darker: take a brush";
        }
        if (t == LineTool.TAPE) {
            long deep = lines.stream().filter(l -> l.depthMm() > TAPE_DEEP * l.widthMm() && l.kind() == SurfaceLine.Kind.GROOVE).count();
            if (deep > 0)
                return deep + (deep == 1 ? " groove is" : " grooves are") + " too deep: paint creeps under tape that bridges them";
            long tight = lines.stream().filter(l -> l.leastRadiusMm(OVER_MM) < TAPE_RADIUS_MM).count();
            if (tight > 0)
                return String.format(Locale.ROOT, "%d bend tighter than the %.0f mm that fine tape follows", tight, TAPE_RADIUS_MM);
        }
        return "";
    }
}
