package yellowbracket.shop;

/**
 * What common workshop practice says where no product's label and no log of this maker does. Each has its value and range in the
 * catalogue. Ends of names: {@code H} hours, {@code MIN} minutes, {@code MIN_DM2} minutes for a square decimetre,
 * {@code MIN_M} for a metre, {@code MM_MIN} mm in a
 * minute, {@code MIN_MM} for each mm, {@code MM_H} and {@code MM2_H} in an hour, {@code TIMES} a factor, {@code H_MM} hours for each mm,
 * {@code UM} micrometres.
 */
public enum Practice {
    /** Measuring a wearer and settling the scale; the same for what is carried. Looking the sections over and writing their files. */
    MEASURE_WORN_H, MEASURE_CARRIED_H, CHECK_CUTS_H,
    /**
     * By which ways to cut are compared: one more part to start, clean and fit; one more seam to scuff, wet and hold; each mm of seam that
     * is seen, filled and sanded; each mm cut through the rim of an eye opening, which everybody looks at; a sliver.
     */
    MORE_PART_H, MORE_SEAM_H, HIDE_SEAM_H_MM, RIM_CUT_H_MM, SLIVER_PART_H,
    /** Spared where two halves are alike: they are planned, sanded and masked the same way. */
    TWINS_SPARE_H,
    /** A stump made level to go on from; a thick coat of filler with its cure and shaping, its depth, and the most that is filled so. */
    LEVEL_STUMP_H, THICK_FILL_H, THICK_FILL_MM, MOST_FILLED_MM,
    /** Getting a section off the bed once it is cool; the time it takes to cool. */
    TAKE_OFF_H, COOLS_H,
    /** A small print that proves a printer after a repair, watched. */
    PROOF_PRINT_H,
    /** Looking for what went wrong with a print: nozzle, belts, bed, filament. */
    FIND_CAUSE_H,
    /** Support snapped off, stubs cut, scars sanded where seen; a brim: taking the blade up, and along it; baths of resin set up. */
    SNAP_SUPPORT_MM2_H, TRIM_STUBS_MM2_H, SAND_SCARS_MM2_H, TRIM_BRIM_H, TRIM_BRIM_MM_H, WASH_RESIN_H,
    /** Washing resin off a square decimetre; drying before it is cured; light for each mm of thickness, each side. */
    WASH_RESIN_MIN_DM2, RESIN_DRIES_H, CURE_RESIN_MIN_MM,
    /** Kept back on a spool: its end does not run through, and estimates are off by some per cent. */
    SPOOL_TIMES,
    /** A dry fit, and what each seam adds; a seam made strong from inside. */
    DRY_FIT_H, DRY_FIT_SEAM_H, REINFORCE_SEAM_H, TRY_ON_H,
    /** Laying out, wiping, putting down at each seam; how fast glue is spread along it. */
    GLUE_SEAM_MIN, WET_SEAM_MM_MIN,
    /** Aligning a seam, and each pin beside it; scuffing both faces along it; what a glue that is not on the shelf costs. */
    ALIGN_SEAM_MIN, ALIGN_PIN_MIN, SCUFF_MM_MIN, FETCH_GLUE_MIN,
    /** Left in the cup of each batch, and for each gram of it; strips of tape across a seam lie so far apart. */
    CUP_WASTE_G, CUP_WASTE_TIMES, TAPE_APART_MM,
    /** Cleaning up a break; a dowel drilled and set, a staple melted in, a strip of sheet glued over. */
    CLEAN_BREAK_H, SET_DOWEL_H, SET_STAPLE_H, SET_STRIP_H,
    /** What a melted-in staple bears across a seam in N, and what sheet bears pulled, MPa. */
    STAPLE_N, STRIP_MPA,
    /** One stands by no longer while glue sets, for braces do; strength is waited for no longer before the inside is worked on. */
    HOLD_BY_HAND_MIN, CURE_BEFORE_INSIDE_H,
    /** Film of glue between prints that are not flat; what is squeezed out or left in the cup. */
    GLUE_FILM_MM, GLUE_TIMES,
    /** Getting out and putting away for a round of spraying, or of work by hand; the same for each coat of colour. */
    SPRAY_SETUP_H, HAND_SETUP_H, COAT_SETUP_H,
    /** Width and depth of the filled and feathered band along a seam; what is left in the cup and on the spreader. */
    SEAM_BAND_MM, SEAM_FILL_MM, MIX_TIMES, SPREAD_FILLER_MIN_DM2, SPREAD_PASTE_MIN_DM2, BRUSH_RESIN_MIN_DM2, BRUSH_EPOXY_MIN_DM2,
    SPRAY_MIN_DM2, BRUSH_PAINT_MIN_DM2, SAND_CURVED_MIN_DM2, MASK_MIN_DM2,
    /** Gap and step that sections printed and joined leave between them. */
    SEAM_GAP_UM,
    /** Scars of support once trimmed; what a knife leaves over the peaks; marks of a print's skin before it is sanded, um. */
    SCAR_UM, SKIM_UM, SKIN_MARKS_UM,
    /** Share of a sprayed film sanded off: the guide coat is gone but in the lows; a machine against a hand with a block. */
    GUIDE_OFF, MACHINE_TIMES,
    /** Mending one flaw that was marked: putty or primer, a paper, a wipe. */
    MEND_FLAW_MIN,
    /** Looking a surface over under a light; turning the work under a lamp. */
    LOOK_MIN_DM2, LAMP_TURN_MIN,
    /** How a pot life shortens with the mass in the cup: it goes with the mass to the power of minus this. */
    CUP_HEAT,
    /** What a sheet takes off film, and off print, before it is dull. */
    SHEET_SOFT_CM3, SHEET_HARD_CM3,
    /** Area a brush lasts for; pairs of gloves a session; hours a filter lasts. */
    FILLS_DM2_BRUSH, GLOVES_SESSION, FILTER_H,
    /** Tape laid and taken off along gentle and tight borders; leaks touched up. */
    TAPE_GENTLE_MIN_M, TAPE_TIGHT_MIN_M, TOUCH_UP_MIN_M,
    /** A groove painted once with a liner brush, with a marker; how long a hand stays steady, and rests; such work on one day. */
    LINE_BRUSH_MIN_M, LINE_MARKER_MIN_M, LINE_SESSION_MIN, LINE_BREAK_MIN, LINES_DAY_H,
    /** Between coats one stands by at most so long; a longer wait is another session. */
    STAND_BY_H,
    /** A set of pads, and each pad. */
    PADS_H, PAD_H,
    /** A visor cut and fitted, and till its glue holds; each further panel; a printed lens; straps and rim foam; the walk test. */
    VISOR_H, VISOR_SETS_H, PANEL_H, LENS_H, STRAPS_H, WALK_TEST_H,
    /** A former set up, and each lens formed and trimmed; lights laid out, and each; a bought part fitted. */
    FORM_H, FORM_LENS_H, LIGHTS_H, LIGHT_H, PART_H,
    /**
     * Days forecast as fit for spraying that turn out not to be, as a share, more by so much with each day ahead; of days beyond the
     * forecast, those that are lost.
     */
    SPRAY_DAY_LOST_A_DAY, SPRAY_DAY_LOST,
    /** Bought over what is computed: spills, leftovers and second tries. */
    STOCK_TIMES
}
