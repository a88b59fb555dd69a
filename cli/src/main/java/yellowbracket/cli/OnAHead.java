package yellowbracket.cli;

import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import yellowbracket.intake.Intake;
import yellowbracket.intake.Stance;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Progress;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.index.Bvh;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Cavity;
import yellowbracket.size.Donning;
import yellowbracket.size.Fit;
import yellowbracket.size.HeadField;
import yellowbracket.size.HeadForm;

/** Commands about a model and somebody's head. */
abstract class OnAHead extends Output {
    @Parameters(paramLabel = "MODEL", description = "a mesh file of a helm, a mask or a prop")
    Path model;

    @ArgGroup(multiplicity = "1")
    WhoWears who;

    @Option(names = "--scale", description = "1.04 for 104 per cent; the recommended one if left out")
    Double scale;

    /** @throws Refused for measures no head has, or a scale no model has */
    final Wearer wearer() {
        var w = who.wearer(spec);
        if (scale != null && !(scale > 0.01 && scale < 50))
            throw new Refused("--scale " + scale + ": a scale lies between 0.01 and 50; 1.04 means 104 per cent.");
        return w;
    }

    /** The model as it is worn: in mm, z up, facing forward. @param remarks what was guessed for that */
    record Worn(Mesh mesh, Bvh index, List<String> remarks) {}

    /** As it lies where a head gets in and looks out; else, or where nothing else is as likely, as its shape says. */
    final Worn worn() {
        var read = read(model);
        var index = Bvh.of(read.mesh());
        var stance = Stance.of(read.mesh(), index, read.unitDeclared());
        var asItLies = Cavity.of(read.mesh(), index);
        boolean plausible = asItLies.holdsAHead() && asItLies.visorZ().isPresent();
        if (!stance.differs(Intake.AS_IT_IS) || plausible && !stance.sure()) return new Worn(read.mesh(), index, List.of());
        var mesh = Intake.guessed(stance).placed(read.mesh());
        return new Worn(mesh, Bvh.of(mesh),
                List.of("care: taken to be in " + stance.unit().name()
                        + (stance.turn().equals(Turn.NONE) ? "" : " and turned to z up, facing y") + ": " + stance.unitBecause() + "; "
                        + stance.wayBecause()));
    }

    /** A helm judged at the scale asked for, or at the recommended one. */
    record Judged(Fit.Scales scales, Fit fit, HeadField field, Donning donning) {}

    /** @param otherwise what else to try when no hollow is found, or empty */
    final Judged judged(Wearer wearer, Cavity cavity, String otherwise) {
        if (!cavity.holdsAHead()) throw new Refused(model.getFileName()
                + ": no hollow for a head was found; check which way is up (z) and that it is in millimetres" + otherwise + ".");
        var form = HeadForm.of(wearer);
        var room = Fit.room(wearer, List.of(), form, cavity);
        var scales = Fit.scales(room, form, cavity, Progress.NONE);
        var fit = Fit.of(room, form, cavity, scale == null ? scales.recommended() : scale, scales);
        var field = HeadField.of(form, wearer, Progress.NONE);
        return new Judged(scales, fit, field, Donning.of(field, cavity, fit.scale(), fit.pose(), Progress.NONE));
    }
}
