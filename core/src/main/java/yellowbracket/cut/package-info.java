/**
 * From a model to sections: the tree of cuts, the sections and seams it makes, room on a bed, what is alike.
 * Start at {@link yellowbracket.cut.Sectioning}; plans are looked for in {@code cut.plan}, registration is worked in by {@code
 * cut.registration}.
 * Planes and sections live in model coordinates (before scaling), millimetres, right-handed, z up, y forward.
 */
package yellowbracket.cut;
