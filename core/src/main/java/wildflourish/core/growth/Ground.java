package wildflourish.core.growth;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.planning.Breaths;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Repeats;
import wildflourish.core.setting.AsPlayed;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Versions;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Tempo;

/** What a ladder is grown on: a tune in somebody's hands, what its notes can take, and what is wished. For one thread. */
final class Ground {

    final Situation situation;
    final Tempo tempo;
    final Speeds speeds;
    final Taste taste;
    final List<Phrase> phrases;
    /** For each phrase the first one that has the same notes. */
    final List<Integer> sameAs;
    final Wishes wishes;
    /** The ladder whose locked notes are kept. */
    final Optional<Ladder> present;
    final Candidates candidates;
    final Variations variations;
    final Options options;
    /** The stretches in which other notes stand in already, so that nothing else varies them. */
    final List<Variation> standIns;
    private final Versions versions;
    private final Map<Setting, Judged> judged = new HashMap<>();

    Ground(
            Situation situation, Tempo tempo, Speeds speeds, Taste taste, List<Phrase> phrases, Wishes wishes,
            Optional<Ladder> present, List<Lick> licks, List<Variation> standIns) {
        this.situation = situation;
        this.standIns = List.copyOf(standIns);
        this.tempo = tempo;
        this.speeds = speeds;
        this.taste = taste;
        this.phrases = List.copyOf(phrases);
        this.sameAs = Repeats.of(situation.tune(), phrases);
        this.wishes = wishes;
        this.versions = new Versions(situation);
        this.present = present;
        this.candidates = new Candidates(situation, tempo, speeds, phrases, taste);
        this.variations = new Variations(situation, tempo, speeds, phrases, candidates.features(), licks);
        this.options = new Options(situation, tempo, speeds, taste, candidates, variations, breaths());
    }

    /** Where the bare tune has to be breathed in, and how: those places are kept free before anything is decorated. */
    private Map<Integer, Breaths.Room> breaths() {
        if (!situation.instrument().family().blown()) {
            return Map.of();
        }
        Set<Integer> ends = new HashSet<>();
        phrases.forEach(p -> ends.add(p.lastNote()));
        Map<Integer, Breaths.Room> rooms = new HashMap<>();
        Breaths.of(situation.tune(), tempo, speeds.lungs(), n -> false, n -> Breaths.Busy.NOT, ends::contains)
                .marks().stream().filter(m -> m.room() == Breaths.Room.SHORTEN || m.room() == Breaths.Room.DROP)
                .forEach(m -> rooms.put(m.note(), m.room()));
        return rooms;
    }

    /** Ornaments that are heard as a texture, so that nobody minds their coming again. */
    Set<String> textures() {
        return situation.vocabulary().all().stream().filter(Ornament::texture).map(Ornament::id).collect(java.util.stream.Collectors.toSet());
    }

    /** Whether two treatments of neighbouring notes can follow one another at this tempo. */
    boolean follow(Option first, Option second) {
        if (first.variation().isPresent() || second.variation().isPresent()) {
            return first.variation().isEmpty() ? enters(second)
                    : second.variation().isPresent() || second.gesture().map(g -> g.lead().isEmpty()).orElse(true);
        }
        return first.gesture().isEmpty() || second.gesture().isEmpty()
                || Playability.together(first.gesture().get(), second.gesture().get(), tempo, speeds)
                        == Playability.Fit.CLEAN;
    }

    /** Whether a variation enters on the note that it replaces, so that what stands before it finds what it expects. */
    private boolean enters(Option option) {
        Variation variation = option.variation().orElseThrow();
        return variation.pitches().getFirst().equals(situation.tune().note(variation.from()).pitch());
    }

    /** A setting as it is played, and what has been found about its notes so far. */
    record Judged(AsPlayed played, Map<Integer, Verdict> verdicts) {}

    Judged judged(Setting setting) {
        return judged.computeIfAbsent(setting, s -> new Judged(versions.of(s), new HashMap<>()));
    }

    Verdict verdict(Judged setting, int note) {
        return setting.verdicts.computeIfAbsent(note, n -> setting.played.verdict(n, tempo, speeds).orElseThrow());
    }
}
