package yellowbracket.colour;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Transfer;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.io.SafeFile;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Sheen;

/**
 * Zones as an open file. JSON holds the zones and their map, for the same mesh; PLY (a number {@code zone} and a colour a face) and OBJ (a
 * group a zone) bring their surface along and are laid onto any mesh of the same shape by the nearest place. All in model mm.
 */
public final class ZoneFile {
    private static final String FORMAT = "yellow-bracket-zones";
    private static final long MOST_BYTES = 400_000_000;
    private static final int MOST_ZONES = 200;
    private static final ObjectMapper JSON = new ObjectMapper().enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES,
            DeserializationFeature.FAIL_ON_NULL_CREATOR_PROPERTIES, DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES);

    private ZoneFile() {}

    /** Why a file holds no zones: what, where, what to do. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1;

        Unreadable(String words) {
            super(words);
        }
    }

    /** A zone of a file: without patches, for its place is in the map. */
    private record Named(int id, String name, String hex, Sheen sheen, String paint) {}

    private record Document(String format, List<Named> zones, ZoneMap map) {}

    /** By the ending of its name: json, ply, obj. @throws IOException when it cannot be written */
    public static void write(Path file, Painted p, List<ColourZone> zones) throws IOException {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        String text = name.endsWith(".json") ? json(p, zones) : name.endsWith(".obj") ? obj(p, zones) : ply(p, zones);
        SafeFile.write(file, text.getBytes(StandardCharsets.UTF_8));
    }

    private static String json(Painted p, List<ColourZone> zones) {
        try {
            return JSON.writeValueAsString(
                    new Document(FORMAT, zones.stream().map(z -> new Named(z.id(), z.name(), z.hex(), z.sheen(), z.paint())).toList(),
                            ZoneMap.of(p, p.base().contentHash())));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("zones can always be written", e);
        }
    }

    private static String ply(Painted p, List<ColourZone> zones) {
        var m = p.mesh();
        var out = new StringBuilder("ply\nformat ascii 1.0\n");
        zones.forEach(
                z -> out.append("comment zone ").append(z.id()).append(' ').append(z.hex()).append(' ').append(z.name()).append('\n'));
        out.append("element vertex ").append(m.vertexCount()).append("\nproperty double x\nproperty double y\nproperty double z\n");
        out.append("element face ").append(p.count()).append("\nproperty list uchar int vertex_indices\nproperty int zone\n");
        out.append("property uchar red\nproperty uchar green\nproperty uchar blue\nend_header\n");
        vertices(m, out, "");
        for (int f = 0; f < p.count(); f++) {
            int id = p.zone(f);
            int rgb = Integer
                    .parseInt(zones.stream().filter(z -> z.id() == id).findFirst().map(ColourZone::hex).orElse("#808080").substring(1), 16);
            out.append("3 ").append(m.vertex(f, 0)).append(' ').append(m.vertex(f, 1)).append(' ').append(m.vertex(f, 2));
            out.append(' ')
                    .append(id)
                    .append(' ')
                    .append(rgb >> 16)
                    .append(' ')
                    .append(rgb >> 8 & 255)
                    .append(' ')
                    .append(rgb & 255)
                    .append('\n');
        }
        return out.toString();
    }

    private static String obj(Painted p, List<ColourZone> zones) {
        var m = p.mesh();
        var out = new StringBuilder();
        zones.forEach(z -> out.append("# zone ").append(z.id()).append(' ').append(z.hex()).append(' ').append(z.name()).append('\n'));
        vertices(m, out, "v ");
        for (int id : Arrays.stream(zonesOf(p)).distinct().toArray()) {
            out.append("g zone_").append(id).append('\n');
            for (int f = 0; f < p.count();
                    f++)
                if (p.zone(f) == id) out.append("f ")
                        .append(m.vertex(f, 0) + 1)
                        .append(' ')
                        .append(m.vertex(f, 1) + 1)
                        .append(' ')
                        .append(m.vertex(f, 2) + 1)
                        .append('\n');
        }
        return out.toString();
    }

    private static int[] zonesOf(Painted p) {
        var out = new int[p.count()];
        Arrays.setAll(out, p::zone);
        return out;
    }

    private static void vertices(Mesh m, StringBuilder out, String before) {
        for (int v = 0; v < m.vertexCount(); v++)
            out.append(before).append(m.x(v)).append(' ').append(m.y(v)).append(' ').append(m.z(v)).append('\n');
    }

    /**
     * The zones of a file on a model, with what was decided of zones of the same name before.
     * @param now what the prop has: paints of zones by name, seal and aim are kept
     * @throws Unreadable in words for people
     */
    public static ColourWish read(Path file, Mesh model, ColourWish now) throws Unreadable {
        String name = String.valueOf(file.getFileName());
        try {
            if (Files.size(file) > MOST_BYTES) throw new Unreadable(name + ": larger than any file of zones");
            var text = Files.readString(file, StandardCharsets.UTF_8).replace("\uFEFF", "");
            String start = text.stripLeading();
            if (start.startsWith("{")) return json(name, text, model, now);
            var read = start.startsWith("ply") ? new Text(name, text).ply() : new Text(name, text).obj();
            return laid(name, read, model, now);
        } catch (IOException e) {
            throw new Unreadable(name + ": the file cannot be read as text; export zones as JSON, ascii PLY or OBJ");
        }
    }

    private static ColourWish json(String name, String text, Mesh model, ColourWish now) throws Unreadable {
        try {
            var d = JSON.readValue(text, Document.class);
            if (!FORMAT.equals(d.format)) throw new Unreadable(name + ": this is no file of zones; it says it is \"" + d.format + "\"");
            if (!d.map.mesh().equals(model.contentHash()) || !d.map.fits(model))
                throw new Unreadable(name + ": the zones are of another mesh: export them as PLY or OBJ, which bring their surface along");
            return with(d.zones.stream()
                    .map(z -> new ColourZone(z.id, z.name, z.hex, z.sheen, z.paint, ColourZone.How.AS_COSTS_LESS, List.of()))
                    .toList(), d.map, now);
        } catch (JsonProcessingException | IllegalArgumentException e) {
            String why = e.getCause() instanceof IllegalArgumentException w ? w.getMessage()
                    : e instanceof IllegalArgumentException ? e.getMessage() : "damaged";
            throw new Unreadable(name + ": " + why);
        }
    }

    private static ColourWish laid(String name, Text.Read read, Mesh model, ColourWish now) throws Unreadable {
        if (read.painted.count() == 0) throw new Unreadable(name + ": there is no surface in it");
        var far = read.painted.mesh().bounds().centre().distance(model.bounds().centre());
        double size = model.bounds().size().norm();
        if (far > 0.1 * size || Math.abs(read.painted.mesh().bounds().size().norm() - size) > 0.1 * size) throw new Unreadable(
                name + ": its surface lies elsewhere or has another size than this model: export it in the model's own mm");
        var ids = Arrays.stream(zonesOf(read.painted)).distinct().sorted().toArray();
        if (ids.length > MOST_ZONES)
            throw new Unreadable(name + ": " + ids.length + " zones; no more than " + MOST_ZONES + " can be painted");
        var zones = new ArrayList<ColourZone>();
        for (int id : ids)
            zones.add(read.zones.getOrDefault(id, ColourZone.of(id, "zone " + id, "#8b8f92", ColourWish.GREY.zones().getFirst().paint())));
        return with(zones, ZoneMap.of(Transfer.onto(read.painted, model), model.contentHash()), now);
    }

    private static ColourWish with(List<ColourZone> zones, ZoneMap map, ColourWish now) {
        return now.withZones(zones.stream()
                .map(z -> now.zones()
                        .stream()
                        .filter(o -> o.name().equals(z.name()))
                        .findFirst()
                        .map(o -> z.withPaint(o.paint()).withHow(o.how()).withSheen(o.sheen()))
                        .orElse(z))
                .toList()).withMap(Optional.of(map)).withOrder(List.of());
    }

    /** Reads text of PLY and OBJ. Single use. */
    private static final class Text {
        private final String name;
        private final String[] lines;
        private final LinkedHashMap<Integer, ColourZone> zones = new LinkedHashMap<>();
        private int at;

        Text(String name, String text) {
            this.name = name;
            lines = text.split("\\R");
        }

        record Read(Painted painted, LinkedHashMap<Integer, ColourZone> zones) {}

        private Unreadable wrong(String what) {
            return new Unreadable(name + ", line " + (at + 1) + ": " + what);
        }

        /** "zone 3 #a8742c visor frame" behind a comment sign. */
        private void comment(String words) {
            var cells = words.strip().split("\\s+", 4);
            if (cells.length < 4 || !cells[0].equals("zone") || !cells[1].matches("\\d{1,5}") || !ColourZone.isHex(cells[2])) return;
            int id = Integer.parseInt(cells[1]);
            zones.put(id, ColourZone.of(id, cells[3], cells[2].toLowerCase(Locale.ROOT), ColourWish.GREY.zones().getFirst().paint()));
        }

        Read ply() throws Unreadable {
            int vertices = 0, faces = 0, zoneAt = -1, reds = -1, property = 0;
            boolean ofFace = false;
            for (; at < lines.length && !lines[at].strip().equals("end_header"); at++) {
                var cells = lines[at].strip().split("\\s+");
                if (cells[0].equals("comment")) comment(lines[at].strip().substring(7));
                else if (cells[0].equals("format") && cells.length > 1 && !cells[1].equals("ascii"))
                    throw wrong("binary PLY: export it as ascii");
                else if (cells[0].equals("element") && cells.length > 2) {
                    ofFace = cells[1].equals("face");
                    int n = (int) number(cells[2], 0, 40_000_000);
                    if (ofFace) faces = n;
                    else if (cells[1].equals("vertex")) vertices = n;
                    property = 0;
                } else if (cells[0].equals("property") && ofFace) {
                    String last = cells[cells.length - 1];
                    if (last.equals("zone")) zoneAt = property;
                    if (last.equals("red")) reds = property;
                    property++;
                }
            }
            at++;
            if (zoneAt < 0 && reds < 0) throw new Unreadable(name + ": its faces have neither a number \"zone\" nor a colour");
            if (vertices + faces > lines.length)
                throw new Unreadable(name + ": it ends before its " + vertices + " points and " + faces + " faces");
            var xyz = new double[3 * vertices];
            for (int v = 0; v < vertices; v++, at++) {
                var cells = lines[at].strip().split("\\s+");
                if (cells.length < 3) throw wrong("three coordinates are needed");
                for (int k = 0; k < 3; k++) xyz[3 * v + k] = number(cells[k], -1e7, 1e7);
            }
            var tri = new int[3 * faces];
            var zone = new int[faces];
            var colours = new LinkedHashMap<String, Integer>();
            for (int f = 0; f < faces; f++, at++) {
                var cells = lines[at].strip().split("\\s+");
                if (cells.length < 4 || !cells[0].equals("3")) throw wrong("faces are triangles");
                for (int k = 0; k < 3; k++) tri[3 * f + k] = (int) number(cells[1 + k], 0, vertices - 1);
                int first = 4 - 1; // here: the list counts as one property
                if (zoneAt >= 0) zone[f] = (int) number(cell(cells, first + zoneAt), 0, 100_000);
                else {
                    int c = reds;
                    String hex = String.format("#%02x%02x%02x", (int) number(cell(cells, first + c), 0, 255),
                            (int) number(cell(cells, first + c + 1), 0, 255), (int) number(cell(cells, first + c + 2), 0, 255));
                    zone[f] = colours.computeIfAbsent(hex, h -> colours.size());
                    zones.putIfAbsent(zone[f],
                            ColourZone.of(zone[f], Cover.family(Lab.ofHex(hex)).name().toLowerCase(Locale.ROOT) + " " + zone[f], hex,
                                    ColourWish.GREY.zones().getFirst().paint()));
                }
            }
            return new Read(Painted.of(Mesh.of(xyz, tri), f -> zone[f]), zones);
        }

        private String cell(String[] cells, int i) throws Unreadable {
            if (i >= cells.length) throw wrong("a face without all its values");
            return cells[i];
        }

        Read obj() throws Unreadable {
            var xyz = new ArrayList<double[]>();
            var tri = new ArrayList<int[]>();
            var groups = new LinkedHashMap<String, Integer>();
            int group = 0;
            for (; at < lines.length; at++) {
                var cells = lines[at].strip().split("\\s+");
                switch (cells[0]) {
                    case "#" -> comment(lines[at].strip().substring(1));
                    case "v" -> {
                        if (cells.length < 4) throw wrong("three coordinates are needed");
                        xyz.add(new double[] {number(cells[1], -1e7, 1e7), number(cells[2], -1e7, 1e7), number(cells[3], -1e7, 1e7)});
                    }
                    case "g", "o", "usemtl" -> {
                        String g = cells.length > 1 ? cells[1] : "default";
                        group = g.matches("zone_\\d{1,5}") ? Integer.parseInt(g.substring(5))
                                : groups.computeIfAbsent(g, x -> groups.size());
                        int id = group;
                        zones.putIfAbsent(id,
                                ColourZone.of(id, g.replace('_', ' '), "#8b8f92", ColourWish.GREY.zones().getFirst().paint()));
                    }
                    case "f" -> {
                        for (int k = 2; k + 1 < cells.length; k++) tri.add(new int[] {corner(cells[1], xyz.size()),
                                corner(cells[k], xyz.size()), corner(cells[k + 1], xyz.size()), group});
                    }
                    default -> {}
                }
            }
            if (tri.isEmpty()) throw new Unreadable(name + ": neither PLY, OBJ nor JSON of zones: there are no faces in it");
            var flat = new double[3 * xyz.size()];
            for (int i = 0; i < xyz.size(); i++) System.arraycopy(xyz.get(i), 0, flat, 3 * i, 3);
            var corners = new int[3 * tri.size()];
            for (int i = 0; i < tri.size(); i++) System.arraycopy(tri.get(i), 0, corners, 3 * i, 3);
            return new Read(Painted.of(Mesh.of(flat, corners), f -> tri.get(f)[3]), zones);
        }

        private int corner(String cell, int known) throws Unreadable {
            int i = (int) number(cell.split("/")[0], -40_000_000, 40_000_000);
            int v = i < 0 ? known + i : i - 1;
            if (v < 0 || v >= known) throw wrong("no point " + cell);
            return v;
        }

        private double number(String cell, double least, double most) throws Unreadable {
            try {
                double v = Double.parseDouble(cell);
                if (v >= least && v <= most) return v;
            } catch (NumberFormatException e) {
                // told below
            }
            throw wrong("\"" + cell + "\" is no number that can stand here");
        }
    }
}
