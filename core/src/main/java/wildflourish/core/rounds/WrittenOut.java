package wildflourish.core.rounds;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.growth.Offer;
import wildflourish.core.growth.Translation;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.growth.Variations;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rounds;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Version;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * Rounds as one long tune without repeat signs: what is heard from the count-in to the tag, several tunes one into the next.
 * The result is an arrangement like any other, with the written-out notes as its ground and everything that stands on them on
 * the rung above, so that it is performed, engraved and written as any other.
 */
public final class WrittenOut {

    /** Kinds that are there for an instrument's sake, or are the player's own. */
    private static final Set<String> OF_ITS_OWN = Set.of("lick", "dodge", Variation.UP, Variation.DOWN, Variation.OTHER);

    /** The rung of the written-out arrangement that has everything on it. */
    public static final int RUNG = 1;

    private final List<Bar> bars = new ArrayList<>();
    private final SortedMap<Integer, List<String>> placed = new TreeMap<>();
    private int notes;
    private int number = 1;
    /** Length of a whole bar of the tune in hand. */
    private Ratio whole = Ratio.ONE;

    private final List<Start> starts = new ArrayList<>();

    private WrittenOut() {}

    /**
     * Where a pass begins in the whole.
     *
     * @param tune index of its tune in the set
     * @param time index of the time through; {@code pass} of the pass in it
     * @param bar index of its first bar
     */
    public record Start(int tune, int time, int pass, int bar) {}

    /** The whole and where each pass of it begins, in order. */
    public record Whole(Arrangement arrangement, List<Start> starts) {

        public Whole {
            starts = List.copyOf(starts);
        }

        /** The pass that a bar belongs to; empty for what goes before the tune. */
        public Optional<Start> at(int bar) {
            return starts.stream().filter(s -> s.bar() <= bar).reduce((a, b) -> b);
        }
    }

    /** One tune with its rounds. */
    public static Arrangement of(Arrangement arrangement) {
        return of(List.of(arrangement), arrangement.tune().title(), false);
    }

    /**
     * Several tunes, one into the next, on the first one's instrument.
     *
     * @param tunes each with its own rounds; one without rounds is played once on its fullest rung
     * @param title of the whole
     * @param linked whether a long last note walks over to the first note of the next tune
     */
    public static Arrangement of(List<Arrangement> tunes, String title, boolean linked) {
        return whole(tunes, title, linked).arrangement();
    }

    /** As {@link #of(List, String, boolean)}, with where each pass begins. */
    public static Whole whole(List<Arrangement> tunes, String title, boolean linked) {
        WrittenOut out = new WrittenOut();
        Arrangement first = tunes.getFirst();
        for (int i = 0; i < tunes.size(); i++) {
            Arrangement given = tunes.get(i);
            Arrangement tune = given.instrument().id().equals(first.instrument().id()) ? given
                    : given.on(first.instrument(), given.ladderOn(first.instrument())
                            .orElseGet(() -> Translation.of(given, first.instrument()).ladder()));
            out.add(tune, i, i + 1 == tunes.size());
            if (linked && i + 1 < tunes.size()) {
                out.link(Timeline.of(tunes.get(i + 1).tune()), tune);
            }
        }
        Head head = first.tune().head();
        Head whole = new Head(head.number(), List.of(title), head.composers(), head.rhythm(), head.meter(), head.unit(),
                Optional.of(first.tempo()), head.key(), "", head.fields().stream().filter(f -> "wWsH%".indexOf(f.letter()) < 0).toList());
        Tune tune = new Tune(whole, BarLine.NONE, out.bars);
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("rounds", new Setting(out.placed))));
        return new Whole(new Arrangement(tune, first.instrument(), first.tempo(), first.speeds(), first.school(),
                new wildflourish.core.planning.Choices(Map.of(), first.choices().habits()), PhraseMarks.NONE, Wishes.NONE, Rounds.NONE,
                ladder, Map.of(), List.of()), out.starts);
    }

    /** How long it lasts, in seconds, its own changes of tempo counted. */
    public static double seconds(Arrangement written) {
        Tempo tempo = written.tempo();
        double sum = 0;
        for (Bar bar : written.tune().bars()) {
            for (Element element : bar.elements()) {
                if (element instanceof Change change && change.tempo().isPresent()) {
                    tempo = change.tempo().get();
                }
                sum += tempo.millis(element.length()).toDouble() / 1000;
            }
        }
        return sum;
    }

    private void add(Arrangement given, int index, boolean last) {
        boolean first = index == 0;
        Reading reading = Reading.of(given);
        List<Passes> passes = Passes.of(reading);
        if (passes.isEmpty()) {
            return;
        }
        Rounds settled = given.rounds().isEmpty()
                ? given.rounds().with(List.of(List.of(new Rounds.Pass(given.ladder().size() - 1)))) : given.rounds();
        Rounds rounds = settled.fitted(passes.size(), given.ladder().size());
        whole = given.tune().head().meter().barLength();
        Frame frame = new Frame(reading.timeline().tune().head().key(), reading.timeline().tune().head().meter(), given.instrument());
        int from = bars.size();
        if (first) {
            Ratio pickup = pickup(reading, passes);
            frame.intro(rounds.intro(), pickup).forEach(b -> append(b, Map.of(), false));
        }
        Map<Rounds.Pass, Version> played = new HashMap<>();
        for (int t = 0; t < rounds.times().size(); t++) {
            for (int p = 0; p < passes.size(); p++) {
                Rounds.Pass pass = rounds.times().get(t).get(p);
                int part = passes.get(p).part();
                Version version = played.computeIfAbsent(key(pass, passes.get(p)), k -> version(given, reading, pass, part));
                boolean lastTime = t + 1 == rounds.times().size();
                starts.add(new Start(index, t, p, bars.size()));
                copy(version, passes.get(p), p == 0 ? Optional.of(String.valueOf(t + 1)) : Optional.empty());
                if (p + 1 == passes.size()) {
                    close(lastTime && last && rounds.tag() == Rounds.Tag.NONE ? BarLine.Style.FINAL : BarLine.Style.DOUBLE);
                }
            }
        }
        if (!first) {
            // Key, meter and tempo of the next tune stand before its first note.
            Bar begin = bars.get(from);
            List<Element> elements = new ArrayList<>(begin.elements());
            Head head = given.tune().head();
            elements.addFirst(new Change(Optional.of(head.key()), Optional.of(head.meter()), Optional.of(given.tempo())));
            bars.set(from, begin.withElements(elements));
        }
        if (last && rounds.tag() != Rounds.Tag.NONE) {
            completeLastBar();
            frame.tag(rounds.tag()).forEach(b -> append(b, Map.of(), false));
            close(BarLine.Style.FINAL);
        }
    }

    /** Passes with a variation besides are versions of their own for each part. */
    private static Rounds.Pass key(Rounds.Pass pass, Passes passes) {
        return pass.kind().isEmpty() ? pass : new Rounds.Pass(pass.rung(), Optional.of(pass.kind().get() + " " + passes.part()));
    }

    private static Ratio pickup(Reading reading, List<Passes> passes) {
        int first = passes.getFirst().bars().getFirst();
        return first < reading.phrases().getFirst().fromBar() ? reading.timeline().tune().bars().get(first).length() : Ratio.ZERO;
    }

    /** A rung as it is played in one pass, with the variation that is asked for besides wherever the part allows it. */
    private static Version version(Arrangement given, Reading reading, Rounds.Pass pass, int part) {
        if (pass.kind().isEmpty()) {
            return given.version(pass.rung());
        }
        Variations variations = Variations.of(given, List.of());
        Setting setting = given.ladder().setting(pass.rung());
        for (Phrase phrase : reading.parts().get(part).phrases()) {
            for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
                Optional<Variation> variation = variations.startingAt(n).stream()
                        .filter(o -> o.variation().kind().equals(pass.kind().get()) && !(o.verdict() instanceof wildflourish.core.ornament.Verdict.TooFast))
                        .max(Comparator.comparingInt(Offer::gain)).map(Offer::variation);
                Setting before = setting;
                if (variation.isPresent() && before.variations().values().stream().noneMatch(variation.get()::overlaps)) {
                    setting = setting.with(variation.get());
                }
            }
        }
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("version", setting)));
        return given.with(ladder).version(1);
    }

    /** The kinds of variation that can be asked for in a pass besides its rung. */
    public static List<VariationKind> kinds() {
        return VariationKind.all().stream().filter(k -> !OF_ITS_OWN.contains(k.id())).toList();
    }

    private void copy(Version version, Passes pass, Optional<String> label) {
        Varied varied = version.varied();
        Timeline tune = varied.tune();
        boolean starts = true;
        for (int i = 0; i < pass.bars().size(); i++) {
            int index = pass.bars().get(i);
            Bar bar = tune.tune().bars().get(index);
            int from = tune.barStarts().get(index);
            Map<Integer, List<String>> on = new TreeMap<>();
            int count = 0;
            List<Element> elements = new ArrayList<>();
            boolean goesOn = i + 1 < pass.bars().size() && pass.bars().get(i + 1) == index + 1;
            for (Element element : bar.elements()) {
                if (element instanceof Note note) {
                    List<String> ids = version.arrangement().ladder().setting(version.rung()).at(from + count);
                    if (!ids.isEmpty()) {
                        on.put(count, ids);
                    }
                    count++;
                    boolean lastNote = element == bar.elements().getLast();
                    elements.add(lastNote && !goesOn && note.tied() ? note.withTied(false) : note);
                } else if (!(element instanceof Change change) || change.tempo().isEmpty()) {
                    elements.add(element);
                }
            }
            boolean pickup = i == 0 && index < firstWhole(pass, tune);
            append(elements, on, pickup);
            if (starts && !pickup) {
                label(pass.name(), label);
                starts = false;
            }
        }
    }

    private static int firstWhole(Passes pass, Timeline tune) {
        Ratio half = tune.tune().head().meter().barLength().dividedBy(Ratio.of(2, 1));
        int first = pass.bars().getFirst();
        return half.isLess(tune.tune().bars().get(first).length()) ? first : first + 1;
    }

    /** Adds a bar; a pickup goes into the bar before it where that has room for it. */
    private void append(List<Element> elements, Map<Integer, List<String>> on, boolean pickup) {
        Ratio length = Ratio.ZERO;
        for (Element element : elements) {
            length = length.plus(element.length());
        }
        if (pickup && !bars.isEmpty() && whole.isLess(bars.getLast().length().plus(length))) {
            makeRoom(length);
        }
        on.forEach((n, ids) -> placed.put(notes + n, ids));
        notes += (int) elements.stream().filter(Note.class::isInstance).count();
        if (pickup && !bars.isEmpty() && !whole.isLess(bars.getLast().length().plus(length))) {
            Bar last = bars.removeLast();
            List<Element> both = new ArrayList<>(last.elements());
            both.addAll(elements);
            bars.add(new Bar(last.number(), both, BarLine.THIN, Optional.empty(), last.part(), false));
            return;
        }
        bars.add(new Bar(pickup && bars.isEmpty() ? 0 : number++, elements, BarLine.THIN, Optional.empty(), Optional.empty(), false));
    }

    /** The bar ends early enough for a pickup that follows: its last note gives up the time, or is left out. */
    private void makeRoom(Ratio pickup) {
        Bar bar = bars.getLast();
        if (!bar.length().equals(whole) || !pickup.isLess(whole)) {
            return;
        }
        List<Element> elements = new ArrayList<>(bar.elements());
        Ratio left = pickup;
        while (left.isPositive()) {
            Element last = elements.removeLast();
            if (left.isLess(last.length())) {
                Ratio length = last.length().minus(left);
                elements.add(last instanceof Note note ? note.withLength(length) : Rest.of(length));
                break;
            }
            if (last instanceof Note) {
                placed.remove(--notes);
            }
            left = left.minus(last.length());
        }
        bars.set(bars.size() - 1, bar.withElements(elements));
    }

    private void label(String part, Optional<String> time) {
        Bar bar = bars.removeLast();
        bars.add(new Bar(bar.number(), bar.elements(), bar.closing(), bar.ending(), Optional.of(part + time.map(t -> ", time " + t).orElse("")), false));
    }

    /**
     * Holds the last note until its bar is whole: the tune's pickup would fill it on the next time through, and the tag comes in
     * on its own first beat.
     */
    private void completeLastBar() {
        Bar bar = bars.getLast();
        Ratio missing = whole.minus(bar.length());
        if (missing.isPositive() && missing.isLess(whole)) {
            List<Element> elements = new ArrayList<>(bar.elements());
            Element last = elements.removeLast();
            boolean held = last instanceof Note n && n.tuplet().isEmpty() && !placed.containsKey(notes - 1);
            elements.add(held ? ((Note) last).withLength(last.length().plus(missing)) : last);
            if (!held) {
                elements.add(Rest.of(missing));
            }
            bars.set(bars.size() - 1, bar.withElements(elements));
        }
    }

    private void close(BarLine.Style style) {
        Bar bar = bars.removeLast();
        bars.add(new Bar(bar.number(), bar.elements(), new BarLine(style, 0, 0), bar.ending(), bar.part(), true));
    }

    /** Lets the last note, where it is long, walk over to the first note of the next tune. */
    private void link(Timeline next, Arrangement tune) {
        Bar bar = bars.getLast();
        if (next.size() == 0 || !(bar.elements().getLast() instanceof Note last) || last.pitches().size() > 1
                || last.length().isLess(Ratio.of(3, 8)) || placed.containsKey(notes - 1)) {
            return;
        }
        int way = next.note(0).pitch().diatonic() - last.pitch().diatonic();
        if (Math.abs(way) < 2) {
            return;
        }
        var key = tune.tune().head().key();
        var near = key.step(next.note(0).pitch(), way > 0 ? -1 : 1);
        var before = key.step(near, way > 0 ? -1 : 1);
        if (tune.instrument().hasHands() && !(tune.instrument().has(near) && tune.instrument().has(before))) {
            return;
        }
        List<Element> elements = new ArrayList<>(bar.elements());
        elements.removeLast();
        elements.add(last.withLength(last.length().minus(Ratio.of(1, 4))));
        elements.add(Note.of(before, Ratio.of(1, 8)));
        elements.add(Note.of(near, Ratio.of(1, 8)));
        notes += 2;
        bars.set(bars.size() - 1, bar.withElements(elements));
    }
}
