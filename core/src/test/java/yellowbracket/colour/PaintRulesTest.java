package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowbracket.colour.PaintRules.Layer;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Sheen;

class PaintRulesTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Layer layer(String product, Sheen sheen, double driedH) {
        return new Layer(SHOP.coating(product), sheen, driedH);
    }

    /** What lies below, how long it dried, what goes over it; words of the reason, none where it may. */
    @ParameterizedTest
    @CsvSource({"enamel spray,SATIN,12,matt clear,wrinkles", "enamel spray,SATIN,80,matt clear,", "enamel spray,SATIN,0.5,enamel spray,",
            "enamel spray,SATIN,12,enamel spray,recoated", "enamel spray,SATIN,50,enamel spray,",
            "mirror metal spray,MIRROR,90,matt clear,dulls", "acrylic lacquer spray,GLOSS,30,mirror metal spray,",
            "acrylic lacquer spray,GLOSS,3,mirror metal spray,fully dry", "acrylic lacquer spray,MATT,30,mirror metal spray,not gloss",
            "matt clear,MATT,30,oil wash,stains", "gloss clear,GLOSS,30,oil wash,", "oil wash,SATIN,2,matt clear,smears",
            "oil wash,SATIN,60,matt clear,", "oil wash,SATIN,60,brush acrylic,beads", "acrylic lacquer spray,SATIN,1,matt clear,"})
    void whatMayGoOverWhat(String below, Sheen sheen, double driedH, String above, String words) {
        var broken = PaintRules.check(List.of(layer(below, sheen, driedH), layer(above, Sheen.MATT, 0)));
        if (words == null) assertThat(broken).isEmpty();
        else assertThat(broken).anySatisfy(b -> {
            assertThat(b.words()).contains(words);
            assertThat(b.fix()).isNotBlank();
        });
    }

    @Test
    void aStackIsCheckedPairByPair() {
        assertThat(PaintRules.check(List.of())).isEmpty();
        assertThat(PaintRules.check(
                List.of(layer("sealing primer", Sheen.MATT, 1), layer("enamel spray", Sheen.SATIN, 2), layer("matt clear", Sheen.MATT, 0))))
                .hasSize(1);
    }
}
