package yellowbracket.bench;

import java.util.TreeMap;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/**
 * Runs the benchmarks and prints each beside its reference: {@code workReference}, else the {@code reference} of its class. An argument
 * picks those whose name holds it.
 */
public final class Main {
    private Main() {}

    public static void main(String[] args) throws RunnerException {
        var options = new OptionsBuilder().include("yellowbracket\\.bench\\..*" + (args.length > 0 ? args[0] : "") + ".*").build();
        var scores = new TreeMap<String, Double>();
        for (var r : new Runner(options).run()) scores.put(r.getParams().getBenchmark(), r.getPrimaryResult().getScore());
        System.out.printf("%n%-22s %12s %14s %10s%n", "work", "ms", "reference ms", "ratio");
        scores.forEach((name, ms) -> {
            int dot = name.lastIndexOf('.') + 1;
            Double reference = scores.getOrDefault(name + "Reference", scores.get(name.substring(0, dot) + "reference"));
            boolean work = !name.endsWith("eference");
            if (work && reference != null)
                System.out.printf("%-22s %12.3f %14.3f %10.2f%n", name.substring(dot), ms, reference, ms / reference);
        });
    }
}
