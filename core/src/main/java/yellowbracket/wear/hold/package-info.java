/** What holds and comes off again. Start at {@link yellowbracket.wear.hold.Closure}. Newtons, mm. */
package yellowbracket.wear.hold;
