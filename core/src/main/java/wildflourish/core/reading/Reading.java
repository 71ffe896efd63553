package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.finding.Sentence;
import wildflourish.core.memory.Kept;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/**
 * A tune taken apart as a teacher would.
 *
 * @param type the kind of tune, in the writer's word or found by its meter
 * @param form the letters of the parts in the order played: {@code AABB}
 * @param passages every phrase, in the order of the page
 * @param beginning how the tune comes in, without a full stop
 * @param secondTimes how later times through depart from the first, a sentence each without a full stop
 */
public record Reading(
        Timeline timeline, String type, String form, List<Part> parts, List<Passage> passages, Tonality tonality,
        Optional<Pitch> lowest, Optional<Pitch> highest, String beginning, List<SecondTime> secondTimes, Lesson lesson) {

    /** Tunes of more phrases are compared bar by bar only, so that a very long one is read at once as well. */
    private static final Kept<Asked, Reading> READ = new Kept<>(32);

    private record Asked(Tune tune, PhraseMarks marks) {}

    private static final int CLOSELY_UP_TO = 240;
    private static final int COMPARED_WITH = 64;

    public Reading {
        parts = List.copyOf(parts);
        passages = List.copyOf(passages);
        secondTimes = List.copyOf(secondTimes);
    }

    /**
     * A later time through a part that ends otherwise.
     *
     * @param note the first note that is played instead
     */
    public record SecondTime(int note, String text) {}

    /** The reading of an arrangement's plain tune, with what the teacher has settled; read once. */
    public static Reading of(Arrangement arrangement) {
        return READ.of(new Asked(arrangement.tune(), arrangement.marks()), a -> of(Timeline.of(a.tune), a.marks));
    }

    public static Reading of(Timeline timeline) {
        return of(timeline, PhraseMarks.NONE);
    }

    /** The reading of a tune, with what the teacher has settled by hand. */
    public static Reading of(Timeline timeline, PhraseMarks marks) {
        Phrasing phrasing = new Phrasing(timeline);
        List<Part> parts = Parts.of(timeline, marks, phrasing);
        List<Phrase> phrases = parts.stream().flatMap(p -> p.phrases().stream()).toList();
        List<Passage> passages = passages(timeline, phrases, marks);
        return new Reading(timeline, type(timeline), form(timeline, parts), parts, passages,
                Tonality.of(timeline, phrases),
                timeline.notes().stream().map(Stand::pitch).min(Pitch::compareTo),
                timeline.notes().stream().map(Stand::pitch).max(Pitch::compareTo),
                beginning(timeline), secondTimes(timeline, parts), Lesson.of(timeline, parts, passages, phrasing));
    }

    private static String type(Timeline timeline) {
        String word = timeline.tune().head().rhythm().strip();
        return word.isEmpty() ? TuneType.of(timeline.tune().head()).id() : word;
    }

    private static String form(Timeline timeline, List<Part> parts) {
        StringBuilder form = new StringBuilder();
        List<Integer> bodies = parts.stream().map(p -> p.phrases().isEmpty() ? p.fromBar()
                : p.phrases().getFirst().fromBar()).toList();
        for (int part : Parts.played(timeline, bodies)) {
            form.append(parts.get(part).letter());
        }
        return form.length() <= 24 ? form.toString() : form.substring(0, 24) + "…";
    }

    private static List<Passage> passages(Timeline timeline, List<Phrase> phrases, PhraseMarks marks) {
        boolean closely = phrases.size() <= CLOSELY_UP_TO;
        List<List<Tone>> bodies = phrases.stream().map(p -> Tone.of(timeline, p.bodyNote(), p.toNote())).toList();
        List<Passage> passages = new ArrayList<>();
        for (int i = 0; i < phrases.size(); i++) {
            Phrase phrase = phrases.get(i);
            Likeness best = Likeness.NONE;
            int at = -1;
            for (int k = Math.max(0, i - COMPARED_WITH); k < i && !phrase.again(); k++) {
                Likeness likeness = phrases.get(k).again() ? Likeness.NONE
                        : Likeness.of(bodies.get(k), bodies.get(i), closely);
                if (likeness.kind() != Likeness.Kind.DIFFERENT && (at < 0 || likeness.isCloserThan(best))) {
                    best = likeness;
                    at = k;
                }
            }
            if (phrase.again()) {
                at = ended(phrases, i);
                best = new Likeness(Likeness.Kind.OTHER_ENDING, 0, 0, phrase.fromNote(), 0);
            }
            best = at < 0 || phrase.again() ? best : best.measured(bodies.get(at), bodies.get(i));
            String difference = at < 0 ? "" : difference(timeline, phrases.get(at), phrase, best);
            passages.add(new Passage(phrase, at < 0 ? Optional.empty() : Optional.of(at), best, difference,
                    Figure.of(bodies.get(i)), Optional.ofNullable(marks.remarks().get(phrase.fromNote()))));
        }
        return passages;
    }

    private static int ended(List<Phrase> phrases, int again) {
        int at = again - 1;
        while (at > 0 && phrases.get(at).again()) {
            at--;
        }
        return at;
    }

    private static String difference(Timeline timeline, Phrase earlier, Phrase phrase, Likeness likeness) {
        String name = earlier.name();
        if (phrase.again()) {
            return "in place of the end of %s: %s".formatted(name, notes(timeline, phrase.fromNote(), phrase.toNote()));
        }
        String lead = leadsLike(timeline, earlier, phrase) ? ""
                : phrase.bodyNote() == phrase.fromNote() ? "without its pickup" : "with another pickup";
        return switch (likeness.kind()) {
            case SAME -> lead;
            case MOVED -> "%s moved %s by %s".formatted(name, likeness.steps() > 0 ? "up" : "down",
                    Interval.wide(likeness.steps()));
            case OTHER_ENDING -> likeness.differsFrom() < 0 ? "as %s, but it ends sooner".formatted(name)
                    : "as %s up to %s, then it goes on with %s".formatted(name,
                            where(timeline, likeness.differsFrom()),
                            notes(timeline, likeness.differsFrom(), phrase.toNote()));
            case OTHER_BEGINNING -> "another beginning, then the end of %s".formatted(name);
            case NEARLY -> likeness.steps() == 0 ? "nearly %s; it departs at %s".formatted(name,
                    where(timeline, Math.max(phrase.bodyNote(), likeness.differsFrom())))
                    : "nearly %s, moved %s by %s".formatted(name, likeness.steps() > 0 ? "up" : "down",
                            Interval.wide(likeness.steps()));
            case SAME_RHYTHM -> "other notes in the rhythm of %s".formatted(name);
            case DIFFERENT -> "";
        };
    }

    private static boolean leadsLike(Timeline timeline, Phrase a, Phrase b) {
        int size = a.bodyNote() - a.fromNote();
        if (size != b.bodyNote() - b.fromNote()) {
            return false;
        }
        for (int i = 0; i < size; i++) {
            Stand one = timeline.note(a.fromNote() + i);
            Stand other = timeline.note(b.fromNote() + i);
            if (one.pitch().midi() != other.pitch().midi() || !one.note().length().equals(other.note().length())) {
                return false;
            }
        }
        return true;
    }

    /** The names of notes, so many that they can be said in one breath. */
    static String notes(Timeline timeline, int from, int to) {
        int most = 9;
        List<String> names = new ArrayList<>();
        for (int n = from; n < Math.min(to, from + most); n++) {
            if (!timeline.note(n).heldOver() || n == from) {
                names.add(Figure.name(timeline.note(n).pitch()));
            }
        }
        return String.join(" ", names) + (to > from + most ? " …" : "");
    }

    /** {@code bar 6, beat 3}. */
    static String where(Timeline timeline, int note) {
        Stand stand = timeline.note(note);
        return stand.barNumber() == 0 ? stand.barInWords() : "%s, beat %d".formatted(stand.barInWords(), stand.beat());
    }

    private static String beginning(Timeline timeline) {
        if (timeline.size() == 0) {
            return "the tune has no notes";
        }
        Stand first = timeline.note(0);
        if (first.offset().isZero()) {
            return "the tune begins on beat one";
        }
        Ratio lead = first.meter().barLength().minus(first.offset());
        boolean onBeat = first.strength() > 0;
        return "the tune comes in %s beat %d, with a pickup of %s".formatted(onBeat ? "on" : "after", first.beat(),
                lead.equals(first.sounding()) ? VALUES.getOrDefault(lead, span(lead)) : span(lead));
    }

    private static final Map<Ratio, String> VALUES = Map.of(Ratio.of(1, 16), "a semiquaver", Ratio.of(1, 8), "a quaver",
            Ratio.of(1, 4), "a crotchet", Ratio.of(3, 8), "a dotted crotchet", Ratio.of(1, 2), "a minim");

    private static String span(Ratio length) {
        Ratio quavers = length.times(8);
        return quavers.denominator() == 1
                ? quavers.numerator() == 1 ? "a quaver" : quavers.numerator() + " quavers"
                : length.times(16).denominator() == 1 ? length.times(16).numerator() + " semiquavers" : length + " of a whole note";
    }

    private static List<SecondTime> secondTimes(Timeline timeline, List<Part> parts) {
        List<SecondTime> all = new ArrayList<>();
        for (int p = 0; p < parts.size(); p++) {
            Part part = parts.get(p);
            List<Phrase> phrases = part.phrases();
            for (int i = 0; i < phrases.size(); i++) {
                if (!phrases.get(i).again()) {
                    continue;
                }
                Phrase first = phrases.get(ended(phrases, i));
                Phrase second = phrases.get(i);
                int firstFrom = firstEnding(timeline, first);
                String next = p + 1 < parts.size() ? "leads on into part " + parts.get(p + 1).name()
                        : "ends the tune";
                boolean last = i + 1 >= phrases.size() || !phrases.get(i + 1).again();
                all.add(new SecondTime(second.fromNote(), "the %s time through part %s, %s leads back to %s; the %s time, %s %s".formatted(
                        times(timeline, firstFrom, 1), part.name(), notes(timeline, firstFrom, first.toNote()),
                        Figure.name(timeline.note(phrases.getFirst().bodyNote()).pitch()), times(timeline, second.fromNote(), 2),
                        notes(timeline, second.fromNote(), second.toNote()), last ? next : "leads back again")));
            }
        }
        return all;
    }

    private static final List<String> ORDINALS = List.of("", "first", "second", "third", "fourth", "fifth", "sixth");

    /** On which times through an ending is played, as its bar says, or as one would guess where it does not. */
    private static String times(Timeline timeline, int note, int guess) {
        int bar = timeline.note(note).bar();
        while (bar > 0 && timeline.tune().bars().get(bar).ending().filter(e -> !e.starts()).isPresent()) {
            bar--;
        }
        List<Integer> times = timeline.tune().bars().get(bar).ending().map(e -> e.times()).orElse(List.of(guess));
        List<String> words = times.stream().map(t -> t < ORDINALS.size() ? ORDINALS.get(t) : t + "th").toList();
        return Sentence.listed(words);
    }

    private static int firstEnding(Timeline timeline, Phrase first) {
        for (int n = first.fromNote(); n < first.toNote(); n++) {
            if (timeline.tune().bars().get(timeline.note(n).bar()).ending().isPresent()) {
                return n;
            }
        }
        return first.fromNote();
    }

    /**
     * Notes of a phrase beside those of the one that it is like, as the edit distance sets them against one another.
     *
     * @param earlier indices of the earlier phrase's notes; empty where this one adds
     * @param here indices of this phrase's notes; empty where this one leaves away
     * @param same whether they are alike in pitch and length, the phrase moved as a whole aside
     */
    public record Beside(List<Integer> earlier, List<Integer> here, boolean same) {}

    /** A phrase set against the one that it is like; empty where it is like none. */
    public List<Beside> besides(Passage passage) {
        if (passage.sameAs().isEmpty() || passage.phrase().again()) {
            return List.of();
        }
        Phrase other = passages.get(passage.sameAs().get()).phrase();
        List<Tone> first = Tone.of(timeline, other.bodyNote(), other.toNote());
        List<Tone> second = Tone.of(timeline, passage.phrase().bodyNote(), passage.phrase().toNote());
        return Alignment.of(first, second).pairs().stream().map(p -> new Beside(
                first.subList(p.from(), p.to()).stream().map(Tone::note).toList(),
                second.subList(p.otherFrom(), p.otherTo()).stream().map(Tone::note).toList(), p.cost() == 0)).toList();
    }

    /** The phrase whose family another belongs to: the first of the chain of those that it is like. */
    public int family(int passage) {
        int at = passage;
        while (passages.get(at).sameAs().isPresent()) {
            at = passages.get(at).sameAs().get();
        }
        return at;
    }

    public List<Phrase> phrases() {
        return passages.stream().map(Passage::phrase).toList();
    }

    /** The passage that holds a note; notes are in one each. */
    public Optional<Passage> at(int note) {
        return passages.stream().filter(p -> p.phrase().holds(note)).findFirst();
    }

    /** The number that is printed at the bar in which a phrase begins, its pickup left out. */
    public int firstBar(Phrase phrase) {
        return timeline.tune().bars().get(phrase.fromBar()).number();
    }

    /** The number that is printed at its last bar. */
    public int lastBar(Phrase phrase) {
        return timeline.tune().bars().get(phrase.toBar() - 1).number();
    }

    /** Printed numbers of the bars that hold some notes, each once. */
    public Set<Integer> bars(List<Integer> notes) {
        Set<Integer> bars = new LinkedHashSet<>();
        notes.forEach(n -> bars.add(timeline.note(n).barNumber()));
        return bars;
    }
}
