package yellowbracket.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import yellowbracket.finding.Finding;
import yellowbracket.finding.Subject;
import yellowbracket.finding.Weight;
import yellowbracket.mesh.measure.SurfaceSamples;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Practice;

/**
 * Undercoat, then each zone: light before dark unless the dark is small, coats by cover, cans by area, masks by what is already painted;
 * then the seal.
 * Areas are sampled on the mesh.
 */
public record ColourPlan(List<Area> areas, List<Coats> coats, double hours, double waitH, double cans, double cost, double maskDm2,
        List<Finding> findings) {
    public record Area(ColourZone zone, double dm2) {}

    /**
     * A run of coats of one product. Windows: next coat from {@code recoatFromH} to {@code recoatToH}, or again after {@code recoatAgainH}
     * (0: any time);
     * {@code tapeH} before tape may touch it, {@code handH} of masking and spraying.
     */
    public record Coats(String zone, String product, String hex, int count, double dm2, double cans, double handH, double recoatFromH,
            double recoatToH, double recoatAgainH, double tapeH, double fullH, boolean sprayed, double maskDm2) {
        /** From the first coat to when the next thing may touch it. */
        public double waitH() {
            return (count - 1) * recoatFromH + tapeH;
        }
    }

    /** Undercoats at hand, as colours. */
    public static final Map<String, String> UNDERCOATS = Map.of("white", "#f2f2ee", "grey", "#8b8f92", "red-brown", "#7a3b2a", "black",
            "#1b1c1e");
    /** The zone of what goes over everything. */
    public static final String ALL = "all";

    /**
     * @param samples of all sections, real mm, with how the point maps to model coordinates by {@code scale}
     * @param seal name of the clear coat, empty for none
     */
    public static ColourPlan of(List<SurfaceSamples> samples, double scale, List<ColourZone> zones, String seal, Catalogue shop) {
        var areas = areas(samples, scale, zones);
        double total = areas.stream().mapToDouble(Area::dm2).sum();
        if (areas.isEmpty() || total <= 0) return new ColourPlan(List.of(), List.of(), 0, 0, 0, 0, 0,
                List.of(Finding.care("no colour zones: add one to plan the painting")));
        var order = new ArrayList<>(areas);
        order.sort(Comparator.comparing(
                (Area a) -> shop.coating(a.zone.paint()).kind() == Coating.Kind.PAINT && shop.coating(a.zone.paint()).sprayed() ? 0 : 1)
                .thenComparing(a -> a.dm2 < 0.08 * total ? 1 : 0)
                .thenComparing(a -> -Lab.ofHex(a.zone.hex()).l()));
        var coats = new ArrayList<Coats>();
        String under = undercoat(areas);
        coats.add(coats(ALL, shop.coating("sealing primer"), UNDERCOATS.get(under), 2, total, 0, shop));
        double painted = 0;
        var findings = new ArrayList<Finding>();
        for (var a : order) {
            var paint = shop.coating(a.zone.paint());
            int n = Cover.coats(UNDERCOATS.get(under), a.zone.hex(),
                    paint.sprayed() ? Cover.opacity(a.zone.hex()) : Math.min(0.95, Cover.opacity(a.zone.hex()) + 0.1));
            // a brush needs no mask; spray reaches about as far as the zone is wide
            double mask = paint.sprayed() ? Math.min(painted, 3 * a.dm2) : 0;
            coats.add(coats(a.zone.name(), paint, a.zone.hex(), n, a.dm2, mask, shop));
            painted += a.dm2;
            if (n >= 6) findings.add(Finding.of(Weight.CARE, Subject.named(a.zone.name()),
                    a.zone.name() + ": " + n + " coats to hide " + under + ": give it an undercoat of its own"));
        }
        if (!seal.isEmpty()) {
            var clear = shop.coating(seal);
            coats.add(coats(ALL, clear, "#ffffff", 2, total, 0, shop));
            if (order.stream().anyMatch(a -> shop.coating(a.zone.paint()).kind() == Coating.Kind.METAL))
                findings.add(Finding.care("clear coat dulls mirror metal: mask it or test on a card first"));
            order.stream()
                    .filter(a -> shop.coating(a.zone.paint()).binder() == Coating.Binder.ENAMEL)
                    .findFirst()
                    .ifPresent(a -> findings.add(Finding.care("solvent clear over fresh enamel wrinkles: leave " + a.zone.name() + " "
                            + Math.round(shop.coating(a.zone.paint()).fullH()) + " h first")));
        }
        double hours = coats.stream().mapToDouble(Coats::handH).sum(), wait = coats.stream().mapToDouble(Coats::waitH).sum();
        double cans = coats.stream().filter(Coats::sprayed).mapToDouble(Coats::cans).sum(),
                cost = coats.stream().mapToDouble(c -> c.cans * shop.coating(c.product).cost()).sum();
        return new ColourPlan(areas, List.copyOf(coats), hours, wait, cans, cost, coats.stream().mapToDouble(Coats::maskDm2).sum(),
                List.copyOf(findings));
    }

    private static Coats coats(String zone, Coating c, String hex, int n, double dm2, double mask, Catalogue shop) {
        double perCoat = c.sprayed() ? shop.usual(Practice.SPRAY_MIN_DM2) : shop.usual(Practice.BRUSH_PAINT_MIN_DM2);
        double hand = shop.usual(Practice.COAT_SETUP_H) * (c.sprayed() ? n * 0.5 : 0.5) + n * dm2 * perCoat / 60
                + mask * shop.usual(Practice.MASK_MIN_DM2) / 60;
        return new Coats(zone, c.name(), hex, n, dm2, n * dm2 / 100 / c.m2PerContainer(), hand, c.recoatFromH(), c.recoatToH(),
                c.recoatAgainH(), c.tapeH(), c.fullH(), c.sprayed(), mask);
    }

    private static List<Area> areas(List<SurfaceSamples> samples, double scale, List<ColourZone> zones) {
        var dm2 = new double[zones.size()];
        for (var set : samples) for (var s : set.samples()) {
            if (!s.seen()) continue;
            int z = ColourZone.at(zones, s.point().times(1 / scale));
            if (z >= 0) dm2[z] += set.areaEachMm2() / 1e4;
        }
        var out = new ArrayList<Area>();
        for (int i = 0; i < dm2.length; i++) if (dm2[i] > 0) out.add(new Area(zones.get(i), dm2[i]));
        return List.copyOf(out);
    }

    /** The one undercoat with the fewest coats over all zones, weighted by area. */
    static String undercoat(List<Area> areas) {
        return UNDERCOATS.entrySet()
                .stream()
                .sorted(Map.Entry.comparingByKey())
                .min(Comparator.comparingDouble(u -> areas.stream()
                        .mapToDouble(a -> a.dm2 * Cover.coats(u.getValue(), a.zone.hex(), Cover.opacity(a.zone.hex())))
                        .sum()))
                .orElseThrow()
                .getKey();
    }
}
