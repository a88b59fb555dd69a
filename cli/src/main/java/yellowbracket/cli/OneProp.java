package yellowbracket.cli;

import java.nio.file.Path;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import yellowbracket.document.Build;
import yellowbracket.document.Prop;

/** What commands about one prop of a build share. */
abstract class OneProp extends Output {
    private static final double COLDEST_C = 5, WARMEST_C = 40;

    @Parameters(paramLabel = "BUILD", description = "a .bracket file")
    Path build;

    @Option(names = "--prop", description = "which prop, by its id (default: the first)")
    String prop;

    @Option(names = "--celsius", description = "warmth of the shop, 5 to 40")
    Double celsius;

    /** @throws ParameterException for an id that no prop has */
    final Prop chosen(Build b) {
        if (b.props().isEmpty()) throw new Refused("the build has no prop: add one with \"yb new\".");
        if (prop == null) return b.props().getFirst();
        return b.prop(prop)
                .orElseThrow(() -> new ParameterException(spec.commandLine(),
                        "--prop " + prop + ": there is " + String.join(", ", b.props().stream().map(Prop::id).toList())));
    }

    /** The build at the warmth asked for. */
    final Build warmed(Build b) {
        if (celsius == null) return b;
        if (!(celsius >= COLDEST_C && celsius <= WARMEST_C))
            throw new ParameterException(spec.commandLine(), "--celsius " + celsius + ": type a warmth between 5 and 40, such as 18");
        return b.withShopCelsius(celsius);
    }
}
