package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.finding.Sentence;
import wildflourish.core.fit.Recording;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.practice.Spoken;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/**
 * What there is to say of a whole recording of a version.
 *
 * @param key what it sounds in, and how to meet it from the tune's own key
 * @param tempo at which it was played
 * @param tuningCents how far the instrument is from A = 440 Hz
 * @param heard of how many {@code notes} something was heard
 * @param order of the parts, where they were not played once as they are written
 * @param spoken how many of the ornaments came
 * @param silent how often each ornament did not come, by its name
 * @param variation of the gaps between notes, as a share
 */
public record Account(Recording key, Tempo tempo, double tuningCents, int heard, int notes, Optional<HeardVersion.Order> order, Spoken spoken, Map<String, Integer> silent, double variation) {

    /** So many ornaments that did not come are named. */
    private static final int NAMED = 3;
    /** An instrument so near to A = 440 Hz is in tune with it, in cents. */
    private static final int NEAR = 3;

    /** Counts what was heard of a version. */
    public static Account of(Version version, HeardVersion played) {
        Vocabulary names = version.hands().vocabulary();
        int heard = (int) played.notes().stream().filter(n -> n.onsetMs().isPresent()).count();
        Map<String, Integer> silent = new TreeMap<>();
        played.notes().forEach(n -> n.silent().forEach(id -> silent.merge(names.byId(id).map(Ornament::name).orElse(id), 1, Integer::sum)));
        return new Account(Recording.of(version.arrangement().tune().head().key(), played.semitones(), version.arrangement().instrument()),
                version.arrangement().tempo().percent((int) Math.round(100 * played.tempo())), played.tuningCents(), heard, played.notes().size(), played.order(), played.spoken(), silent,
                played.evenness().variation());
    }

    /** The account in full sentences, what it was played in first. */
    public List<String> inWords() {
        List<String> all = new ArrayList<>();
        long cents = Math.round(tuningCents);
        all.add("It is in %s at %s, %s.".formatted(key.key().spoken(), tempo.spoken(), Math.abs(cents) < NEAR ? "in tune with A = 440" : "%d cents %s of A = 440".formatted(Math.abs(cents), cents > 0 ? "sharp" : "flat")));
        if (key.shift() != 0) {
            all.add(Sentence.full(key.inWords()));
        }
        order.ifPresent(o -> all.add("It was played %s; written is %s.".formatted(o.played(), o.written())));
        all.add("%d of %d notes were heard%s.".formatted(heard, notes, heard == 0 ? "" : "; the gaps between them vary by %d %%".formatted(Math.round(100 * variation))));
        if (spoken.meant() > 0) {
            all.add(spoken.inWords() + ".");
        }
        List<String> most = silent.entrySet().stream().sorted(Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder())).limit(NAMED)
                .map(e -> "%s (%s)".formatted(e.getKey(), e.getValue() == 1 ? "once" : e.getValue() == 2 ? "twice" : e.getValue() + " times")).toList();
        if (!most.isEmpty()) {
            all.add("Most often missing: %s.".formatted(Sentence.listed(most)));
        }
        return all;
    }
}
