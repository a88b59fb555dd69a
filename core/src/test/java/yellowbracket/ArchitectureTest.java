package yellowbracket;

import static com.tngtech.archunit.base.DescribedPredicate.not;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.resideInAnyPackage;
import static com.tngtech.archunit.core.domain.JavaClass.Predicates.type;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The arrows of docs/architecture.md. */
class ArchitectureTest {
    private static final JavaClasses CORE = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("yellowbracket");
    private static final List<String> ORDER = List.of("program", "search", "mesh", "work", "finding", "shop", "intake", "size", "cut",
            "print", "join", "smooth", "colour", "wear", "plan", "log", "safety", "device", "document", "derive", "export");

    /** Flat outlines of {@code java.awt.geom} are geometry and need no screen. */
    @Test
    void coreHasNoInterfaceCode() {
        var screen = resideInAnyPackage("javafx..", "java.awt..", "javax.swing..").and(not(resideInAPackage("java.awt.geom")))
                .and(not(type(java.awt.Shape.class)));
        noClasses().should().dependOnClassesThat(screen).check(CORE);
    }

    @Test
    void everyPackageStandsOnThoseAboveItOnly() {
        for (int i = 0; i < ORDER.size(); i++) {
            var below = ORDER.subList(i + 1, ORDER.size()).stream().map(p -> "yellowbracket." + p + "..").toArray(String[]::new);
            if (below.length > 0) noClasses().that()
                    .resideInAPackage("yellowbracket." + ORDER.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(below)
                    .check(CORE);
        }
    }

    /** A package with rooms of its own keeps them in order too: the kernel, its index, what is measured, what is mended. */
    @Test
    void packagesHaveNoCycles() {
        slices().matching("yellowbracket.(**)").should().beFreeOfCycles().check(CORE);
    }

    @Test
    void aBadRuleFails() {
        assertThatThrownBy(() -> noClasses().that()
                .resideInAPackage("yellowbracket.document..")
                .should()
                .dependOnClassesThat()
                .resideInAPackage("yellowbracket.mesh..")
                .check(CORE)).isInstanceOf(AssertionError.class);
    }

    @Test
    void nothingReadsTheClockBehindOnesBack() {
        noClasses().should()
                .callMethod(java.time.LocalDateTime.class, "now")
                .orShould()
                .callMethod(java.time.LocalDate.class, "now")
                .orShould()
                .callMethod(java.time.Instant.class, "now")
                .check(CORE);
    }
}
