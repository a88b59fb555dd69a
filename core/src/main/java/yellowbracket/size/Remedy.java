package yellowbracket.size;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.DoubleFunction;
import yellowbracket.search.Threshold;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Vec3;

/**
 * What would let a head pass that does not: a wider neck, a parting, or a larger scale, each the least that does. {@code spareMm}: the room
 * the head then has on its way.
 */
public sealed interface Remedy {
    double spareMm();

    /** For a button: what to do. */
    String words();

    /** The neck opened; lengths of the unscaled model. {@code realMm}: outwards all round, as printed. */
    record WidenNeck(Reshape.Neck neck, double realMm, double spareMm) implements Remedy {
        @Override
        public String words() {
            return String.format(Locale.ROOT, "widen the neck by %.0f mm all round", realMm);
        }
    }

    /** Parted across at {@code y} of the unscaled model: the front hinges up, or the back comes off. */
    record Part(boolean front, double modelY, double spareMm) implements Remedy {
        @Override
        public String words() {
            return front ? "split it and hinge the face" : "split it and make the back come off";
        }
    }

    record Larger(double scale, double spareMm) implements Remedy {
        @Override
        public String words() {
            return String.format(Locale.ROOT, "scale to %.1f %%", 100 * scale);
        }
    }

    /** Room the head should have, mm: a bare pass scrapes. */
    double ENOUGH_MM = 2;
    double MOST_WIDENING_MM = 30;
    /** Poses with less room are on no way that has enough, however it is smoothed, mm. */
    double CARE_MM = ENOUGH_MM - 5;

    /** Nothing when the head passes. A search costs some twenty donnings: keep it off the live path. */
    static List<Remedy> of(HeadField field, Cavity cavity, double scale, Donning now, Progress progress) {
        if (now.passes()) return List.of();
        var worn = now.path().getLast().pose();
        var shell = cavity.shellPoints().thinned();
        var out = new ArrayList<Remedy>();
        widen(field, cavity, shell, scale, now, worn, progress).ifPresent(out::add);
        part(field, cavity, shell, scale, worn, true, progress).ifPresent(out::add);
        part(field, cavity, shell, scale, worn, false, progress).ifPresent(out::add);
        larger(field, shell, scale, worn, progress).ifPresent(out::add);
        return List.copyOf(out);
    }

    private static Optional<Remedy> widen(HeadField field, Cavity cavity, ShellPoints shell, double scale, Donning now, Pose worn,
            Progress progress) {
        double full = Math.max(now.tightest().place().z() / scale + 6, cavity.rimZ() + 10), roof = cavity.roofZ();
        if (full > roof - 60) return Optional.empty();
        double none = Math.min(full + 55, roof - 20);
        DoubleFunction<Donning> with = mm -> {
            var neck = new Reshape.Neck(mm, full, none, cavity.middleY());
            return Donning.of(field, shell.mapped(p -> Optional.of(neck.apply(p))), scale, worn, CARE_MM, progress);
        };
        return least(0, MOST_WIDENING_MM, 0.5, mm -> with.apply(mm).spareMm())
                .map(f -> new WidenNeck(new Reshape.Neck(f.at, full, none, cavity.middleY()), f.at * scale, f.spare));
    }

    private static Optional<Remedy> part(HeadField field, Cavity cavity, ShellPoints shell, double scale, Pose worn, boolean front,
            Progress progress) {
        double reach = 90 / scale, dir = front ? 1 : -1; // here: from the outermost plane inwards, the less comes off the better
        for (double off = reach; off >= -15 / scale; off -= 15 / scale) {
            double y = cavity.middleY() + dir * off;
            var d = Donning.of(field, shell.mapped(p -> (p.y() - y) * dir > 0 ? Optional.<Vec3>empty() : Optional.of(p)), scale, worn,
                    CARE_MM, progress);
            if (d.spareMm() >= ENOUGH_MM) return Optional.of(new Part(front, y, d.spareMm()));
        }
        return Optional.empty();
    }

    private static Optional<Remedy> larger(HeadField field, ShellPoints shell, double scale, Pose worn, Progress progress) {
        return least(scale, 1.5 * scale, 0.004, s -> Donning.of(field, shell, s, worn.grown(s / scale), CARE_MM, progress).spareMm())
                .map(f -> new Larger(Math.ceil(f.at * 500) / 500, f.spare));
    }

    /** A value and the room it gives. */
    record Found(double at, double spare) {}

    /** The least value with enough room, by halving; nothing if even the most has too little. */
    private static Optional<Found> least(double from, double most, double fine, java.util.function.DoubleUnaryOperator spare) {
        if (spare.applyAsDouble(most) < ENOUGH_MM) return Optional.empty();
        double at = Threshold.between(from, most, fine, v -> spare.applyAsDouble(v) >= ENOUGH_MM);
        return Optional.of(new Found(at, spare.applyAsDouble(at)));
    }
}
