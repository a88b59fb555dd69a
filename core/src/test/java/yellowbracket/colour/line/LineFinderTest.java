package yellowbracket.colour.line;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshBuilder;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

class LineFinderTest {
    private static final double WIDEST = 4;

    private static List<SurfaceLine> lines(Mesh m) {
        return LineFinder.find(m, Bvh.of(m), WIDEST);
    }

    /** A round-bottomed trough along a way whose distance is told. */
    private static double trough(double distance, double width, double depth) {
        return distance > width / 2 ? 0 : -depth * Math.cos(Math.PI * distance / width);
    }

    private static double toSegment(double x, double y, double ax, double ay, double bx, double by) {
        return java.awt.geom.Line2D.ptSegDist(ax, ay, bx, by, x, y);
    }

    @ParameterizedTest
    @CsvSource({"0.5, 60", "0.5, 25", "0.8, 60", "0.3, 40"})
    void aStraightGrooveIsAsLongAsItWasMade(double grid, double length) {
        var m = Shapes.relief(length + 30, 30, 10, grid, (x, y) -> trough(toSegment(x, y, 15, 15.1, 15 + length, 15.1), 3, 1.5));
        var found = lines(m);
        assertThat(found).singleElement().satisfies(l -> {
            assertThat(l.kind()).isEqualTo(SurfaceLine.Kind.GROOVE);
            assertThat(l.lengthMm()).isCloseTo(length + 2.7, within(0.03 * length)); // round ends reach on by nearly half its width
            assertThat(l.widthMm()).isBetween(2.2, 3.6);
            assertThat(l.depthMm()).isBetween(1.1, 1.6);
            assertThat(l.runs()).hasSize(1);
        });
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 17, 45, 71})
    void itDoesNotMatterWhichWayItRuns(double deg) {
        double a = Math.toRadians(deg), dx = 35 * Math.cos(a), dy = 35 * Math.sin(a);
        var m = Shapes.relief(110, 110, 10, 0.6, (x, y) -> trough(toSegment(x, y, 55 - dx, 55 - dy, 55 + dx, 55 + dy), 2.6, 1.2));
        assertThat(lines(m)).singleElement().satisfies(l -> assertThat(l.lengthMm()).isCloseTo(72.3, within(0.03 * 72)));
    }

    @Test
    void aRingIsTwoPiR() {
        var m = Shapes.relief(70, 70, 10, 0.5, (x, y) -> trough(Math.abs(Math.hypot(x - 35, y - 35) - 22), 3, 1.4));
        assertThat(lines(m)).singleElement().satisfies(l -> {
            assertThat(l.lengthMm()).isCloseTo(2 * Math.PI * 22, within(0.03 * 2 * Math.PI * 22));
            assertThat(l.leastRadiusMm(8)).isCloseTo(22, within(3.0));
        });
    }

    /** Sharp edges and long thin triangles: a profile drawn out over 80 mm. */
    private static Mesh profile(double[][] upper, double length) {
        var b = new MeshBuilder(200, 400);
        int n = upper.length;
        for (double y : new double[] {0, length}) {
            for (var p : upper) b.addVertex(p[0], y, p[1]);
            for (var p : upper) b.addVertex(p[0], y, -10);
        }
        int end = 2 * n;
        for (int i = 0; i + 1 < n; i++) {
            b.addQuad(i, i + 1, end + i + 1, end + i);
            b.addQuad(n + i, end + n + i, end + n + i + 1, n + i + 1);
            b.addQuad(i, n + i, n + i + 1, i + 1);
            b.addQuad(end + i, end + i + 1, end + n + i + 1, end + n + i);
        }
        b.addQuad(0, end, end + n, n);
        b.addQuad(n - 1, 2 * n - 1, end + 2 * n - 1, end + n - 1);
        return b.build();
    }

    @Test
    void aVCutThroughACoarseBlockIsFound() {
        var m = profile(new double[][] {{0, 0}, {20, 0}, {21.2, -1.2}, {22.4, 0}, {42, 0}}, 80);
        assertThat(lines(m)).singleElement().satisfies(l -> {
            assertThat(l.kind()).isEqualTo(SurfaceLine.Kind.GROOVE);
            assertThat(l.lengthMm()).isCloseTo(80, within(0.03 * 80));
            assertThat(l.widthMm()).isCloseTo(2.4, within(0.1));
            assertThat(l.depthMm()).isCloseTo(1.2, within(0.1));
        });
    }

    @Test
    void aBarThatStandsUpIsARaisedLine() {
        var m = profile(new double[][] {{0, 0}, {20, 0}, {20, 1.2}, {22, 1.2}, {22, 0}, {42, 0}}, 80);
        assertThat(lines(m)).singleElement().satisfies(l -> {
            assertThat(l.kind()).isEqualTo(SurfaceLine.Kind.RIDGE);
            assertThat(l.lengthMm()).isCloseTo(80, within(0.03 * 80));
            assertThat(l.widthMm()).isCloseTo(2, within(0.15));
        });
    }

    @Test
    void cornersEdgesAndWideChannelsAreNoLines() {
        var step = profile(new double[][] {{0, 0}, {20, 0}, {20, 8}, {60, 8}}, 80);
        assertThat(lines(step)).isEmpty();
        var fine = Shapes.relief(60, 60, 10, 0.8, (x, y) -> x < 30 ? 0 : Math.min(9, (x - 30) * 4));
        assertThat(lines(fine)).isEmpty();
        assertThat(lines(Shapes.relief(60, 60, 10, 0.8, (x, y) -> trough(Math.abs(x - 30), 14, 4)))).isEmpty();
        assertThat(lines(Shapes.box(Vec3.ZERO, new Vec3(40, 40, 40)))).isEmpty();
        assertThat(lines(Shapes.sphere(40, 64))).isEmpty();
    }

    @Test
    void crossedGroovesAreOneNetWithFourArms() {
        var m = Shapes.relief(80, 80, 10, 0.5,
                (x, y) -> Math.min(trough(toSegment(x, y, 15, 40, 65, 40), 2.4, 1.2), trough(toSegment(x, y, 40, 15, 40, 65), 2.4, 1.2)));
        assertThat(lines(m)).singleElement().satisfies(l -> {
            assertThat(l.runs()).hasSize(4);
            assertThat(l.lengthMm()).isCloseTo(104.4, within(0.05 * 104));
        });
    }

    @Test
    void ringsRoundAThinShellAreFoundAndItsWallIsNone() {
        // here: a tube 3 mm thick with a groove of 1 mm and a raised band round it
        var p = new double[][] {{37, 0}, {40, 0}, {40, 20}, {39, 20.01}, {39, 22}, {40, 22.01}, {40, 40}, {41.2, 40.01}, {41.2, 42.2},
                {40, 42.21}, {40, 60}, {37, 60}};
        var m = Shapes.lathe(p, true, 96);
        assertThat(lines(m)).hasSize(2).anySatisfy(l -> {
            assertThat(l.kind()).isEqualTo(SurfaceLine.Kind.GROOVE);
            assertThat(l.lengthMm()).isCloseTo(2 * Math.PI * 39.5, within(0.03 * 250));
        }).anySatisfy(l -> {
            assertThat(l.kind()).isEqualTo(SurfaceLine.Kind.RIDGE);
            assertThat(l.lengthMm()).isCloseTo(2 * Math.PI * 40.6, within(0.03 * 250));
        });
    }

    @Test
    void turnedAndMovedItIsTheSame() {
        var m = Shapes.relief(60, 40, 10, 0.6, (x, y) -> trough(Math.abs(y - 20 - 5 * Math.sin(x / 8)), 2.6, 1.2));
        double as = lines(m).getFirst().lengthMm();
        var turned = m.turned(Turn.about(new Vec3(1, 2, 3).unit(), 40)).moved(new Vec3(200, -50, 3));
        assertThat(lines(turned).getFirst().lengthMm()).isCloseTo(as, within(0.01 * as));
    }
}
