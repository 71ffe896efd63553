package wildflourish.core.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.setting.Rounds;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;

/** The notes around the rounds: a count-in, potatoes or a shuffle before them, a closing formula after them. */
final class Frame {

    private final Key key;
    private final Meter meter;
    private final Instrument instrument;

    Frame(Key key, Meter meter, Instrument instrument) {
        this.key = key;
        this.meter = meter;
        this.instrument = instrument;
    }

    /**
     * What goes before.
     *
     * @param pickup time that the tune's own pickup takes of the last bar
     * @return whole bars, the last one shorter by the pickup
     */
    List<List<Element>> intro(Rounds.Intro intro, Ratio pickup) {
        return switch (intro) {
            case NONE -> List.of();
            case COUNT_IN -> List.of(shortened(List.of(Rest.of(meter.barLength())), pickup));
            case POTATOES -> potatoes(pitches(false), pickup);
            case SHUFFLE -> potatoes(pitches(true), pickup);
        };
    }

    /** Four times long short short on a beat or half-bar each; in compound time long short, twice a bar. */
    private List<List<Element>> potatoes(List<Pitch> pitches, Ratio pickup) {
        List<List<Element>> bars = new ArrayList<>();
        int potatoes = 4;
        Ratio bar = meter.barLength();
        int inBar = meter.isCompound() ? meter.beats().size() : meter.count() == 3 ? 1 : 2;
        Ratio one = bar.dividedBy(Ratio.of(inBar, 1));
        List<Element> elements = new ArrayList<>();
        for (int i = 0; i < potatoes; i++) {
            elements.addAll(potato(pitches, one));
            if ((i + 1) % inBar == 0 || i + 1 == potatoes) {
                bars.add(elements);
                elements = new ArrayList<>();
            }
        }
        List<Element> last = bars.removeLast();
        Ratio full = sum(last);
        // A bar that four potatoes do not fill is rounded up with silence before them.
        if (full.isLess(bar)) {
            List<Element> filled = new ArrayList<>(List.of(Rest.of(bar.minus(full))));
            filled.addAll(last);
            last = filled;
        }
        bars.add(shortened(last, pickup));
        return bars;
    }

    private List<Element> potato(List<Pitch> pitches, Ratio length) {
        if (meter.isCompound()) {
            Ratio third = length.dividedBy(Ratio.of(3, 1));
            return List.of(note(pitches, third.times(2)), note(pitches, third));
        }
        if (meter.count() == 3) {
            Ratio third = length.dividedBy(Ratio.of(3, 1));
            return List.of(note(pitches, third), note(pitches, third), note(pitches, third));
        }
        Ratio quarter = length.dividedBy(Ratio.of(4, 1));
        return List.of(note(pitches, quarter.times(2)), note(pitches, quarter), note(pitches, quarter));
    }

    private static Note note(List<Pitch> pitches, Ratio length) {
        return Note.of(pitches.getFirst(), length).withPitches(pitches);
    }

    private static Ratio sum(List<Element> elements) {
        Ratio sum = Ratio.ZERO;
        for (Element element : elements) {
            sum = sum.plus(element.length());
        }
        return sum;
    }

    /** Without its last stretch, for which the pickup stands. */
    private static List<Element> shortened(List<Element> bar, Ratio pickup) {
        List<Element> kept = new ArrayList<>();
        Ratio room = sum(bar).minus(pickup);
        for (Element element : bar) {
            if (!room.isPositive()) {
                break;
            }
            Ratio length = element.length().min(room);
            kept.add(element instanceof Note n ? n.withLength(length) : Rest.of(length));
            room = room.minus(length);
        }
        return kept;
    }

    /** The tonic; with {@code two}, on strings, two open strings side by side that hold tonic or fifth. */
    private List<Pitch> pitches(boolean two) {
        Pitch tonic = inReach(key.open() ? Pitch.parse("G4") : key.tonicPitch());
        if (two && instrument.layout() instanceof Neck neck) {
            int best = -1;
            int found = 0;
            for (int s = 0; s + 1 < neck.strings().size(); s++) {
                int fit = fits(neck.strings().get(s).open()) + fits(neck.strings().get(s + 1).open());
                if (fit > found && !neck.strings().get(s).isShort()) {
                    found = fit;
                    best = s;
                }
            }
            if (best >= 0) {
                return List.of(neck.strings().get(best + 1).open(), neck.strings().get(best).open());
            }
        }
        return List.of(tonic);
    }

    private int fits(Pitch open) {
        int above = Math.floorMod(open.midi() - key.tonicPitch().midi(), 12);
        return above == 0 ? 3 : above == 7 ? 2 : 0;
    }

    private Pitch inReach(Pitch pitch) {
        if (!instrument.hasHands() || instrument.has(pitch)) {
            return pitch;
        }
        Optional<Pitch> other = List.of(pitch.octavesUp(1), pitch.octavesUp(-1)).stream().filter(instrument::has).findFirst();
        return other.or(instrument::lowest).orElse(pitch);
    }

    /** Up the chord and home: one bar, the tonic held at its end. */
    List<List<Element>> tag(Rounds.Tag tag) {
        if (tag == Rounds.Tag.NONE) {
            return List.of();
        }
        Pitch tonic = inReach(key.open() ? Pitch.parse("G4") : key.tonicPitch());
        List<Pitch> up = List.of(tonic, key.step(tonic, 2), key.step(tonic, 4), key.step(tonic, 2));
        if (instrument.hasHands() && !up.stream().allMatch(instrument::has)) {
            return List.of(List.of(Note.of(tonic, meter.barLength())));
        }
        Ratio quaver = Ratio.of(1, 8);
        List<Element> bar = new ArrayList<>();
        Ratio room = meter.barLength();
        for (Pitch pitch : up) {
            if (quaver.times(2).isLess(room)) {
                bar.add(Note.of(pitch, quaver));
                room = room.minus(quaver);
            }
        }
        bar.add(Note.of(tonic, room));
        return List.of(bar);
    }
}
