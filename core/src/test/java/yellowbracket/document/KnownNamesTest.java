package yellowbracket.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.join.Apart;
import yellowbracket.mesh.Progress;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Printer;

/** Builds that name what is not there, or hold what cannot be. */
class KnownNamesTest {
    private static final Build BUILD = SmallBuild.build();

    @TempDir
    Path dir;

    /** The text of a build with one piece of it replaced. */
    private static String with(String from, String to) {
        String text = BuildJson.write(BUILD);
        assertThat(text).contains(from);
        return text.replace(from, to);
    }

    private static List<String> notes(String json) throws BuildJson.Unreadable {
        return KnownNames.of(BuildJson.read(json)).notes();
    }

    private static void refused(String json, String words) {
        assertThatThrownBy(() -> BuildJson.read(json)).isInstanceOf(BuildJson.Unreadable.class)
                .hasMessageContaining(words)
                .hasMessageContaining("try the copy that ends in ~");
    }

    @Test
    void aSoundBuildHasNothingToNote() {
        var known = KnownNames.of(BUILD);
        assertThat(known.notes()).isEmpty();
        assertThat(known.build()).isEqualTo(BUILD);
    }

    @Test
    void whatNoSurfaceHasIsRefused() {
        refused(with("\"scaleG\" : 1.0", "\"scaleG\" : -3.0"), "step of the scale");
        refused(with("\"printHex\" : \"#8f9499\"", "\"printHex\" : \"grey\""), "write it as #8f9499");
        refused(with("\"strokes\" : [ ]", "\"strokes\" : [ {\"target\": \"LEAVE\", \"radiusMm\": 5, \"at\": []} ]"), "1 to 5000 points");
        refused(with("\"flaws\" : [ ]",
                "\"flaws\" : [ {\"kind\": \"RUN\", \"at\": {\"x\": 0, \"y\": 0, \"z\": 0}, \"sizeMm\": 3, \"found\": 4, \"cleared\": null, "
                        + "\"accepted\": false} ]"),
                "never looked");
    }

    @Test
    void unknownNamesFallBackToWhatIsUsualAndAreTold() throws BuildJson.Unreadable {
        assertThat(notes(with("\"wearers\" : [ \"Ada\" ]", "\"wearers\" : [ \"Bo\" ]"))).singleElement()
                .isEqualTo("helm is sized for \"Bo\", not in this build: choose who wears it.");
        assertThat(notes(with("\"printer\" : \"mid bed\"", "\"printer\" : \"attic\""))).singleElement()
                .asString()
                .contains("section A of helm", "\"attic\", which is no printer of this build");
        assertThat(notes(with("\"material\" : \"PLA\"", "\"material\" : \"cheese\""))).allMatch(n -> n.contains("\"cheese\""));
        assertThat(notes(with("\"epoxy slow\"", "\"spit\""))).singleElement().asString().contains("seam A|B of helm", "\"spit\"");
        assertThat(notes(with("\"hand lamp 405 nm\"", "\"candle\""))).singleElement().asString().contains("\"candle\"", "hand lamp 405 nm");
        assertThat(notes(with("\"seal\" : \"matt clear\"", "\"seal\" : \"varnish 7\""))).singleElement().asString().contains("varnish 7");
        var repainted = KnownNames.of(BuildJson.read(with("\"acrylic lacquer spray\"", "\"house paint\"")));
        assertThat(repainted.notes()).hasSize(2);
        assertThat(repainted.build()).isEqualTo(BUILD);
    }

    @Test
    void whatHoldsAJointThatComesOffIsNoProduct() {
        var off = BUILD.props().getFirst();
        var held = off.withJoin(off.join().kept("A|B", Optional.of(Apart.COMES_OFF)).with("A|B", "4 pairs of magnets 8 x 3 mm"));
        var known = KnownNames.of(BUILD.with(held));
        assertThat(known.notes()).isEmpty();
        assertThat(known.build().props().getFirst().join().products()).containsEntry("A|B", "4 pairs of magnets 8 x 3 mm");
    }

    @Test
    void theFileTellsThemWhenItIsOpened() throws IOException {
        var file = dir.resolve("a.bracket");
        BuildFile.write(file, BUILD.withPrinters(List.of()), SmallBuild.meshes());
        assertThat(((BuildFile.Outcome.Opened) BuildFile.read(file, Progress.NONE)).notes()).singleElement().asString().contains("mid bed");
        assertThat(((Opening.Opened) Opening.of(file, Progress.NONE)).notes()).hasSize(1);
        assertThat(Files.exists(file)).isTrue();
    }

    @Test
    void whatCannotBeIsRefusedWithItsPlace() {
        refused(with("\"bedX\" : 220.0", "\"bedX\" : 1e300"), "printers[0]: the bed of mid bed, mm: lies between 0 and 5000");
        refused(with("\"due\" : \"2026-", "\"due\" : \"9026-"), "the day it must be ready lies in the year 9026");
        refused(with("\"hairMm\" : 9.0", "\"hairMm\" : 1e15"), "hair of Ada, mm: lies between 0 and 400");
        refused(with("\"name\" : \"Ada\"", "\"name\" : \" \""), "a wearer has no name");
        refused(with("\"name\" : \"large bed\"", "\"name\" : \"mid bed\""), "two printers are called mid bed");
        refused(with("\"x\" : 1.0", "\"x\" : 1e15"), "not at right angles");
        refused(with("\"hex\" : \"#1f5156\"", "\"hex\" : \"teal\""), "write it as #1f5156, not teal");
    }

    @Test
    void twoPropsOfOneIdAreRefused() {
        var prop = BUILD.props().getFirst();
        assertThatThrownBy(() -> BUILD.withProps(List.of(prop, prop))).hasMessage("two props are called helm");
    }

    @Test
    void everyPrinterOfTheCatalogueIsOne() {
        assertThat(Catalogue.builtIn().morePrinters()).extracting(Printer::name).doesNotHaveDuplicates();
    }
}
