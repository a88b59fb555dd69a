package yellowbracket.program;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProgramLogTest {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"marens-helm.stl: the file is empty; export it again|(name): the file is empty; export it again",
            "/home/maren/props/x cannot be written|(name) cannot be written",
            "Maren, circumference: too small|(name), " + "circumference: too small",
            "there is no section \"Z\" at 8.5 mm|there is no section (name) at # mm",
            "the head is 575 mm round, 195,5 long|the head " + "is # mm round, # long"})
    void whatIsPersonalIsLeftOut(String words, String kept) {
        assertThat(ProgramLog.plain(words, List.of("Maren"))).isEqualTo(kept);
    }

    @Test
    void theFileLiesInTheUsersStateFolder() {
        assertThat(ProgramLog.file(Map.of("XDG_STATE_HOME", "/s"))).isEqualTo(Path.of("/s/yellow-bracket/yellow-bracket.log"));
        assertThat(ProgramLog.file(Map.of("YELLOWBRACKET_HOME", "/h", "XDG_STATE_HOME", "/s"))).isEqualTo(Path.of("/h/yellow-bracket.log"));
        assertThat(ProgramLog.file(Map.of()).toString()).contains("yellow-bracket");
    }
}
