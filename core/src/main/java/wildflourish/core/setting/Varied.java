package wildflourish.core.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Choices;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * A tune with the variations of a setting played in place of what they replace, and how its notes answer to those of the
 * plain tune.
 *
 * @param setting the ornaments on the notes as they are now counted; it has no variations any more
 * @param plain for each note as it is now, the plain note that it stands for
 * @param kinds for each note as it is now, the kind of its variation; empty for a note of the tune
 * @param now for each plain note, its index now
 */
public record Varied(Timeline tune, Setting setting, List<Integer> plain, List<String> kinds, List<Integer> now) {

    /**
     * The tune of a setting. Where it has no variations, the plain timeline itself is given back.
     *
     * @param plain the plain tune
     */
    public static Varied of(Timeline plain, Setting setting) {
        return of(plain, setting, true);
    }

    /** As above; without {@code dressed} the notes of variations stand just as they are given. */
    private static Varied of(Timeline plain, Setting setting, boolean dressed) {
        if (!setting.isVaried()) {
            List<Integer> same = java.util.stream.IntStream.range(0, plain.size()).boxed().toList();
            return new Varied(plain, setting, same, java.util.Collections.nCopies(plain.size(), ""), same);
        }
        List<Bar> bars = new ArrayList<>();
        List<Integer> plainOf = new ArrayList<>();
        List<String> kinds = new ArrayList<>();
        Integer[] now = new Integer[plain.size()];
        int note = 0;
        List<Element> pending = new ArrayList<>();
        for (int b = 0; b < plain.tune().bars().size(); b++) {
            List<Element> elements = new ArrayList<>();
            Variation playing = null;
            for (Element element : plain.tune().bars().get(b).elements()) {
                if (!(element instanceof Note)) {
                    elements.add(element);
                    continue;
                }
                int here = note++;
                Optional<Variation> variation = setting.variationAt(here);
                if (variation.isEmpty()) {
                    now[here] = plainOf.size();
                    plainOf.add(here);
                    kinds.add("");
                    elements.add(element);
                    continue;
                }
                if (variation.get().isStandIn()) {
                    Note other = (Note) variation.get().notes().get(here - variation.get().from());
                    now[here] = plainOf.size();
                    plainOf.add(here);
                    kinds.add(variation.get().kind());
                    elements.add(((Note) element).withPitches(other.pitches()));
                    continue;
                }
                if (here == variation.get().from()) {
                    pending.addAll(variation.get().notes());
                }
                int first = plainOf.size();
                if (playing != variation.get()) {
                    playing = variation.get();
                    Ratio time = time(plain, playing, here, b);
                    int at = elements.size();
                    while (!pending.isEmpty() && time.isPositive()) {
                        Element taken = pending.removeFirst();
                        time = time.minus(taken.length());
                        elements.add(taken);
                        if (taken instanceof Note) {
                            plainOf.add(playing.from());
                            kinds.add(playing.kind());
                        }
                    }
                    if (dressed) {
                        dress(elements, at, plain, playing, here, b);
                    }
                } else {
                    first = now[here - 1];
                }
                now[here] = Math.min(first, Math.max(0, plainOf.size() - 1));
            }
            bars.add(plain.tune().bars().get(b).withElements(elements));
        }
        Tune tune = plain.tune().withBars(bars);
        return new Varied(Timeline.of(tune), setting, plainOf, kinds, List.of(now)).decorated(setting);
    }

    /** The same variations with the ornaments of another setting. */
    Varied decorated(Setting other) {
        SortedMap<Integer, List<String>> placed = new TreeMap<>();
        other.byNote().forEach((n, ids) -> placed.put(now.get(n), ids));
        return new Varied(tune, new Setting(placed), plain, kinds, now);
    }

    /** Gives the notes of a variation the chord symbol and the space behind them that the notes had which they replace. */
    private static void dress(List<Element> elements, int from, Timeline plain, Variation variation, int note, int bar) {
        int last = note;
        while (last + 1 < variation.to() && plain.note(last + 1).bar() == bar) {
            last++;
        }
        if (from < elements.size() && elements.get(from) instanceof Note first) {
            Marks marks = plain.note(note).note().marks();
            elements.set(from, first.withMarks(new Marks(first.marks().decorations(), first.marks().graces(), first.marks().slashed(),
                    marks.chord(), first.marks().annotations())));
        }
        if (from < elements.size() && elements.getLast() instanceof Note end) {
            elements.set(elements.size() - 1, end.withGapAfter(plain.note(last).note().gapAfter()));
        }
    }

    /** The time that the notes a variation replaces have in one bar, from one of them on. */
    private static Ratio time(Timeline plain, Variation variation, int from, int bar) {
        Ratio sum = Ratio.ZERO;
        for (int n = from; n < variation.to() && plain.note(n).bar() == bar; n++) {
            sum = sum.plus(plain.note(n).note().length());
        }
        return sum;
    }

    /** The index that a note of the plain tune has now; of one that is replaced, that of the first note in its place. */
    public int now(int note) {
        return now.get(note);
    }

    /** The plain note that a note stands for: itself, or the first one that its variation replaces. */
    public int plain(int varied) {
        return plain.get(varied);
    }

    /** The kind of the variation that a note belongs to; empty for a note of the tune. */
    public String kind(int varied) {
        return kinds.get(varied);
    }

    /** Whether there is a note for each note of the plain tune, though it may be another. */
    public boolean isNoteForNote() {
        return plain.equals(now);
    }

    /** Whether anything is varied. */
    public boolean isVaried() {
        return kinds.stream().anyMatch(k -> !k.isEmpty());
    }

    /** Places chosen for notes of the plain tune, for the notes as they are counted now. */
    public Choices choices(Choices given) {
        return isVaried() ? given.renumbered(n -> n < now.size() && kind(now(n)).isEmpty() ? now(n) : -1) : given;
    }

    /** The varied tune in the hands that play the plain one; where nothing is varied, the plain situation itself. */
    public Situation situation(Situation plain) {
        return !isVaried() ? plain
                : Situation.of(tune, plain.instrument(), plain.school(), choices(plain.choices())).at(plain.tempo());
    }

    /** The index that a note of the plain tune has when a setting's variations are played before it. */
    private static int counted(int note, Setting setting) {
        int more = 0;
        for (Variation variation : setting.variations().headMap(note).values()) {
            if (variation.to() <= note) {
                more += variation.pitches().size() - (variation.to() - variation.from());
            }
        }
        return note + more;
    }

    /** A setting's ornaments on the notes as they are counted when its variations are played. */
    public static Setting counted(Setting setting) {
        SortedMap<Integer, List<String>> placed = new TreeMap<>();
        setting.byNote().forEach((note, ids) -> placed.put(counted(note, setting), ids));
        return new Setting(placed);
    }

    /** Places chosen for the plain tune, for the notes as they are counted when a setting's variations are played. */
    public static Choices counted(Choices choices, Setting setting) {
        return setting.isVaried()
                ? choices.renumbered(n -> setting.variationAt(n).isPresent() ? -1 : counted(n, setting)) : choices;
    }

    /** How many notes more a tune has when a setting's variations are played, as far as the plain notes are known. */
    public static int more(Setting setting, Map<Integer, List<Element>> was) {
        return setting.variations().values().stream().filter(v -> was.containsKey(v.from()))
                .mapToInt(v -> v.pitches().size() - (v.to() - v.from())).sum();
    }

    /**
     * The plain tune again: the inverse of playing a setting's variations.
     *
     * @param was the plain notes by the first that a variation replaces; variations without them stay as they are
     */
    public static Tune undone(Tune tune, Setting setting, Map<Integer, List<Element>> was) {
        Setting back = Setting.BARE;
        Timeline now = Timeline.of(tune);
        for (Variation variation : setting.variations().values()) {
            List<Element> notes = was.get(variation.from());
            int from = counted(variation.from(), setting);
            if (notes != null && from + variation.pitches().size() <= now.size()) {
                back = back.with(new Variation(from, from + variation.pitches().size(), variation.kind(), notes));
            }
        }
        return back.isVaried() ? of(now, back, false).tune().tune() : tune;
    }
}
