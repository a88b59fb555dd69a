package yellowbracket.export;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Sectioning;
import yellowbracket.cut.registration.Registered;
import yellowbracket.cut.registration.Registrar;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.MeshAssert;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.io.MeshFile;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.print.Orientation;
import yellowbracket.print.PrintPlan;
import yellowbracket.shop.Catalogue;

/** Section files are opened again and hold what was cut. */
class SectionFilesTest {
    private static final Mesh BLOCK = Shapes.box(new Vec3(-40, -30, -50), new Vec3(40, 30, 50));

    @TempDir
    Path dir;

    private static Registered block(RegistrationKind kind) {
        var index = Bvh.of(BLOCK);
        var tree = CutTree.split(CutPlane.across(2, 3.137), CutTree.WHOLE, CutTree.WHOLE);
        return Registrar.of(Sectioning.of(BLOCK, index, tree, "p", Letters.alone(), Progress.NONE), tree, index, 1,
                Registration.PLAIN.withUsual(kind), Progress.NONE);
    }

    private static PrintPlan printed(Registered r) {
        var shop = Catalogue.builtIn();
        var profile = shop.profile("usual");
        var ways = new java.util.HashMap<String, List<Orientation>>();
        for (var s : r.sections().sections()) {
            var index = Bvh.of(s.mesh());
            ways.put(s.name(), Orientation.choices(s.mesh(), SurfaceSamples.of(s.mesh(), index, 300), profile));
        }
        return PrintPlan.of(r.sections().sections(), ways, 1, profile, shop.printers(), shop);
    }

    private static Mesh read(Path file) {
        return ((MeshFile.Read) MeshFile.read(file, Progress.NONE)).mesh();
    }

    private List<Map<String, String>> cutList() throws Exception {
        try (var p = CSVParser.parse(Files.readString(dir.resolve("cut-list.csv")),
                CSVFormat.RFC4180.builder().setHeader().setSkipHeaderRecord(true).get())) {
            return p.getRecords().stream().map(r -> r.toMap()).toList();
        }
    }

    @Test
    void inPlaceTheyMakeUpTheProp() throws Exception {
        var r = block(RegistrationKind.PINS);
        var files = new SectionFiles("block", 1, r, Optional.empty()).write(dir);
        var all = read(dir.resolve(SectionFiles.ALL));
        double pins = r.loose().stream().mapToDouble(l -> l.mesh().volumeMm3()).sum();
        assertThat(all.volumeMm3()).isCloseTo(BLOCK.volumeMm3() - r.removedMm3() + pins, within(30.0));
        for (var s : r.sections().sections()) {
            var back = read(files.bySection().get(s.name()));
            MeshAssert.assertClosed(back);
            assertThat(back.bounds().centre().distance(s.mesh().bounds().centre())).isLessThan(1e-3);
        }
        var pin = read(dir.resolve("pin-8x21.stl"));
        MeshAssert.assertClosed(pin);
        assertThat(cutList()).anySatisfy(row -> assertThat(row).containsEntry("section", "pin 8 x 21 mm")
                .containsEntry("count", "3")
                .containsEntry("file", "pin-8x21.stl"));
    }

    @Test
    void asPrintedTheyLieBesideEachOther() throws Exception {
        var r = block(RegistrationKind.SEALED_MAGNETS);
        new SectionFiles("block", 1, r, Optional.of(printed(r))).write(dir);
        var all = read(dir.resolve(SectionFiles.ALL));
        assertThat(all.bounds().min().z()).isCloseTo(0, within(1e-4));
        var sizes = r.sections()
                .sections()
                .stream()
                .map(s -> read(dir.resolve("section-" + s.name() + ".stl")).bounds().size().x())
                .toList();
        assertThat(all.bounds().size().x()).as("in a row with gaps").isCloseTo(sizes.get(0) + sizes.get(1) + 12, within(1e-3));
        assertThat(cutList().getFirst().get("note")).matches(".*pause after layer \\d+ \\(\\d+\\.\\d mm\\) for a magnet 10 x 3 mm.*");
    }

    @Test
    void twoThatAreAlikeComeFromOneFile() throws Exception {
        var index = Bvh.of(BLOCK);
        var tree = CutTree.split(CutPlane.across(2, 0), CutTree.WHOLE, CutTree.WHOLE);
        var r = Registrar.of(Sectioning.of(BLOCK, index, tree, "p", Letters.alone(), Progress.NONE), tree, index, 1, Registration.PLAIN,
                Progress.NONE);
        var files = new SectionFiles("block", 1, r, Optional.empty()).write(dir);
        assertThat(files.bySection().get("B")).isEqualTo(files.bySection().get("A"));
        assertThat(dir.resolve("section-B.stl")).doesNotExist();
        assertThat(cutList().get(1)).containsEntry("file", "section-A.stl").containsEntry("note", "B is the same as A");
    }

    @Test
    void theMapIsOnePageThatNamesEverything() throws Exception {
        var r = block(RegistrationKind.MAGNETS);
        new SectionFiles("lantern: top", 1.04, r, Optional.empty()).write(dir);
        try (var pdf = org.apache.pdfbox.Loader.loadPDF(dir.resolve("section-map.pdf").toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(pdf)).contains("lantern: top", "at 104.0 %", "A|B",
                    "6 magnets 10 x 3 mm", "sections", "seams");
        }
    }

    @Test
    void aMapOfManySectionsRunsOnToASecondPage() throws Exception {
        var bar = Shapes.box(new Vec3(0, 0, 0), new Vec3(900, 20, 20));
        CutTree tree = CutTree.WHOLE;
        for (double x = 18.3; x < 890; x += 18.3) tree = CutTree.split(CutPlane.across(0, x), CutTree.WHOLE, tree);
        // planes from the far end inwards, each cutting what is left below it
        var index = Bvh.of(bar);
        var cuts = Sectioning.of(bar, index, tree, "p", Letters.alone(), Progress.NONE);
        assertThat(cuts.sections().size()).isGreaterThan(40);
        var r = Registrar.of(cuts, tree, index, 1, Registration.PLAIN, Progress.NONE);
        new SectionFiles("bar", 1, r, Optional.empty()).write(dir);
        try (var pdf = org.apache.pdfbox.Loader.loadPDF(dir.resolve("section-map.pdf").toFile())) {
            assertThat(pdf.getNumberOfPages()).isEqualTo(2);
        }
    }

    @Test
    void aFolderThatCannotBeWrittenIsToldAndNothingIsHalfThere() throws Exception {
        var blocked = Files.writeString(dir.resolve("file"), "no folder");
        org.assertj.core.api.Assertions
                .assertThatThrownBy(
                        () -> new SectionFiles("block", 1, block(RegistrationKind.PLAIN), Optional.empty()).write(blocked.resolve("x")))
                .isInstanceOf(java.io.IOException.class);
        assertThat(Files.readString(blocked)).isEqualTo("no folder");
    }
}
