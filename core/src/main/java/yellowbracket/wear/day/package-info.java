/** The walk test, event rules, what to take along. Start at {@link yellowbracket.wear.day.WalkTest}. */
package yellowbracket.wear.day;
