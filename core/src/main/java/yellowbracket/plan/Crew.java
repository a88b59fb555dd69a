package yellowbracket.plan;

import java.util.List;

/** Who works when, and how: the maker, who can do everything, and those who help. */
public record Crew(WorkHours maker, List<Helper> helpers, WorkRules rules) {
    public Crew {
        helpers = List.copyOf(helpers);
    }

    public static Crew alone(WorkHours hours) {
        return new Crew(hours, List.of(), WorkRules.USUAL);
    }

    public Crew withMaker(WorkHours hours) {
        return new Crew(hours, helpers, rules);
    }
}
