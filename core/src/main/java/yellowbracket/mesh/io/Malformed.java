package yellowbracket.mesh.io;

/** Something in a file that makes it unreadable, and where; thrown within a reader and turned into a refusal at its front. */
final class Malformed extends Exception {
    private static final long serialVersionUID = 1;
    private final String where;

    Malformed(String where, String what) {
        super(what, null, false, false);
        this.where = where;
    }

    MeshFile refusal(String name) {
        return MeshFile.refuse(name, where, getMessage(), "download or export it again");
    }
}
