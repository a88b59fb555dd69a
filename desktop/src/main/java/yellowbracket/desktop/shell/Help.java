package yellowbracket.desktop.shell;

import yellowbracket.desktop.model.Page;
import yellowbracket.program.ProgramLog;

/** A few plain lines for the page at hand. */
final class Help {
    private static final String KEYS = "  Keys: 1-7 stations, [ log, ] plan, / find, L log line, F frame, X see-through, B bench "
            + "mode, Ctrl+Z undo. What was refused or failed is noted in " + ProgramLog.file(System.getenv()) + ".";

    private Help() {}

    static String of(Page page) {
        return switch (page) {
            case SIZE -> "Drag the scale or type it; the head turns crimson where the shell is nearer than the zone allows. Take a row of "
                    + "the table to scale to it; section cuts the view open. Put on plays the way in; sight is the wearer's "
                    + "view; wearers holds measures and scans; scale has other ways to a size. Under bodies: unit, "
                    + "way up, which parts of the file count; under health: faults, walls, mending.";
            case CUT -> "Take a plan, or set planes by hand: drag a pane, turn it by the knob at its edge, type place and lean, snap it, "
                    + "lock it so that plans keep it. Every section, seam and hour follows; red sections stand on no bed, "
                    + "turned any way. Joints: what holds each seam, its two faces side by side, a click places a "
                    + "piece. Sections: sizes, what is alike, files and the map to pin up.";
            case PRINT -> "Way up: take a row, tilt by hand, or lay a face down; orange support scars the show side. How fine: look for "
                    + "the least sum of printing and smoothing; a figure can be for one section alone. Plates: drag rows to "
                    + "reorder, fill beds or print one by one. Printers: start, pause, log what they did, weigh "
                    + "spools. Failures: what they cost, and what can be saved.";
            case JOIN -> "Pick a seam to see other ways to join it. The number says how many times the handling load it bears.";
            case SMOOTH -> "The ladder is the cheapest way from these lines to this finish; each step says when to stop.";
            case COLOUR -> "Colours decide undercoat, coats and cans; the strip shows today's spray weather hour by hour.";
            case WEAR -> "Foam for each zone from the clearance left, pressed by about a third.";
            case LOG -> "Write in the line below; done tasks with hours correct your own rates.";
            case PLAN -> "Change the day and see what is left. Mark a task done here or in the log line.";
        } + KEYS;
    }
}
