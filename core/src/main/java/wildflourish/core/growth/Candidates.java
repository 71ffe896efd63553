package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.memory.Kept;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Slot;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/** Finds and ranks what a note can take. */
public final class Candidates {

    private static final Kept<Asked, Candidates> FOUND = new Kept<>(16);

    private record Asked(Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases) {}

    private record At(int note, Setting setting) {}

    private final Kept<At, List<Candidate>> ranked = new Kept<>(256);
    private final Situation situation;
    private final Tempo tempo;
    private final Speeds speeds;
    private final List<Set<Feature>> features;
    private final Taste taste;

    /** What the notes of a version as it is played can take; found once. */
    public static Candidates of(Version version) {
        Arrangement arrangement = version.arrangement();
        return FOUND.of(new Asked(version.hands(), arrangement.tempo(), arrangement.speeds(), Phrases.of(version)),
                a -> new Candidates(a.situation, a.tempo, a.speeds, a.phrases));
    }

    public Candidates(Situation situation, Tempo tempo, Speeds speeds) {
        this(situation, tempo, speeds, Phrases.of(situation.tune()));
    }

    /** As above, the phrases read already. */
    public Candidates(Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases) {
        this(situation, tempo, speeds, phrases, Taste.of(situation));
    }

    Candidates(Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases, Taste taste) {
        this.taste = taste;
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

    /**
     * What taste weighs for and against a stack on a note, its neighbours left aside. What another of the stack takes up, so that
     * it is not played, weighs nothing.
     */
    public List<Grown.Weighed> weighed(int note, List<Ornament> ornaments, boolean tight, Taste taste) {
        List<Grown.Weighed> terms = new ArrayList<>();
        List<Ornament> played = Gestures.played(situation, note, ornaments);
        for (Ornament ornament : played) {
            for (Ornament.Suit suit : ornament.suits()) {
                if (isAt(note, suit.place())) {
                    terms.add(new Grown.Weighed(suit.gain(), suit.because()));
                }
            }
            Taste.Liking liking = taste.liking().get(ornament.id());
            if (liking != null && suits(note, ornament)) {
                terms.add(new Grown.Weighed(liking.points(), liking.because()));
            }
            tooSlow(note, ornament, taste).ifPresent(terms::add);
        }
        if (tight) {
            terms.add(new Grown.Weighed(-taste.deductions().tight(), "it is tight at this tempo"));
        }
        if (played.size() > 1) {
            terms.add(new Grown.Weighed(-(played.size() - 1) * taste.deductions().stacked(), "more than one stands on the note"));
        }
        if (isAt(note, Feature.LAST.word()) && !played.stream().allMatch(Ornament::isBreath)) {
            boolean heavy = played.stream().anyMatch(o -> o.heavy() && o.slot() == Slot.BODY);
            terms.add(new Grown.Weighed(heavy ? -taste.deductions().heavyEnd() : -taste.deductions().busyEnd(), "a phrase ends here"));
        }
        return terms;
    }

    private boolean suits(int note, Ornament ornament) {
        return ornament.suits().stream().anyMatch(s -> s.gain() > 0 && isAt(note, s.place()));
    }

    /** What speaks against a gesture whose pulses would each last so long that nobody hears it as one. */
    private Optional<Grown.Weighed> tooSlow(int note, Ornament ornament, Taste taste) {
        int pulses = ornament.pulses().size();
        if (ornament.slowestPulse() == 0) {
            return Optional.empty();
        }
        double each = tempo.millis(situation.tune().note(note).sounding()).toDouble() / pulses;
        return each <= ornament.slowestPulse() ? Optional.empty() : Optional.of(new Grown.Weighed(-taste.deductions().tooSlow(),
                "its pulses would last %d ms each: too slow to be heard as one".formatted(Math.round(each))));
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
        return ranked.of(new At(note, setting), at -> List.copyOf(rank(at.note, at.setting)));
    }

    private List<Candidate> rank(int note, Setting setting) {
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

    /** How much taste speaks for an ornament on a note, the kind of tune included; 0 when it does not. */
    int gain(int note, Ornament ornament, Taste taste) {
        if (!suits(note, ornament)) {
            return 0;
        }
        int gain = tooSlow(note, ornament, taste).map(Grown.Weighed::points).orElse(0);
        for (Ornament.Suit suit : ornament.suits()) {
            gain += isAt(note, suit.place()) ? suit.gain() : 0;
        }
        Taste.Liking liking = taste.liking().get(ornament.id());
        return gain + (liking == null ? 0 : liking.points());
    }

    private Candidate candidate(int note, Ornament ornament, Verdict verdict) {
        int strongest = 0;
        String because = "";
        for (Ornament.Suit suit : ornament.suits()) {
            if (isAt(note, suit.place()) && suit.gain() > strongest) {
                strongest = suit.gain();
                because = suit.because();
            }
        }
        return new Candidate(note, ornament, verdict, gain(note, ornament, taste), because);
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
