package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

/** Finds and ranks what a note can take. */
public final class Candidates {

    private final Situation situation;
    private final Tempo tempo;
    private final Speeds speeds;
    private final List<Set<Feature>> features;

    public Candidates(Situation situation, Tempo tempo, Speeds speeds) {
        this(situation, tempo, speeds, Phrases.of(situation.tune()));
    }

    /** As above, the phrases read already. */
    public Candidates(Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases) {
        this.situation = situation;
        this.tempo = tempo;
        this.speeds = speeds;
        this.features = Feature.of(situation.tune(), phrases);
    }

    /** Why each note is a place for ornaments. */
    List<Set<Feature>> features() {
        return features;
    }

    boolean isAt(int note, String place) {
        for (Feature feature : features.get(note)) {
            if (feature.word().equals(place)) {
                return true;
            }
        }
        return false;
    }

    /** What taste weighs for and against a stack on a note, its neighbours left aside. */
    public List<Grown.Weighed> weighed(int note, List<Ornament> ornaments, boolean tight, Taste taste) {
        List<Grown.Weighed> terms = new ArrayList<>();
        for (Ornament ornament : ornaments) {
            for (Ornament.Suit suit : ornament.suits()) {
                if (isAt(note, suit.place())) {
                    terms.add(new Grown.Weighed(suit.gain(), suit.because()));
                }
            }
        }
        if (tight) {
            terms.add(new Grown.Weighed(-taste.tight(), "it is tight at this tempo"));
        }
        if (ornaments.size() > 1) {
            terms.add(new Grown.Weighed(-(ornaments.size() - 1) * taste.stacked(), "more than one stands on the note"));
        }
        if (isAt(note, Feature.PHRASE_END.word()) && !ornaments.stream().allMatch(Ornament::isBreath)) {
            terms.add(new Grown.Weighed(-taste.busyEnd(), "a phrase ends here"));
        }
        return terms;
    }

    /** Why a note is a place for ornaments. */
    public Set<Feature> features(int note) {
        return Set.copyOf(features.get(note));
    }

    /**
     * Every ornament of the instrument for one note, the best first: clean before tight before blocked, then by taste.
     * The verdict is on the ornament together with what the setting has on the note in other slots.
     */
    public List<Candidate> ranked(int note, Setting setting) {
        List<Candidate> all = new ArrayList<>();
        for (Ornament ornament : situation.vocabulary().all()) {
            all.add(candidate(note, ornament, setting));
        }
        all.sort(Comparator.comparingInt((Candidate c) -> order(c.verdict()))
                .thenComparingInt(c -> -c.gain()));
        return all;
    }

    /** One ornament for a note, beside what the setting has on it. */
    public Candidate candidate(int note, Ornament ornament, Setting setting) {
        return candidate(note, ornament, verdict(note, ornament, setting));
    }

    private Verdict verdict(int note, Ornament ornament, Setting setting) {
        List<Ornament> stack = new ArrayList<>();
        stack.add(ornament);
        for (Ornament other : setting.ornaments(note, situation.vocabulary())) {
            if (!other.id().equals(ornament.id()) && !other.givesWayTo(ornament)) {
                stack.add(other);
            }
        }
        return Playability.of(situation, note, stack, n -> setting.ornaments(n, situation.vocabulary()), tempo, speeds);
    }

    /** The gesture of one ornament together with what stands beside it on a note; empty where the hands cannot do it. */
    public Optional<Gesture> gesture(int note, Ornament ornament, Setting setting) {
        List<Ornament> stack = new ArrayList<>();
        for (Ornament other : setting.ornaments(note, situation.vocabulary())) {
            if (!other.id().equals(ornament.id()) && !other.givesWayTo(ornament)) {
                stack.add(other);
            }
        }
        stack.add(ornament);
        return Gestures.make(situation, note, stack) instanceof Making.Made made
                ? Optional.of(made.gesture()) : Optional.empty();
    }

    /** One ornament alone on a note. */
    public Candidate alone(int note, Ornament ornament) {
        return candidate(note, ornament, Playability.of(situation, note, List.of(ornament), tempo, speeds));
    }

    /** How much taste speaks for an ornament on a note; 0 when it does not. */
    int gain(int note, Ornament ornament) {
        int gain = 0;
        for (Ornament.Suit suit : ornament.suits()) {
            for (Feature feature : features.get(note)) {
                gain += feature.word().equals(suit.place()) ? suit.gain() : 0;
            }
        }
        return gain;
    }

    private Candidate candidate(int note, Ornament ornament, Verdict verdict) {
        int gain = 0;
        int strongest = 0;
        String because = "";
        for (Ornament.Suit suit : ornament.suits()) {
            if (features.get(note).stream().anyMatch(f -> f.word().equals(suit.place()))) {
                gain += suit.gain();
                if (suit.gain() > strongest) {
                    strongest = suit.gain();
                    because = suit.because();
                }
            }
        }
        return new Candidate(note, ornament, verdict, gain, because);
    }

    private static int order(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Clean c -> 0;
            case Verdict.Tight t -> 1;
            case Verdict.TooFast f -> 2;
            case Verdict.Impossible i -> 3;
        };
    }
}
