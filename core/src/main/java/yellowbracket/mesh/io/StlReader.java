package yellowbracket.mesh.io;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.VertexWeld;

/**
 * STL, binary and ascii, told apart by content: a file is binary when its length matches its count, whatever the header says.
 * Vertices are welded by exact bits; stated normals are ignored. Triangles with a coordinate that is not finite are left out and counted.
 */
public final class StlReader {
    private static final VarHandle FLOAT = MethodHandles.byteArrayViewVarHandle(float[].class, ByteOrder.LITTLE_ENDIAN);
    private static final int HEADER = 84;
    private static final int RECORD = 50;
    /** Triangles that are worth a thread of their own. */
    private static final int RUN = 50_000;
    private static final int MOST_RUNS = 8;

    private final String name;
    private final byte[] bytes;
    private final Progress progress;
    private final List<String> notices = new ArrayList<>();

    private StlReader(String name, byte[] bytes, Progress progress) {
        this.name = name;
        this.bytes = bytes;
        this.progress = progress;
    }

    /** @param name the file's name, for messages */
    public static MeshFile parse(String name, byte[] bytes, Progress progress) {
        return new StlReader(name, bytes, progress).run();
    }

    /** Whether the content is STL beyond doubt: the length matches the count, or it is text of facets. */
    static boolean recognises(byte[] bytes) {
        return new StlReader("", bytes, Progress.NONE).certain();
    }

    private boolean certain() {
        if (looksAscii()) return true;
        return bytes.length >= HEADER && HEADER
                + RECORD * Integer.toUnsignedLong(ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt(80)) == bytes.length;
    }

    private MeshFile run() {
        if (bytes.length >= HEADER) {
            long count = Integer.toUnsignedLong(ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt(80));
            long need = HEADER + RECORD * count;
            if (need == bytes.length && count > 0) return binary((int) count);
            if (looksAscii()) return ascii();
            if (count == 0) return refuse("byte 80", "the file declares no triangles", "export it again");
            if (need < bytes.length && count < 50_000_000) {
                notices.add(bytes.length - need + " bytes after the last triangle were ignored");
                return binary((int) count);
            }
            if (looksBinary()) return refuse("byte " + bytes.length,
                    "the file ends early: it declares " + count + " triangles and holds " + (bytes.length - HEADER) / RECORD,
                    "download or export it again");
            return refuse("", "this is not an STL mesh", "open an STL file");
        }
        return looksAscii() ? ascii() : refuse("", "this is not an STL mesh", "open an STL file");
    }

    private boolean looksAscii() {
        var head = new String(bytes, 0, Math.min(bytes.length, 2000), StandardCharsets.ISO_8859_1).stripLeading()
                .toLowerCase(java.util.Locale.ROOT);
        return head.startsWith("solid") && (head.contains("facet") || head.contains("endsolid"));
    }

    /** A text file has no zero bytes; the second half of a binary STL header nearly always has, and so have its attribute bytes. */
    private boolean looksBinary() {
        for (int i = 0; i < Math.min(bytes.length, 400); i++) if (bytes[i] == 0) return true;
        return false;
    }

    /** Runs of the file are welded at the same time, then their points are brought together in the order of the file. */
    private MeshFile binary(int count) {
        int runs = Math.clamp(count / RUN, 1, Math.min(MOST_RUNS, Runtime.getRuntime().availableProcessors()));
        var tri = new int[3 * count];
        var parts = new Part[runs];
        IntStream.range(0, runs)
                .parallel()
                .forEach(r -> parts[r] = part(tri, (int) ((long) r * count / runs), (int) ((long) (r + 1) * count / runs),
                        r == 0 ? count : 0));
        var weld = parts[0].weld;
        int kept = parts[0].kept, broken = parts[0].broken;
        for (var p : Arrays.asList(parts).subList(1, runs)) {
            var here = weld.addAll(p.weld);
            for (int i = 3 * p.from; i < 3 * p.from + p.kept; i++) tri[kept++] = here[tri[i]];
            broken += p.broken;
        }
        return finish(weld, tri, kept, broken);
    }

    /** A run of triangles: their corners by its own weld, {@code kept} of them written from {@code 3 * from} on. */
    private record Part(VertexWeld weld, int from, int kept, int broken) {}

    /** @param all triangles of the file, for telling how far it is; 0 to stay silent */
    private Part part(int[] tri, int from, int to, int all) {
        var weld = new VertexWeld((to - from) / 2 + 16);
        int kept = 0, broken = 0;
        for (int f = from; f < to; f++) {
            int at = HEADER + RECORD * f + 12;
            if ((f & 0xFFFF) == 0) {
                progress.check();
                if (all > 0) progress.report((long) all * (f - from) / (to - from), all);
            }
            if (!finite(at)) {
                broken++;
                continue;
            }
            for (int k = 0; k < 3; k++, at += 12) tri[3 * from + kept++] = weld.index(number(at), number(at + 4), number(at + 8));
        }
        return new Part(weld, from, kept, broken);
    }

    /** x - x is 0, or NaN where x is no number. */
    private boolean finite(int at) {
        float sum = 0;
        for (int k = 0; k < 36; k += 4) {
            float x = number(at + k);
            sum += x - x;
        }
        return sum == 0;
    }

    private float number(int at) {
        return (float) FLOAT.get(bytes, at);
    }

    private MeshFile ascii() {
        var text = new TextCursor(bytes, 0, bytes.length, 1);
        var weld = new VertexWeld(Math.max(16, bytes.length / 200));
        var tri = new int[Math.max(12, bytes.length / 40)];
        int kept = 0, broken = 0, inFacet = 0, words = 0;
        var c = new float[9];
        while (text.skipSpace()) {
            if ((++words & 0xFFFF) == 0) {
                progress.check();
                progress.report(text.at(), bytes.length);
            }
            switch (text.word()) {
                case "vertex" -> {
                    if (inFacet == 3)
                        return refuse("line " + text.line(), "a facet has more than three corners", "export it again as triangles");
                    try {
                        for (int i = 0; i < 3; i++) {
                            text.skipSpace();
                            c[3 * inFacet + i] = (float) text.number();
                        }
                    } catch (TextCursor.NoNumber e) {
                        return refuse("line " + text.line(), e.getMessage(), "download or export it again");
                    }
                    inFacet++;
                }
                case "endfacet" -> {
                    if (inFacet != 3)
                        return refuse("line " + text.line(), "a facet has " + inFacet + " corners", "download or export it again");
                    inFacet = 0;
                    boolean finite = true;
                    for (float v : c) finite &= Float.isFinite(v);
                    if (!finite) {
                        broken++;
                        continue;
                    }
                    if (kept + 3 > tri.length) tri = Arrays.copyOf(tri, 2 * tri.length);
                    for (int k = 0; k < 3; k++) tri[kept++] = weld.index(c[3 * k], c[3 * k + 1], c[3 * k + 2]);
                }
                case "solid", "endsolid" -> {
                    if (!text.lineHolds("facet normal")) text.nextLine(); // the name may hold any word, but some files have no lines at all
                }
                default -> {}
            }
        }
        if (inFacet != 0) return refuse("line " + text.line(), "the file ends within a facet", "download or export it again");
        return finish(weld, tri, kept, broken);
    }

    private MeshFile finish(VertexWeld weld, int[] tri, int used, int broken) {
        if (broken > 0) notices.add(broken + " triangles with a coordinate that is not a number were left out");
        if (used == 0) return refuse("", "the file holds no triangle", "open another file");
        return new MeshFile.Read(weld.mesh(tri, used), List.copyOf(notices));
    }

    private MeshFile refuse(String where, String what, String todo) {
        return new MeshFile.Refused(new ReadProblem(name, where, what, todo));
    }
}
