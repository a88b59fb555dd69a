package yellowbracket.cli;

import java.util.LinkedHashMap;
import java.util.Map;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import yellowbracket.cut.plan.SectionPlan.Aim;

/** The words by which a section plan is asked for. */
final class PlanAim {
    private static final Map<String, Aim> WORDS = new LinkedHashMap<>();

    static {
        WORDS.put("work", Aim.CHEAPEST);
        WORDS.put("fewest", Aim.FEWEST);
        WORDS.put("hidden", Aim.HIDDEN);
        WORDS.put("support", Aim.SUPPORT);
        WORDS.put("every", Aim.EVERY_BED);
        WORDS.put("whole", Aim.WHOLE);
    }

    private PlanAim() {}

    /** @param option its name, for the words of a refusal */
    static Aim of(String option, String word, CommandSpec spec) {
        var aim = WORDS.get(word);
        if (aim != null) return aim;
        throw new ParameterException(spec.commandLine(), option + " " + word + ": one of " + String.join(", ", WORDS.keySet()));
    }
}
