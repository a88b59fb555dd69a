package yellowbracket.smooth;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Lab;

class ContrastTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    /** No other choice of shades has a larger least difference: all tried. */
    @ParameterizedTest
    @ValueSource(strings = {"#8f9499", "#111111", "#f4f4f2", "#7d3b30", "#c9b458"})
    void theLeastDifferenceIsTheLargest(String print) {
        var films = List.of("two-part polyester filler", "filler primer", "filler primer", "sealing primer");
        var chosen = Contrast.of(print, films, SHOP);
        assertThat(chosen.coats()).extracting(Contrast.Coat::product).containsExactlyElementsOf(films);
        double least = chosen.coats().stream().mapToDouble(Contrast.Coat::difference).min().orElseThrow();
        assertThat(least).isCloseTo(best(print, films), org.assertj.core.api.Assertions.within(1e-9));
    }

    private static double best(String below, List<String> films) {
        if (films.isEmpty()) return Double.POSITIVE_INFINITY;
        double best = 0;
        for (var shade : SHOP.coating(films.getFirst()).shades())
            best = Math.max(best, Math.min(Lab.ofHex(below).difference(Lab.ofHex(shade)), best(shade, films.subList(1, films.size()))));
        return best;
    }

    @Test
    void clearFilmsChangeNothing() {
        var c = Contrast.of("#8d9092", List.of("brush-on UV resin", "filler primer"), SHOP).coats();
        assertThat(c.getFirst().shade()).isEqualTo("clear");
        assertThat(c.getLast().hex()).as("not grey over a grey print").isNotEqualTo("#8d9092");
        assertThat(c.getLast().seen()).isTrue();
        assertThat(c.getLast().shade()).isIn("red-brown", "white", "light grey");
    }
}
