package yellowbracket.export;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.bidi.support.ICUBreakers;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.TextDirection;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.fontbox.util.autodetect.FontFileFinder;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.io.RandomAccessReadBufferedFile;
import yellowbracket.mesh.io.SafeFile;

/**
 * Sets a flowing document on A4 pages; what is written from right to left stands so. Latin, Greek, Cyrillic, Hebrew, Arabic and more come
 * from fonts that ship with the program, anything else from a font of this machine that has it; what no font has is shown as a box.
 */
final class FlowPdf {
    private static final String OWN = "'DejaVu Sans'";
    /** A book has no use for more. */
    private static final int MOST_FONTS = 4;

    private FlowPdf() {}

    static void write(Flow flow, Path file) throws IOException {
        XRLog.setLoggingEnabled(false);
        var found = others(missing(flow.signs()));
        var families = new StringBuilder(OWN);
        for (int i = 0; i < found.size(); i++) families.append(", 'other ").append(i).append('\'');
        var out = new ByteArrayOutputStream();
        var builder = new PdfRendererBuilder().useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory())
                .useUnicodeBidiReorderer(new ICUBidiReorderer())
                .useUnicodeLineBreaker(new ICUBreakers.ICULineBreaker(Locale.ROOT))
                .defaultTextDirection(TextDirection.LTR)
                .useFont(() -> FlowPdf.class.getResourceAsStream("fonts/dejavu-sans.ttf"), "DejaVu Sans", 400, FontStyle.NORMAL, true)
                .useFont(() -> FlowPdf.class.getResourceAsStream("fonts/dejavu-sans-bold.ttf"), "DejaVu Sans", 700, FontStyle.NORMAL, true);
        for (int i = 0; i < found.size(); i++) builder.useFont(found.get(i), "other " + i);
        builder.withHtmlContent(flow.html(families.toString()), null).withProducer("Yellow Bracket").toStream(out).run();
        SafeFile.write(file, out.toByteArray());
    }

    /** Signs that the program's own font has not. */
    private static Set<Integer> missing(String signs) {
        try (var in = FlowPdf.class.getResourceAsStream("fonts/dejavu-sans.ttf");
                var font = new TTFParser().parse(new RandomAccessReadBuffer(in))) {
            return lacking(font, signs.codePoints().filter(c -> c > ' ').boxed().collect(Collectors.toSet()));
        } catch (IOException e) {
            throw new UncheckedIOException("a font that ships with the program cannot be read", e);
        }
    }

    private static Set<Integer> lacking(TrueTypeFont font, Set<Integer> signs) throws IOException {
        var map = font.getUnicodeCmapLookup();
        return signs.stream().filter(c -> map.getGlyphId(c) == 0).collect(Collectors.toSet());
    }

    /** Fonts of this machine that have what is missing, each at least one sign more. */
    private static List<File> others(Set<Integer> missing) {
        var out = new ArrayList<File>();
        if (missing.isEmpty()) return out;
        var left = missing;
        for (var uri : new FontFileFinder().find()) {
            var file = new File(uri);
            if (left.isEmpty() || out.size() == MOST_FONTS || !file.getName().toLowerCase(Locale.ROOT).endsWith(".ttf")) continue;
            try (var font = new TTFParser().parse(new RandomAccessReadBufferedFile(file))) {
                var after = lacking(font, left);
                if (after.size() < left.size()) out.add(file);
                left = after;
            } catch (IOException | RuntimeException e) {
                // a damaged font: the next
            }
        }
        return out;
    }
}
