package yellowbracket.document;

import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.Patch;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.intake.Intake;
import yellowbracket.join.JoinWish;
import yellowbracket.log.Entry;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Shapes;
import yellowbracket.mesh.Turn;
import yellowbracket.mesh.Vec3;
import yellowbracket.print.PrintWish;
import yellowbracket.print.Band;
import yellowbracket.print.Drain;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Reshape;
import yellowbracket.size.SizeWish;
import yellowbracket.size.Exposure;
import yellowbracket.size.KeyPoint;
import yellowbracket.size.Reference;
import yellowbracket.size.Use;

/** A helm in two halves with something decided at every station. */
public final class SmallBuild {
    public static final Mesh MESH = floats(Shapes.cappedShell(120, 4, 55, 64, 32));
    public static final LocalDateTime NOW = LocalDateTime.of(2026, 3, 30, 18, 0);

    private SmallBuild() {}

    static Mesh floats(Mesh m) {
        return m.mapped(p -> new yellowbracket.mesh.Vec3((float) p.x(), (float) p.y(), (float) p.z()));
    }

    public static Build build() {
        var shop = Catalogue.builtIn();
        var neck = new Reshape.Neck(3, -60, 0, 0);
        var wish = new SectionWish(Optional.of(Turn.quarter(1)), Optional.of(shop.profile("resin, fine")), Optional.of("mid bed"),
                List.of(new Drain(new Vec3(0, 0, 120), new Vec3(0, 0, -1), 3.5, 4)),
                List.of(new Band(0, 40, 0.05), new Band(40, 90, 0.03)));
        var prop = Prop.fromFile("helm", "helm", MESH.contentHash(), Letters.from(0, 1), Intake.AS_IT_IS, shop.profile("usual"))
                .withSize(
                        new SizeWish(new Reshape(1.02, 1, 1, Optional.of(neck), Optional.of(Reshape.Half.LEFT)), 1.1, Optional.of(Use.HEAD),
                                List.of("Ada"), List.of(new KeyPoint("crest", new Vec3(0, 1, 120))), List.of(Exposure.SUN, Exposure.CAR),
                                List.of(new Reference("front", "second act", "0".repeat(64) + ".png",
                                        List.of(new Reference.Pair(new Vec3(1, 2, 3), 0.25, 0.5)),
                                        List.of(new Reference.Feature("rivets", 12, Reference.State.OPEN))))))
                .withCut(new CutWish(CutTree.split(CutPlane.across(2, 10.137), CutTree.WHOLE, CutTree.WHOLE),
                        Registration.FITTING.with("A|B", RegistrationKind.MAGNETS)
                                .withSpot("B|C", new Registration.Spot(RegistrationKind.PINS, new Vec3(1, 2, 3), 4)),
                        3))
                .withPrint(new PrintWish(shop.profile("usual"), Map.of("A", wish)))
                .withJoin(JoinWish.NONE.with("A|B", "epoxy slow"))
                .withColour(ColourWish.of(List.of(
                        ColourZone.of(0, "ring", "#1f5156", "acrylic lacquer spray")
                                .withPatches(List.of(new Patch.Around(0, 50, 50, -10, 10))),
                        ColourZone.of(1, "rest", "#d9cfb6", "acrylic lacquer spray")), "matt clear"));
        var build = Build.empty(NOW, ShopFile.fresh()).with(prop).with(new Wearer("Ada", HeadMeasures.of(575, 195, 153), true, 9, 1700));
        return build.with(Entry.parse(NOW, "done size:helm 0.5 h #a", build).orElseThrow());
    }

    public static Meshes meshes() {
        return Meshes.NONE.with(MESH);
    }
}
