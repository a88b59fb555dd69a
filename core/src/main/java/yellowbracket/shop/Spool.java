package yellowbracket.shop;

import yellowbracket.finding.Limits;

/**
 * A spool of filament or a bottle of resin. {@code grams}: what is left on it; {@code emptyG}: the bare spool, so that weighing tells what
 * is left;
 * {@code printer}: the one it is on, or empty on the shelf.
 */
public record Spool(String name, String material, double grams, double emptyG, String printer) {
    public Spool {
        Limits.named("a spool", name);
        Limits.within("on spool " + name + ", g", grams, 0, 100_000);
        Limits.within("bare spool " + name + ", g", emptyG, 0, 100_000);
    }

    /** After the spool was put on a scale. @throws IllegalArgumentException if it weighs less than when empty */
    public Spool weighed(double scaleG) {
        if (!(scaleG >= emptyG)) throw new IllegalArgumentException("spool " + name + " weighs " + Math.round(scaleG) + " g, less than the "
                + Math.round(emptyG) + " g of the bare spool: weigh it again, or correct the bare weight");
        return new Spool(name, material, scaleG - emptyG, emptyG, printer);
    }

    /** After a print drew from it. */
    public Spool less(double drawnG) {
        return new Spool(name, material, Math.max(0, grams - drawnG), emptyG, printer);
    }

    public Spool on(String other) {
        return new Spool(name, material, grams, emptyG, other);
    }
}
