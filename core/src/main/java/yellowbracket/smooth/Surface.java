package yellowbracket.smooth;

import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.shop.Grit;
import yellowbracket.shop.Practice;

/**
 * A surface with valleys: how deep they are, how far film stands over the peaks of the print, the marks on top. A film fills valleys first
 * and raises the peaks with the rest; sanding takes from the top. Micrometres.
 * @param over film above the peaks of the print as it is @param printTaken off the peaks of the print @param top the film on top, by name;
 *        empty for the print
 */
public record Surface(double valley, double over, double marks, double printTaken, String top) {
    /** As it comes off the printer. */
    static Surface printed(double valleyUm, Catalogue shop) {
        return new Surface(valleyUm, 0, shop.usual(Practice.SKIN_MARKS_UM), 0, "");
    }

    /** What a film does to it. @param put as it comes from the tin, on average */
    record Filled(double put, double valley, double over, double marks) {}

    /** Put on in coats, or with a knife as thick as the valleys are deep and a skim over them. */
    static double put(Coating film, int coats, double valley, Catalogue shop) {
        return film.byKnife() ? valley / 2 + shop.usual(Practice.SKIM_UM) : coats * film.filmUm();
    }

    static Filled film(Coating film, int coats, double valley, double over, double marks, Catalogue shop) {
        double put = put(film, coats, valley, shop), stays = put * film.stays(), level = film.levels() * stays;
        // a valley of depth d filled by t is left sqrt(d2 - 2 d t) deep: it is as wide as it is deep
        double left = level < valley / 2 ? Math.sqrt(valley * valley - 2 * valley * level) : 0;
        if (film.sprayed()) left = Math.max(0, valley - level); // it follows the lines
        if (film.byKnife()) left = (1 - film.stays()) * valley;
        return new Filled(put, left, over + Math.max(0, stays - (valley - left) / 2), Math.max(film.textureUm(), marks - level));
    }

    /**
     * What one of the ladder's steps, made for deeper lines or shallower ones, does here.
     * @return the surface after it
     */
    public Surface after(Ladder.Step s, Catalogue shop) {
        return switch (s.kind()) {
            case LOOK -> this;
            case FILM, PRIME -> {
                var film = shop.coating(s.product());
                var f = film(film, s.coats(), valley, over, marks, shop);
                yield new Surface(f.valley, f.over, f.marks, printTaken, film.name());
            }
            case SAND -> {
                double marksAfter = shop.grits()
                        .stream()
                        .filter(g -> g.name().equals(s.product()))
                        .mapToDouble(Grit::scratchUm)
                        .findFirst()
                        .orElse(s.scratchUm());
                if (over > 0) {
                    double left = Math.min(over, s.overUm());
                    // scratches deeper than the film go on into the print
                    double into = s.overUm() > 0 ? 0 : Math.max(0, marks - over);
                    yield new Surface(valley, left, marksAfter, printTaken + into, left > 0 ? top : "");
                }
                double down = Math.max(0, valley - s.valleyUm());
                double taken = Math.max(down, Math.min(marks, s.printUm()));
                yield new Surface(Math.max(0, valley - taken), 0, marksAfter, printTaken + taken, top);
            }
        };
    }
}
