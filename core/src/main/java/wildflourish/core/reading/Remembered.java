package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;

/**
 * The phrases of other tunes that a student may know already: endings travel from tune to tune. Phrases are known again by
 * their steps from the tonic and their rhythm, whatever the key.
 */
public final class Remembered {

    public static final Remembered NOTHING = new Remembered(List.of());

    private record Source(String title, String phrase) {}

    private final Map<List<Object>, List<Source>> places = new HashMap<>();

    /** Takes in the readings of a library's tunes. */
    public Remembered(List<Reading> readings) {
        for (Reading reading : readings) {
            for (Phrase phrase : reading.phrases()) {
                List<Object> content = content(reading, phrase);
                if (!content.isEmpty()) {
                    places.computeIfAbsent(content, c -> new ArrayList<>())
                            .add(new Source(reading.timeline().tune().title(), phrase.name()));
                }
            }
        }
    }

    /** Where else a phrase is played: {@code A2 of Hens on the Slip}; its own tune is left out. */
    public Optional<String> where(Reading reading, Phrase phrase) {
        return places.getOrDefault(content(reading, phrase), List.of()).stream()
                .filter(p -> !p.title().equals(reading.timeline().tune().title()))
                .findFirst().map(p -> p.phrase() + " of " + p.title());
    }

    /** A phrase of one bar or only one note is nothing to be known again. */
    private static List<Object> content(Reading reading, Phrase phrase) {
        Timeline timeline = reading.timeline();
        if (phrase.again() || reading.tonality().key().isEmpty()) {
            return List.of();
        }
        Pitch tonic = reading.tonality().key().get().tonicPitch();
        List<Object> content = new ArrayList<>();
        List<Tone> tones = Tone.of(timeline, phrase.bodyNote(), phrase.toNote());
        for (Tone tone : tones) {
            content.add(Math.floorMod(tone.pitch().midi() - tonic.midi(), 12));
            content.add(tone.at());
        }
        return tones.size() < 4 ? List.of() : content;
    }
}
