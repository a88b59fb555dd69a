package yellowbracket.mesh.io;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.Progress;

/**
 * OBJ: points and facets; normals, texture, groups, materials and lines are passed over. Facets may have any number of corners and count
 * from the end.
 * The text is cut at line ends into pieces that are read at the same time.
 */
final class ObjReader {
    private static final int PIECE = 1 << 20;
    /** References that count back from the point read last are kept by piece, moved out of the way of others. */
    private static final int BACK = -1_500_000_000;

    private final String name;
    private final byte[] bytes;
    private final Progress progress;

    private ObjReader(String name, byte[] bytes, Progress progress) {
        this.name = name;
        this.bytes = bytes;
        this.progress = progress;
    }

    static MeshFile parse(String name, byte[] bytes, Progress progress) {
        return new ObjReader(name, bytes, progress).run();
    }

    /** Text whose first lines are points, comments or other words of the format. */
    static boolean recognises(byte[] bytes) {
        int known = 0;
        for (var line : MeshFile.head(bytes, 4000).replaceAll("\\\\\\r?\\n", " ").split("[\\r\\n]+")) {
            var l = line.strip();
            if (l.isEmpty() || l.startsWith("#")) continue;
            if (!l.matches("(v|vn|vt|vp)\\s+[-+.0-9naif].*|(f|l|p)\\s+-?\\d.*|(o|g|s|mtllib|usemtl|usemap|maplib)\\b.*")) return known > 2;
            known++;
        }
        return known > 0;
    }

    /** What one piece of the text holds: {@code points} xyz, {@code facets} as runs of count and references. */
    private static final class Piece {
        private float[] points = new float[3 * 4096];
        private int pointCount;
        private int[] facets = new int[8192];
        private int used;
        private int facetCount;
        private int lines;
        private int wrongLine;
        private String wrong = "";
    }

    private MeshFile run() {
        var cuts = cuts();
        var pieces = new Piece[cuts.size() - 1];
        IntStream.range(0, pieces.length).parallel().forEach(i -> {
            progress.check();
            pieces[i] = read(cuts.get(i), cuts.get(i + 1));
        });
        int line = 0, points = 0, facets = 0;
        for (var p : pieces) {
            if (!p.wrong.isEmpty()) return MeshFile.refuse(name, "line " + (line + p.wrongLine), p.wrong, "download or export it again");
            line += p.lines;
            points += p.pointCount;
            facets += p.facetCount;
        }
        return merge(pieces, points, facets);
    }

    /** Where pieces begin: after line ends that nothing continues. */
    private List<Integer> cuts() {
        var out = new ArrayList<Integer>();
        out.add(0);
        for (int at = PIECE; at < bytes.length; at += PIECE) {
            int i = Math.max(at, out.getLast());
            while (i < bytes.length && !(bytes[i] == '\n' && !continued(i))) i++;
            if (i + 1 >= bytes.length) break;
            out.add(i + 1);
            at = i + 1;
        }
        out.add(bytes.length);
        return out;
    }

    private boolean continued(int lineEnd) {
        int before = lineEnd - 1;
        if (before >= 0 && bytes[before] == '\r') before--;
        return before >= 0 && bytes[before] == '\\';
    }

    private Piece read(int from, int to) {
        var p = new Piece();
        var text = new TextCursor(bytes, from, to, 1);
        try {
            for (; !text.done(); text.nextLine()) {
                if (!text.skipBlanks()) continue;
                byte c = text.peek(), next = text.peek(1);
                if (next != ' ' && next != '\t') continue;
                if (c == 'v') point(p, text);
                else if (c == 'f') facet(p, text);
            }
        } catch (TextCursor.NoNumber e) {
            p.wrong = e.getMessage();
            p.wrongLine = text.line();
        }
        p.lines = text.line() - 1;
        return p;
    }

    private static void point(Piece p, TextCursor text) throws TextCursor.NoNumber {
        text.skip(1);
        int at = 3 * p.pointCount++;
        if (at == p.points.length) p.points = Arrays.copyOf(p.points, 2 * at);
        for (int k = 0; k < 3; k++) {
            text.skipBlanks();
            p.points[at + k] = (float) text.number();
        }
    }

    private static void facet(Piece p, TextCursor text) throws TextCursor.NoNumber {
        text.skip(1);
        int head = p.used++;
        int n = 0;
        while (text.skipBlanks() && text.peek() != '#') {
            if (p.used + 1 >= p.facets.length) p.facets = Arrays.copyOf(p.facets, 2 * p.facets.length);
            int ref = text.integer();
            text.skipWord(); // texture and normal of the corner
            p.facets[p.used++] = ref > 0 ? ref - 1 : ref < 0 ? BACK + p.pointCount + ref : Integer.MIN_VALUE;
            n++;
        }
        if (p.used + 1 >= p.facets.length) p.facets = Arrays.copyOf(p.facets, 2 * p.facets.length);
        p.facets[head] = n;
        p.facetCount++;
    }

    private MeshFile merge(Piece[] pieces, int points, int facets) {
        var sink = new TriangleSink(points, facets + facets / 4);
        int first = 0, number = 0;
        for (var p : pieces) {
            progress.check();
            for (int i = 0; i < p.pointCount; i++) sink.point(p.points[3 * i], p.points[3 * i + 1], p.points[3 * i + 2]);
        }
        for (var p : pieces) {
            progress.check();
            progress.report(first, points);
            for (int at = 0; at < p.used; at += 1 + p.facets[at]) {
                int n = p.facets[at];
                number++;
                for (int k = 1; k <= n; k++) {
                    int ref = p.facets[at + k];
                    if (ref < -1_000_000 && ref != Integer.MIN_VALUE) ref = ref - BACK + first;
                    if (ref < 0 || ref >= points) return MeshFile.refuse(name, "facet " + number,
                            "it refers to a point that does not exist", "download or export it again");
                    p.facets[at + k] = ref;
                }
                sink.polygon(p.facets, at + 1, n);
            }
            first += p.pointCount;
        }
        return sink.finish(name, List.of(), false);
    }
}
