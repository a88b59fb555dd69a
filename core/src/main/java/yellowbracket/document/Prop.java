package yellowbracket.document;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import java.util.function.UnaryOperator;
import yellowbracket.colour.ColourWish;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.finding.Limits;
import yellowbracket.intake.Intake;
import yellowbracket.join.JoinWish;
import yellowbracket.print.PrintWish;
import yellowbracket.shop.Profile;
import yellowbracket.size.Reshape;
import yellowbracket.size.SizeWish;
import yellowbracket.smooth.SmoothWish;
import yellowbracket.wear.WearWish;
import yellowbracket.work.SectionId;

/**
 * One prop of a build: which mesh (by content hash), the letters of its sections, which parts of the file count, and what was decided at
 * each station. Each wish is its station's own.
 */
@RecordBuilder
public record Prop(String id, String name, String mesh, Letters letters, Intake intake, SizeWish size, CutWish cut, PrintWish print,
        JoinWish join, SmoothWish smooth, ColourWish colour, WearWish wear) implements PropBuilder.With {
    public Prop {
        Limits.named("a prop", id);
        Limits.named("prop " + id, name);
    }

    /** A prop as it comes from a file: printed so, smoothed to satin, one colour. */
    public static Prop fromFile(String id, String name, String mesh, Letters letters, Intake intake, Profile profile) {
        return PropBuilder.builder()
                .id(id)
                .name(name)
                .mesh(mesh)
                .letters(letters)
                .intake(intake)
                .size(SizeWish.AS_IT_IS)
                .cut(CutWish.WHOLE)
                .print(PrintWish.of(profile))
                .join(JoinWish.NONE)
                .smooth(SmoothWish.USUAL)
                .colour(ColourWish.GREY)
                .wear(WearWish.USUAL)
                .build();
    }

    public boolean worn() {
        return size.worn();
    }

    public double scale() {
        return size.scale();
    }

    public SectionId section(String letter) {
        return new SectionId(id, letter);
    }

    /** Other bodies, another way up or unit: planes lie in the model's coordinates, so planes that no longer fit go, and with them what was
     * decided of their sections. */
    public Prop taking(Intake i) {
        boolean sameFrame = i.unit().equals(intake.unit()) && i.turn().equals(intake.turn()) && i.mirrored() == intake.mirrored();
        var other = withIntake(i);
        return sameFrame ? other : other.withSize(size.withReshape(Reshape.NONE)).cutAs(cut.cutAnew(CutTree.WHOLE));
    }

    /** Cut so; when that makes other sections, what was decided of single sections and seams goes. */
    public Prop cutAs(CutWish wish) {
        var other = withCut(wish);
        return wish.revision() == cut.revision() ? other : other.withPrint(print.withSections(Map.of())).withJoin(join.forOtherCuts());
    }

    /** With one station's decisions changed. @throws IllegalArgumentException for a type that is no station's */
    public <W> Prop with(Class<W> decision, UnaryOperator<W> change) {
        if (decision == SizeWish.class) return withSize((SizeWish) change.apply(decision.cast(size)));
        if (decision == CutWish.class) return cutAs((CutWish) change.apply(decision.cast(cut)));
        if (decision == PrintWish.class) return withPrint((PrintWish) change.apply(decision.cast(print)));
        if (decision == JoinWish.class) return withJoin((JoinWish) change.apply(decision.cast(join)));
        if (decision == SmoothWish.class) return withSmooth((SmoothWish) change.apply(decision.cast(smooth)));
        if (decision == ColourWish.class) return withColour((ColourWish) change.apply(decision.cast(colour)));
        if (decision == WearWish.class) return withWear((WearWish) change.apply(decision.cast(wear)));
        if (decision == Intake.class) return taking((Intake) change.apply(decision.cast(intake)));
        throw new IllegalArgumentException(decision.getSimpleName() + " is no decision of a prop");
    }
}
