package yellowbracket.colour.mark;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Area;
import java.awt.geom.PathIterator;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.colour.zone.Chart;
import yellowbracket.colour.zone.Inlay;
import yellowbracket.colour.zone.Painted;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

class MarkTest {
    private static final Mesh CUBE = Shapes.box(new Vec3(-60, -60, -60), new Vec3(60, 60, 60));

    @TempDir
    private Path dir;

    /** Of a flat outline, by its polygon. */
    private static double area(java.awt.Shape s) {
        double sum = 0, x = 0, y = 0, x0 = 0, y0 = 0;
        double[] c = new double[6];
        for (var it = new Area(s).getPathIterator(null, 0.005); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            double nx = kind == PathIterator.SEG_CLOSE ? x0 : c[0], ny = kind == PathIterator.SEG_CLOSE ? y0 : c[1];
            if (kind == PathIterator.SEG_MOVETO) {
                x0 = c[0];
                y0 = c[1];
            } else sum += x * ny - nx * y;
            x = nx;
            y = ny;
        }
        return Math.abs(sum) / 2;
    }

    @ParameterizedTest
    @CsvSource({"5,100,4", "1,30,0", "12,90.5,1.5"})
    void stripesAndGapsAddUp(int n, double length, double gap) {
        var s = new MarkShape.Stripes(n, length, gap, 20);
        assertThat(n * s.widthMm() + (n - 1) * gap).isCloseTo(length, within(1e-9));
        assertThat(s.outline().getBounds2D().getWidth()).isCloseTo(length, within(1e-9));
        assertThat(area(s.outline())).isCloseTo(n * s.widthMm() * 20, within(1e-6));
        assertThatThrownBy(() -> new MarkShape.Stripes(20, 30, 2, 10)).hasMessageContaining("do not fit");
    }

    @Test
    void onAFlatFaceAMarkIsAsDrawn() {
        for (var shape : new MarkShape[] {new MarkShape.Ring(40, 24), new MarkShape.Stripes(4, 60, 5, 30),
                new MarkShape.Letters("WARDEN 7", 18)}) {
            var laid = Inlay.lay(Painted.all(CUBE, 0), new Vec3(3, 60, 5), Vec3.Z, shape.outline(), 1);
            double drawn = area(shape.outline());
            assertThat(laid.painted().areaMm2(1)).as("%s", shape).isCloseTo(drawn, within(0.02 * drawn));
            assertThat(laid.areaMm2()).isCloseTo(laid.painted().areaMm2(1), within(1e-6));
            assertThat(laid.stretch()).isLessThan(1e-6);
        }
    }

    @Test
    void lettersTheFontLacksAreRefused() {
        assertThatThrownBy(() -> new MarkShape.Letters("W\u9f8d", 20)).hasMessageContaining("cannot draw");
    }

    @Test
    void lettersStandUprightAndReadFromOutside() {
        var laid = Inlay.lay(Painted.all(CUBE, 0), new Vec3(0, 60, 0), Vec3.Z, new MarkShape.Letters("L", 40).outline(), 1).painted();
        // seen from ahead (towards -y) the right hand is -x: the foot of an L lies low and to the right
        double low = 0, high = 0;
        for (int f = 0; f < laid.count(); f++) if (laid.zone(f) == 1) {
            var c = laid.mesh().centroid(f);
            if (c.z() < -14 && c.x() < 0) low += laid.mesh().area(f);
            if (c.z() > 5 && c.x() < 0) high += laid.mesh().area(f);
        }
        assertThat(low).isGreaterThan(20);
        assertThat(high).isLessThan(low / 3);
    }

    @ParameterizedTest
    @ValueSource(doubles = {10, 25, 45})
    void aCylinderUnrollsWithoutStretch(double r) {
        var tube = Shapes.tube(60, 56, -100, 100, 240);
        var laid = Inlay.lay(Painted.all(tube, 0), new Vec3(60, 0, 0), Vec3.Z, new MarkShape.Ring(2 * r, 0).outline(), 1);
        assertThat(laid.stretch()).isLessThan(0.012);
        assertThat(laid.painted().areaMm2(1)).isCloseTo(Math.PI * r * r, within(0.015 * Math.PI * r * r));
    }

    @ParameterizedTest
    @ValueSource(doubles = {12, 25, 40})
    void aSphereStretchesAsItMust(double r) {
        var ball = Shapes.sphere(50, 180);
        var laid = Inlay.lay(Painted.all(ball, 0), new Vec3(30, 0, 40), Vec3.Z, new MarkShape.Ring(2 * r, 0).outline(), 1);
        double rho = r / 50, known = rho / Math.sin(rho) - 1;
        assertThat(laid.stretch()).isCloseTo(known, within(0.25 * known + 0.012));
    }

    @Test
    void distancesFromTheMiddleAreTrue() {
        var ball = Shapes.sphere(50, 128);
        var at = new Vec3(0, 50, 0);
        var c = Chart.of(Painted.all(ball, 0), at, Vec3.Z, 60);
        IntStream.range(0, ball.vertexCount()).filter(v -> !Double.isNaN(c.u(v)) && Math.hypot(c.u(v), c.v(v)) < 55).forEach(v -> {
            double arc = 50 * Math.acos(Math.clamp(ball.point(v).y() / 50, -1, 1));
            assertThat(Math.hypot(c.u(v), c.v(v))).isCloseTo(arc, within(0.02 * arc + 0.15));
        });
    }

    private void svg(String text) throws Exception {
        Files.writeString(dir.resolve("emblem.svg"), text);
    }

    private String read() throws SvgPaths.Unreadable {
        return SvgPaths.read(dir.resolve("emblem.svg"));
    }

    @Test
    void anEmblemComesFromItsPaths() throws Exception {
        svg("<svg xmlns='http://www.w3.org/2000/svg'><g><path d='M0 0 h40 v20 h-40 z'/><circle cx='20' cy='10' r='6'/></g></svg>");
        var e = new MarkShape.Emblem("anchor", read(), 80);
        assertThat(e.outline().getBounds2D().getWidth()).isCloseTo(80, within(1e-6));
        assertThat(area(e.outline())).as("the circle is a hole").isCloseTo(4 * (800 - Math.PI * 36), within(4.0));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"<svg><script>alert(1)</script><path d='M0 0h9v9z'/></svg>|script",
            "<svg><path onclick='x()' d='M0 0h9v9z'/></svg>|script",
            "<svg><image href='http://x/y.png'/><path d='M0 0h9v9z'/></svg>|outside itself",
            "<svg><use href='other.svg#a'/></svg>|outside itself", "<svg><text>hello</text></svg>|no path", "not xml|no SVG",
            "<svg><path d='M0 0 h9 v9'/><path transform='scale(2)' d='M0 0h9v9z'/></svg>|transform",
            "<svg><path d='M 0 0 blah'/></svg>|damaged",
            "<!DOCTYPE svg [<!ENTITY a SYSTEM 'file:///etc/passwd'>]><svg><path d='M0 0h9v9z'/><text>&a;</text></svg>|-",
            "<svg><path d='M0 0 h9'/></svg>|enclose nothing"})
    void otherSvgFilesAreRefusedInWords(String text, String words) throws Exception {
        svg(text);
        if (words.equals("-")) {
            assertThat(read()).as("nothing outside is read").isEqualTo("M0 0h9v9z");
            return;
        }
        assertThatThrownBy(this::read).isInstanceOf(SvgPaths.Unreadable.class)
                .hasMessageContaining(words)
                .hasMessageStartingWith("emblem.svg");
    }
}
