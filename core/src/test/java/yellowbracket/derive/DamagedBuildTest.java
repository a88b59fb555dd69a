package yellowbracket.derive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowbracket.derive.all.Everything;
import yellowbracket.device.SimulatedWeather;
import yellowbracket.document.Build;
import yellowbracket.document.BuildJson;
import yellowbracket.document.Mutation;
import yellowbracket.document.SmallBuild;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;

/** A damaged build that opens all the same is worked out, or says in words what cannot be; {@code -Dfuzz=2000} for more of them. */
class DamagedBuildTest {
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final Clock CLOCK = Clock.fixed(LocalDate.of(2026, 3, 30).atTime(18, 0).toInstant(ZoneOffset.UTC), ZoneOffset.UTC);

    @Test
    void whatOpensIsWorkedOutOrSaysWhyNot() throws IOException {
        var random = new Random(Integer.getInteger("seed", 21));
        int opened = 0, cases = Integer.getInteger("fuzz", 120);
        var memo = new Memo();
        for (int i = 0; i < cases; i++) {
            var root = JSON.readTree(BuildJson.write(SmallBuild.build()));
            Mutation.of(root.path("build"), random);
            Build build;
            try {
                build = BuildJson.read(root.toString());
            } catch (BuildJson.Unreadable e) {
                continue;
            }
            opened++;
            var wants = Everything.wants(build, build.props().isEmpty() ? "" : build.props().getFirst().id());
            var world = new World(build, SmallBuild.meshes(), Catalogue.builtIn(), new SimulatedWeather(3), Workings.rounded(CLOCK));
            var derived = assertTimeoutPreemptively(Duration.ofMinutes(2), () -> Workings.derive(world, wants, memo, Progress.NONE),
                    () -> "does not end: " + root);
            for (var w : wants) {
                assertThat(derived.state(w.figure(), w.prop())).as("%s of %s", w.figure(), root).isNotEqualTo(Derived.State.WORKING);
                assertThat(derived.reason(w.figure(), w.prop())).as("case %d, %s: %s", i, w.figure(), root)
                        .doesNotContain("Cannot invoke", "null", "java.", "Exception", "because", "Index ", "NaN", "Infinity");
            }
        }
        assertThat(opened).isGreaterThan(cases / 15);
    }
}
