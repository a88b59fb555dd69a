package yellowbracket.derive.join;

import java.util.stream.Collectors;
import yellowbracket.derive.Figure;
import yellowbracket.derive.Reads;
import yellowbracket.derive.cut.CutFigures;
import yellowbracket.derive.print.PrintFigures;
import yellowbracket.document.Build;
import yellowbracket.join.JoinPlan;
import yellowbracket.size.Exposure;

/** How the seams are joined. */
public final class JoinFigures {
    public static final Figure<JoinPlan> JOINS = Figure.ofProp("joins", JoinPlan.class, JoinFigures::joins);

    private JoinFigures() {}

    private static JoinPlan joins(Reads in) {
        var sections = in.get(CutFigures.SECTIONS);
        var grams = in.get(PrintFigures.PRINTS).prints().stream().collect(Collectors.toMap(q -> q.name(), q -> q.estimate().grams()));
        return JoinPlan.of(sections.sections(), sections.seams(), grams, in.of(p -> p.print().profile().material()),
                in.build(Build::shopCelsius), in.of(p -> Exposure.hottestC(p.size().exposures())), in.of(p -> p.join().products()),
                in.shop(s -> s));
    }
}
