package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Side;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;

class ZoneFileTest {
    private static final Mesh BALL = Shapes.sphere(50, 64);
    private static final List<ColourZone> ZONES = List.of(ColourZone.of(3, "cap, of brass", "#a8742c", "enamel spray"),
            ColourZone.of(0, "rest", "#1f5156", "acrylic lacquer spray"));

    @TempDir
    private Path dir;

    private static Painted cap() {
        return Side.of(Painted.all(BALL, 0), new Vec3(0.3, 0.2, 0.9), 24, 3, Side.Only.ALL);
    }

    private static double area(ColourWish w, Mesh m, int zone) {
        return w.map().orElseThrow().on(m).areaMm2(zone);
    }

    @ParameterizedTest
    @ValueSource(strings = {"zones.json", "zones.ply", "zones.OBJ"})
    void whatWasWrittenComesBack(String name) throws Exception {
        var file = dir.resolve(name);
        ZoneFile.write(file, cap(), ZONES);
        var read = ZoneFile.read(file, BALL, ColourWish.GREY);
        assertThat(read.zone(3).orElseThrow().name()).isEqualTo("cap, of brass");
        assertThat(read.zone(3).orElseThrow().hex()).isEqualTo("#a8742c");
        assertThat(area(read, BALL, 3)).isCloseTo(cap().areaMm2(3), within(0.01 * cap().areaMm2(3)));
        assertThat(read.seal()).isEqualTo(ColourWish.GREY.seal());
    }

    @Test
    void anotherVersionOfTheMeshGetsThemByPlace() throws Exception {
        var file = dir.resolve("zones.ply");
        ZoneFile.write(file, cap(), ZONES);
        var finer = Shapes.sphere(50, 150);
        var read = ZoneFile.read(file, finer, ColourWish.of(List.of(ZONES.get(0).withHow(ColourZone.How.BRUSH)), ""));
        assertThat(area(read, finer, 3)).isCloseTo(cap().areaMm2(3), within(0.03 * cap().areaMm2(3)));
        assertThat(read.zone(3).orElseThrow().how()).as("what was decided of a zone of that name stays").isEqualTo(ColourZone.How.BRUSH);
        ZoneFile.write(dir.resolve("zones.json"), cap(), ZONES);
        assertThatThrownBy(() -> ZoneFile.read(dir.resolve("zones.json"), finer, ColourWish.GREY)).isInstanceOf(ZoneFile.Unreadable.class)
                .hasMessageContaining("another mesh: export them as PLY");
    }

    @Test
    void facesOfAPlyMayHaveColoursOnly() throws Exception {
        var file = dir.resolve("painted.ply");
        ZoneFile.write(file, cap(), ZONES);
        Files.writeString(file,
                Files.readString(file).replace("property int zone\n", "property int part\n").replaceAll("comment zone.*\n", ""));
        var read = ZoneFile.read(file, BALL, ColourWish.GREY);
        assertThat(read.zones()).extracting(ColourZone::hex).containsExactlyInAnyOrder("#a8742c", "#1f5156");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"hello|no faces", "ply~format binary_little_endian 1.0~end_header|line 2: binary PLY",
            "ply~format ascii 1.0~element vertex 3~element face 1~end_header|neither a number",
            "ply~format ascii 1.0~element face 9~property int zone~end_header|ends before",
            "v 0 0 0~v 1 0 0~v 0 one 0~f 1 2 3|line 3: \"one\"", "v 0 0 0~v 1 0 0~v 0 1 0~f 1 2 9|line 4: no point 9",
            "v 900 0 0~v 901 0 0~v 900 1 0~f 1 2 3|another size", "{\"format\":\"x\"}|x"})
    void otherFilesAreRefusedInWords(String text, String words) throws Exception {
        var file = dir.resolve("zones.txt");
        Files.writeString(file, text.replace("~", "\n"));
        assertThatThrownBy(() -> ZoneFile.read(file, BALL, ColourWish.GREY)).isInstanceOf(ZoneFile.Unreadable.class)
                .message()
                .startsWith("zones.txt")
                .satisfies(m -> assertThat(m).doesNotContain("Exception", "null"));
        if (!words.equals("x")) assertThatThrownBy(() -> ZoneFile.read(file, BALL, ColourWish.GREY)).hasMessageContaining(words);
    }
}
