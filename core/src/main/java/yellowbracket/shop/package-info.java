/**
 * What a maker owns and knows: printers, materials, products, wearers, learned rates, and the built-in catalogue of starting values.
 * Start at {@link yellowbracket.shop.Catalogue}. Millimetres, grams, hours, degrees C, money in one unnamed currency.
 */
package yellowbracket.shop;
