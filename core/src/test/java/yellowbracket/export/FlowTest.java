package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Where signs come to stand on the page. */
class FlowTest {
    @TempDir
    Path dir;

    /** Left ends of signs, by sign, the last of each, mm from the left. */
    private Map<String, Double> places(Flow flow) throws IOException {
        var file = dir.resolve("flow.pdf");
        FlowPdf.write(flow, file);
        var at = new HashMap<String, Double>();
        var sizes = new ArrayList<Float>();
        try (var pdf = Loader.loadPDF(file.toFile())) {
            new PDFTextStripper() {
                @Override
                protected void processTextPosition(TextPosition p) {
                    at.put(p.getUnicode(), p.getXDirAdj() * 25.4 / 72);
                    sizes.add(p.getFontSizeInPt());
                }
            }.getText(pdf);
        }
        assertThat(sizes).isNotEmpty();
        return at;
    }

    @Test
    void hebrewStandsFromRightToLeft() throws IOException {
        var at = places(new Flow("book", "").text("\u05e9\u05dc\u05d5\u05dd"));
        assertThat(List.of(at.get("\u05e9"), at.get("\u05dc"), at.get("\u05d5"), at.get("\u05dd"))).as("as read")
                .isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(at.get("\u05e9")).as("at the right edge").isGreaterThan(150);
    }

    @Test
    void aWordOfAnotherDirectionIsTurnedWithinItsLine() throws IOException {
        var at = places(new Flow("", "").text("q \u05d0\u05d1 z"));
        assertThat(at.get("q")).isLessThan(30);
        assertThat(List.of(at.get("q"), at.get("\u05d1"), at.get("\u05d0"), at.get("z"))).isSorted();
    }

    @Test
    void aListReadFromTheRightHasItsBulletsThere() throws IOException {
        var at = places(new Flow("", "").items(List.of("\u05d0\u05d1")));
        assertThat(at.get("\u2022")).isGreaterThan(at.get("\u05d0"));
        assertThat(at.get("\u05d0")).isGreaterThan(at.get("\u05d1"));
    }

    @Test
    void arabicLettersAreJoined() throws IOException {
        var at = places(new Flow("", "").items(List.of("\u0628\u0628\u0628")));
        // beginning, middle and end of a word: three shapes of one letter
        assertThat(at).containsKeys("\ufe91", "\ufe92", "\ufe90");
        assertThat(new Flow("", "").text("<b> & \u0628").html("x")).contains("&lt;b&gt; &amp; \u0628");
    }
}
