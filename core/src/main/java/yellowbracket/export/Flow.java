package yellowbracket.export;

import java.text.Bidi;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.stream.Collectors;
import yellowbracket.document.Photo;

/** A document that flows over pages: headings, text, tables, lists, pictures; as HTML to be set on pages, or as Markdown. Single use. */
final class Flow {
    private final String title;
    private final StringBuilder html = new StringBuilder();
    private final StringBuilder markdown = new StringBuilder();
    private final List<Photo> pictures = new ArrayList<>();

    Flow(String title, String under) {
        this.title = title;
        html.append("<h1>").append(safe(title)).append("</h1><p class='under'>").append(safe(under)).append("</p>");
        markdown.append("# ").append(plain(title)).append("\n\n").append(plain(under)).append("\n\n");
    }

    Flow heading(String words) {
        html.append("<h2>").append(safe(words)).append("</h2>");
        markdown.append("## ").append(plain(words)).append("\n\n");
        return this;
    }

    Flow text(String words) {
        html.append(tagged("p", words));
        markdown.append(plain(words)).append("\n\n");
        return this;
    }

    /** Nothing where there are no rows. */
    Flow table(List<String> heads, List<List<String>> rows) {
        if (rows.isEmpty()) return this;
        html.append("<table><tr>");
        heads.forEach(h -> html.append("<th>").append(safe(h)).append("</th>"));
        html.append("</tr>");
        rows.forEach(r -> html.append("<tr>").append(r.stream().map(c -> tagged("td", c)).collect(Collectors.joining())).append("</tr>"));
        html.append("</table>");
        markdown.append(row(heads)).append(row(heads.stream().map(h -> "---").toList()));
        rows.forEach(r -> markdown.append(row(r)));
        markdown.append('\n');
        return this;
    }

    private static String row(List<String> cells) {
        return "| " + cells.stream().map(c -> plain(c).replace("|", "\\|")).collect(Collectors.joining(" | ")) + " |\n";
    }

    Flow items(List<String> words) {
        if (words.isEmpty()) return this;
        html.append("<ul>").append(words.stream().map(Flow::item).collect(Collectors.joining())).append("</ul>");
        words.forEach(w -> markdown.append("- ").append(plain(w)).append('\n'));
        markdown.append('\n');
        return this;
    }

    Flow picture(Photo photo, String caption) {
        html.append("<div class='picture'><img src='data:")
                .append(photo.mediaType())
                .append(";base64,")
                .append(Base64.getEncoder().encodeToString(photo.bytes()))
                .append("'/>")
                .append(tagged("p class='under'", caption))
                .append("</div>");
        markdown.append("![").append(plain(caption).replace("]", "")).append("](").append(photo.name()).append(")\n\n");
        pictures.add(photo);
        return this;
    }

    /** Those shown, which Markdown names and which go beside it. */
    List<Photo> pictures() {
        return List.copyOf(pictures);
    }

    /** @param families of fonts, the first that has a sign is taken */
    String html(String families) {
        return "<html><head><title>" + safe(title) + "</title><style>"
                + "@page { size: A4; margin: 20mm 18mm 20mm 22mm; @bottom-right { content: counter(page); font-size: 9pt; } }"
                + "body { font-family: " + families + "; font-size: 10pt; line-height: 1.4; }"
                + "h1 { font-size: 24pt; margin: 0; } h2 { font-size: 13pt; margin: 16pt 0 4pt 0; page-break-after: avoid; }"
                + ".under { color: #666666; margin: 0 0 8pt 0; } p { margin: 0 0 6pt 0; }"
                + "table { width: 100%; border-collapse: collapse; -fs-table-paginate: paginate; } tr { page-break-inside: avoid; }"
                + "th { text-align: left; font-size: 9pt; color: #666666; font-weight: normal; }"
                + "td, th { padding: 2pt 6pt 2pt 0; border-bottom: 0.5pt solid #cccccc; vertical-align: top; }"
                + "[dir=rtl] { text-align: right; }"
                + ".picture { page-break-inside: avoid; margin: 8pt 0; } img { max-width: 150mm; max-height: 110mm; }"
                + "</style></head><body>" + html + "</body></html>";
    }

    String markdown() {
        return markdown.toString();
    }

    /** Every sign in it. */
    String signs() {
        return markdown.toString();
    }

    /** From the right where its first letter is of such a script. @param tag with its attributes */
    private static String tagged(String tag, String words) {
        return "<" + tag + (fromLeft(words) ? ">" : " dir='rtl'>") + safe(words) + "</" + tag.split(" ")[0] + ">";
    }

    /** The library sets no bullet before what is read from the right: it is a letter of the words there. */
    private static String item(String words) {
        return fromLeft(words) ? tagged("li", words) : tagged("li style='list-style-type: none'", "\u2022 " + words);
    }

    private static boolean fromLeft(String words) {
        return new Bidi(words, Bidi.DIRECTION_DEFAULT_LEFT_TO_RIGHT).baseIsLeftToRight();
    }

    private static String safe(String s) {
        return control(s).replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("'", "&#39;").replace("\"", "&quot;");
    }

    /** Signs that XML has no place for. */
    private static String control(String s) {
        return s.replaceAll("[\\x00-\\x08\\x0b\\x0c\\x0e-\\x1f\\ufffe\\uffff]", "");
    }

    private static String plain(String s) {
        return control(s).replaceAll("\\s*\\R\\s*", " ");
    }
}
