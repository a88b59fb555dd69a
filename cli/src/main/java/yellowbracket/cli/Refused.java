package yellowbracket.cli;

import java.util.List;

/** The input is refused: exit 1, one line a finding on standard error. */
final class Refused extends RuntimeException {
    private static final long serialVersionUID = 1;
    private final transient List<String> findings;

    Refused(List<String> findings) {
        super(String.join("\n", findings), null, false, false);
        this.findings = List.copyOf(findings);
    }

    Refused(String finding) {
        this(List.of(finding));
    }

    List<String> findings() {
        return findings;
    }
}
