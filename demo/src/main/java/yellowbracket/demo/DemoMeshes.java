package yellowbracket.demo;

import yellowbracket.mesh.Mesh;

/** The three props of the Tide Warden costume, as closed meshes in millimetres. */
public final class DemoMeshes {
    private DemoMeshes() {}

    public static Mesh helm() {
        return TideWardenHelm.mesh();
    }

    public static Mesh staff() {
        return LampStaff.mesh();
    }

    public static Mesh halfMask() {
        return HalfMask.mesh();
    }
}
