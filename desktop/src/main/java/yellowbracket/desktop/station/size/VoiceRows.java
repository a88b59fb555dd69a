package yellowbracket.desktop.station.size;

import java.util.Optional;
import yellowbracket.desktop.model.Words;
import yellowbracket.desktop.widget.Card;
import yellowbracket.size.Glasses;
import yellowbracket.size.Speech;

/** Rows that helms and masks share: whether one can speak in it, and whether glasses have room. */
final class VoiceRows {
    private VoiceRows() {}

    static void write(Card card, Words words, Speech s, Optional<Glasses> glasses) {
        card.row("jaw", s.opensMm() >= Speech.MOST_MM ? "free" : words.length(s.opensMm()),
                "the mouth opens before the chin meets the shell; " + words.length(Speech.WANTED_MM) + " for clear speech",
                s.opensMm() < Speech.WANTED_MM ? "care" : "good");
        card.row("voice", words.inches() ? Words.text("%.1f in\u00b2", s.openCm2() / 6.4516) : Words.text("%.1f cm\u00b2", s.openCm2()),
                Words.text("open before the mouth; %.0f cm\u00b2 wanted", Speech.WANTED_CM2),
                s.openCm2() < Speech.WANTED_CM2 ? "care" : "good");
        glasses.ifPresent(g -> card.row("glasses", g.leastMm() < 0 ? "no room" : words.length(g.leastMm()),
                g.leastMm() < 0 ? (g.lensMm() <= g.armsMm() ? "lenses" : "arms") + " stand " + words.length(-g.leastMm()) + " into the wall"
                        : "before the lenses " + words.length(Math.max(0, g.lensMm())) + ", beside the arms "
                                + words.length(Math.max(0, g.armsMm())) + "; frame assumed a little wider than the face",
                g.leastMm() < 0 ? "stop" : g.leastMm() < Glasses.WANTED_MM ? "care" : "good"));
    }
}
