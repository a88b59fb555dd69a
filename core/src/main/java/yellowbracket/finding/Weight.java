package yellowbracket.finding;

/** How grave a finding is, gravest first. */
public enum Weight { STOP, CARE, NOTE }
