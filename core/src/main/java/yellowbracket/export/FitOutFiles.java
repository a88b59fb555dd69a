package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.locationtech.jts.geom.Polygon;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.shop.Sheeting;
import yellowbracket.wear.pad.PadPlan;
import yellowbracket.wear.panel.Lens;
import yellowbracket.wear.panel.Nest;
import yellowbracket.wear.panel.Panel;
import yellowbracket.wear.panel.Visor;

/** Templates and bodies of the fitting out: pads and sheets at 1:1, lenses to print, bucks to form over. */
public final class FitOutFiles {
    private FitOutFiles() {}

    /** What was written, and what could not be made, in words. */
    public record Written(List<Path> files, List<String> left) {}

    /**
     * @param clearanceMm between a pressed lens and its opening, a side
     * @throws IOException when a file cannot be written
     */
    public static Written write(Path folder, List<PadPlan> pads, Optional<Visor> visor, double clearanceMm) throws IOException {
        Files.createDirectories(folder);
        var files = new ArrayList<Path>();
        var left = new ArrayList<String>();
        for (var set : pads) if (!set.cut().isEmpty()) files.addAll(pads(folder, set));
        var flat = visor.stream().flatMap(v -> v.pieces().stream()).map(FitOutFiles::pattern).toList();
        if (!flat.isEmpty()) {
            var pdf = folder.resolve("visor.pdf");
            OneToOne.pdf(flat, pdf);
            files.add(pdf);
            for (var p : flat) {
                var svg = folder.resolve(word(p.name()) + ".svg");
                OneToOne.svg(p.name(), List.of(p), "none", svg);
                files.add(svg);
            }
        }
        for (var p : visor.map(Visor::panels).orElse(List.of())) body(folder, p, clearanceMm, files, left);
        return new Written(List.copyOf(files), List.copyOf(left));
    }

    private static List<Path> pads(Path folder, PadPlan set) throws IOException {
        var patterns = set.cut().stream().map(p -> {
            var notes = new ArrayList<String>();
            notes.add(p.words() + String.format(Locale.ROOT, ", pressed by %.0f %%; hook tape %.0f cm2 on its back", 100 * p.pressedShare(),
                    p.tapeMm2() / 100));
            notes.add(String.format(Locale.ROOT, "as it lies amid the foam, stretch %.1f %%; cut square to the sheet", 100 * p.stretch()));
            return new Pattern(set.wearer().name() + ", " + p.name(), notes, Pattern.of(p.outline()), List.of());
        }).toList();
        String name = "pads-" + word(set.wearer().name());
        var pdf = folder.resolve(name + ".pdf");
        OneToOne.pdf(patterns, pdf);
        var svg = folder.resolve(name + ".svg");
        OneToOne.svg("pads of " + set.wearer().name(), patterns, "none", svg);
        return List.of(pdf, svg);
    }

    static Pattern pattern(Nest.Piece piece) {
        var p = piece.panel();
        var notes = new ArrayList<String>();
        notes.add(
                p.sheet().name() + String.format(Locale.ROOT, " %.2f mm, seen from inside; %s", p.wish().thickMm(), p.sheet().cut().words())
                        + switch (p.sheet().kind()) {
                            case PLASTIC -> "; film on until last";
                            case CLOTH -> "; arrow: the straight threads";
                            case MESH -> "";
                        });
        notes.add("dashed: the opening" + (p.bend().how() == Panel.How.FLAT ? "" : "; " + p.bend().words()));
        if (!piece.half().isEmpty()) notes.add("the " + piece.half() + " half: it meets the other on a strip of 20 mm glued behind");
        var box = piece.shape().getEnvelopeInternal();
        var marks = new ArrayList<java.awt.Shape>();
        if (p.window().intersection(piece.shape()) instanceof Polygon seen) marks.add(Pattern.of(seen));
        p.bend()
                .line()
                .filter(u -> u > box.getMinX() && u < box.getMaxX())
                .ifPresent(u -> marks.add(Pattern.line(u, box.getMinY(), box.getMaxY())));
        if (p.sheet().kind() == Sheeting.Kind.CLOTH) marks.add(Pattern.arrow(box.centre().x, box.centre().y, box.getHeight() / 4));
        String name = "visor-" + p.opening().name() + (piece.half().isEmpty() ? "" : "-" + piece.half());
        return new Pattern(name, notes, Pattern.of(piece.shape()), marks);
    }

    private static void body(Path folder, Panel p, double clearanceMm, List<Path> files, List<String> left) throws IOException {
        try {
            switch (p.wish().kind()) {
                case PRESSED ->
                        files.add(mesh(folder, "lens " + p.opening().name(), Lens.pressed(p.opening(), clearanceMm, Visor.LENS_MM)));
                case FORMED -> files.add(mesh(folder, "buck " + p.opening().name(), p.buck().mesh()));
                case OPEN, SHEET, MESH -> {
                    // cut from a sheet
                }
            }
        } catch (IllegalStateException e) {
            left.add(p.opening().name() + ": " + e.getMessage());
        }
    }

    private static Path mesh(Path folder, String name, Mesh m) throws IOException {
        var s = m.bounds().size();
        var file = folder.resolve(word(name) + ".3mf");
        MeshWriter.write(
                List.of(new MeshWriter.Named(String.format(Locale.ROOT, "%s, %.1f x %.1f x %.1f mm", name, s.x(), s.y(), s.z()), m)),
                MeshWriter.Kind.THREE_MF, file);
        return file;
    }

    private static String word(String name) {
        return name.replaceAll("[^\\p{L}\\p{N}]+", "-");
    }
}
