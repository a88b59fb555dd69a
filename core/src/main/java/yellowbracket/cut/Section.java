package yellowbracket.cut;

import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.work.SectionId;

/** A printable piece: its letter, its mesh (mm, where it sits in the prop), and whether that mesh is closed. */
public record Section(SectionId id, Mesh mesh, boolean closed) {
    /** Its letter. */
    public String name() {
        return id.letter();
    }

    public Vec3 size() {
        return mesh.bounds().size();
    }

    /** A, B ... Z, AA, AB ... for 0, 1 ... */
    public static String letter(int index) {
        var out = new StringBuilder();
        for (int i = index; i >= 0; i = i / 26 - 1) out.insert(0, (char) ('A' + i % 26));
        return out.toString();
    }

    public Section scaled(double k) {
        return new Section(id, mesh.scaled(k), closed);
    }
}
