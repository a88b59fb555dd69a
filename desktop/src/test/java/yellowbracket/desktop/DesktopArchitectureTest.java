package yellowbracket.desktop;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import java.util.List;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;

/** The arrows among the window's packages: model, then what is drawn with, then the stations' rooms, then bench mode and frame. */
class DesktopArchitectureTest {
    private static final JavaClasses DESKTOP = new ClassFileImporter().withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
            .importPackages("yellowbracket.desktop");
    private static final List<String> ORDER = List.of("model", "theme", "widget", "bench", "station", "benchmode", "shell");

    @Test
    void packagesHaveNoCycles() {
        slices().matching("yellowbracket.desktop.(**)").should().beFreeOfCycles().check(DESKTOP);
    }

    @Test
    void everyPackageStandsOnThoseBeforeIt() {
        for (int i = 0; i + 1 < ORDER.size(); i++) noClasses().that()
                .resideInAPackage("yellowbracket.desktop." + ORDER.get(i) + "..")
                .should()
                .dependOnClassesThat()
                .resideInAnyPackage(
                        ORDER.subList(i + 1, ORDER.size()).stream().map(p -> "yellowbracket.desktop." + p + "..").toArray(String[]::new))
                .check(DESKTOP);
    }

    /** A station's room is its own: what two of them need stands in the package above. */
    @Test
    void stationsDoNotKnowEachOther() {
        slices().matching("yellowbracket.desktop.station.(*)..").should().notDependOnEachOther().check(DESKTOP);
    }

    /**
     * The program's colours are in the style sheets; only the maker's own, of the colour zones and the print, and the shades that products
     * are sold in are read out of words.
     */
    @Test
    void coloursAreInTheStyleSheets() {
        noClasses().that()
                .resideOutsideOfPackage("yellowbracket.desktop.station.colour..")
                .and()
                .doNotHaveSimpleName("ProfilePicture")
                .should()
                .callMethod(Color.class, "web", String.class)
                .orShould()
                .callMethod(Color.class, "rgb", int.class, int.class, int.class)
                .check(DESKTOP);
    }
}
