package yellowbracket.log;

import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowbracket.work.Station;
import yellowbracket.work.Task;
import yellowbracket.work.TaskId;

/** Hours told against hours that it took, job by job as they were done. */
public record Tally(List<Job> jobs) {
    /** Of the standard normal distribution: four fifths lie within. */
    private static final double Z80 = 1.2816;

    /**
     * @param toldH what was told before it began, else what the catalogue says @param tookH as logged @param within whether it took what
     * was
     * told, give or take what was said to be unsure @param outlier so far off that it teaches less
     */
    public record Job(TaskId task, String name, Station station, LocalDateTime at, double toldH, double tookH, boolean within,
            boolean outlier) {}

    /** Sums of one station. */
    public record Sum(double toldH, double tookH, int jobs) {
        Sum with(Job j) {
            return new Sum(toldH + j.toldH, tookH + j.tookH, jobs + 1);
        }
    }

    public Tally {
        jobs = List.copyOf(jobs);
    }

    /** @param planned tasks at this maker's rates @param stated the same by the catalogue */
    public static Tally of(List<Entry> log, List<Task> planned, List<Task> stated) {
        var now = byId(planned);
        var plain = byId(stated);
        var rates = new Rates(Map.of());
        var out = new ArrayList<Job>();
        for (var e : log) {
            if (e.kind() != Entry.Kind.DONE || !(e.hours() > 0) || e.task().isEmpty()) continue;
            var t = now.get(e.task().get());
            if (t == null || !(t.activeH() > 0)) continue;
            double catalogueH = plain.getOrDefault(t.id(), t).activeH();
            double told = e.planned().orElse(catalogueH), spread = t.effort().spread();
            boolean hand = t.resource() != Task.Resource.PRINTER;
            boolean within = Math.abs(Math.log(e.hours() / told)) <= Z80 * spread;
            out.add(new Job(t.id(), t.name(), t.station(), e.at(), told, e.hours(), within,
                    hand && rates.outlier(t, e.hours(), catalogueH)));
            if (hand) rates = rates.with(t, e.hours(), catalogueH);
        }
        return new Tally(out);
    }

    private static Map<TaskId, Task> byId(List<Task> tasks) {
        var out = new HashMap<TaskId, Task>();
        tasks.forEach(t -> out.put(t.id(), t));
        return out;
    }

    public Map<Station, Sum> byStation() {
        var out = new EnumMap<Station, Sum>(Station.class);
        for (var j : jobs) out.merge(j.station, new Sum(j.toldH, j.tookH, 1), (a, b) -> a.with(j));
        return out;
    }

    public double tookH() {
        return jobs.stream().mapToDouble(Job::tookH).sum();
    }

    public double toldH() {
        return jobs.stream().mapToDouble(Job::toldH).sum();
    }

    /** How often it took what was told, give or take; 0.8 was said. */
    public double calibration() {
        return jobs.isEmpty() ? 0 : (double) jobs.stream().filter(Job::within).count() / jobs.size();
    }
}
