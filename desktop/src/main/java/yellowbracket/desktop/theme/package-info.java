/** Fonts, style sheets and colour ramps. */
package yellowbracket.desktop.theme;
