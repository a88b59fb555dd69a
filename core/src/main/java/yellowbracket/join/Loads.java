package yellowbracket.join;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yellowbracket.mesh.Vec3;

/**
 * What each seam must bear: for every way in which seams part the prop in two halves, the half that is not held hangs on the bonds between
 * them. Looked at are each section against the rest, and what lies beyond each cut; a ring of seams shares its load.
 */
public final class Loads {
    /** N for a gram. */
    public static final double GRAVITY = 9.81e-3;
    /** Less is not worth a second look, MPa. */
    private static final double HARDLY_MPA = 0.03;
    /** Bonds of a group of which every choice is tried. */
    private static final int ALL_TRIED = 5;

    /**
     * What a seam must bear.
     * @param mpa shear that does as much harm, at its worst place @param by how the prop is taken @param held what is held, in words
     * @param way of the pull that hurts most @param freeGrams hang on it @param newton of the pull, handling included
     * @param bendingNmm about the middle of the bonds, {@code torsionNmm} round the seam's normal
     */
    public record Demand(String seam, double mpa, LoadCase.Kind by, String held, Vec3 way, double freeGrams, double newton,
            double bendingNmm, double torsionNmm) {
        static Demand none(String seam) {
            return new Demand(seam, 0, LoadCase.Kind.PICKED, "", Vec3.Z, 0, 0, 0, 0);
        }

        /** {@code held in the hand, pulled down at the far end}: the case that governs. */
        public String words() {
            return by == LoadCase.Kind.PICKED ? "picked up by " + held : by.words();
        }
    }

    /** A bond and what it joins; bonds of one cut have one {@code group}. */
    public record Joined(Bond bond, String first, String second, int group) {}

    private final Map<String, Weighed> parts = new LinkedHashMap<>();
    private final List<Joined> joints;

    public Loads(Collection<Weighed> parts, List<Joined> joints) {
        parts.forEach(p -> this.parts.put(p.name(), p));
        this.joints = List.copyOf(joints);
    }

    /** The worst for each seam over all cases, by seam name. */
    public Map<String, Demand> demands(List<LoadCase> cases) {
        var out = new HashMap<String, Demand>();
        joints.forEach(j -> out.put(j.bond.seam(), Demand.none(j.bond.seam())));
        for (var half : halves()) {
            var rest = rest(half);
            var between = between(half, rest);
            var group = new JointGroup(between);
            for (var c : cases) bear(half, rest, group, c, out);
        }
        return out;
    }

    /** What the bond between two parts must bear; nothing where they hang together some other way too. */
    Optional<Demand> demand(String one, String other, List<LoadCase> cases) {
        var ends = Set.of(one, other);
        var half = reached(one, joints.stream().filter(j -> !ends.equals(Set.of(j.first, j.second))).toList());
        if (half.contains(other)) return Optional.empty();
        var rest = rest(half);
        var group = new JointGroup(between(half, rest));
        var out = new HashMap<String, Demand>();
        group.bonds().forEach(b -> out.put(b.seam(), Demand.none(b.seam())));
        for (var c : cases) bear(half, rest, group, c, out);
        return out.values().stream().findFirst();
    }

    /** Sets of parts that the bonds around them could let go of. */
    private List<Set<String>> halves() {
        var out = new java.util.LinkedHashSet<Set<String>>();
        if (joints.isEmpty()) return List.of();
        for (var name : parts.keySet())
            if (joints.stream().anyMatch(j -> j.first.equals(name) || j.second.equals(name))) out.add(Set.of(name));
        var groups = new TreeSet<Integer>();
        joints.forEach(j -> groups.add(j.group));
        for (int g : groups) {
            var left = joints.stream().filter(j -> j.group != g).toList();
            var ends = new HashSet<String>();
            joints.stream().filter(j -> j.group == g).forEach(j -> {
                ends.add(j.first);
                ends.add(j.second);
            });
            for (var e : ends) out.add(reached(e, left));
        }
        out.removeIf(h -> rest(h).isEmpty());
        return List.copyOf(out);
    }

    private static Set<String> reached(String from, List<Joined> by) {
        var out = new HashSet<>(Set.of(from));
        boolean more = true;
        while (more) {
            more = false;
            for (var j : by) if (out.contains(j.first) != out.contains(j.second)) {
                out.add(j.first);
                out.add(j.second);
                more = true;
            }
        }
        return out;
    }

    /** What hangs together with a half and is not in it. */
    private Set<String> rest(Set<String> half) {
        var out = new HashSet<>(reached(half.iterator().next(), joints));
        out.removeAll(half);
        return out;
    }

    private List<Bond> between(Set<String> one, Set<String> other) {
        return joints.stream()
                .filter(j -> one.contains(j.first) && other.contains(j.second) || other.contains(j.first) && one.contains(j.second))
                .map(Joined::bond)
                .toList();
    }

    private void bear(Set<String> half, Set<String> rest, JointGroup group, LoadCase c, Map<String, Demand> out) {
        switch (c.kind()) {
            case PICKED -> {
                hang(half, group, c, held(rest), weight(half), out);
                hang(rest, group, c, held(half), weight(rest), out);
            }
            case HELD, WORN, HUNG -> {
                boolean one = half.stream().anyMatch(c.holds()::contains), other = rest.stream().anyMatch(c.holds()::contains);
                if (one != other) hang(one ? rest : half, group, c, "", weight(one ? rest : half), out);
            }
            case LYING, LEANING -> hang(half, group, c, "", weight(half).plus(supports(half, c)), out);
        }
    }

    private static String held(Set<String> half) {
        return half.size() == 1 ? half.iterator().next() : "the other end";
    }

    private JointGroup.Pull weight(Set<String> half) {
        var p = new JointGroup.Pull(0, Vec3.ZERO);
        for (var n : half) p = p.plus(JointGroup.Pull.at(GRAVITY * parts.get(n).grams(), parts.get(n).at()));
        return p;
    }

    /** What the supports under a half push back. */
    private JointGroup.Pull supports(Set<String> half, LoadCase c) {
        var all = new HashSet<>(half);
        all.addAll(rest(half));
        var whole = weight(all);
        Vec3 a = c.supports().get(0), b = c.supports().get(1), axis = b.minus(a).unit();
        double far = axis.dot(b.minus(a)), at = axis.dot(whole.moment()) / Math.max(1e-12, whole.newton()) - axis.dot(a);
        double onB = whole.newton() * at / far, onA = whole.newton() - onB;
        var p = new JointGroup.Pull(0, Vec3.ZERO);
        if (half.contains(nearest(a, axis, all))) p = p.plus(JointGroup.Pull.at(-onA, a));
        if (half.contains(nearest(b, axis, all))) p = p.plus(JointGroup.Pull.at(-onB, b));
        return p;
    }

    /** Which part lies on a support: by their middles along the line. */
    private String nearest(Vec3 place, Vec3 axis, Set<String> all) {
        return all.stream()
                .min(java.util.Comparator.<String>comparingDouble(n -> Math.abs(axis.dot(parts.get(n).at().minus(place))))
                        .thenComparing(java.util.Comparator.naturalOrder()))
                .orElseThrow();
    }

    private void hang(Set<String> free, JointGroup group, LoadCase c, String held, JointGroup.Pull plain, Map<String, Demand> out) {
        double k = c.times();
        var pull = new JointGroup.Pull(plain.newton() * k, plain.moment().times(k));
        var own = group.bonds().stream().map(b -> group.worst(b, pull, c.ways())).toList();
        double all = own.stream().mapToDouble(JointGroup.Stress::mpa).max().orElse(0), shared = -1;
        double grams = free.stream().mapToDouble(n -> parts.get(n).grams()).sum();
        for (int i = 0; i < own.size(); i++) {
            var b = group.bonds().get(i);
            if (own.get(i).mpa() <= out.get(b.seam()).mpa) continue; // worse is known of it
            if (shared < 0) shared = shared(group, pull, c.ways(), all);
            double mpa = Math.min(own.get(i).mpa(), shared);
            if (mpa <= out.get(b.seam()).mpa) continue;
            var arm = pull.moment().minus(group.centre().times(pull.newton()));
            var moment = arm.cross(own.get(i).way());
            double torsion = b.rim().isEmpty() ? 0 : Math.abs(moment.dot(b.rim().getFirst().normal()));
            out.put(b.seam(), new Demand(b.seam(), mpa, c.kind(), held, own.get(i).way(), grams, Math.abs(pull.newton()),
                    Math.sqrt(Math.max(0, moment.dot(moment) - torsion * torsion)), torsion));
        }
    }

    /**
     * Of several bonds some may do without the others: what the best choice of them has to bear is enough, whatever becomes of the rest. So
     * a bond more never makes a joint weaker.
     */
    private static double shared(JointGroup group, JointGroup.Pull pull, JointGroup.Ways ways, double all) {
        var bonds = group.bonds();
        int n = bonds.size();
        if (n < 2 || all < HARDLY_MPA) return all;
        double best = all;
        if (n <= ALL_TRIED) {
            for (int bits = 1; bits < (1 << n) - 1; bits++) best = Math.min(best, of(bonds, bits, pull, ways));
            return best;
        }
        for (int i = 0; i < n; i++) {
            var without = new ArrayList<>(bonds);
            without.remove(i);
            best = Math.min(best, new JointGroup(without).worst(pull, ways).mpa());
            best = Math.min(best, new JointGroup(List.of(bonds.get(i))).worst(pull, ways).mpa());
        }
        return best;
    }

    private static double of(List<Bond> bonds, int bits, JointGroup.Pull pull, JointGroup.Ways ways) {
        var some = new ArrayList<Bond>();
        for (int i = 0; i < bonds.size(); i++) if ((bits >> i & 1) == 1) some.add(bonds.get(i));
        return new JointGroup(some).worst(pull, ways).mpa();
    }
}
