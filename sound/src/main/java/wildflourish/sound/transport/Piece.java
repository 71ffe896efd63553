package wildflourish.sound.transport;

import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.sound.cue.CueSheet;
import wildflourish.sound.cue.Cueing;
import wildflourish.sound.voice.VoiceData;

/**
 * Something that can be played from beginning to end: a decorated tune on an instrument at a tempo.
 *
 * @param version that sounds; its tempo is the one played
 * @param played the tune played out in time
 */
public record Piece(
        Version version, Performance performance, PlayedOut played, Lilt lilt, CueSheet cues, VoiceData voice) {

    /** One rung of an arrangement at a tempo; takes some milliseconds. */
    public static Piece of(Arrangement given, int rung, Tempo tempo, Lilt lilt) {
        Version version = given.with(tempo).version(rung);
        Situation situation = version.hands();
        Performance performance = Realiser.perform(situation, version.played().placed(), tempo, given.speeds());
        PlayedOut out = PlayedOut.of(situation.tune(), tempo);
        return new Piece(version, performance, out, lilt, Cueing.of(situation, performance, lilt.over(out)),
                VoiceData.of(situation.instrument()));
    }

    /** The tune that sounds, in the hands that play it. */
    public Situation situation() {
        return version.hands();
    }

    /** MIDI number of the lowest sounding note of its instrument, which drones are tuned to; D4 on no instrument. */
    public int lowest() {
        return situation().instrument().lowest().map(p -> p.midi() + situation().instrument().soundsAbove()).orElse(62);
    }

    /** Whether chords are written above a tune that can be played under it. */
    public static boolean hasChords(Tune tune) {
        return Underneath.hasChords(tune);
    }

    /** The whole of it. */
    public PlayedOut.Span whole() {
        return new PlayedOut.Span(wildflourish.core.tune.Ratio.ZERO, played.length());
    }
}
