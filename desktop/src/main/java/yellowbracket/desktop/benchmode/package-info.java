/** The plan with gloves on: one step in large type. */
package yellowbracket.desktop.benchmode;
