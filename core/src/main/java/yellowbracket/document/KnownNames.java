package yellowbracket.document;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import yellowbracket.colour.ColourWish;
import yellowbracket.print.PrintWish;
import yellowbracket.print.SectionWish;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.JoinProduct;
import yellowbracket.shop.Material;
import yellowbracket.shop.Printer;
import yellowbracket.shop.Profile;
import yellowbracket.shop.Wearer;
import yellowbracket.size.SizeWish;
import yellowbracket.smooth.Means;
import yellowbracket.smooth.SmoothWish;

/**
 * A build whose decisions name only what there is. A file that was written by hand, or with another catalogue, may speak of wearers,
 * printers and products that neither the build nor this catalogue knows: those decisions fall back to what is usual, and {@code notes} says
 * which, one sentence each.
 */
public record KnownNames(Build build, List<String> notes) {
    public KnownNames {
        notes = List.copyOf(notes);
    }

    public static KnownNames of(Build build) {
        return new Check(build, Catalogue.builtIn()).done();
    }

    /** Single use. */
    private static final class Check {
        private final Build build;
        private final Catalogue shop;
        private final Predicate<String> wearer;
        private final Predicate<String> printer;
        private final Predicate<String> material;
        private final Predicate<String> coating;
        private final Predicate<String> joins;
        private final List<String> notes = new ArrayList<>();

        Check(Build build, Catalogue shop) {
            this.build = build;
            this.shop = shop;
            wearer = build.wearers().stream().map(Wearer::name).collect(Collectors.toSet())::contains;
            printer = build.printers().stream().map(Printer::name).collect(Collectors.toSet())::contains;
            material = shop.materials().stream().map(Material::name).collect(Collectors.toSet())::contains;
            coating = shop.coatings().stream().map(Coating::name).collect(Collectors.toSet())::contains;
            joins = shop.joins().stream().map(JoinProduct::name).collect(Collectors.toSet())::contains;
        }

        KnownNames done() {
            var props = build.props().stream().map(this::prop).toList();
            var spools = build.spools().stream().map(s -> {
                if (s.printer().isEmpty() || printer.test(s.printer())) return s;
                notes.add("spool " + s.name() + " is on \"" + s.printer()
                        + "\", which is no printer of this build: it lies on the shelf now.");
                return s.on("");
            }).toList();
            return new KnownNames(build.withProps(props).withSpools(spools), notes);
        }

        private Prop prop(Prop p) {
            return p.withSize(size(p))
                    .withPrint(print(p))
                    .withJoin(p.join().withProducts(products(p)))
                    .withSmooth(smooth(p))
                    .withColour(colour(p));
        }

        private SmoothWish smooth(Prop p) {
            var means = p.smooth().means();
            if (shop.lamps().stream().anyMatch(l -> l.name().equals(means.lamp()))) return p.smooth();
            notes.add(p.name() + " is lit with \"" + means.lamp() + "\", a lamp that is not known: it is the " + Means.USUAL.lamp()
                    + " now.");
            return p.smooth().withMeans(means.withLamp(Means.USUAL.lamp()));
        }

        private SizeWish size(Prop p) {
            var gone = p.size().wearers().stream().filter(wearer.negate()).toList();
            if (gone.isEmpty()) return p.size();
            var left = p.size().wearers().stream().filter(wearer).toList();
            notes.add(p.name() + " is sized for \"" + String.join("\", \"", gone) + "\", not in this build: "
                    + (left.isEmpty() ? "choose who wears it." : "it is for " + String.join(", ", left) + " now."));
            return p.size().withWearers(left);
        }

        private PrintWish print(Prop p) {
            var sections = new TreeMap<String, SectionWish>();
            p.print().sections().forEach((letter, wish) -> {
                var own = wish.withProfile(wish.profile().map(q -> profile("section " + letter + " of " + p.name(), q)));
                var unknown = own.printer().filter(printer.negate());
                if (unknown.isPresent()) notes.add("section " + letter + " of " + p.name() + " is to go on \"" + unknown.get()
                        + "\", which is no printer of this build: any printer may take it now.");
                sections.put(letter, unknown.isPresent() ? own.withPrinter(Optional.empty()) : own);
            });
            return new PrintWish(profile(p.name(), p.print().profile()), sections);
        }

        private Profile profile(String what, Profile p) {
            if (material.test(p.material())) return p;
            String usual = shop.materials().stream().filter(m -> m.process() == p.process()).map(Material::name).findFirst().orElseThrow();
            notes.add(what + " is to be printed in \"" + p.material() + "\", which the catalogue does not know: " + usual + " is taken.");
            return p.withMaterial(usual);
        }

        private Map<String, String> products(Prop p) {
            var known = new TreeMap<String, String>();
            // what holds a joint that comes off is told by its count and size, no name of the catalogue
            p.join().products().forEach((seam, product) -> {
                if (joins.test(product) || p.join().apart().containsKey(seam)) known.put(seam, product);
                else notes.add("seam " + seam + " of " + p.name() + " is to be joined with \"" + product
                        + "\", which the catalogue does not know: the usual one is proposed.");
            });
            return known;
        }

        private ColourWish colour(Prop p) {
            var usual = ColourWish.GREY.zones().getFirst().paint();
            var zones = p.colour().zones().stream().map(z -> {
                if (coating.test(z.paint())) return z;
                notes.add("zone " + z.name() + " of " + p.name() + " is painted with \"" + z.paint()
                        + "\", which the catalogue does not know: " + usual + " is taken.");
                return z.withPaint(usual);
            }).toList();
            String seal = p.colour().seal();
            if (seal.isEmpty() || coating.test(seal)) return p.colour().withZones(zones);
            notes.add(p.name() + " is sealed with \"" + seal + "\", which the catalogue does not know: " + ColourWish.GREY.seal()
                    + " is taken.");
            return p.colour().withZones(zones).withSeal(ColourWish.GREY.seal());
        }
    }
}
