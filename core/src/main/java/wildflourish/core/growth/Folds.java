package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.memory.Kept;
import wildflourish.core.ornament.Situation;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Puts notes that an instrument has not got where it has them: an octave away, alone, with their figure or with their phrase, or a chord note
 * in their place. What it costs to go over and to come back depends on where that is and how far the leap is; {@code variations/folds.json} has
 * the weights. The whole tune is put right by dynamic programming: no other way to treat its notes costs less.
 */
public final class Folds {

    private static final int OCTAVE = 12;
    private static final int FARTHEST = 2;
    private static final int FAR = 1_000_000;

    /**
     * What folding costs.
     *
     * @param note each note that is played an octave away
     * @param chordNote each note that another is played for
     * @param heard so much less where the other note is in the bar anyway
     * @param missing each note that stays away
     * @param gain what speaks for a stretch that is offered for a missing note, its cost left aside
     * @param leaps by semitones, from the smallest
     */
    record Weights(String provenance, int note, int chordNote, int heard, int missing, int gain, Joins joins, List<Leap> leaps) {}

    /** What it costs to go over or to come back: between phrases, on a bar line, on a beat, and between beats. */
    record Joins(int phrase, int bar, int beat, int offBeat) {}

    record Leap(int upTo, int cost) {}

    private static final Weights WEIGHTS = weights();

    private static Weights weights() {
        Weights read = DataFile.read("variations/folds.json", Weights.class);
        if (read.leaps().isEmpty() || read.missing() <= read.chordNote()) {
            throw new DataFault("variations/folds.json: it wants leaps, and a missing note that costs more than a chord note");
        }
        return read;
    }

    /**
     * A way to play a note.
     *
     * @param kind the variation's kind; empty for the note as it is
     * @param octaves up, negative down
     */
    private record Taken(String kind, int octaves, Pitch pitch) {

        boolean isFold() {
            return octaves != 0;
        }

        boolean goesOn(Taken before) {
            return kind.equals(before.kind) && octaves == before.octaves;
        }
    }

    /**
     * A stretch put within reach.
     *
     * @param cost what it costs with its joins; less is better; no unit
     * @param because how it joins on, as a sentence without its full stop
     */
    public record Fold(Variation variation, int cost, String because) {

        /** What speaks for it, in the units of taste. */
        int gain() {
            return Math.max(1, WEIGHTS.gain() - cost);
        }
    }

    private record Asked(Timeline tune, Instrument instrument, List<Phrase> phrases) {}

    private static final Kept<Asked, Folds> FOUND = new Kept<>(64);

    private final Timeline tune;
    private final Instrument instrument;
    private final List<Phrase> phrases;
    private final Set<Integer> starts = new LinkedHashSet<>();
    private final List<Integer> missing;

    private Folds(Timeline tune, Instrument instrument, List<Phrase> phrases) {
        this.tune = tune;
        this.instrument = instrument;
        this.phrases = phrases;
        phrases.forEach(p -> starts.addAll(List.of(p.fromNote(), p.bodyNote())));
        this.missing = instrument.hasHands() ? tune.notes().stream().filter(n -> !instrument.has(n.pitch())).map(Stand::index).toList() : List.of();
    }

    /** For the plain tune on an instrument. */
    public static Folds of(Timeline tune, Instrument instrument, List<Phrase> phrases) {
        return FOUND.of(new Asked(tune, instrument, phrases), a -> new Folds(a.tune, a.instrument, a.phrases));
    }

    /** The notes that the instrument has not got. */
    public List<Integer> missing() {
        return missing;
    }

    /** A ladder with every missing note put right from the ground up, but for what is locked or forbidden; the ladder itself where nothing is missing. */
    public Ladder putRight(Ladder ladder, Wishes wishes) {
        Ladder right = ladder;
        for (Variation variation : whole(wishes)) {
            right = right.vary(0, variation);
        }
        return right;
    }

    /** An arrangement with what its instrument has not got put right anew, whatever stood in before. */
    public static Arrangement anew(Arrangement arrangement) {
        Folds folds = of(Timeline.of(arrangement.tune()), arrangement.instrument(), Phrases.of(arrangement));
        return arrangement.with(folds.putRight(Growing.without(arrangement.ladder()), arrangement.wishes()));
    }

    /** A ladder in which nothing stands in for anything: the tune as it is written, whether the instrument has it or not. */
    public static Ladder asWritten(Ladder ladder) {
        return Growing.without(ladder);
    }

    /** A tune in hands, with other notes standing in. */
    static Situation within(Situation plain, List<Variation> standIns) {
        Setting setting = Setting.BARE;
        for (Variation variation : standIns) {
            setting = setting.with(variation);
        }
        return Varied.of(plain.tune(), setting).situation(plain);
    }

    /** The stretches by which the whole tune is put right at the least cost. */
    public List<Variation> whole(Wishes wishes) {
        if (missing.isEmpty()) {
            return List.of();
        }
        return stretches(path(n -> !wishes.isLocked(n), wishes));
    }

    /** The cheapest way to take all notes. */
    private List<Taken> path(IntPredicate free, Wishes wishes) {
        List<List<Taken>> ways = new ArrayList<>();
        for (int n = 0; n < tune.size(); n++) {
            int note = n;
            List<Taken> here = new ArrayList<>(List.of(asItIs(n)));
            if (free.test(n)) {
                here.addAll(folded(n));
                here.addAll(chordNotes(n));
                here.removeIf(t -> !t.kind.isEmpty() && wishes.forbids(note, t.kind));
            }
            ways.add(here);
        }
        int[][] came = new int[tune.size()][];
        int[] cost = ways.getFirst().stream().mapToInt(t -> alone(0, t)).toArray();
        for (int n = 1; n < tune.size(); n++) {
            List<Taken> here = ways.get(n);
            int[] next = new int[here.size()];
            came[n] = new int[here.size()];
            for (int o = 0; o < next.length; o++) {
                next[o] = Integer.MAX_VALUE;
                for (int b = 0; b < cost.length; b++) {
                    int sum = cost[b] + join(n, ways.get(n - 1).get(b), here.get(o)) + alone(n, here.get(o));
                    if (sum < next[o]) {
                        next[o] = sum;
                        came[n][o] = b;
                    }
                }
            }
            cost = next;
        }
        int at = 0;
        for (int o = 1; o < cost.length; o++) {
            at = cost[o] < cost[at] ? o : at;
        }
        Taken[] taken = new Taken[tune.size()];
        for (int n = tune.size() - 1; n >= 0; n--) {
            taken[n] = ways.get(n).get(at);
            at = n > 0 ? came[n][at] : 0;
        }
        return List.of(taken);
    }

    /** What a way to take all notes costs; tests try them all. */
    int cost(List<Integer> octaves) {
        int cost = 0;
        @Nullable Taken before = null;
        for (int n = 0; n < octaves.size(); n++) {
            Taken here = octaves.get(n) == 0 ? asItIs(n) : folded(n, octaves.get(n));
            cost += alone(n, here) + (before == null ? 0 : join(n, before, here));
            before = here;
        }
        return cost;
    }

    private Taken asItIs(int n) {
        return new Taken("", 0, tune.note(n).pitch());
    }

    private Taken folded(int n, int octaves) {
        return new Taken(octaves > 0 ? Variation.UP : Variation.DOWN, octaves, tune.note(n).pitch().octavesUp(octaves));
    }

    private boolean has(int n, int octaves) {
        int midi = tune.note(n).pitch().midi() + OCTAVE * octaves;
        return midi >= OCTAVE && midi < 10 * OCTAVE && instrument.has(tune.note(n).pitch().octavesUp(octaves));
    }

    private List<Taken> folded(int n) {
        List<Taken> all = new ArrayList<>();
        for (int by = 1; by <= FARTHEST; by++) {
            for (int octaves : new int[] {by, -by}) {
                if (has(n, octaves)) {
                    all.add(folded(n, octaves));
                }
            }
        }
        return all;
    }

    /** The note before, and the notes a third or a fifth away, where the instrument has them. */
    private List<Taken> chordNotes(int n) {
        Stand stand = tune.note(n);
        if (instrument.has(stand.pitch()) || stand.heldOver() || stand.note().tied()) {
            return List.of();
        }
        Set<Pitch> pitches = new LinkedHashSet<>();
        if (stand.strength() < 2) {
            tune.before(n).map(Stand::pitch).ifPresent(pitches::add);
        }
        for (int steps : new int[] {2, -2, 4, -4}) {
            pitches.add(stand.key().step(stand.pitch(), steps));
        }
        return pitches.stream().filter(instrument::has).map(p -> new Taken(Variation.OTHER, 0, p)).toList();
    }

    private int alone(int n, Taken taken) {
        if (taken.kind.isEmpty()) {
            return instrument.has(taken.pitch) ? 0 : WEIGHTS.missing();
        }
        return taken.isFold() ? WEIGHTS.note() * Math.abs(taken.octaves) : WEIGHTS.chordNote() - (isHeard(n, taken.pitch) ? WEIGHTS.heard() : 0);
    }

    /** Whether a pitch is in the bar of a note anyway. */
    private boolean isHeard(int n, Pitch pitch) {
        int bar = tune.note(n).bar();
        return tune.notes().stream().anyMatch(s -> s.bar() == bar && s.pitch().equals(pitch));
    }

    /** What it costs to go from one note to the next: nothing within what is treated alike. */
    private int join(int n, Taken before, Taken here) {
        if (tune.note(n).heldOver()) {
            return here.goesOn(before) ? 0 : FAR;
        }
        if (here.goesOn(before) && !here.kind.equals(Variation.OTHER)) {
            return 0;
        }
        boolean over = before.isFold() || here.isFold();
        int leap = Math.abs(here.pitch.midi() - before.pitch.midi());
        int leapCost = isApart(n) ? 0 : WEIGHTS.leaps().stream().filter(l -> leap <= l.upTo()).findFirst().orElse(WEIGHTS.leaps().getLast()).cost();
        return leapCost + (over ? edge(n) : 0);
    }

    /** Whether a note does not follow the one before it: a rest or the end of a part is between them. */
    private boolean isApart(int n) {
        Stand before = tune.note(n - 1);
        return !before.onset().plus(before.note().length()).equals(tune.note(n).onset()) || tune.tune().bars().get(before.bar()).closing().closesSection()
                && before.bar() != tune.note(n).bar();
    }

    private int edge(int n) {
        Joins joins = WEIGHTS.joins();
        if (starts.contains(n) || isApart(n)) {
            return joins.phrase();
        }
        return switch (tune.note(n).strength()) {
            case 3 -> joins.bar();
            case 2, 1 -> joins.beat();
            default -> joins.offBeat();
        };
    }

    /** What is not as it is, in stretches that can stand in the tune. */
    private List<Variation> stretches(List<Taken> taken) {
        List<Variation> all = new ArrayList<>();
        int n = 0;
        while (n < taken.size()) {
            if (taken.get(n).kind.isEmpty()) {
                n++;
                continue;
            }
            int to = n + 1;
            int fitting = stretch(taken, n, to).fits(tune) ? to : n;
            while (to < taken.size() && taken.get(to).goesOn(taken.get(n)) && taken.get(n).isFold()) {
                to++;
                if (stretch(taken, n, to).fits(tune)) {
                    fitting = to;
                }
            }
            if (fitting > n) {
                all.add(stretch(taken, n, fitting));
            }
            n = Math.max(fitting, n + 1);
        }
        return all;
    }

    private Variation stretch(List<Taken> taken, int from, int to) {
        List<Element> notes = new ArrayList<>();
        for (int n = from; n < to; n++) {
            notes.add(played(n, taken.get(n)));
        }
        return new Variation(from, to, taken.get(from).kind, notes);
    }

    private Note played(int n, Taken taken) {
        Note note = tune.note(n).note();
        return Note.of(taken.pitch, note.length()).withTuplet(note.tuplet()).withTied(note.tied());
    }

    /** What can be done about a missing note, the best first: with its figure, its phrase or alone over the octave, or another note. */
    public List<Fold> at(int note) {
        if (!missing.contains(note)) {
            return List.of();
        }
        Phrase phrase = phrases.stream().filter(p -> p.holds(note)).findFirst().orElseThrow();
        List<Fold> all = new ArrayList<>();
        for (int octaves : new int[] {1, -1}) {
            fold(note, note + 1, octaves).ifPresent(all::add);
            figure(phrase, note, octaves).ifPresent(all::add);
            fold(note < phrase.bodyNote() ? phrase.fromNote() : phrase.bodyNote(), phrase.toNote(), octaves).ifPresent(all::add);
        }
        chordNotes(note).stream().map(t -> fold(note, note + 1, n -> t)).flatMap(Optional::stream).min(Comparator.comparingInt(Fold::cost)).ifPresent(all::add);
        return all.stream().filter(distinct()).sorted(Comparator.comparingInt(Fold::cost)).toList();
    }

    private static java.util.function.Predicate<Fold> distinct() {
        Set<Variation> seen = new LinkedHashSet<>();
        return f -> seen.add(f.variation());
    }

    /** The stretch around a note within its phrase that is cheapest to fold: every other one has been looked at. */
    private Optional<Fold> figure(Phrase phrase, int note, int octaves) {
        @Nullable Fold best = null;
        for (int from = phrase.fromNote(); from <= note; from++) {
            for (int to = Math.max(note, from + 1) + 1; to <= phrase.toNote(); to++) {
                Optional<Fold> fold = fold(from, to, octaves);
                if (fold.isPresent() && (best == null || fold.get().cost() < best.cost())) {
                    best = fold.get();
                }
            }
        }
        return Optional.ofNullable(best);
    }

    private Optional<Fold> fold(int from, int to, int octaves) {
        return IntStream.range(from, to).allMatch(n -> has(n, octaves)) ? fold(from, to, n -> folded(n, octaves)) : Optional.empty();
    }

    /** A stretch taken in one way, with its joins; what stays missing in its phrases counts against it. */
    private Optional<Fold> fold(int from, int to, java.util.function.IntFunction<Taken> way) {
        List<Taken> taken = new ArrayList<>(IntStream.range(0, to).mapToObj(n -> n < from ? asItIs(n) : way.apply(n)).toList());
        Variation variation = stretch(taken, from, to);
        if (!variation.fits(tune)) {
            return Optional.empty();
        }
        int cost = 0;
        for (int n = from; n < to; n++) {
            cost += alone(n, taken.get(n));
        }
        cost += from > 0 ? join(from, asItIs(from - 1), taken.get(from)) : 0;
        cost += to < tune.size() ? join(to, taken.get(to - 1), asItIs(to)) : 0;
        Phrase phrase = phrases.stream().filter(p -> p.holds(from)).findFirst().orElseThrow();
        long left = missing.stream().filter(n -> phrase.holds(n) && !variation.holds(n)).count();
        return Optional.of(new Fold(variation, cost + (int) left * WEIGHTS.chordNote(), because(variation)));
    }

    /** What stands in for what is missing: {@code 3 stretches an octave up, 2 other notes}; and what stays missing. */
    public String inWords(Setting setting) {
        List<String> words = new ArrayList<>();
        for (String kind : List.of(Variation.UP, Variation.DOWN, Variation.OTHER)) {
            List<Variation> of = setting.standIns().stream().filter(v -> v.kind().equals(kind)).toList();
            if (!of.isEmpty()) {
                String bars = BarNames.all(of.stream().map(v -> tune.note(v.from()).barNumber()).distinct().toList());
                words.add("%s in %s".formatted(VariationKind.spoken(kind), bars));
            }
        }
        long left = missing.stream().filter(n -> setting.variationAt(n).isEmpty()).count();
        if (left > 0) {
            words.add(left == 1 ? "one note stays missing" : left + " notes stay missing");
        }
        return String.join(", ", words);
    }

    /** Why other notes stand in for a stretch, and how they join on, as a sentence without its full stop. */
    String because(Variation variation) {
        List<String> words = new ArrayList<>();
        List<Pitch> pitches = variation.pitches();
        if (variation.from() > 0) {
            words.add("it comes in by " + Interval.between(tune.note(variation.from() - 1).pitch(), pitches.getFirst()).spoken());
        }
        if (variation.to() < tune.size()) {
            words.add((words.isEmpty() ? "it leaves by " : "leaves by ") + Interval.between(pitches.getLast(), tune.note(variation.to()).pitch()).spoken());
        }
        List<String> lacks = missing.stream().filter(variation::holds).map(n -> tune.note(n).pitch()).distinct().sorted().map(Pitch::spoken).toList();
        String joins = words.isEmpty() ? "" : "; " + String.join(" and ", words);
        return lacks.isEmpty() ? "nothing is missing there" + joins : "no such %s on the %s%s".formatted(Sentence.listed(lacks), instrument.name(), joins);
    }
}
