package yellowbracket.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import yellowbracket.demo.DemoBuild;
import yellowbracket.document.BuildFile;

@Command(name = "demo", description = "write the demo build")
final class DemoCommand extends Output {
    @Option(names = "--out", required = true, description = "the .bracket file to write")
    Path out;

    @Option(names = "--today", description = "the day its dates count from, yyyy-mm-dd")
    LocalDate today;

    @Override
    Map<String, Object> work() {
        var demo = DemoBuild.at(today == null ? LocalDate.now() : today);
        try {
            BuildFile.write(out, demo.build(), demo.meshes());
        } catch (IOException e) {
            throw unwritten(out, e);
        }
        return map("files", List.of(out.toString()));
    }
}
