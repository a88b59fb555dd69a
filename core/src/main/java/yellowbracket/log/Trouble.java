package yellowbracket.log;

import java.util.List;
import yellowbracket.work.Operation;

/**
 * What usually goes wrong in a kind of work, why, and what mends it. Common workshop practice; a product's own sheet comes first.
 *
 * @param seen what one sees @param cause the likeliest @param repair what to do now, and next time
 */
public record Trouble(String seen, String cause, String repair) {

    /** The likeliest three of a kind of work; empty for what has none of its own. */
    public static List<Trouble> of(Operation o) {
        return switch (o) {
            case CLEAN -> List.of(
                    new Trouble("torn where support was", "support too close, or pulled off cold",
                            "fill the tear with spot putty; warm the next in the hand and twist it off"),
                    new Trouble("a thin edge broke off", "levered at the edge",
                            "glue it back with CA now, while it is clean; cut, do not lever"),
                    new Trouble("cut into the show side", "blade towards the wall",
                            "fill and note the place; cutters flat against the stub"));
            case DRY_FIT -> List.of(
                    new Trouble("pins do not go in", "holes printed tight, first layers spread",
                            "drill by hand, half a millimetre at a time"),
                    new Trouble("a gap on one side", "warped, or stubs of support left",
                            "sand the high side on a flat board; warm a warped rim and clamp it flat"),
                    new Trouble("steps along the seam", "scale or way up differs",
                            "check both sections' size; a step under 0.5 mm is filled, a greater one printed anew"));
            case GLUE -> List.of(
                    new Trouble("set out of line", "open time ran out, or no pins",
                            "cut it open along the seam, scrape both faces bare, glue anew"),
                    new Trouble("comes apart again", "faces not scuffed, oily, or a gap",
                            "scrape bare, scuff with P80, wipe, use a glue that fills the gap"),
                    new Trouble("white bloom beside the glue", "CA vapour in still air",
                            "sand it off before primer; air moving, less activator"));
            case REINFORCE -> List.of(
                    new Trouble("stays tacky", "mixed out of ratio, or too cold",
                            "scrape it off, wipe, mix anew by weight, keep it above 18 C"),
                    new Trouble("the wall warped", "too much at once: it grew hot",
                            "thin coats, the next when the first is cool; warm and press it back"));
            case FILL_SEAMS, SPREAD -> List.of(
                    new Trouble("does not harden", "too little hardener, or not mixed through",
                            "scrape all of it off; mix anew, 2 % by weight, until one shade"),
                    new Trouble("hardened in the cup", "too much hardener, or too large a batch",
                            "throw it away in a fireproof place: it grows hot; mix less"),
                    new Trouble("pinholes", "air stirred in, or pulled too fast", "skim with spot putty, press it in; fold, do not whip"),
                    new Trouble("peels at the edge", "on gloss, dust or damp",
                            "sand back to where it holds, scuff P120, wipe, fill again"));
            case SAND -> List.of(
                    new Trouble("through to the plastic", "one place too long, an edge",
                            "prime the place again before colour; tape edges, use a block"),
                    new Trouble("it gums and smears", "too fast, the plastic softens", "stop, let it cool, low speed or wet by hand"),
                    new Trouble("deep scratches stay", "a grade was left out", "go back one grade, until they are gone, then on"));
            case PRIME, SPRAY -> List.of(
                    new Trouble("runs", "too near, too slow, too much at once",
                            "let it harden through, sand flat with P400 wet, mist on thin coats"),
                    new Trouble("orange peel, dry and rough", "too far, too warm, or wind",
                            "sand smooth, spray nearer, out of sun and wind"),
                    new Trouble("wrinkles", "the film beneath was in its shut hours",
                            "let it dry through for days, sand off, spray inside the window"),
                    new Trouble("fish eyes", "grease or silicone", "wipe with degreaser, sand, new cloths; never polish near it"));
            case BRUSH, LINES -> List.of(
                    new Trouble("brush marks", "paint too thick, brushed twice",
                            "sand lightly when dry, thin with a drop of water, one stroke"),
                    new Trouble("line ran or wobbles", "too wet, or a tired hand",
                            "wipe at once with a damp stick; rest the hand, steady it on the prop"));
            case MASK -> List.of(
                    new Trouble("bled under the tape", "edge not pressed, or sprayed wet",
                            "cut back with fine paper; seal the edge with the colour beneath first"),
                    new Trouble("tape pulled paint off", "too soon, or left for days",
                            "feather with P600, spray again; pull slowly back over itself"));
            case WEATHER ->
                    List.of(new Trouble("the wash stained", "no clear beneath", "lift it with a damp cloth at once; seal before the next"),
                            new Trouble("too much of it", "brush too wet", "take it back with thinner on a stick while it is fresh"));
            case FORM_LENS -> List.of(new Trouble("bubbles", "damp sheet, or too hot", "dry the sheet for hours at 60 C, less heat"),
                    new Trouble("webs at the corners", "too cold or too steep", "warmer, lower the buck, a ring about it"));
            case WIRE -> List.of(
                    new Trouble("does not light", "turned round, or a cold joint",
                            "check plus and minus, heat the joint until it flows; cells out while you solder"),
                    new Trouble("grows warm", "too much current, or a short", "cells out at once; measure before you go on"));
            case WASH, CURE -> List.of(new Trouble("still sticky", "not washed through, or too little light",
                    "wash again, let it dry, then light from all sides; gloves on"));
            case PRINT, CALIBRATE, LOOK, MEASURE, CHECK_CUTS, TRY_ON, INSPECT, CUT_PADS, FIT_PARTS, FIT_VISOR, FIT_STRAPS, WALK_TEST ->
                    List.of();
        };
    }
}
