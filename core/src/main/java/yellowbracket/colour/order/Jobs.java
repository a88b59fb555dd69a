package yellowbracket.colour.order;

import java.util.List;

/**
 * What is to be painted, one job a zone, and what each leaves to be masked. {@code masks[i][j]}: on zone j, painted before, while zone i is
 * sprayed; nothing where the spray of i does not come to j.
 */
public record Jobs(List<Job> jobs, Mask[][] masks) {
    /**
     * @param sprayMin by hand for all coats, infinite where it cannot be sprayed @param brushMin the same by brush
     * @param flashH waited between the coats @param tapeH after the last coat before tape may touch it
     * @param lightness 0 to 100: among orders that cost the same, light goes before dark
     */
    public record Job(String name, double sprayMin, double brushMin, double flashH, double tapeH, double lightness) {
        public Job {
            if (!(sprayMin >= 0) || !(brushMin >= 0) || sprayMin == Double.POSITIVE_INFINITY && brushMin == Double.POSITIVE_INFINITY)
                throw new IllegalArgumentException(name + " must be sprayed or brushed");
            if (!(flashH >= 0) || !(tapeH >= 0)) throw new IllegalArgumentException("waits must not be negative");
        }
    }

    /** Tape along the border, film over what lies within reach, and the minutes of both, taking off and touching up included. */
    public record Mask(double tapeM, double filmDm2, double minutes) {
        public static final Mask NONE = new Mask(0, 0, 0);

        public boolean none() {
            return tapeM == 0 && filmDm2 == 0;
        }
    }

    public Jobs {
        jobs = List.copyOf(jobs);
        masks = java.util.Arrays.stream(masks).map(Mask[]::clone).toArray(Mask[][]::new);
        if (masks.length != jobs.size()) throw new IllegalArgumentException("masks for each pair of jobs");
    }

    @Override
    public Mask[][] masks() {
        return java.util.Arrays.stream(masks).map(Mask[]::clone).toArray(Mask[][]::new);
    }

    public int size() {
        return jobs.size();
    }

    public Job job(int i) {
        return jobs.get(i);
    }

    public Mask mask(int sprayed, int on) {
        return masks[sprayed][on];
    }
}
