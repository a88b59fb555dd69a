/** Everything that is derived of a build, in the order people need it. Start at {@link yellowbracket.derive.all.Everything}. */
package yellowbracket.derive.all;
