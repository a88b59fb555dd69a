package yellowbracket.desktop.model;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PhotoFolderTest {
    @TempDir
    Path camera;

    private Path file(String name, int second) throws IOException {
        var f = Files.writeString(camera.resolve(name), "");
        Files.setLastModifiedTime(f, FileTime.from(Instant.EPOCH.plusSeconds(second)));
        return f;
    }

    @Test
    void theNewestPictureThatWasNotTakenIsNext() throws IOException {
        var first = file("a.jpg", 10);
        var photos = new PhotoFolder();
        assertThat(photos.known()).isFalse();
        assertThat(photos.newest()).isEmpty();
        photos.took(first);
        assertThat(photos.newest()).as("nothing new").isEmpty();
        var later = file("b.PNG", 30);
        var between = file("c.jpeg", 20);
        file("film.mp4", 40);
        assertThat(photos.newest()).contains(later);
        photos.took(later);
        assertThat(photos.newest()).contains(between);
    }

    @Test
    void aFolderThatIsGoneHasNone() throws IOException {
        var photos = new PhotoFolder();
        photos.took(camera.resolve("card/a.jpg"));
        assertThat(photos.known()).isTrue();
        assertThat(photos.newest()).isEmpty();
    }
}
