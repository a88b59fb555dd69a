package yellowbracket.cut.registration;

import java.util.List;
import java.util.Optional;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.Sectioning;
import yellowbracket.finding.Finding;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;

/**
 * Sections with their registration worked in, real mm. {@code refused}: what was wanted and cannot be, with the reason; {@code loose}:
 * parts printed beside the
 * sections; {@code hardware}: what to buy or print, by size. {@code addedMm3} (tongues) and {@code removedMm3} (sockets, grooves, letters)
 * are what the faces
 * gained and lost, exactly.
 */
public record Registered(Sectioning sections, List<Fitted> fitted, List<Tongue> tongues, List<Refused> refused, List<Loose> loose,
        List<Hardware> hardware, List<Finding> findings, double addedMm3, double removedMm3) {
    public Registered {
        fitted = List.copyOf(fitted);
        tongues = List.copyOf(tongues);
        refused = List.copyOf(refused);
        loose = List.copyOf(loose);
        hardware = List.copyOf(hardware);
        findings = List.copyOf(findings);
    }

    /** A tongue on the section below and its groove in the one above. */
    public record Tongue(String seam, String below, double lengthMm, double heightMm) {}

    /** Cannot go there, and why. */
    public record Refused(String seam, RegistrationKind kind, Vec3 at, String why, boolean byHand) {
        public String words() {
            return "seam " + seam + ": no " + kind.words() + ": " + why;
        }
    }

    /** A part to print beside the sections. */
    public record Loose(String name, int count, Mesh mesh) {}

    /** So many of something. */
    public record Hardware(RegistrationKind kind, String size, int count) {
        public String words() {
            return kind.words(count) + " " + size;
        }
    }

    /** Nothing worked in. */
    static Registered plain(Sectioning s) {
        return new Registered(s, List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), 0, 0);
    }

    /** What to say where children are near. */
    public Optional<Finding> childrenNear() {
        int magnets = hardware.stream().filter(h -> h.kind() == RegistrationKind.MAGNETS).mapToInt(Hardware::count).sum();
        return magnets == 0 ? Optional.empty()
                : Optional.of(Finding.care("children near: " + magnets
                        + " small magnets are a danger when swallowed: glue them in and cover them, or take pins or tongues"));
    }

    public List<Fitted> on(String seam) {
        return fitted.stream().filter(f -> f.seam().equals(seam)).toList();
    }

    public List<Refused> refusedOn(String seam) {
        return refused.stream().filter(f -> f.seam().equals(seam)).toList();
    }

    /** What a seam has in a few words. */
    public String words(String seam) {
        var list = on(seam);
        var tongue = tongues.stream().filter(t -> t.seam().equals(seam)).findFirst();
        if (tongue.isPresent()) return "tongue and groove";
        if (list.isEmpty()) return "plain";
        return list.getFirst().kind().words(list.size()) + " " + list.getFirst().size();
    }
}
