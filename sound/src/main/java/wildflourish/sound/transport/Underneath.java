package wildflourish.sound.transport;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.sound.cue.Cue;
import wildflourish.sound.cue.CueSheet;

/** What lies softly under a tune: a drone on its key note and the fifth, or the chords that stand above its notes. */
final class Underneath {

    private static final CueSheet NOTHING = new CueSheet(List.of());
    /** Chords and drones lie around the octave below middle C. */
    private static final int LOWEST = 46;

    private Underneath() {}

    /** The cues under a leg, times counted from its beginning. */
    static CueSheet of(Leg leg, Backing.Under under) {
        return switch (under) {
            case NOTHING -> NOTHING;
            case DRONE -> drone(leg);
            case CHORDS -> chords(leg);
        };
    }

    private static CueSheet drone(Leg leg) {
        Key key = leg.piece().situation().tune().tune().head().key();
        int above = leg.piece().situation().instrument().soundsAbove();
        int tonic = raised(new Pitch(key.tonic(), key.tonicAlter(), 2).midi() + above);
        return new CueSheet(List.of(start(0, 0, tonic), start(0, 1, tonic + 7), start(0, 2, tonic + 12)));
    }

    private static int raised(int midi) {
        return LOWEST + Math.floorMod(midi - LOWEST, 12);
    }

    private static Cue start(double ms, int lane, int midi) {
        return new Cue(ms, Cue.Kind.ATTACK, lane, midi, 0, lane == 0 ? 1 : 0.8);
    }

    private static CueSheet chords(Leg leg) {
        PlayedOut played = leg.piece().played();
        double from = played.msAt(leg.span().from());
        double to = played.msAt(leg.span().to());
        int above = leg.piece().situation().instrument().soundsAbove();
        List<Cue> cues = new ArrayList<>();
        int lanes = 0;
        for (PlayedOut.Heard bar : played.bars()) {
            Ratio at = bar.start();
            for (Element element : leg.piece().situation().tune().tune().bars().get(bar.bar()).elements()) {
                Optional<Chord> chord = element instanceof Note note ? note.marks().chord().flatMap(Chord::parse) : Optional.empty();
                double ms = played.msAt(at) - from;
                // The chord in force when the stretch begins was written before it.
                if (chord.isPresent() && ms < to - from) {
                    double now = Math.max(0, ms);
                    cues.removeIf(c -> c.atMs() >= now);
                    cues.add(new Cue(Math.max(0, now - 1), Cue.Kind.STOP, Cue.ALL, 0, 0, 0));
                    List<Integer> tones = chord.get().tones();
                    // Two sets of lanes in turn, so that a chord dies away as the next begins.
                    lanes = 4 - lanes;
                    for (int tone = 0; tone < tones.size(); tone++) {
                        cues.add(start(now, lanes + tone, raised(tones.get(tone) + above) + (tone == 0 ? -12 : 0)));
                    }
                }
                at = at.plus(element.length());
            }
        }
        return new CueSheet(cues);
    }

    /** Whether a tune has chords that can be played. */
    static boolean hasChords(Tune tune) {
        return tune.bars().stream().flatMap(b -> b.elements().stream())
                .anyMatch(e -> e instanceof Note note && note.marks().chord().flatMap(Chord::parse).isPresent());
    }
}
