package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.instrument.Breath;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Breaths;
import wildflourish.core.planning.Stroke;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;

/**
 * A version for those who do not read music: phrase by phrase which holes, strings or buttons, with which breath, how many times
 * and for how long. What it says is the plan's own: it is true for the instrument in any key, since it names no note.
 *
 * @param count what a count of a step's length is, as in {@code a quaver}
 * @param perBar how many of them there are to a bar; 0 where the bars are not equally long
 */
public record StepList(List<String> holding, String count, int perBar, List<Section> sections) {

    /** Counts of a whole note, until something shorter makes many of them halves. */
    private static final int QUAVERS = 8;
    /** A phrase says how it is like an earlier one from so many steps in common on. */
    private static final int WORTH_SAYING = 4;

    public StepList {
        holding = List.copyOf(holding);
        sections = List.copyOf(sections);
    }

    /**
     * A phrase.
     *
     * @param part the name of its part, where the part begins with it; how often that is played
     * @param name of the phrase
     * @param bars for reading
     * @param as what it begins like, or is, without a full stop; empty where it is new
     * @param steps what is left to say
     */
    public record Section(Optional<String> part, String name, String bars, String as, List<Step> steps) {

        public Section {
            steps = List.copyOf(steps);
        }
    }

    /**
     * A step.
     *
     * @param place where it is played; empty for a rest
     * @param times how often one after another
     * @param counts how long each time
     * @param strokes of bow or plectrum, or plucking fingers, one for each time; empty where there are none
     * @param ornaments with the fingers that make them
     * @param then what comes behind it, such as a breath; empty for nothing
     */
    public record Step(Optional<Place> place, int times, Ratio counts, List<String> strokes, List<String> ornaments, String then) {

        public Step {
            strokes = List.copyOf(strokes);
            ornaments = List.copyOf(ornaments);
        }

        /** Where, in a few words; without the holes, which are drawn or written before it. */
        public String where() {
            return place.map(p -> switch (p) {
                case Place.Fingered f -> breath(f);
                case Place.Stopped s -> s.inWords();
                case Place.Pressed b -> b.inWords();
                case Place.Missing m -> "not on this instrument: leave it out";
                case Place.AsWritten w -> "as written";
            }).orElse("rest");
        }

        private static String breath(Place.Fingered f) {
            String trial = f.fingering().trial() ? "try it: instruments differ" : "";
            String words = f.fingering().remark().orElseGet(() -> f.fingering().breath() == Breath.STEADY ? ""
                    : f.fingering().breath() == Breath.FIRM ? "firm" : "gentle");
            return words.isEmpty() ? trial : trial.isEmpty() ? words : words + "; " + trial;
        }

        /** How long, as in {@code 1½}. */
        public String length() {
            return StepList.inCounts(counts);
        }

        /** All of it, as in {@code xxx xoo, gentle, twice, 1 count each; a cut: third finger of the upper hand}. */
        public String inWords() {
            List<String> words = new ArrayList<>();
            place.filter(Place.Fingered.class::isInstance).map(Place.Fingered.class::cast).ifPresent(f -> words.add(f.fingering().holes().toString()));
            if (!where().isEmpty()) {
                words.add(where());
            }
            if (times > 1) {
                words.add(times == 2 ? "twice" : times + " times");
            }
            words.add("%s count%s%s".formatted(length(), Ratio.ONE.isLess(counts) ? "s" : "", times > 1 ? " each" : ""));
            if (!strokes.isEmpty()) {
                words.add(String.join(" ", strokes));
            }
            String first = String.join(", ", words);
            String more = ornaments.isEmpty() ? "" : "; " + String.join("; ", ornaments);
            return first + more + (then.isEmpty() ? "" : "; " + then);
        }

        private Step again(Step next) {
            List<String> both = new ArrayList<>(strokes);
            both.addAll(next.strokes);
            return new Step(place, times + 1, counts, both, ornaments, next.then);
        }

        /** Whether another one is the same done once more. */
        private boolean goesOnWith(Step next) {
            return place.equals(next.place) && counts.equals(next.counts) && ornaments.isEmpty() && next.ornaments.isEmpty() && then.isEmpty();
        }
    }

    private static String inCounts(Ratio counts) {
        long whole = counts.floor();
        Ratio rest = counts.minus(Ratio.of(whole, 1));
        String part = rest.isZero() ? "" : rest.equals(Ratio.of(1, 2)) ? "½" : rest.equals(Ratio.of(1, 4)) ? "¼" : rest.equals(Ratio.of(3, 4)) ? "¾"
                : rest.equals(Ratio.of(1, 3)) ? "⅓" : rest.equals(Ratio.of(2, 3)) ? "⅔" : " and " + rest;
        return whole == 0 && !part.isEmpty() ? part.replace(" and ", "") : whole + part;
    }

    /** The steps of a version. */
    public static StepList of(Version version) {
        return version.once(StepList.class, StepList::workedOut);
    }

    private static StepList workedOut(Version version) {
        Situation hands = version.hands();
        Reading reading = !version.varied().isNoteForNote() ? Reading.of(version.varied().tune()) : Reading.of(version.arrangement());
        Steps steps = new Steps(hands, version.varied().setting(), PlayingAdvice.of(version));
        List<Section> sections = new ArrayList<>();
        List<List<Step>> before = new ArrayList<>();
        List<String> names = new ArrayList<>();
        for (Part part : reading.parts()) {
            for (Phrase phrase : part.phrases()) {
                List<Step> all = steps.of(phrase.fromNote(), phrase.toNote());
                Optional<String> begins = phrase.firstOfPart()
                        ? Optional.of("Part %s%s".formatted(part.name(), part.times() == 1 ? "" : part.times() == 2 ? ", twice" : ", %d times".formatted(part.times())))
                        : Optional.empty();
                sections.add(told(begins, phrase, bars(hands.tune(), phrase), all, before, names));
                before.add(all);
                names.add(phrase.name());
            }
        }
        var meter = hands.tune().tune().head().meter();
        Ratio counts = meter.barLength().times(QUAVERS);
        return new StepList(Holding.of(version.arrangement().instrument().family(), version.arrangement().school()), "a quaver",
                meter.isFree() || counts.denominator() != 1 ? 0 : (int) counts.numerator(), sections);
    }

    private static String bars(Timeline tune, Phrase phrase) {
        Set<Integer> numbers = new java.util.TreeSet<>();
        for (int n = phrase.bodyNote(); n < phrase.toNote(); n++) {
            numbers.add(tune.note(n).barNumber());
        }
        return BarNames.all(numbers);
    }

    /** A phrase with what it has in common with the earlier one that it begins most like. */
    private static Section told(Optional<String> part, Phrase phrase, String bars, List<Step> all, List<List<Step>> before, List<String> names) {
        int most = 0;
        int like = -1;
        for (int i = 0; i < before.size(); i++) {
            int same = 0;
            while (same < Math.min(all.size(), before.get(i).size()) && all.get(same).equals(before.get(i).get(same))) {
                same++;
            }
            if (same > most) {
                most = same;
                like = i;
            }
        }
        String again = phrase.again() ? "the last time, in place of the end: " : "";
        if (like >= 0 && most == all.size() && most == before.get(like).size()) {
            return new Section(part, phrase.name(), bars, again + "as " + names.get(like), List.of());
        }
        if (like >= 0 && most >= WORTH_SAYING && most * 2 >= all.size()) {
            return new Section(part, phrase.name(), bars, "%sas %s up to its step %d, then".formatted(again, names.get(like), most),
                    all.subList(most, all.size()));
        }
        return new Section(part, phrase.name(), bars, again.replaceAll(": $", ""), all);
    }

    /** Makes the steps of stretches of one version. */
    private static final class Steps {

        private final Situation hands;
        private final Setting setting;
        private final Map<Integer, String> behind = new HashMap<>();

        Steps(Situation hands, Setting setting, PlayingAdvice advice) {
            this.hands = hands;
            this.setting = setting;
            advice.breaths().ifPresent(b -> b.marks().forEach(m -> {
                String when = m.times() == m.ofTimes() ? "" : " (%d of %d times)".formatted(m.times(), m.ofTimes());
                behind.merge(m.note(), m.room() == Breaths.Room.DROP ? "or leave it out and breathe" + when : "breathe" + when, (a, c) -> a);
            }));
            advice.air().ifPresent(a -> a.uses().forEach(u -> behind.merge(u.note(), u.gasp() ? "turn the bellows with the air button before it"
                    : "hold the air button with it", (x, y) -> x)));
        }

        List<Step> of(int from, int to) {
            List<Step> steps = new ArrayList<>();
            for (int n = from; n < to; n++) {
                Timeline.Stand stand = hands.tune().note(n);
                if (!stand.heldOver()) {
                    add(steps, step(stand));
                }
                Ratio end = stand.onset().plus(stand.note().length());
                if (n + 1 < to && hands.tune().note(n + 1).onset().minus(end).isPositive()) {
                    add(steps, new Step(Optional.empty(), 1, hands.tune().note(n + 1).onset().minus(end).times(QUAVERS), List.of(), List.of(), ""));
                }
            }
            return steps;
        }

        private static void add(List<Step> steps, Step next) {
            if (!steps.isEmpty() && next.place().isPresent() && steps.getLast().goesOnWith(next)) {
                steps.add(steps.removeLast().again(next));
            } else {
                steps.add(next);
            }
        }

        private Step step(Timeline.Stand stand) {
            int n = stand.index();
            Place place = hands.plan().at(n);
            List<String> ornaments = new ArrayList<>();
            List<Ornament> stack = setting.ornaments(n, hands.vocabulary());
            if (!stack.isEmpty() && Gestures.make(hands, n, stack) instanceof Making.Made made) {
                place = made.gesture().place();
                for (Ornament ornament : Gestures.played(hands, n, stack)) {
                    ornaments.add(inWords(ornament, made.gesture()));
                }
            }
            return new Step(Optional.of(place), 1, stand.sounding().times(QUAVERS), strokes(n), ornaments, behind.getOrDefault(n, ""));
        }

        private static String inWords(Ornament ornament, Gesture gesture) {
            String fingers = HowTo.fingers(ornament, gesture);
            return fingers.isEmpty() ? ornament.name() : "%s: %s".formatted(ornament.name(), fingers);
        }

        private List<String> strokes(int note) {
            Optional<String> finger = hands.strokes().finger(note);
            if (finger.isPresent()) {
                return List.of(finger.get());
            }
            Optional<Stroke> stroke = hands.strokes().at(note);
            return stroke.map(s -> List.of(s.joined() ? "joined" : s.word())).orElse(List.of());
        }
    }
}
