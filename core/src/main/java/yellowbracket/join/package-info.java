/**
 * Joining sections: a method for each seam with its reserve, glue by the gram, and the order of assembly. Start at {@link
 * yellowbracket.join.JoinPlan}.
 */
package yellowbracket.join;
