package yellowbracket.document;

import java.util.List;
import java.util.Map;
import yellowbracket.colour.ColourZone;
import yellowbracket.cut.CutTree;
import yellowbracket.cut.Registration;
import yellowbracket.cut.solid.CutPlane;
import yellowbracket.intake.Intake;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Profile;
import yellowbracket.size.Reshape;
import yellowbracket.smooth.Finish;
import yellowbracket.smooth.School;

/**
 * One prop of a build: which mesh (by content hash), what of it counts and which way up, its proportions, how large, and what was decided
 * at each station. {@code wearers} by name, the first counts;
 * empty for a prop nobody puts on. {@code prints}: by section letter where the maker decided otherwise than for the prop; {@code joins}:
 * product by seam name where the maker chose otherwise than
 * proposed; {@code registration}: how the sections find each other.
 */
public record Prop(String id, String name, String mesh, Intake intake, Reshape reshape, double scale, List<String> wearers, CutTree cuts,
        Registration registration, Profile profile, Map<String, SectionWish> prints, Map<String, String> joins, Finish finish,
        School school, Hurry hurry, List<ColourZone> zones, String seal) {
    /** What the smoothing ladder minimises. */
    public enum Hurry { LEAST_WORK, SOONEST, CHEAPEST }

    public Prop {
        if (!(scale > 0 && scale < 100)) throw new IllegalArgumentException("scale must lie between 0 and 100, was " + scale);
        wearers = List.copyOf(wearers);
        prints = Map.copyOf(prints);
        joins = Map.copyOf(joins);
        zones = List.copyOf(zones);
    }

    /** A prop as it comes from a file: printed as usual, smoothed to satin, one colour. */
    public static Prop fromFile(String id, String name, String mesh, Intake intake, List<String> wearers, Catalogue shop) {
        return new Prop(id, name, mesh, intake, Reshape.NONE, 1, wearers, CutTree.WHOLE, Registration.FITTING, shop.profile("usual"),
                Map.of(), Map.of(), Finish.SATIN, School.FILL_SAND_PRIME, Hurry.LEAST_WORK,
                List.of(new ColourZone("all over", "#8b8f92", "acrylic lacquer spray", List.of())), "matt clear");
    }

    public boolean worn() {
        return !wearers.isEmpty();
    }

    /**
     * Other bodies, another way up or unit: planes and patches lie in the model's coordinates, so planes that no longer fit go with them.
     */
    public Prop withIntake(Intake i) {
        boolean sameFrame = i.unit().equals(intake.unit()) && i.turn().equals(intake.turn()) && i.mirrored() == intake.mirrored();
        return new Prop(id, name, mesh, i, sameFrame ? reshape : Reshape.NONE, scale, wearers, sameFrame ? cuts : CutTree.WHOLE,
                sameFrame ? registration : registration.forOtherCuts(), profile, sameFrame ? prints : Map.of(),
                sameFrame ? joins : Map.of(), finish, school, hurry, zones, seal);
    }

    public Prop withScale(double s) {
        return new Prop(id, name, mesh, intake, reshape, s, wearers, cuts, registration, profile, prints, joins, finish, school, hurry,
                zones, seal);
    }

    /** Other proportions; planes and patches stay where they are, in the coordinates of the model as it is then. */
    public Prop withReshape(Reshape r) {
        return new Prop(id, name, mesh, intake, r, scale, wearers, cuts, registration, profile, prints, joins, finish, school, hurry, zones,
                seal);
    }

    public Prop withCuts(CutTree c) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, c, registration.forOtherCuts(), profile, Map.of(), Map.of(),
                finish, school, hurry, zones, seal);
    }

    /** One plane elsewhere: sections and seams stay the same ones, and with them what was decided about each. */
    public Prop withPlane(int number, CutPlane to) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts.withPlane(number, to), registration, profile, prints, joins,
                finish, school, hurry, zones, seal);
    }

    /** The same cuts, one plane kept or let go when they are planned anew. */
    public Prop withLock(int number, boolean on) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts.withLock(number, on), registration, profile, prints, joins,
                finish, school, hurry, zones, seal);
    }

    public Prop withRegistration(Registration r) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, r, profile, prints, joins, finish, school, hurry, zones,
                seal);
    }

    public Prop withProfile(Profile p) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, registration, p, prints, joins, finish, school, hurry, zones,
                seal);
    }

    /** What was decided about one section's print; nothing decided leaves no trace. */
    public Prop withPrint(String section, SectionWish wish) {
        var changed = new java.util.TreeMap<>(prints);
        if (wish.equals(SectionWish.NONE)) changed.remove(section);
        else changed.put(section, wish);
        return withPrints(changed);
    }

    public Prop withPrints(Map<String, SectionWish> all) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, registration, profile, all, joins, finish, school, hurry,
                zones, seal);
    }

    public SectionWish print(String section) {
        return prints.getOrDefault(section, SectionWish.NONE);
    }

    public Prop withJoin(String seam, String product) {
        var changed = new java.util.HashMap<>(joins);
        changed.put(seam, product);
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, registration, profile, prints, changed, finish, school,
                hurry, zones, seal);
    }

    public Prop withSmoothing(Finish f, School s, Hurry h) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, registration, profile, prints, joins, f, s, h, zones, seal);
    }

    public Prop withColours(List<ColourZone> z, String clear) {
        return new Prop(id, name, mesh, intake, reshape, scale, wearers, cuts, registration, profile, prints, joins, finish, school, hurry,
                z, clear);
    }

    public Prop withWearers(List<String> names) {
        return new Prop(id, name, mesh, intake, reshape, scale, names, cuts, registration, profile, prints, joins, finish, school, hurry,
                zones, seal);
    }
}
