package yellowbracket.mesh.io;

/** Why a file was refused, in words for the user: which file, where in it, what is wrong, what to do. */
public record ReadProblem(String file, String where, String what, String todo) {
    public String sentence() {
        return file + (where.isEmpty() ? "" : ", " + where) + ": " + what + "; " + todo + ".";
    }
}
