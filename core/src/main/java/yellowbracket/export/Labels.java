package yellowbracket.export;

import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import yellowbracket.safety.Caution;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.work.Hazard;
import yellowbracket.work.Operation;
import yellowbracket.work.Tool;

/** Labels for what was put in another jar: product, hazards, what is worn, date, and where leftovers go. */
public final class Labels {
    private static final int WIDTH = 92;

    private Labels() {}

    /** One PDF. @param products names of the catalogue; unknown ones are left out */
    public static Path write(List<String> products, LocalDate day, Catalogue shop, Path file) throws IOException {
        var pages = new PdfPages();
        pages.page("labels, to cut out");
        for (var name : products) shop.coatings()
                .stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .ifPresent(c -> pages.block(c.name(), lines(c, day, shop)));
        pages.write(file);
        return file;
    }

    static List<String> lines(Coating c, LocalDate day, Catalogue shop) {
        var out = new ArrayList<String>();
        out.add("decanted " + day + "   NOT FOR FOOD OR DRINK: never in a drinks bottle");
        Caution.of(Operation.SPREAD, c.name(), Tool.SPREADER, shop).ifPresent(w -> {
            out.addAll(wrapped("hazards: " + w.hazard()));
            out.addAll(wrapped(w.gear()));
        });
        c.hardener()
                .ifPresent(h -> out.addAll(wrapped(h.isFixed()
                        ? String.format(java.util.Locale.ROOT, "mix 1 : %.2f by %s, in no other ratio", h.share(),
                                h.basis().name().toLowerCase())
                        : String.format(java.util.Locale.ROOT, "hardener %.1f to %.1f %% by mass, by the label's table", 100 * h.least(),
                                100 * h.most()))));
        out.addAll(wrapped(leftovers(c)));
        out.addAll(wrapped(Caution.DEFER));
        return out;
    }

    /** What may go in the drain and the bin. */
    public static String leftovers(Coating c) {
        if (c.light().isPresent()) return "leftovers and wipes: harden under the lamp, then the bin; nothing in the drain";
        if (c.hardener().isPresent()) return "leftovers: let a mixed rest go hard outdoors, then the bin; unmixed to the collection point";
        if (c.hazards().contains(Hazard.SOLVENT_VAPOUR))
            return "empty can to the collection point, full or half full too; nothing in the drain";
        return "dried rests to the bin; wash brushes over a bucket, let it settle, only the clear water may go down the drain";
    }

    private static List<String> wrapped(String text) {
        var out = new ArrayList<String>();
        var line = new StringBuilder();
        for (var word : text.split(" ")) {
            if (line.length() + word.length() > WIDTH) {
                out.add(line.toString().strip());
                line.setLength(0);
            }
            line.append(word).append(' ');
        }
        out.add(line.toString().strip());
        return out;
    }
}
