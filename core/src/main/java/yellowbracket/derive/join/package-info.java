/** What is derived for the join station. Start at {@link yellowbracket.derive.join.JoinFigures}. */
package yellowbracket.derive.join;
