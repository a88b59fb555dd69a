/** The demo: meshes and a work in progress made from code, the same bytes every time. Start at {@link yellowbracket.demo.DemoBuild}. */
package yellowbracket.demo;
