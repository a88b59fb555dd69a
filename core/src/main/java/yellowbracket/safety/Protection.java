package yellowbracket.safety;

import yellowbracket.work.Hazard;

/** What is usually worn and done against a hazard, from common workshop practice. */
final class Protection {
    private Protection() {}

    static String against(Hazard h) {
        return switch (h) {
            case DUST -> "P2/P3 mask, sealed goggles; sand wet or with extraction";
            case SPRAY_MIST -> "half mask with organic-vapour and particle filters, gloves; outdoors or extracted";
            case SOLVENT_VAPOUR -> "organic-vapour mask, outdoors or extracted; no flame, no pilot light; children and animals out";
            case ISOCYANATE -> "supplied air: leave it to a trained painter";
            case STYRENE -> "organic-vapour mask, nitrile gloves; outdoors or extracted, no flame";
            case PEROXIDE -> "sealed goggles: it blinds; gloves";
            case SENSITISER -> "nitrile gloves and long sleeves; wash skin at once with soap; air";
            case CYANOACRYLATE -> "glasses, air; no cotton wipes, they smoke";
            case UNCURED_RESIN -> "nitrile gloves, glasses; cure leftovers and wipes hard before the bin, nothing in the drain";
            case UV_LIGHT -> "glasses and a shield in front of the lamp";
            case FLAMMABLE -> "no flame, no sparks, lid on";
            case OILY_RAGS -> "lay rags flat outdoors: heaps catch fire by themselves";
            case HEAT -> "let it cool first";
            case FUMES -> "air out or a closed chamber; nobody sleeps in the room";
            case BLADE -> "cut away from hands";
            case SPLINTERS -> "goggles: stubs fly";
            case ROTARY_TOOL -> "face shield, no loose sleeves or gloves";
            case NARROW_VIEW -> "a helper on stairs; off in five seconds unaided; rest often; follow the event's prop rules";
        };
    }
}
