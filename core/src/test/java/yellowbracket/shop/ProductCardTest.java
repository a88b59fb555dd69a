package yellowbracket.shop;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

/** Labels over the catalogue. */
class ProductCardTest {
    private static final Catalogue SHOP = Catalogue.builtIn();
    private static final String CLEAR = "matt clear";

    private static ProductCard card(LabelTerm term, double value) {
        return ProductCard.blank(CLEAR).with(term, Optional.of(value));
    }

    @Test
    void whatTheLabelSaysStandsInPlaceOfTheCatalogue() {
        for (var t : LabelTerm.values()) for (var c : SHOP.coatings()) {
            if (!t.of(c)) continue;
            double asIs = t.of(c, 0);
            var same = ProductCard.blank(c.name()).with(t, Optional.of(asIs));
            if (t != LabelTerm.RECOAT_TO_H || c.recoatAgainH() > asIs) // until, and never again: the film's cure is taken
                assertThat(same.over(c)).as("%s of %s, as it is", t, c.name())
                        .isEqualTo(t == LabelTerm.HARDENER_PERCENT
                                ? c.withHardener(c.hardener().map(h -> Hardener.fixed(h.basis(), h.share())))
                                : c);
        }
        var shop = SHOP.with(List.of(card(LabelTerm.TAPE_H, 9), ProductCard.blank("no such thing").with(LabelTerm.M2, Optional.of(3.0))));
        assertThat(shop.coating(CLEAR).tapeH()).isEqualTo(9);
        assertThat(shop.coating(CLEAR).fullH()).isEqualTo(SHOP.coating(CLEAR).fullH());
        assertThat(shop.coating("gloss clear")).isSameAs(SHOP.coating("gloss clear"));
        assertThat(SHOP.with(List.of(ProductCard.blank(CLEAR).never("clouds")))).as("nothing to change").isSameAs(SHOP);
    }

    @Test
    void aWindowThatClosesOpensAgainWhenTheFilmIsThrough() {
        var c = card(LabelTerm.RECOAT_TO_H, 2).over(SHOP.coating(CLEAR));
        assertThat(c.recoatToH()).isEqualTo(2);
        assertThat(c.recoatAgainH()).isEqualTo(SHOP.coating(CLEAR).fullH());
    }

    @Test
    void valuesThatCannotAllBeTrueAreRefusedAndChangeNothing() {
        var c = SHOP.coating(CLEAR);
        assertThatThrownBy(() -> card(LabelTerm.RECOAT_TO_H, 0.1).over(c)).hasMessageContaining("until must be later");
        assertThatThrownBy(() -> card(LabelTerm.LEAST_C, 35).over(c)).hasMessageContaining("not colder than 35");
        assertThatThrownBy(() -> card(LabelTerm.TAPE_H, 100).over(c)).hasMessageContaining("cured through after 24");
        assertThatThrownBy(() -> card(LabelTerm.RECOAT_TO_H, 8).with(LabelTerm.RECOAT_AGAIN_H, Optional.of(4.0)).over(c))
                .hasMessageContaining("that must be later");
        assertThatThrownBy(() -> card(LabelTerm.MOST_HUMIDITY, 400)).hasMessageContaining("air no damper than");
        assertThat(SHOP.with(List.of(card(LabelTerm.TAPE_H, 100))).coating(CLEAR)).isEqualTo(c);
    }

    @Test
    void aHardenerByTheLabelIsOneRatioWhateverTheWeather() {
        var filler = SHOP.coating("two-part polyester filler");
        var labelled = ProductCard.blank(filler.name()).with(LabelTerm.HARDENER_PERCENT, Optional.of(2.5)).over(filler).hardener();
        assertThat(labelled).contains(Hardener.fixed(Hardener.Basis.MASS, 0.025));
        assertThat(LabelTerm.HARDENER_PERCENT.of(SHOP.coating(CLEAR))).as("one part").isFalse();
        assertThat(ProductCard.blank(CLEAR).with(LabelTerm.HARDENER_PERCENT, Optional.of(2.0)).over(SHOP.coating(CLEAR)).hardener())
                .isEmpty();
    }

    @Test
    void theShelfKeepsOneCardAProductAndNoBlankOnes() {
        var shelf = PaintShelf.EMPTY.with(card(LabelTerm.TAPE_H, 9)).with(card(LabelTerm.TAPE_H, 8).never(" clouds in the cold "));
        assertThat(shelf.products()).hasSize(1);
        assertThat(shelf.product(CLEAR).never()).contains("clouds in the cold");
        assertThat(shelf.with(shelf.product(CLEAR).usable().with(LabelTerm.TAPE_H, Optional.empty())).products()).isEmpty();
        assertThat(shelf.product("other").saysNothing()).isTrue();
    }
}
