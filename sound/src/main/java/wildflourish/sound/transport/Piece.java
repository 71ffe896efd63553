package wildflourish.sound.transport;

import java.util.Map;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.sound.cue.CueSheet;
import wildflourish.sound.cue.Cueing;
import wildflourish.sound.voice.VoiceData;

/**
 * Something that can be played from beginning to end: a decorated tune on an instrument at a tempo.
 *
 * @param arrangement that it was made from, with the rung's variations in its tune; its tempo is the one played
 * @param played the tune played out in time
 */
public record Piece(
        Arrangement.Played arrangement, Situation situation, Performance performance, PlayedOut played, Lilt lilt, CueSheet cues,
        VoiceData voice) {

    /** One rung of an arrangement at a tempo; takes some milliseconds. */
    public static Piece of(Arrangement given, int rung, Tempo tempo, Lilt lilt) {
        Arrangement.Played played = given.with(tempo).played(rung);
        Situation bare = played.arrangement().situation();
        Map<Integer, java.util.List<Ornament>> placed = played.arrangement().ladder().setting(played.rung()).ornaments(bare.vocabulary());
        return of(played, bare.playing(placed), placed, played.arrangement().speeds(), lilt);
    }

    private static Piece of(Arrangement.Played played, Situation situation, Map<Integer, java.util.List<Ornament>> placed, Speeds speeds, Lilt lilt) {
        Tempo tempo = played.arrangement().tempo();
        Performance performance = Realiser.perform(situation, placed, tempo, speeds);
        PlayedOut out = PlayedOut.of(situation.tune(), tempo);
        return new Piece(played, situation, performance, out, lilt, Cueing.of(situation, performance, lilt.over(out)),
                VoiceData.of(situation.instrument()));
    }

    /** MIDI number of the lowest sounding note of its instrument, which drones are tuned to; D4 on no instrument. */
    public int lowest() {
        return situation.instrument().lowest().map(p -> p.midi() + situation.instrument().soundsAbove()).orElse(62);
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
