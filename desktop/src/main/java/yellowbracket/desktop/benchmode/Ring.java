package yellowbracket.desktop.benchmode;

import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;

/** Two short tones, so that one looks up from the work. Silent where there is nothing to sound with: the ring is seen as well. */
final class Ring {
    private static final float RATE = 22_050;
    private static final double SECONDS = 0.25, HERTZ = 880, LOUD = 0.4;

    private Ring() {}

    static void sound() {
        Thread.ofPlatform().daemon().name("ring").start(Ring::play);
    }

    private static void play() {
        var format = new AudioFormat(RATE, 8, 1, true, false);
        try (var line = AudioSystem.getSourceDataLine(format)) {
            line.open(format);
            line.start();
            var tone = tone();
            for (int i = 0; i < 2; i++) {
                line.write(tone, 0, tone.length);
                line.write(new byte[tone.length / 2], 0, tone.length / 2);
            }
            line.drain();
        } catch (LineUnavailableException | IllegalArgumentException e) {
            // no loudspeaker here
        }
    }

    /** Fades in and out, so that it does not click. */
    private static byte[] tone() {
        var out = new byte[(int) (RATE * SECONDS)];
        for (int i = 0; i < out.length; i++) {
            double fade = Math.min(1, Math.min(i, out.length - i) / (0.02 * RATE));
            out[i] = (byte) Math.round(127 * LOUD * fade * Math.sin(2 * Math.PI * HERTZ * i / RATE));
        }
        return out;
    }
}
