package yellowbracket.shop;

import java.util.List;
import yellowbracket.finding.Limits;

/**
 * How something is sold and kept; starting values, a label or a shop's own terms override them.
 *
 * @param product what it is called, or how the names of its kind begin @param pack how much there is in one @param days until it is there
 * @param from which sort of shop has it @param cost of a pack @param keepsMonths so long it is good once opened, 0 for years
 * @param instead what would do in its place
 */
public record Supply(String product, double pack, String unit, int days, String from, double cost, int keepsMonths, List<String> instead) {
    public Supply {
        Limits.named("something sold", product);
        Limits.within(product + ", in a pack", pack, 1e-3, 1e5);
        Limits.within(product + ", days to wait", days, 0, 60);
        instead = List.copyOf(instead);
    }
}
