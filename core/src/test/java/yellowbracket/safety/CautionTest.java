package yellowbracket.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowbracket.print.CleanUp;
import yellowbracket.shop.Catalogue;
import yellowbracket.shop.Coating;
import yellowbracket.work.Hazard;
import yellowbracket.work.Operation;
import yellowbracket.work.Tool;

/** Work that can hurt somebody carries its caution; work that cannot does not cry wolf. */
class CautionTest {
    private static final Catalogue SHOP = Catalogue.builtIn();

    private static Set<Hazard> hazards(Operation operation, String product, Tool tool) {
        return Caution.of(operation, product, tool, SHOP).map(Caution::hazards).orElse(Set.of());
    }

    private static Set<Hazard> named(String words) {
        return words == null ? Set.of() : Arrays.stream(words.split(" ")).map(Hazard::valueOf).collect(Collectors.toSet());
    }

    @ParameterizedTest
    @CsvSource({"MEASURE,'',TAPE_MEASURE,", "CHECK_CUTS,'',HANDS,", "PRINT,PLA,PRINTER,HEAT", "PRINT,ABS,PRINTER,HEAT FUMES",
            "PRINT,photopolymer resin,PRINTER,UNCURED_RESIN UV_LIGHT", "CLEAN,PLA,SCRAPER,BLADE SPLINTERS",
            "CLEAN,photopolymer resin,SCRAPER,UNCURED_RESIN UV_LIGHT FLAMMABLE BLADE SPLINTERS", "DRY_FIT,'',SANDING,DUST",
            "GLUE,CA gel,HANDS,CYANOACRYLATE", "GLUE,epoxy slow,HANDS,SENSITISER", "GLUE,solvent cement,HANDS,SOLVENT_VAPOUR FLAMMABLE",
            "GLUE,hot melt,HANDS,HEAT", "GLUE,two-part filler as glue,HANDS,STYRENE PEROXIDE DUST",
            "GLUE,flexible contact adhesive,HANDS,SOLVENT_VAPOUR", "REINFORCE,'',HANDS,SENSITISER",
            "FILL_SEAMS,two-part polyester filler,SPREADER,STYRENE PEROXIDE DUST", "SPREAD,water-based putty,SPREADER,",
            "SPREAD,coating epoxy,SPREADER,SENSITISER", "SPREAD,brush-on UV resin,UV_LAMP,UNCURED_RESIN UV_LIGHT",
            "SPREAD,two-part polyester filler,SPREADER,STYRENE PEROXIDE DUST", "SAND,'',SANDING,DUST", "SAND,'',ROTARY,DUST ROTARY_TOOL",
            "PRIME,filler primer,CAN,SOLVENT_VAPOUR FLAMMABLE SPRAY_MIST", "SPRAY,enamel spray,CAN,SOLVENT_VAPOUR FLAMMABLE SPRAY_MIST",
            "BRUSH,brush acrylic,BRUSH,", "BRUSH,oil wash,BRUSH,SOLVENT_VAPOUR OILY_RAGS", "CUT_PADS,'',KNIFE,BLADE",
            "FIT_VISOR,'',KNIFE,BLADE", "FIT_STRAPS,'',KNIFE,BLADE", "WALK_TEST,'',HANDS,NARROW_VIEW"})
    void hazardsFollowOperationProductAndTool(Operation operation, String product, Tool tool, String expected) {
        assertThat(hazards(operation, product, tool)).isEqualTo(named(expected));
    }

    @Test
    void everyProductOfTheCatalogueStatesItsHazards() {
        for (var c : SHOP.coatings())
            if (c.sprayed()) assertThat(c.hazards()).as(c.name()).contains(Hazard.SOLVENT_VAPOUR, Hazard.FLAMMABLE);
        for (var j : SHOP.joins()) assertThat(j.hazards()).as(j.name()).isNotEmpty();
        for (var c : SHOP.coatings()) {
            if (c.binder() == Coating.Binder.EPOXY)
                assertThat(c.hazards()).as(c.name()).contains(Hazard.SENSITISER).doesNotContain(Hazard.STYRENE);
            if (c.binder() == Coating.Binder.ACRYLIC || c.binder() == Coating.Binder.WATER_ACRYLIC)
                assertThat(c.hazards()).as(c.name() + " is water-based").isEmpty();
        }
    }

    @ParameterizedTest
    @CsvSource({"TAKE_OFF,PLA,HEAT BLADE", "WASH,photopolymer resin,UNCURED_RESIN FLAMMABLE UV_LIGHT", "BRIM,PLA,BLADE",
            "SNAP,PLA,BLADE SPLINTERS", "TRIM,PLA,BLADE SPLINTERS", "SAND,PLA,DUST"})
    void cleaningUpHasTheHazardsOfItsSteps(CleanUp.Work work, String material, String expected) {
        assertThat(Caution.of(work, material, SHOP).hazards()).isEqualTo(named(expected));
    }

    @ParameterizedTest
    @EnumSource(Hazard.class)
    void everyHazardIsNamedAndHasItsGear(Hazard h) {
        var c = new Caution(EnumSet.of(h));
        assertThat(c.hazard()).isNotBlank();
        assertThat(c.gear()).isNotBlank();
    }

    @Test
    void gearIsSaidOnceAndDefersToTheSheet() {
        var both = new Caution(EnumSet.of(Hazard.UNCURED_RESIN, Hazard.UV_LIGHT));
        assertThat(both.gear()).contains("nitrile gloves", "nothing in the drain", "shield in front of the lamp");
        assertThat(Caution.DEFER).contains("safety sheet", "local rules", "licensed practice");
    }
}
