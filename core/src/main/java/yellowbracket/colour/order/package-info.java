/**
 * In which order zones are painted, and what is masked for it. Start at {@link yellowbracket.colour.order.PaintOrder}. Minutes, hours,
 * metres, dm2; knows no surface: who meets whom is told.
 */
package yellowbracket.colour.order;
