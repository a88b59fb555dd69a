package yellowbracket.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Bodies;
import yellowbracket.mesh.Edges;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.mesh.measure.WallThickness;
import yellowbracket.mesh.repair.HealthFindings;
import yellowbracket.mesh.repair.MeshHealth;
import yellowbracket.mesh.repair.Overlaps;

@Command(name = "check", description = "what is in a mesh, and what is wrong with it")
final class CheckCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "an STL, OBJ, PLY or 3MF file")
    Path model;

    private record Parts(Edges edges, Bodies bodies) {
        static Parts of(Mesh mesh) {
            var edges = new Edges(mesh);
            return new Parts(edges, Bodies.of(mesh, edges));
        }
    }

    @Override
    Map<String, Object> work() {
        var read = read(model);
        var mesh = read.mesh();
        // beside each other, as far as none stands on another
        var parts = CompletableFuture.supplyAsync(() -> Parts.of(mesh));
        var health = parts.thenApplyAsync(p -> MeshHealth.of(mesh, p.edges, p.bodies));
        var index = Bvh.of(mesh);
        var crossing = parts.thenApplyAsync(p -> Overlaps.of(mesh, p.edges, p.bodies, index, Overlaps.QUICK, Progress.NONE));
        var walls = WallThickness.of(mesh, index);
        var stance = Stance.of(mesh, index, read.unitDeclared());
        var h = health.join();
        var overlaps = crossing.join();
        var findings = new ArrayList<>(read.notices());
        HealthFindings.of(h, overlaps).forEach(f -> findings.add(f.sentence()));
        if (stance.differs(Intake.AS_IT_IS)) findings.add("looks as if it were in " + stance.unit().name()
                + (stance.turn().equals(yellowbracket.mesh.Turn.NONE) ? "" : " and lying another way") + ": " + stance.unitBecause() + "; "
                + stance.wayBecause());
        String thin = HealthFindings.thinWalls(walls, stance.unit().mm());
        if (!thin.isEmpty()) findings.add(thin);
        var bodies = h.bodies()
                .stream()
                .map(b -> map("triangles", b.triangles(), "volumeMm3", b.volumeMm3(), "areaMm2", b.areaMm2(), "closed", b.closed()))
                .toList();
        return map("triangles", h.triangles(), "vertices", h.vertices(), "bodies", bodies, "closed", h.closed(), "boundaryEdges",
                h.boundaryEdges(), "nonManifoldEdges", h.nonManifoldEdges(), "duplicateTriangles", h.duplicateTriangles(),
                "degenerateTriangles", h.degenerateTriangles(), "flippedBodies", h.flippedBodies(), "volumeMm3", mesh.volumeMm3(),
                "areaMm2", mesh.areaMm2(), "bounds", map("min", xyz(mesh.bounds().min()), "max", xyz(mesh.bounds().max())), "unit",
                read.unitDeclared() ? "mm" : stance.unit().name(), "overlaps", overlaps.pairs().size(), "overlapsTried",
                HealthFindings.tried(overlaps), "walls",
                map("p5", walls.percentile(0.05), "p50", walls.percentile(0.5), "p95", walls.percentile(0.95)), "findings",
                List.copyOf(findings));
    }
}
