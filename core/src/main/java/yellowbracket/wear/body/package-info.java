/**
 * The whole thing on a body: its balance, how far the head turns, room inside, what is sharp. Start at {@link
 * yellowbracket.wear.body.Balance}.
 * Prop coordinates as large as the prop is, mm; head coordinates where said.
 */
package yellowbracket.wear.body;
