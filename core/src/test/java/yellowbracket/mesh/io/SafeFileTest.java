package yellowbracket.mesh.io;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Files are there whole or as they were; what was there before can be had back. */
class SafeFileTest {
    @TempDir
    Path dir;

    @Test
    void writesWholeAndMakesItsFolder() throws IOException {
        var file = dir.resolve("a/b/build.bracket");
        SafeFile.write(file, new byte[] {1, 2, 3});
        assertThat(file).hasBinaryContent(new byte[] {1, 2, 3});
        SafeFile.write(file, new byte[] {4});
        assertThat(file).hasBinaryContent(new byte[] {4});
        try (var left = Files.list(file.getParent())) {
            assertThat(left).as("nothing half written stays behind").containsExactly(file);
        }
    }

    @Test
    void theVersionBeforeIsKept() throws IOException {
        var file = dir.resolve("build.bracket");
        for (byte i = 1; i <= 3; i++) SafeFile.writeKeepingPrevious(file, new byte[] {i});
        assertThat(file).hasBinaryContent(new byte[] {3});
        assertThat(dir.resolve("build.bracket~")).hasBinaryContent(new byte[] {2});
    }

    @Test
    void whatCannotBeWrittenLeavesWhatWasThere() throws IOException {
        var file = dir.resolve("kept");
        SafeFile.write(file, new byte[] {7});
        var below = file.resolve("below"); // a file in the place of a folder
        assertThatThrownBy(() -> SafeFile.write(below, new byte[] {1})).isInstanceOf(IOException.class);
        assertThat(file).hasBinaryContent(new byte[] {7});
    }
}
