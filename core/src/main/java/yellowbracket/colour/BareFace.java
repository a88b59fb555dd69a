package yellowbracket.colour;

import java.util.List;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;

/**
 * A pair of faces that paint would spoil: they are put together after it, come off, or turn on each other.
 * @param where the seam, by name @param why "comes off", "turns" @param dm2 of both faces @param sockets of hardware in it
 * @param tapeM to cover both @param minutes to cover and to clear @param filmMm that the coats would lay on each face
 */
public record BareFace(String where, String why, double dm2, int sockets, double tapeM, double minutes, double filmMm) {
    /** Width of the tape, laid side by side; a plug of foam for a socket. */
    private static final double TAPE_M = 0.018, OVER = 1.3, PLUG_MIN = 0.5, TAPE_MIN_M = 2.5;

    /** @param mm2 of the mating area @param filmMm of all coats that come on beside it */
    public static BareFace of(String where, String why, double mm2, int sockets, double filmMm) {
        double both = 2 * mm2, tape = OVER * both / 1e6 / TAPE_M;
        return new BareFace(where, why, both / 1e4, 2 * sockets, tape, TAPE_MIN_M * tape + 2 * PLUG_MIN * sockets, filmMm);
    }

    public Finding finding() {
        return Finding.of(Weight.NOTE, Subject.WHOLE,
                "%s %s: keep both faces bare%s; the coats would be %.2f mm on each, and what fits closer than %.2f mm would bind", where,
                why, sockets == 0 ? "" : ", a plug of foam in each of " + sockets + " sockets", filmMm, 2 * filmMm);
    }

    public static double minutes(List<BareFace> all) {
        return all.stream().mapToDouble(BareFace::minutes).sum();
    }

    public static double tapeM(List<BareFace> all) {
        return all.stream().mapToDouble(BareFace::tapeM).sum();
    }
}
