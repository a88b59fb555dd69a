package yellowbracket.shop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import org.junit.jupiter.api.Test;
import yellowbracket.smooth.School;

/** The built-in values hang together: names that are used exist, ranges run the right way. */
class CatalogueTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    @Test
    void profilesNameMaterialsThatExist() {
        assertThat(SHOP.profiles()).isNotEmpty().allSatisfy(p -> assertThat(SHOP.material(p.material()).densityGcm3()).isBetween(0.9, 1.4));
        assertThatThrownBy(() -> SHOP.material("cheese")).hasMessageContaining("no material called \"cheese\"");
    }

    @Test
    void gritsRunFromCoarseToFine() {
        for (int i = 1; i < SHOP.grits().size(); i++) {
            assertThat(SHOP.grits().get(i).p()).isGreaterThan(SHOP.grits().get(i - 1).p());
            assertThat(SHOP.grits().get(i).grainUm()).isLessThan(SHOP.grits().get(i - 1).grainUm());
        }
    }

    @Test
    void gluesGetStrongerWithTimeAndHaveRanges() {
        assertThat(SHOP.joins()).isNotEmpty().allSatisfy(j -> {
            assertThat(j.shearLowMpa()).isLessThanOrEqualTo(j.shearHighMpa());
            assertThat(j.holdMin() / 60).as(j.name()).isLessThanOrEqualTo(j.fullH());
            assertThat(j.handleH()).isLessThanOrEqualTo(j.fullH());
            assertThat(j.hazards()).isNotEmpty();
        });
    }

    @Test
    void coatingsHaveWindowsThatOpenBeforeTheyClose() {
        assertThat(SHOP.coatings()).isNotEmpty().allSatisfy(c -> {
            assertThat(c.recoatFromH()).as(c.name()).isLessThanOrEqualTo(c.recoatToH());
            assertThat(c.leastC()).isLessThan(c.mostC());
            assertThat(c.filmUm()).isPositive();
            assertThat(c.m2PerContainer()).isPositive();
        });
    }

    @Test
    void everySchoolFindsAFilm() {
        for (var s : School.values()) assertThat(SHOP.coatings()).as(s.label()).anyMatch(c -> s.allows(c.kind()));
    }

    @Test
    void practiceIsGivenWithItsRangeOrNotAtAll() {
        assertThat(SHOP.practice()).containsOnlyKeys(Practice.values());
        assertThatThrownBy(() -> new Usual(5, 1, 4)).hasMessageContaining("within its range");
        var holes = new HashMap<>(SHOP.practice());
        holes.remove(Practice.PAD_H);
        assertThatThrownBy(() -> new Catalogue(SHOP.materials(), SHOP.profiles(), SHOP.printers(), SHOP.morePrinters(), SHOP.joins(),
                SHOP.coatings(), SHOP.lamps(), SHOP.grits(), SHOP.foams(), SHOP.sheets(), holes, SHOP.supplies(), 45, 1))
                .hasMessageContaining("no PAD_H");
    }
}
