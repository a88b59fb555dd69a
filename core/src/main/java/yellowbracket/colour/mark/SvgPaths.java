package yellowbracket.colour.mark;

import java.awt.Shape;
import java.awt.geom.PathIterator;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.StringReader;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Locale;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.batik.parser.AWTPathProducer;
import org.apache.batik.parser.ParseException;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;

/**
 * Outlines of an SVG file: its paths, polygons, rectangles and circles, filled. Files with scripts, or that point outside themselves, are
 * refused.
 */
public final class SvgPaths {
    private static final long MOST_BYTES = 4_000_000;

    private SvgPaths() {}

    /** Why a file gives no outline. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        Unreadable(String words) {
            super(words);
        }
    }

    /** The paths of a file, one after the other. @throws Unreadable in words for people */
    public static String read(Path file) throws Unreadable {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES) throw new Unreadable(name + ": larger than any emblem; simplify it first");
            var root = parsed(Files.readAllBytes(file));
            var out = new ArrayList<String>();
            walk(name, root, out);
            if (out.isEmpty()) throw new Unreadable(name + ": there is no path in it; turn text and strokes into paths first");
            String all = String.join(" ", out);
            shape(all);
            return all;
        } catch (SAXException e) {
            throw new Unreadable(name + ": this is no SVG file, or it is damaged");
        } catch (IllegalArgumentException e) {
            throw new Unreadable(name + ": " + e.getMessage());
        } catch (IOException e) {
            throw new Unreadable(name + ": the file cannot be read");
        }
    }

    private static Element parsed(byte[] bytes) throws SAXException, IOException {
        try {
            var f = DocumentBuilderFactory.newInstance();
            f.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            f.setFeature("http://apache.org/xml/features/nonvalidating/load-external-dtd", false);
            f.setFeature("http://xml.org/sax/features/external-general-entities", false);
            f.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
            f.setExpandEntityReferences(false);
            f.setNamespaceAware(true);
            var builder = f.newDocumentBuilder();
            builder.setErrorHandler(null);
            return builder.parse(new ByteArrayInputStream(bytes)).getDocumentElement();
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException("every Java runtime parses XML", e);
        }
    }

    private static void walk(String name, Element e, ArrayList<String> out) throws Unreadable {
        String tag = e.getLocalName() == null ? e.getTagName() : e.getLocalName();
        if (tag.equalsIgnoreCase("script") || tag.equalsIgnoreCase("foreignObject"))
            throw new Unreadable(name + ": it holds a script or foreign content, which is not read; save plain paths");
        for (int i = 0; i < e.getAttributes().getLength(); i++) {
            var a = e.getAttributes().item(i);
            String key = a.getNodeName().toLowerCase(Locale.ROOT), value = a.getNodeValue().strip();
            if (key.startsWith("on")) throw new Unreadable(name + ": it holds a script, which is not read; save plain paths");
            if (key.endsWith("href") && !value.startsWith("#"))
                throw new Unreadable(name + ": it points to something outside itself (" + tag + "); save it with all it needs inside");
        }
        switch (tag) {
            case "defs", "clipPath", "mask", "symbol" -> {
                return;
            }
            case "path" -> add(out, e.getAttribute("d"));
            case "polygon" -> {
                if (!e.getAttribute("points").isBlank()) add(out, "M " + e.getAttribute("points") + " Z");
            }
            case "rect" -> {
                double x = number(e, "x"), y = number(e, "y"), w = number(e, "width"), h = number(e, "height");
                if (w > 0 && h > 0) add(out, "M " + x + " " + y + " h " + w + " v " + h + " h " + -w + " Z");
            }
            case "circle" -> round(out, number(e, "cx"), number(e, "cy"), number(e, "r"), number(e, "r"));
            case "ellipse" -> round(out, number(e, "cx"), number(e, "cy"), number(e, "rx"), number(e, "ry"));
            default -> {}
        }
        if (e.hasAttribute("transform") && !e.getAttribute("transform").isBlank())
            throw new Unreadable(name + ": parts of it are moved by a transform; flatten transforms when saving it");
        for (var n = e.getFirstChild(); n != null; n = n.getNextSibling()) if (n instanceof Element child) walk(name, child, out);
    }

    private static void add(ArrayList<String> out, String d) {
        if (!d.isBlank()) out.add(d.strip());
    }

    private static void round(ArrayList<String> out, double x, double y, double rx, double ry) {
        if (rx > 0 && ry > 0) out.add("M " + (x - rx) + " " + y + " a " + rx + " " + ry + " 0 1 0 " + 2 * rx + " 0 a " + rx + " " + ry
                + " 0 1 0 " + -2 * rx + " 0 Z");
    }

    private static double number(Element e, String name) {
        String t = e.getAttribute(name).replaceAll("(px|mm|pt)$", "").strip();
        if (t.isEmpty()) return 0;
        try {
            return Double.parseDouble(t);
        } catch (NumberFormatException x) {
            throw new IllegalArgumentException("\"" + t + "\" of a " + e.getTagName() + " is no number");
        }
    }

    /** @throws IllegalArgumentException for what is no path, or encloses nothing */
    public static Shape shape(String paths) {
        try {
            var s = AWTPathProducer.createShape(new StringReader(paths), PathIterator.WIND_EVEN_ODD);
            var b = s.getBounds2D();
            if (!(b.getWidth() > 0 && b.getHeight() > 0 && b.getWidth() < 1e7 && b.getHeight() < 1e7))
                throw new IllegalArgumentException("the paths enclose nothing");
            return s;
        } catch (ParseException | IOException e) {
            throw new IllegalArgumentException("a path in it is damaged");
        }
    }
}
