package yellowbracket.demo;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.CutWish;
import yellowbracket.cut.Letters;
import yellowbracket.cut.Registration;
import yellowbracket.cut.RegistrationKind;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.document.Build;
import yellowbracket.document.Meshes;
import yellowbracket.document.Prop;
import yellowbracket.document.Question;
import yellowbracket.document.ShopFile;
import yellowbracket.intake.Intake;
import yellowbracket.log.Entry;
import yellowbracket.log.Names;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.plan.WorkHours;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;
import yellowbracket.shop.LabelTerm;
import yellowbracket.shop.Paint;
import yellowbracket.shop.PaintCard;
import yellowbracket.shop.PaintShelf;
import yellowbracket.shop.ProductCard;
import yellowbracket.shop.Sheen;
import yellowbracket.shop.HeadMeasures;
import yellowbracket.shop.Spool;
import yellowbracket.shop.StockItem;
import yellowbracket.shop.Wearer;
import yellowbracket.size.Reshape;
import yellowbracket.size.SizeWish;
import yellowbracket.size.Exposure;
import yellowbracket.size.Use;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.Flaw;
import yellowbracket.smooth.Look;
import yellowbracket.smooth.School;
import yellowbracket.smooth.SmoothWish;

/**
 * The Tide Warden of Gannet Sound, half done: a helm that an adult and a teenager share, a lamp staff, a half mask. Most helm sections are
 * printed, one
 * print failed, the staff's first seam is glued, the mask's first primer round was inspected. All dates count from a given today.
 */
public record DemoBuild(Build build, Meshes meshes) {
    private static final int STARTED_DAYS_AGO = 18;
    private static final int DAYS_TO_EVENT = 24;
    private static final int HELM_SECTIONS = 5;
    /** Shaft and lamp. */
    private static final int STAFF_BODIES = 2;
    private static final int STAFF_SECTIONS = 5;

    public static DemoBuild at(LocalDate today) {
        var helm = DemoMeshes.helm();
        var staff = DemoMeshes.staff();
        var mask = DemoMeshes.halfMask();
        var shop = Catalogue.builtIn();
        var helmProp = prop("helm", "Tide Warden helm", helm, Letters.from(0, 1), "usual")
                .withSize(new SizeWish(Reshape.NONE, 1.04, Optional.of(Use.HEAD), List.of("Maren", "Iven"), List.of(),
                        List.of(Exposure.INDOORS), List.of()))
                .withCut(new CutWish(helmCuts(), Registration.FITTING, 0))
                .withColour(DemoZones.helm(helm));
        var staffProp = prop("staff", "lamp staff", staff, Letters.from(HELM_SECTIONS, STAFF_BODIES), "usual")
                .withSize(SizeWish.AS_IT_IS.usedAs(Use.HELD))
                .withCut(new CutWish(staffCuts(), Registration.PLAIN.withUsual(RegistrationKind.RODS), 0))
                .withSmooth(SmoothWish.USUAL.withFinish(Finish.ARMS_LENGTH))
                .withColour(DemoZones.staff(staff));
        staffProp = staffProp.withPrint(staffProp.print().withProfile(shop.profile("usual").withWalls(4)));
        var maskProp = prop("mask", "half mask", mask, Letters.from(HELM_SECTIONS + STAFF_SECTIONS, 1), "crisp")
                .withSize(new SizeWish(Reshape.NONE, 1, Optional.of(Use.FACE), List.of("Maren"), List.of(), List.of(), List.of()))
                .withCut(CutWish.WHOLE.withRegistration(Registration.PLAIN))
                .withSmooth(SmoothWish.USUAL.withSchool(School.UV_RESIN_FIRST)
                        .withLooks(List.of(Look.PRIMED, Look.RAKING))
                        .withFlaws(maskFlaws()))
                .withColour(DemoZones.mask(mask));
        var build = Build.empty(today.minusDays(STARTED_DAYS_AGO).atTime(9, 30), ShopFile.fresh())
                .withName("Tide Warden")
                .withDue("Gannet Sound Costume Weekend", today.plusDays(DAYS_TO_EVENT).atTime(8, 0))
                .withWearers(wearers())
                .withHours(WorkHours.evenings().awayOnWeekdays(LocalTime.of(8, 15), LocalTime.of(17, 15)))
                .withShopCelsius(19)
                .withSettled(List.of(Question.values()))
                .withSeed(Build.DEMO_SEED)
                .withStock(stock())
                .withSpools(spools())
                .withPaints(paints(today))
                .with(helmProp)
                .with(staffProp)
                .with(maskProp);
        build = build.withLog(log(today, build));
        return new DemoBuild(build, Meshes.NONE.with(helm).with(staff).with(mask));
    }

    private static Prop prop(String id, String name, Mesh mesh, Letters letters, String profile) {
        return Prop.fromFile(id, name, mesh.contentHash(), letters, Intake.AS_IT_IS, Catalogue.builtIn().profile(profile));
    }

    public static List<Wearer> wearers() {
        return List.of(new Wearer("Maren",
                new HeadMeasures(575, 195, 153, Optional.of(224.0), Optional.of(138.0), Optional.of(362.0), Optional.empty()), true, 9,
                1740), new Wearer("Iven", HeadMeasures.of(548, 186, 146), false, 15, 1610));
    }

    private static CutTree helmCuts() {
        var halves = CutTree.split(CutPlane.across(0, 0), CutTree.WHOLE, CutTree.WHOLE);
        return CutTree.split(CutPlane.across(2, -48.863), CutTree.split(CutPlane.across(1, 21.137), halves, halves), CutTree.WHOLE);
    }

    private static CutTree staffCuts() {
        return CutTree.split(CutPlane.across(2, 360.137), CutTree.split(CutPlane.across(2, 715.137),
                CutTree.split(CutPlane.across(2, 1064.137), CutTree.WHOLE, CutTree.WHOLE), CutTree.WHOLE), CutTree.WHOLE);
    }

    /** Two looks at the mask: five flaws in the first, three of them gone in the second, which finds two more. */
    private static List<Flaw> maskFlaws() {
        return List.of(Flaw.of(Flaw.Kind.LINE, new Vec3(75.3, 53.4, 32.6), 9, 1).clearedIn(2),
                Flaw.of(Flaw.Kind.PINHOLE, new Vec3(-48.6, 80.7, -13.6), 2, 1).clearedIn(2),
                Flaw.of(Flaw.Kind.LINE, new Vec3(-26.5, 91.7, -34.9), 12, 1),
                Flaw.of(Flaw.Kind.RUN, new Vec3(13.8, 97.3, 17.8), 14, 1).clearedIn(2),
                Flaw.of(Flaw.Kind.SCRATCH, new Vec3(80.5, 49.9, -2.5), 6, 1).asWeathering(),
                Flaw.of(Flaw.Kind.LOW, new Vec3(-76.4, 51.5, 39.2), 8, 2), Flaw.of(Flaw.Kind.PINHOLE, new Vec3(-14.2, 101.3, 6.6), 2, 2));
    }

    private static PaintShelf paints(LocalDate today) {
        String lacquer = "acrylic lacquer spray";
        return new PaintShelf(
                List.of(new Paint("harbour green", lacquer, "#1f5a5c", Optional.of(Lab.ofHex("#1f5054")), Sheen.SATIN,
                        OptionalDouble.of(0.82), 400),
                        new Paint("tarred rope", lacquer, "#33373a", Optional.empty(), Sheen.MATT, OptionalDouble.empty(), 250),
                        new Paint("old brass", lacquer, "#b0792c", Optional.of(Lab.ofHex("#a56f2d")), Sheen.SATIN, OptionalDouble.empty(),
                                400),
                        new Paint("sailcloth", lacquer, "#ddd2b8", Optional.empty(), Sheen.MATT, OptionalDouble.empty(), 400),
                        new Paint("deep sea", lacquer, "#173b52", Optional.empty(), Sheen.GLOSS, OptionalDouble.empty(), 0)),
                List.of(new PaintCard(today.minusDays(9).atTime(17, 0), List.of(lacquer, "matt clear"), true,
                        "no lifting, a shade darker than the lid")),
                3,
                List.of(ProductCard.blank("matt clear").with(LabelTerm.TAPE_H, Optional.of(6.0)).with(LabelTerm.FULL_H, Optional.of(24.0)),
                        ProductCard.blank("enamel spray").never("wrinkled over lacquer on the last mask")));
    }

    private static List<StockItem> stock() {
        return List.of(new StockItem("PLA filament", 1150, "g"), new StockItem("two-part polyester filler", 420, "g"),
                new StockItem("filler primer", 2, "cans"), new StockItem("CA gel", 20, "g"),
                new StockItem("two-part filler as glue", 60, "g"), new StockItem("P120 sheets", 6, "sheets"),
                new StockItem("P240 sheets", 4, "sheets"), new StockItem("matt clear", 1, "cans"),
                new StockItem("foam, soft upholstery 20 mm", 12, "dm2"));
    }

    private static List<Spool> spools() {
        return List.of(new Spool("grey PLA, opened", "PLA", 240, 215, "mid bed"), new Spool("teal PLA", "PLA", 610, 215, "large bed"),
                new Spool("white PLA, new", "PLA", 1000, 215, ""));
    }

    private static List<Entry> log(LocalDate today, Names names) {
        var out = new ArrayList<Entry>();
        say(out, names, today, 18, "10:20", "helm opened, first sizing with Maren, glasses on");
        say(out, names, today, 18, "11:05", "done size:helm 0.7 h");
        say(out, names, today, 17, "19:40", "done cut:helm 0.5 h");
        say(out, names, today, 17, "20:10", "spent 66 three spools of PLA");
        say(out, names, today, 16, "17:30", "done E 7.1 h planned 6.7 h #large-bed");
        say(out, names, today, 16, "21:00", "done size:staff 0.3 h");
        say(out, names, today, 16, "21:20", "done cut:staff 0.4 h");
        say(out, names, today, 15, "07:20", "failed C 62 % 8.1 h came off the bed overnight #mid-bed");
        say(out, names, today, 15, "19:00", "lesson: brim 8 mm on tall sections #mid-bed");
        say(out, names, today, 14, "21:50", "done C 13.9 h planned 13.2 h #mid-bed");
        say(out, names, today, 13, "20:10", "done clean:E 0.2 h");
        say(out, names, today, 13, "20:50", "done clean:C 0.9 h");
        say(out, names, today, 12, "18:40", "done H 5.2 h planned 5.0 h #large-bed");
        say(out, names, today, 11, "17:50", "done I 5.2 h planned 5.1 h #large-bed");
        say(out, names, today, 10, "18:30", "done J 5.3 h planned 5.2 h #large-bed");
        say(out, names, today, 10, "19:00", "done B 8.9 h planned 8.3 h #mid-bed");
        say(out, names, today, 9, "18:30", "done F 5.8 h planned 5.4 h #large-bed");
        say(out, names, today, 9, "21:00", "done G 5.0 h planned 4.8 h #mid-bed");
        for (var letter : List.of("B", "F", "G", "H", "I", "J")) say(out, names, today, 8, "20:00", "done clean:" + letter + " 0.3 h");
        say(out, names, today, 8, "21:10", "done dryfit:staff 0.5 h");
        say(out, names, today, 7, "18:50", "done join:staff:1 0.4 h epoxy, braced against the door frame");
        say(out, names, today, 6, "18:20", "done size:mask 0.5 h");
        say(out, names, today, 6, "18:40", "done cut:mask 0.2 h");
        say(out, names, today, 6, "22:10", "done K 3.6 h planned 3.5 h #mid-bed");
        say(out, names, today, 5, "19:15", "done clean:K 0.2 h");
        say(out, names, today, 4, "15:10", "done smooth:mask:1 0.4 h");
        say(out, names, today, 3, "11:00", "done smooth:mask:2 0.5 h");
        say(out, names, today, 3, "11:30", "mask, primer round 1: nine pinholes, two low spots at the left brow #flaw");
        say(out, names, today, 2, "20:20", "spent 27.5 filler, spot putty, two cans of filler primer");
        say(out, names, today, 1, "07:10", "failed D 64 % 8.4 h layer shift overnight #mid-bed");
        return List.copyOf(out);
    }

    private static void say(List<Entry> out, Names names, LocalDate today, int daysAgo, String clock, String line) {
        LocalDateTime at = today.minusDays(daysAgo).atTime(LocalTime.parse(clock));
        out.add(Entry.parse(at, line, names).orElseThrow());
    }

    public Mesh mesh(String prop) {
        return meshes.get(build.prop(prop).orElseThrow().mesh()).orElseThrow();
    }
}
