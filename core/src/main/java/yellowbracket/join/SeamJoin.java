package yellowbracket.join;

import yellowbracket.cut.Seam;
import yellowbracket.shop.JoinProduct;

/**
 * How one seam is joined. {@code reserve}: capacity over load, low end of the product's range, knocked down for print and gap; {@code why}
 * in words.
 * Hold and cure in minutes and hours at the stated temperature.
 */
public record SeamJoin(Seam seam, JoinProduct product, double grams, double workMin, double holdMin, double handleH, double fullH,
        double reserve, String why) {}
