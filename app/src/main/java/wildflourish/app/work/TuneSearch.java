package wildflourish.app.work;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.search.NoteQuery;
import wildflourish.core.search.Profile;
import wildflourish.core.tune.Pitch;
import wildflourish.library.TuneEntry;

/** Finds tunes by words or by a few notes. */
public final class TuneSearch {

    /** So many near ones are worth looking at. */
    private static final int MOST_BY_NOTES = 50;

    /** From a note to a note: {@code d4-b5}. */
    private static final Pattern RANGE = Pattern.compile("([a-g][#b]?\\d)-([a-g][#b]?\\d)");

    private TuneSearch() {}

    /**
     * An answer.
     *
     * @param byNotes whether the tune has the notes, and not the words
     * @param cost how far its notes are from those that were asked for, in hundredths; 0 for words
     */
    public record Answer(TuneEntry tune, boolean byNotes, int cost) {}

    /** Those that have the words, in the order given, then those that have the notes, the nearest first. */
    public static List<Answer> of(String asked, List<TuneEntry> tunes, Map<Long, TuneIndex.Found> index) {
        List<Answer> answers = new ArrayList<>();
        Set<Long> there = new HashSet<>();
        Optional<NoteQuery> notes = NoteQuery.parse(asked);
        for (TuneEntry tune : tunes) {
            if (matches(tune, notes.isPresent(), Optional.ofNullable(index.get(tune.id())), asked)) {
                answers.add(new Answer(tune, false, 0));
                there.add(tune.id());
            }
        }
        if (notes.isPresent()) {
            NoteQuery.Search search = notes.get().search();
            List<Answer> near = new ArrayList<>();
            for (TuneEntry tune : tunes) {
                Optional<TuneIndex.Found> known = there.contains(tune.id()) ? Optional.empty() : Optional.ofNullable(index.get(tune.id()));
                OptionalInt cost = known.flatMap(TuneIndex.Found::profile).map(search::cost).orElse(OptionalInt.empty());
                cost.ifPresent(c -> near.add(new Answer(tune, true, c)));
            }
            near.sort(Comparator.comparingInt(Answer::cost));
            answers.addAll(near.subList(0, Math.min(MOST_BY_NOTES, near.size())));
        }
        return answers;
    }

    private static boolean isWithin(Profile profile, String low, String high) {
        return profile.size() > 0 && profile.lowest() >= midi(low) && profile.highest() <= midi(high);
    }

    private static int midi(String note) {
        return Pitch.parse(note.substring(0, 1).toUpperCase(Locale.ROOT) + note.substring(1)).midi();
    }

    /** Whether every word searched for occurs in what is known of a tune, whatever the case; letters of notes do so only as they stand. */
    private static boolean matches(TuneEntry tune, boolean notes, Optional<TuneIndex.Found> found, String words) {
        String tags = String.join(" ", found.map(TuneIndex.Found::tags).orElse(List.of()));
        String known = String.join(" ", tune.title(), tune.type(), tune.key(), tune.meter(), tags).toLowerCase(Locale.ROOT);
        String asked = words.toLowerCase(Locale.ROOT).strip();
        for (String word : notes ? new String[] {asked} : asked.split("\\s+")) {
            Matcher range = RANGE.matcher(word);
            boolean has = range.matches() ? found.flatMap(TuneIndex.Found::profile).filter(p -> isWithin(p, range.group(1), range.group(2))).isPresent() : known.contains(word);
            if (!has) {
                return false;
            }
        }
        return true;
    }
}
