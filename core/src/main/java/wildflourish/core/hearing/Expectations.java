package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Sound;
import wildflourish.core.setting.Version;

/** What could have been done on each note of a version, and how each would sound. */
final class Expectations {

    /** The name of a note on which nothing is done. */
    static final String NOTHING = "none";

    /** An ornament begins so long before its note at most, in milliseconds. */
    static final double LEADS_IN = 400;

    /** What happens in this share of a note is at its beginning, and what goes on to that at its end. */
    private static final double BEGINS = 0.1;
    private static final double ENDS = 0.85;

    /**
     * One of the things that could be done on a note.
     *
     * @param ornament its id; of several at once joined by {@code +}
     */
    record Candidate(String ornament, List<Happening> happens) {}

    private final Version version;
    private final double hopMs;
    /** What is expected of each written note, the meant one first. */
    private final Map<Integer, List<Candidate>> byNote = new HashMap<>();

    Expectations(Version version, double hopMs) {
        this.version = version;
        this.hopMs = hopMs;
        Map<Integer, List<Ornament>> placed = version.played().placed();
        Performance meant = perform(placed);
        add(meant, note -> placed.getOrDefault(note, List.of()).isEmpty() ? NOTHING
                : String.join("+", placed.getOrDefault(note, List.of()).stream().map(Ornament::id).toList()));
        add(perform(Map.of()), note -> NOTHING);
        Situation hands = version.hands();
        for (Ornament ornament : hands.vocabulary().all()) {
            // Every other note, so that no two get in one another's way.
            for (int half = 0; half < 2; half++) {
                Map<Integer, List<Ornament>> each = new TreeMap<>();
                for (int note = half; note < hands.tune().size(); note += 2) {
                    if (Playability.fit(hands, note, List.of(ornament), version.arrangement().tempo(), version.arrangement().speeds()) != Playability.Fit.BLOCKED) {
                        each.put(note, List.of(ornament));
                    }
                }
                if (!each.isEmpty()) {
                    add(perform(each), note -> each.containsKey(note) ? ornament.id() : "");
                }
            }
        }
    }

    private Performance perform(Map<Integer, List<Ornament>> placed) {
        return perform(version, placed);
    }

    static Performance perform(Version version, Map<Integer, List<Ornament>> placed) {
        return Realiser.perform(version.hands(), placed, version.arrangement().tempo(), version.arrangement().speeds());
    }

    /** The notes, each at its beat: an ornament may come in on it, and the note itself after. */
    List<Wanted> wanted() {
        return Wanted.of(perform(Map.of()));
    }

    private void add(Performance performance, java.util.function.IntFunction<String> name) {
        Heard ideal = Ideal.of(performance, hopMs);
        List<Wanted> notes = Wanted.of(performance);
        for (int i = 0; i < notes.size(); i++) {
            Wanted wanted = notes.get(i);
            String ornament = name.apply(wanted.note());
            if (!ornament.isEmpty() && wanted.pass() == 1) {
                int to = ideal.frame(i + 1 < notes.size() ? first(performance, notes.get(i + 1)) : wanted.atMs() + wanted.forMs());
                byNote.computeIfAbsent(wanted.note(), n -> new ArrayList<>())
                        .add(new Candidate(ornament, Happening.within(ideal, ideal.frame(first(performance, wanted)), to, wanted.midi())));
            }
        }
    }

    /** When the first of a note's sounds comes: what leads in comes before the note itself. */
    private static double first(Performance performance, Wanted wanted) {
        return performance.sounds().stream().filter(s -> s.note() == wanted.note() && s.atMs() <= wanted.atMs() + 1 && s.atMs() > wanted.atMs() - LEADS_IN)
                .mapToDouble(Sound::atMs).min().orElse(wanted.atMs());
    }

    /** What could be done on a note, what is meant first. */
    List<Candidate> of(int note) {
        return byNote.getOrDefault(note, List.of(new Candidate(NOTHING, List.of())));
    }

    /** What was meant at either end of each of some notes. */
    Onsets.Edges edges(List<Wanted> notes) {
        return new Onsets.Edges() {
            @Override
            public boolean begins(int note) {
                return meant(note).stream().anyMatch(h -> h.kind() != Happening.Kind.ATTACK && h.at() < BEGINS);
            }

            @Override
            public boolean ends(int note) {
                return meant(note).stream().anyMatch(h -> h.kind() != Happening.Kind.ATTACK && h.at() + h.forMs() / Math.max(1, notes.get(note).forMs()) > ENDS);
            }

            private List<Happening> meant(int note) {
                return of(notes.get(note).note()).getFirst().happens();
            }
        };
    }
}
