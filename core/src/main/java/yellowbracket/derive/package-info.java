/** Everything that follows from a build, worked out off the caller's thread. Start at {@link yellowbracket.derive.Workings}. */
package yellowbracket.derive;
