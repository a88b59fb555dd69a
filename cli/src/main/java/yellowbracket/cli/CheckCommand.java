package yellowbracket.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;
import yellowbracket.mesh.MeshHealth;

@Command(name = "check", description = "what is in a mesh, and what is wrong with it")
final class CheckCommand extends Output {
    @Parameters(paramLabel = "MODEL", description = "an STL file")
    Path model;

    @Override
    Map<String, Object> work() {
        var mesh = mesh(model);
        var h = MeshHealth.of(mesh);
        var findings = new ArrayList<String>();
        if (h.boundaryEdges() > 0) findings.add(h.boundaryEdges() + " open edges: cut sections keep these openings; mend the model before printing");
        if (h.nonManifoldEdges() > 0) findings.add(h.nonManifoldEdges() + " edges are shared by more than two triangles: bodies touch or overlap there");
        if (h.misorientedEdges() > 0) findings.add(h.misorientedEdges() + " edges join triangles that face opposite ways");
        if (h.duplicateTriangles() > 0) findings.add(h.duplicateTriangles() + " triangles stand twice");
        if (h.degenerateTriangles() > 0) findings.add(h.degenerateTriangles() + " triangles have no area");
        if (h.flippedBodies() > 0) findings.add(h.flippedBodies() + " bodies are inside out");
        var size = mesh.bounds().size();
        double longest = Math.max(size.x(), Math.max(size.y(), size.z()));
        if (longest < 5) findings.add("the longest side is " + Math.round(longest * 10) / 10.0 + " mm: the file may be in metres or inches");
        var bodies = h.bodies().stream().map(b -> map("triangles", b.triangles(), "volumeMm3", b.volumeMm3(), "areaMm2", b.areaMm2(), "closed", b.closed())).toList();
        return map("triangles", h.triangles(), "vertices", h.vertices(), "bodies", bodies, "closed", h.closed(), "boundaryEdges", h.boundaryEdges(), "nonManifoldEdges", h.nonManifoldEdges(),
                "duplicateTriangles", h.duplicateTriangles(), "degenerateTriangles", h.degenerateTriangles(), "flippedBodies", h.flippedBodies(), "volumeMm3", mesh.volumeMm3(), "areaMm2", mesh.areaMm2(),
                "bounds", map("min", xyz(mesh.bounds().min()), "max", xyz(mesh.bounds().max())), "unit", "mm", "findings", findings);
    }
}
