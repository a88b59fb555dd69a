package yellowbracket.demo;

import java.util.List;
import yellowbracket.colour.ColourWish;
import yellowbracket.colour.ColourZone;
import yellowbracket.colour.weather.Effect;
import yellowbracket.colour.weather.WeatherWish;
import yellowbracket.colour.zone.Painted;
import yellowbracket.colour.zone.Region;
import yellowbracket.colour.zone.ZoneMap;
import yellowbracket.mesh.Mesh;
import yellowbracket.mesh.Vec3;
import yellowbracket.mesh.index.Bvh;

/** Zones of the demo's props, laid on with the same floods a maker would click: places in model mm, each up to the creases round it. */
final class DemoZones {
    private static final double CREASE_DEG = 30;
    private static final String SPRAY = "acrylic lacquer spray", BRUSH = "brush acrylic";

    private DemoZones() {}

    static ColourWish helm(Mesh m) {
        return painted(m, 4,
                List.of(new Flood(0, new Vec3(150, 0, 34), new Vec3(150, 0, 10), new Vec3(187.3, 1.4, 25.4), new Vec3(184.2, 1.4, 27.7)),
                        new Flood(1, new Vec3(6, -70, 125), new Vec3(-6, -70, 125), new Vec3(0, -70, 145)),
                        new Flood(2, new Vec3(97, 40, -85), new Vec3(-97, 40, -85)),
                        new Flood(3, new Vec3(1, 124.7, -37.8), new Vec3(-1, 123.9, -27), new Vec3(1, 123.6, 21),
                                new Vec3(-1, 124.6, 26.7))),
                List.of(ColourZone.of(0, "brim", "#2c3338", SPRAY), ColourZone.of(1, "crest", "#d9cfb6", SPRAY),
                        ColourZone.of(2, "cheek guards", "#a8742c", SPRAY), ColourZone.of(3, "visor frame", "#a8742c", BRUSH),
                        ColourZone.of(4, "shell", "#1f5156", SPRAY)))
                .withWeather(WeatherWish.NEW.with(Effect.CHIPS, 0.45)
                        .with(Effect.WASH, 0.5)
                        .with(Effect.DRY_BRUSH, 0.3)
                        .with(Effect.DUST, 0.25));
    }

    static ColourWish staff(Mesh m) {
        var index = Bvh.of(m);
        var p = Painted.all(m, 1);
        p = p.with(Region.body(p, index.closest(new Vec3(0, 195, 1200)).triangle()), 0);
        return wish(m, p, List.of(ColourZone.of(0, "lamp", "#a8742c", SPRAY), ColourZone.of(1, "shaft", "#54463a", SPRAY)));
    }

    static ColourWish mask(Mesh m) {
        return painted(m, 1, List.of(new Flood(0, new Vec3(0, 104, 32))),
                List.of(ColourZone.of(0, "brow", "#1f5156", BRUSH), ColourZone.of(1, "face", "#d9cfb6", SPRAY)));
    }

    /** @param at places clicked one after the other */
    private record Flood(int zone, Vec3... at) {}

    private static ColourWish painted(Mesh m, int ground, List<Flood> floods, List<ColourZone> zones) {
        var index = Bvh.of(m);
        var p = Painted.all(m, ground);
        for (var f : floods) for (var at : f.at) p = p.with(Region.flood(p, index.closest(at).triangle(), CREASE_DEG, false), f.zone);
        return wish(m, p, zones);
    }

    private static ColourWish wish(Mesh m, Painted p, List<ColourZone> zones) {
        return ColourWish.of(zones, "matt clear").withMap(java.util.Optional.of(ZoneMap.of(p, m.contentHash())));
    }
}
