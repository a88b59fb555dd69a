package yellowbracket.join;

import java.util.List;
import java.util.Set;
import yellowbracket.mesh.Vec3;

/**
 * How the prop is taken or laid, and how many times its weight that makes.
 * @param holds sections that are held, worn or hung; empty where any may be
 * @param supports two places it lies on, real mm; empty where it is held
 */
public record LoadCase(Kind kind, double times, Set<String> holds, List<Vec3> supports, JointGroup.Ways ways) {
    /** What is done with it, in words. */
    public enum Kind {
        PICKED("picked up by"), HELD("held in the hand"), WORN("worn"), LYING("lying on its ends"), LEANING("leaned against a wall"),
        HUNG("hung up");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Times its weight: stood on a shelf, taken with care, worn in a crowd: workshop practice. */
    public static final double SHELF = 2, CAREFUL = 3, CROWD = 6;
    /** It is leaned so far off upright, degrees. */
    static final double LEANS_DEG = 20;

    public LoadCase {
        holds = Set.copyOf(holds);
        supports = List.copyOf(supports);
    }

    /** Lifted by whatever comes to hand. */
    public static LoadCase picked(double times) {
        return new LoadCase(Kind.PICKED, times, Set.of(), List.of(), new JointGroup.Ways.Any());
    }

    /** By these sections, and turned about. */
    public static LoadCase held(Kind kind, double times, Set<String> sections) {
        return new LoadCase(kind, times, sections, List.of(), new JointGroup.Ways.Any());
    }

    public static LoadCase hung(double times, Set<String> by) {
        return new LoadCase(Kind.HUNG, times, by, List.of(), new JointGroup.Ways.Along(Vec3.Z.times(-1)));
    }

    /** On two places, its weight across the line between them. */
    public static LoadCase onTwo(Kind kind, double times, Vec3 a, Vec3 b) {
        return new LoadCase(kind, times, Set.of(), List.of(a, b), new JointGroup.Ways.Across(b.minus(a).unit()));
    }
}
