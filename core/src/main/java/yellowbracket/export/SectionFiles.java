package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowbracket.cut.Alike;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Section;
import yellowbracket.cut.registration.Registered;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.io.FileSet;
import yellowbracket.mesh.io.MeshWriter;
import yellowbracket.print.PrintPlan;
import yellowbracket.print.SectionPrint;

/**
 * Everything the next program and the workshop need of the sections of one prop: an STL each, loose pins, one 3MF with all of them named,
 * the cut list and the
 * section map. With prints, sections lie as they will be printed, on z = 0; without, where they sit in the prop.
 */
public record SectionFiles(String heading, double scale, Registered registered, Optional<PrintPlan> prints) {
    public static final String ALL = "all-sections.3mf";
    /** Between sections laid out in one file, mm. */
    private static final double GAP_MM = 12;

    /** The files in the order written; those of the sections first, by section. */
    public record Written(List<Path> all, Map<String, Path> bySection) {}

    /** All of them or none. @throws IOException when the folder cannot be written */
    public Written write(Path folder) throws IOException {
        var whole = FileSet.write(folder, this::writeAll);
        var by = new HashMap<String, Path>();
        whole.value().bySection().forEach((section, file) -> by.put(section, whole.at(file)));
        return new Written(whole.value().all().stream().map(whole::at).toList(), Map.copyOf(by));
    }

    private Written writeAll(Path folder) throws IOException {
        var out = new ArrayList<Path>();
        var by = new HashMap<String, Path>();
        var objects = new ArrayList<MeshWriter.Named>();
        var twins = new HashMap<String, Alike.Twin>();
        Alike.among(registered.sections().sections()).forEach(t -> twins.put(t.section(), t));
        for (var s : registered.sections().sections()) {
            var mesh = laid(s);
            objects.add(new MeshWriter.Named(s.name(), mesh));
            var twin = twins.get(s.name());
            if (twin != null && !twin.mirrored()) {
                by.put(s.name(), by.get(twin.of()));
                continue;
            }
            by.put(s.name(), stl("section-" + s.name(), "section " + s.name(), mesh, folder));
            out.add(by.get(s.name()));
        }
        for (var l : registered.loose()) {
            objects.add(new MeshWriter.Named(l.name() + ", " + l.count() + " of them", l.mesh()));
            out.add(stl(l.name().replace(" mm", "").replace(" x ", "x").replace(' ', '-'), l.name(), l.mesh(), folder));
        }
        var all = folder.resolve(ALL);
        MeshWriter.write(prints.isPresent() ? sideBySide(objects) : objects, MeshWriter.Kind.THREE_MF, all);
        out.add(all);
        out.add(cutList(folder.resolve("cut-list.csv"), by, twins));
        out.add(SectionMap.write(heading, scale, registered, folder.resolve("section-map.pdf")));
        return new Written(List.copyOf(out), Map.copyOf(by));
    }

    private static Path stl(String name, String title, Mesh mesh, Path folder) throws IOException {
        var file = folder.resolve(name + ".stl");
        MeshWriter.write(List.of(new MeshWriter.Named(title, mesh)), MeshWriter.Kind.STL, file);
        return file;
    }

    private Optional<SectionPrint> print(String section) {
        return prints.flatMap(p -> p.prints().stream().filter(q -> q.name().equals(section)).findFirst());
    }

    private Mesh laid(Section s) {
        if (prints.isEmpty()) return s.mesh();
        var mesh = s.mesh().turned(print(s.name()).map(p -> p.orientation().turn()).orElse(Turn.NONE));
        var box = mesh.bounds();
        return mesh.moved(new Vec3(-box.centre().x(), -box.centre().y(), -box.min().z()));
    }

    /** In a row along x, so that nothing lies in anything else. */
    private static List<MeshWriter.Named> sideBySide(List<MeshWriter.Named> objects) {
        var out = new ArrayList<MeshWriter.Named>();
        double x = 0;
        for (var o : objects) {
            var box = o.mesh().bounds();
            out.add(new MeshWriter.Named(o.name(), o.mesh().moved(new Vec3(x - box.min().x(), 0, 0))));
            x += box.size().x() + GAP_MM;
        }
        return out;
    }

    private Path cutList(Path file, Map<String, Path> files, Map<String, Alike.Twin> twins) throws IOException {
        var rows = new ArrayList<List<Object>>();
        for (var s : registered.sections().sections()) {
            var p = print(s.name());
            String seams = String.join(" ",
                    registered.sections()
                            .seams()
                            .stream()
                            .filter(q -> q.first().equals(s.name()) || q.second().equals(s.name()))
                            .map(q -> q.name())
                            .toList());
            var size = s.size();
            rows.add(List.of(s.name(), files.get(s.name()).getFileName(), 1, tenth(size.x()), tenth(size.y()), tenth(size.z()),
                    Math.round(s.mesh().volumeMm3()), p.<Object>map(q -> tenth(q.estimate().grams())).orElse(""),
                    p.<Object>map(q -> tenth(q.hours())).orElse(""), p.map(q -> q.printer().name()).orElse(""),
                    p.map(q -> q.orientation().label()).orElse("as worn"), s.closed() ? "yes" : "no", seams,
                    note(s, p, Optional.ofNullable(twins.get(s.name())))));
        }
        for (var l : registered.loose()) {
            var size = l.mesh().bounds().size();
            rows.add(List.of(l.name(), l.name().replace(" mm", "").replace(" x ", "x").replace(' ', '-') + ".stl", l.count(),
                    tenth(size.x()), tenth(size.y()), tenth(size.z()), Math.round(l.mesh().volumeMm3()), "", "", "", "lying on its flat",
                    "yes", "", "loose"));
        }
        for (var h : registered.hardware())
            rows.add(List.of(h.kind().words() + " " + h.size(), "", h.count(), "", "", "", "", "", "", "", "", "", "", "to buy or print"));
        return Export.csv(file, List.of("section", "file", "count", "x mm", "y mm", "z mm", "volume mm3", "grams", "hours", "printer",
                "way up", "closed", "seams", "note"), rows);
    }

    /** Twins, and where to pause for magnets that are printed in. */
    private String note(Section s, Optional<SectionPrint> print, Optional<Alike.Twin> twin) {
        var notes = new ArrayList<String>();
        twin.ifPresent(t -> notes.add(t.words()));
        if (print.isPresent()) for (var f : registered.fitted()) {
            if (f.kind() != RegistrationKind.SEALED_MAGNETS || !f.above().equals(s.name()) && !f.below().equals(s.name())) continue;
            notes.add(pause(s, print.get(), f.pauseHeightMm(s.mesh(), print.get().orientation().turn(), f.above().equals(s.name())),
                    f.size()));
        }
        return String.join("; ", notes);
    }

    private static String pause(Section s, SectionPrint p, double height, String size) {
        double layer = p.profile().layerMm();
        return String.format(Locale.ROOT, "pause after layer %d (%.1f mm) for a magnet %s", (int) Math.floor(height / layer), height, size);
    }

    private static double tenth(double v) {
        return Math.round(10 * v) / 10.0;
    }
}
