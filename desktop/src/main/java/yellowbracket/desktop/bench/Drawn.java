package yellowbracket.desktop.bench;

import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import java.util.function.IntUnaryOperator;
import java.util.function.Supplier;
import javafx.scene.image.Image;
import javafx.scene.image.WritableImage;
import javafx.scene.paint.Color;
import javafx.scene.paint.PhongMaterial;
import javafx.scene.shape.CullFace;
import javafx.scene.shape.MeshView;
import javafx.scene.shape.TriangleMesh;
import javafx.scene.shape.VertexFormat;
import yellowbracket.desktop.theme.Ramp;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Segments;
import yellowbracket.mesh.Vec3;

/**
 * Turns meshes into JavaFX ones: normals averaged but across creases, colour from a ramp by vertex or facet, or plain. Coordinates become
 * floats only here. Normals are kept by mesh, since the same mesh is drawn anew whenever a result changes. Confined to the interface
 * thread.
 */
public final class Drawn {
    private static final double CREASE = Math.cos(Math.toRadians(38));

    /** Meshes whose normals are kept: all sections of a prop, its proxy and a head or two. */
    private static final int KEPT = 40;
    /**
     * Shapes of so many triangles are kept as they were handed to the renderer, for turning back to a page: more than all pages of a build
     * show together (the demo 205 000), for shapes of which a few do not fit are made anew at every turn.
     */
    private static final int SHAPES = 300_000;
    private static final int MATERIALS = 60;
    /** Sides of a line, of a rod. */
    private static final int LINE = 3, ROD = 5;
    /** Rods reach so far beyond their ends, as a share of their thickness: no gap shows where they bend. */
    private static final double OVER = 0.25;
    /** As a share of its thickness, a line may be drawn so far from where it is. */
    private static final double STRAY = 0.15;

    private final Map<MeshKey, Normals> normals = newest(KEPT);
    private final Map<Shape, TriangleMesh> shapes = new LinkedHashMap<>(16, 0.75f, true);
    private int kept;
    private final Map<List<Object>, PhongMaterial> materials = newest(MATERIALS);

    private static <K, V> Map<K, V> newest(int most) {
        return new LinkedHashMap<>(16, 0.75f, true) {
            private static final long serialVersionUID = 1;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** A mesh by identity: the same object, the same drawing. */
    private record MeshKey(Mesh mesh) {
        @Override
        public boolean equals(Object o) {
            return o instanceof MeshKey k && k.mesh == mesh;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(mesh);
        }
    }

    /**
     * What a shape is drawn from: the renderer keeps what it made of it as long as the shape is the same object.
     *
     * @param of       a mesh, or segments
     * @param numbers  texture coordinates of a mesh, or the segments' ends and thickness
     * @param corners  of a mesh, the texture coordinate of each corner, or how many sides segments have
     */
    private record Shape(Optional<MeshKey> of, float[] numbers, int[] corners) {
        @Override
        public boolean equals(Object o) {
            return o instanceof Shape s && of.equals(s.of) && Arrays.equals(numbers, s.numbers) && Arrays.equals(corners, s.corners);
        }

        @Override
        public int hashCode() {
            return 31 * (31 * of.hashCode() + Arrays.hashCode(numbers)) + Arrays.hashCode(corners);
        }
    }

    public MeshView plain(Mesh m, Color colour) {
        return view(triangles(m, new float[] {0.5f, 0.5f}, new int[3 * m.triangleCount()]), material(colour));
    }

    /** See-through: drawn last by the caller, back faces left out. */
    public MeshView glass(Mesh m, Color colour, double opacity) {
        // the renderer adds light without weighing it by opacity: weigh the colour instead, without a highlight, which would wash it out
        var weighed = Color.color(colour.getRed() * opacity, colour.getGreen() * opacity, colour.getBlue() * opacity, opacity);
        var view = view(triangles(m, new float[] {0.5f, 0.5f}, new int[3 * m.triangleCount()]), dull(weighed));
        view.setCullFace(CullFace.BACK);
        return view;
    }

    /** Colour by a value at each vertex. */
    public MeshView byVertex(Mesh m, Ramp ramp, Color neutral, IntToDoubleFunction value) {
        var coords = new float[2 * m.vertexCount()];
        for (int v = 0; v < m.vertexCount(); v++) {
            coords[2 * v] = ramp.u(value.applyAsDouble(v));
            coords[2 * v + 1] = 0.5f;
        }
        return textured(m, ramp, neutral, coords, false);
    }

    /** Colour by a value of each facet. */
    public MeshView byFacet(Mesh m, Ramp ramp, Color neutral, IntToDoubleFunction value) {
        var coords = new float[2 * m.triangleCount()];
        for (int f = 0; f < m.triangleCount(); f++) {
            coords[2 * f] = ramp.u(value.applyAsDouble(f));
            coords[2 * f + 1] = 0.5f;
        }
        return textured(m, ramp, neutral, coords, true);
    }

    /** Colour by a value of each facet, with a dark line wherever {@code height} of the vertices, between them even, is whole. */
    public MeshView striped(Mesh m, Ramp ramp, Color neutral, IntToDoubleFunction value, IntToDoubleFunction height) {
        var coords = new float[6 * m.triangleCount()];
        for (int f = 0; f < m.triangleCount(); f++) {
            float u = ramp.u(value.applyAsDouble(f));
            for (int k = 0; k < 3; k++) {
                coords[6 * f + 2 * k] = u;
                coords[6 * f + 2 * k + 1] = (float) height.applyAsDouble(m.vertex(f, k));
            }
        }
        var corners = new int[3 * m.triangleCount()];
        Arrays.setAll(corners, i -> i);
        return view(triangles(m, coords, corners), painted(List.of(ramp.looks(), neutral, "striped"), 0.06, () -> ramp.striped(neutral)));
    }

    /** Colour by number: each facet takes one of a few flat colours. */
    public MeshView byPalette(Mesh m, List<Color> palette, IntToDoubleFunction number) {
        int n = palette.size();
        var coords = new float[2 * n];
        for (int i = 0; i < n; i++) {
            coords[2 * i] = (i + 0.5f) / n;
            coords[2 * i + 1] = 0.5f;
        }
        var corners = new int[3 * m.triangleCount()];
        for (int f = 0; f < m.triangleCount(); f++) Arrays.fill(corners, 3 * f, 3 * f + 3, (int) number.applyAsDouble(f));
        return view(triangles(m, coords, corners), painted(List.copyOf(palette), 0.1, () -> flat(palette)));
    }

    /** Any colour on any facet, 0xRRGGBB, to a thirty-second of each of red, green and blue. */
    public MeshView byColour(Mesh m, IntUnaryOperator rgb) {
        var place = new int[1 << 15];
        Arrays.fill(place, -1);
        var corners = new int[3 * m.triangleCount()];
        var coords = new float[256];
        int n = 0;
        for (int f = 0; f < m.triangleCount(); f++) {
            int c = rgb.applyAsInt(f), key = (c >> 19 & 31) << 10 | (c >> 11 & 31) << 5 | c >> 3 & 31;
            if (place[key] < 0) {
                if (2 * n == coords.length) coords = Arrays.copyOf(coords, 2 * coords.length);
                coords[2 * n] = ((key & 255) + 0.5f) / 256;
                coords[2 * n + 1] = ((key >> 8) + 0.5f) / 128;
                place[key] = n++;
            }
            Arrays.fill(corners, 3 * f, 3 * f + 3, place[key]);
        }
        return view(triangles(m, Arrays.copyOf(coords, 2 * n), corners), painted(List.of("every colour"), 0.1, Drawn::everyColour));
    }

    private static Image everyColour() {
        var image = new WritableImage(256, 128);
        for (int key = 0; key < 1 << 15; key++) {
            int red = 8 * (key >> 10) + 4, green = 8 * (key >> 5 & 31) + 4, blue = 8 * (key & 31) + 4;
            image.getPixelWriter().setArgb(key & 255, key >> 8, 0xff << 24 | red << 16 | green << 8 | blue);
        }
        return image;
    }

    private static Image flat(List<Color> palette) {
        int n = palette.size();
        var image = new WritableImage(Math.max(1, 8 * n), 8);
        for (int i = 0; i < n; i++)
            for (int x = 0; x < 8; x++) for (int y = 0; y < 8; y++) image.getPixelWriter().setColor(8 * i + x, y, palette.get(i));
        return image;
    }

    /** A flat square about a point at right angles to {@code normal}, {@code side} mm wide. */
    public TriangleMesh square(Vec3 at, Vec3 normal, double side) {
        var u = normal.cross(Math.abs(normal.z()) < 0.9 ? Vec3.Z : Vec3.X).unit().times(side / 2);
        var v = normal.cross(u);
        var out = new TriangleMesh();
        for (var p : List.of(at.minus(u).minus(v), at.plus(u).minus(v), at.plus(u).plus(v), at.minus(u).plus(v)))
            out.getPoints().addAll((float) p.x(), (float) p.y(), (float) p.z());
        out.getTexCoords().addAll(0, 0);
        out.getFaces().addAll(0, 0, 1, 0, 2, 0, 0, 0, 2, 0, 3, 0);
        return out;
    }

    /** Segments (six numbers each) as thin three-sided prisms, lit from within so that they show in every light. */
    public MeshView lines(double[] segments, Color colour, double thick) {
        return view(prisms(Segments.straightened(segments, thick * STRAY), thick, LINE), dull(colour));
    }

    /** The same as rods, all of them one mesh. */
    public MeshView rods(double[] segments, Color colour, double thick) {
        return view(prisms(Segments.straightened(segments, thick * STRAY), thick, ROD), dull(colour));
    }

    private TriangleMesh prisms(double[] segments, double thick, int sides) {
        var numbers = new float[segments.length + 1];
        for (int i = 0; i < segments.length; i++) numbers[i] = (float) segments[i];
        numbers[segments.length] = (float) thick;
        return kept(new Shape(Optional.empty(), numbers, new int[] {sides}), () -> makePrisms(segments, thick, sides));
    }

    private static TriangleMesh makePrisms(double[] segments, double thick, int sides) {
        var out = new TriangleMesh();
        out.getTexCoords().addAll(0, 0);
        for (int i = 0; i < segments.length; i += 6) {
            var a = new Vec3(segments[i], segments[i + 1], segments[i + 2]);
            var b = new Vec3(segments[i + 3], segments[i + 4], segments[i + 5]);
            if (a.distance(b) == 0) continue;
            var d = b.minus(a).unit();
            var over = d.times(sides == ROD ? thick * OVER : 0);
            var u = d.cross(Math.abs(d.z()) < 0.9 ? Vec3.Z : Vec3.X).unit().times(thick / 2);
            var v = d.cross(u);
            int first = out.getPoints().size() / 3;
            for (var end : List.of(a.minus(over), b.plus(over))) for (int k = 0; k < sides; k++) {
                var p = end.plus(u.times(Math.cos(2 * Math.PI * k / sides))).plus(v.times(Math.sin(2 * Math.PI * k / sides)));
                out.getPoints().addAll((float) p.x(), (float) p.y(), (float) p.z());
            }
            for (int k = 0; k < sides; k++) {
                int p = first + k, q = first + (k + 1) % sides;
                out.getFaces().addAll(p, 0, q, 0, q + sides, 0, p, 0, q + sides, 0, p + sides, 0);
            }
        }
        return out;
    }

    /**
     * For cut planes: the yellow of the selection, thin; the renderer adds light without weighing it by opacity, so the colour is weighed.
     */
    public PhongMaterial paneOfGlass() {
        return paneOfGlass(0.28);
    }

    /** @param a opacity, 0 to 1 */
    public PhongMaterial paneOfGlass(double a) {
        return dull(Color.color(0.95 * a, 0.72 * a, 0.02 * a, a));
    }

    private MeshView textured(Mesh m, Ramp ramp, Color neutral, float[] coords, boolean byFacet) {
        var corners = new int[3 * m.triangleCount()];
        for (int f = 0; f < m.triangleCount(); f++) for (int k = 0; k < 3; k++) corners[3 * f + k] = byFacet ? f : m.vertex(f, k);
        boolean lines = !byFacet; // a facet of one value must not be painted as a line
        return view(triangles(m, coords, corners),
                painted(List.of(ramp.looks(), neutral, lines), 0.06, () -> ramp.texture(neutral, lines)));
    }

    PhongMaterial material(Color c) {
        return materials.computeIfAbsent(List.of(c, "shining"), k -> {
            var m = new PhongMaterial(c);
            m.setSpecularColor(Color.gray(0.14, c.getOpacity()));
            m.setSpecularPower(18);
            return m;
        });
    }

    /** Lit alike on all sides, without a highlight. */
    public PhongMaterial dull(Color c) {
        return materials.computeIfAbsent(List.of(c, "dull"), k -> {
            var m = new PhongMaterial(c);
            m.setSpecularColor(Color.TRANSPARENT);
            return m;
        });
    }

    private PhongMaterial painted(List<? extends Object> looks, double highlight, Supplier<Image> image) {
        return materials.computeIfAbsent(List.of(looks, highlight), k -> {
            var m = new PhongMaterial(Color.WHITE);
            m.setDiffuseMap(image.get());
            m.setSpecularColor(Color.gray(highlight));
            return m;
        });
    }

    private static MeshView view(TriangleMesh t, PhongMaterial material) {
        var v = new MeshView(t);
        v.setCullFace(CullFace.NONE);
        v.setMaterial(material);
        return v;
    }

    private TriangleMesh kept(Shape shape, Supplier<TriangleMesh> make) {
        var there = shapes.get(shape);
        if (there != null) return there;
        var made = make.get();
        shapes.put(shape, made);
        kept += triangles(made);
        for (var eldest = shapes.entrySet().iterator(); kept > SHAPES && eldest.hasNext();) {
            kept -= triangles(eldest.next().getValue());
            eldest.remove();
        }
        return made;
    }

    private static int triangles(TriangleMesh t) {
        return t.getFaces().size() / t.getFaceElementSize();
    }

    /** @param coords two a texture coordinate @param painted texture coordinate of each facet's corners */
    private TriangleMesh triangles(Mesh m, float[] coords, int[] painted) {
        return kept(new Shape(Optional.of(new MeshKey(m)), coords, painted), () -> makeTriangles(m, coords, painted));
    }

    private TriangleMesh makeTriangles(Mesh m, float[] coords, int[] painted) {
        var out = new TriangleMesh(VertexFormat.POINT_NORMAL_TEXCOORD);
        var points = new float[3 * m.vertexCount()];
        for (int v = 0; v < m.vertexCount(); v++) {
            points[3 * v] = (float) m.x(v);
            points[3 * v + 1] = (float) m.y(v);
            points[3 * v + 2] = (float) m.z(v);
        }
        out.getPoints().setAll(points);
        out.getTexCoords().setAll(coords);
        var corners = normals.computeIfAbsent(new MeshKey(m), k -> new Normals(m));
        out.getNormals().setAll(corners.values());
        var faces = new int[9 * m.triangleCount()];
        for (int f = 0; f < m.triangleCount(); f++) for (int k = 0; k < 3; k++) {
            int v = m.vertex(f, k), at = 9 * f + 3 * k;
            faces[at] = v;
            faces[at + 1] = corners.index(f, k);
            faces[at + 2] = painted[3 * f + k];
        }
        out.getFaces().setAll(faces);
        return out;
    }

    /** One normal a corner: the mean of the facets around the vertex that lie within the crease angle; equal ones share an entry. */
    private static final class Normals {
        private final float[] values;
        private final int[] index;

        Normals(Mesh m) {
            int n = m.triangleCount();
            var facet = new Vec3[n];
            var start = new int[m.vertexCount() + 1];
            for (int f = 0; f < n; f++) {
                facet[f] = m.areaVector(f);
                for (int k = 0; k < 3; k++) start[m.vertex(f, k) + 1]++;
            }
            for (int v = 0; v < m.vertexCount(); v++) start[v + 1] += start[v];
            var ring = new int[3 * n];
            var fill = start.clone();
            for (int f = 0; f < n; f++) for (int k = 0; k < 3; k++) ring[fill[m.vertex(f, k)]++] = f;
            index = new int[3 * n];
            var out = new java.util.ArrayList<float[]>();
            var known = new HashMap<Long, Integer>();
            for (int f = 0; f < n; f++) {
                double len = facet[f].norm();
                for (int k = 0; k < 3; k++) {
                    int v = m.vertex(f, k);
                    var sum = Vec3.ZERO;
                    for (int i = start[v]; i < start[v + 1]; i++) {
                        var g = facet[ring[i]];
                        if (len == 0 || g.dot(facet[f]) >= CREASE * g.norm() * len) sum = sum.plus(g);
                    }
                    var u = sum.norm() > 0 ? sum.unit() : Vec3.Z;
                    long key = (Math.round((u.x() + 1) * 500) << 20 | Math.round((u.y() + 1) * 500)) << 20 | Math.round((u.z() + 1) * 500);
                    index[3 * f + k] = known.computeIfAbsent(key, q -> {
                        out.add(new float[] {(float) u.x(), (float) u.y(), (float) u.z()});
                        return out.size() - 1;
                    });
                }
            }
            values = new float[3 * out.size()];
            for (int i = 0; i < out.size(); i++) System.arraycopy(out.get(i), 0, values, 3 * i, 3);
        }

        float[] values() {
            return values;
        }

        int index(int f, int k) {
            return index[3 * f + k];
        }
    }
}
