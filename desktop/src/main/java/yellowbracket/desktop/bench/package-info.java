/** The 3D bench: meshes with scalar maps, camera, callouts, gauges. */
package yellowbracket.desktop.bench;
