/**
 * What follows from a prop's mesh: the model that is worked on, its index, its drawing, its health. Start at {@link
 * yellowbracket.derive.model.ModelFigures}.
 */
package yellowbracket.derive.model;
