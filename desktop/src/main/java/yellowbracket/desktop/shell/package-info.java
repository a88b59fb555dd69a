/** The frame: top bar, the Run, log line, finder, messages. */
package yellowbracket.desktop.shell;
