package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.cut.Letters;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.log.Entry;
import yellowbracket.log.Lessons;
import yellowbracket.mesh.Progress;
import yellowbracket.print.FailureKind;
import yellowbracket.size.Reshape;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothWish;
import yellowbracket.work.SectionId;
import yellowbracket.work.TaskId;

/** Files as the program wrote them under each schema before this one: a helm of six sections, a staff of four, a mask of one. */
class OldFilesTest {
    private static BuildFile.Outcome.Opened open(int schema) {
        var file = Path.of("src/test/resources/yellowbracket/document/schema-" + schema + ".bracket");
        return (BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15})
    void decisionsGoToTheirStations(int schema) {
        var b = open(schema).build();
        assertThat(b.name()).isEqualTo("Tide Warden");
        assertThat(b.demo()).isTrue();
        assertThat(b.props()).extracting(Prop::id).containsExactly("helm", "staff", "mask");
        var helm = b.prop("helm").orElseThrow();
        assertThat(helm.size().scale()).isEqualTo(1.04);
        assertThat(helm.size().wearers()).containsExactly("Maren", "Iven");
        assertThat(helm.size().reshape()).isEqualTo(Reshape.NONE);
        assertThat(helm.cut().tree().planeCount()).isEqualTo(4);
        assertThat(helm.cut().revision()).isZero();
        assertThat(helm.print().profile().name()).isEqualTo("usual");
        assertThat(helm.print().profile().lineWidthMm()).isEqualTo(0.44);
        assertThat(helm.smooth()).isEqualTo(SmoothWish.USUAL);
        assertThat(helm.colour().zones()).hasSize(5);
        assertThat(helm.colour().seal()).isEqualTo("matt clear");
        assertThat(b.prop("staff").orElseThrow().cut().registration().usual())
                .isEqualTo(schema < 4 ? RegistrationKind.PLAIN : RegistrationKind.RODS);
        assertThat(b.prop("mask").orElseThrow().smooth().school()).isEqualTo(School.UV_RESIN_FIRST);
        assertThat(b.wearers()).hasSize(2);
        assertThat(b.stock()).isNotEmpty();
    }

    /** Letters ran on from prop to prop, over sections as they were really cut: planes alone would count five for the helm. */
    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15})
    void lettersStayOnTheSectionsThatHadThem(int schema) {
        var b = open(schema).build();
        var blocks = new TreeMap<String, List<Letters.Run>>();
        b.props().forEach(p -> blocks.put(p.id(), p.letters().runs()));
        assertThat(blocks).isEqualTo(Map.of("helm", List.of(new Letters.Run(0, 6)), "staff", List.of(new Letters.Run(6, 4)), "mask",
                List.of(new Letters.Run(10, 1))));
        assertThat(b.section("F")).contains(new SectionId("helm", "F"));
        assertThat(b.section("G")).contains(new SectionId("staff", "G"));
        assertThat(b.section("K")).contains(new SectionId("mask", "K"));
        assertThat(b.section("L")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15})
    void theLogGoesOnToSpeakOfTheSameThings(int schema) {
        var b = open(schema).build();
        var facts = Lessons.facts(b.log(), b);
        assertThat(facts.done()).containsKeys(TaskId.size("helm"), TaskId.cut("staff"), TaskId.of("print:helm/C"),
                TaskId.of("print:staff/H"), TaskId.of("clean:staff/G"), TaskId.of("dryfit:staff"), TaskId.of("join:staff:1"),
                TaskId.of("print:mask/K"), TaskId.of("smooth:mask:2"));
        assertThat(facts.failures()).isEqualTo(
                schema < 4 ? Map.of(TaskId.of("print:helm/B"), 1) : Map.of(TaskId.of("print:helm/C"), 1, TaskId.of("print:helm/D"), 1));
        assertThat(facts.spent()).isPositive();
        assertThat(b.log()).filteredOn(e -> e.kind() == Entry.Kind.FAILED)
                .extracting(e -> e.failure().orElseThrow())
                .startsWith(FailureKind.CAME_OFF);
        assertThat(b.log()).filteredOn(e -> e.kind() == Entry.Kind.LESSON).singleElement().satisfies(e -> {
            assertThat(e.lesson()).contains("brim 8 mm on tall sections");
            assertThat(e.tags()).containsExactly("mid-bed");
        });
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15})
    void savedAgainTheyAreOfTodayAndTheSame(int schema, @TempDir Path dir) throws Exception {
        var o = open(schema);
        var file = dir.resolve("again.bracket");
        BuildFile.write(file, o.build(), o.meshes());
        var again = (BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE);
        assertThat(again.build()).isEqualTo(o.build());
        assertThat(BuildJson.write(again.build())).contains("\"schema\" : " + BuildJson.SCHEMA);
    }

    @Test
    void aJournalOfTheVersionBeforeIsTakenUpToo(@TempDir Path dir) throws Exception {
        var o = open(5);
        var journal = dir.resolve("x.bracket.journal");
        Journal.beside(dir.resolve("x.bracket")).record(o.build(), o.meshes());
        try (var zip = new java.util.zip.ZipFile("src/test/resources/yellowbracket/document/schema-5.bracket")) {
            var json = zip.getInputStream(zip.getEntry("build.json")).readAllBytes();
            java.nio.file.Files.write(journal.resolve("build.json"), json);
        }
        assertThat(Journal.beside(dir.resolve("x.bracket")).left()).isInstanceOfSatisfying(Journal.Left.Found.class,
                f -> assertThat(f.build()).isEqualTo(o.build()));
    }
}
