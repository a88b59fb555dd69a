package yellowbracket.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class ColourReferenceTest {
    private static final List<ColourZone> ZONES = List.of(ColourZone.of(0, "shell", "#1f5156", "acrylic lacquer spray"),
            ColourZone.of(1, "trim", "#a8742c", "acrylic lacquer spray"));

    @Test
    void coloursNoZoneHasAndCountsNotCompleteAreOpen() {
        var r = ColourReference.of("panel 3")
                .with(new ColourReference.Area("dome", "#205257"))
                .with(new ColourReference.Area("lamp", "#d01020"))
                .with(new ColourReference.Count("rivets on the left cheek", 7, 4));
        assertThat(r.open(ZONES, 3)).hasSize(2)
                .anySatisfy(f -> assertThat(f.words()).contains("no zone has the colour of lamp"))
                .anySatisfy(f -> assertThat(f.words()).isEqualTo("panel 3: 4 of 7 rivets on the left cheek"));
        assertThat(r.with(new ColourReference.Count("rivets on the left cheek", 7, 7)).without("lamp").open(ZONES, 3)).isEmpty();
        assertThat(r.nearest(r.areas().getFirst(), ZONES).orElseThrow().zone().name()).isEqualTo("shell");
    }

    @Test
    void anEntryTakesThePlaceOfTheOneOfItsName() {
        var r = ColourReference.of("r").with(new ColourReference.Count("bolts", 4, 0)).with(new ColourReference.Count("bolts", 6, 2));
        assertThat(r.counts()).containsExactly(new ColourReference.Count("bolts", 6, 2));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> new ColourReference.Count("bolts", 4, 5)).hasMessageContaining("bolts done");
        assertThatThrownBy(() -> new ColourReference.Area("dome", "green")).hasMessageContaining("#1f5156");
        assertThatThrownBy(() -> ColourReference.of(" ")).isInstanceOf(IllegalArgumentException.class);
    }
}
