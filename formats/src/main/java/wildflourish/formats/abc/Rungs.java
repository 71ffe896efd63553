package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.IntStream;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.SettingBuilder;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Timeline;

/** The rungs of one ladder as they are read, and their lines. */
final class Rungs {

    private record Placed(int note, String ornament, int rung, Keyword.Text text) {}

    private record Varied(Variation variation, int rung, Keyword.Text text) {}

    private final SortedMap<Integer, String> names = new TreeMap<>();
    private final List<Placed> placed = new ArrayList<>();
    private final List<Varied> varied = new ArrayList<>();
    private final SortedMap<Integer, Density> densities = new TreeMap<>();

    private final List<Keyword.Text> taken = new ArrayList<>();

    /** What cannot stand where it is said to, told and kept. */
    interface Misfit {
        void keep(String line, int number, String what);
    }

    /** {@code 0 bare}. */
    void name(Keyword.Text text) {
        names.put(text.number(0), text.words(1));
    }

    /** {@code 4 5 1}. */
    void density(Keyword.Text text) {
        densities.put(text.number(0), new Density(text.number(1), text.number(2)));
    }

    /** {@code 12 13 connect from 3 F#4:1/8 E4:1/8}. */
    void vary(Keyword.Text text) {
        if (!VariationKind.isKnown(text.word(2))) {
            throw new IllegalArgumentException("'" + text.word(2) + "' is no variation");
        }
        varied.add(new Varied(new Variation(text.number(0), text.number(1), text.word(2), Variation.parse(text.from(5))), text.number(4), text));
    }

    /** {@code 12 cut from 2}. */
    void place(Keyword.Text text) {
        placed.add(new Placed(text.number(0), text.word(1), text.number(3), text));
    }

    /** Takes in a line of these, keyword and all. */
    void take(Keyword.Text text) {
        Keyword.Text rest = new Keyword.Text(text.from(1), text.line());
        switch (text.word(0)) {
            case "rung" -> name(rest);
            case "density" -> density(rest);
            case "vary" -> vary(rest);
            case "place" -> place(rest);
            default -> throw new IllegalArgumentException("'" + text.word(0) + "' is not known");
        }
        taken.add(text);
    }

    /** Takes in what has been said of the same ladder elsewhere. */
    void takeAll(Rungs other) {
        placed.addAll(other.placed);
        varied.addAll(other.varied);
        names.putAll(other.names);
        densities.putAll(other.densities);
    }

    /** Everything that {@link #take} took, for a ladder that cannot be built. */
    void keep(Misfit misfit) {
        taken.forEach(t -> misfit.keep(t.all(), t.line(), "the rungs of this ladder are not all named"));
    }

    /** The variations of the rung that is shown. */
    Setting shown(int rung) {
        SettingBuilder setting = new SettingBuilder();
        varied.stream().filter(one -> one.rung() <= rung).forEach(one -> setting.vary(one.variation()));
        return setting.build();
    }

    boolean areNamed() {
        return !names.isEmpty() && names.firstKey() == 0 && names.lastKey() == names.size() - 1 && names.size() <= 50;
    }

    /**
     * The ladder.
     *
     * @param notes how many the plain tune has
     */
    Ladder ladder(Instrument instrument, int notes, Misfit misfit) {
        Vocabulary vocabulary = Vocabulary.of(instrument);
        List<SettingBuilder> settings = names.values().stream().map(n -> new SettingBuilder()).toList();
        for (Placed one : placed) {
            boolean known = vocabulary.byId(one.ornament()).isPresent() || Vocabulary.isAnywhere(one.ornament());
            if (!known || one.note() < 0 || one.note() >= notes || one.rung() < 0 || one.rung() >= settings.size()) {
                misfit.keep("place " + one.text().all(), one.text().line(),
                        "there is no place for '%s' on note %d".formatted(one.ornament(), one.note()));
                continue;
            }
            settings.subList(one.rung(), settings.size()).forEach(s -> s.place(one.note(), one.ornament()));
        }
        for (Varied one : varied) {
            if (one.variation().to() > notes || one.rung() < 0 || one.rung() >= settings.size()) {
                misfit.keep("vary " + one.text().all(), one.text().line(),
                        "there is no room for the variation on note %d".formatted(one.variation().from()));
                continue;
            }
            settings.subList(0, one.rung()).forEach(s -> s.clear(one.variation()));
            settings.subList(one.rung(), settings.size()).forEach(s -> s.vary(one.variation()));
        }
        return new Ladder(IntStream.range(0, settings.size())
                .mapToObj(r -> new Rung(names.getOrDefault(r, ""), settings.get(r).build(), Optional.ofNullable(densities.get(r)))).toList());
    }

    /** The ladder without variations that do not fit what they are to replace. */
    Ladder fitting(Ladder ladder, Timeline tune, Misfit misfit) {
        Set<Variation> unfit = new HashSet<>();
        for (Varied one : varied) {
            Variation variation = one.variation();
            if (ladder.lowestWith(variation) >= 0 && !variation.fits(tune)) {
                misfit.keep("vary " + one.text().all(), one.text().line(),
                        "a variation does not fit the notes from %d on".formatted(variation.from()));
                unfit.add(variation);
            }
        }
        return unfit.isEmpty() ? ladder : ladder.without(unfit);
    }

    static List<String> names(Ladder ladder) {
        return IntStream.range(0, ladder.size()).mapToObj(r -> r + " " + AbcText.escape(ladder.rung(r).name())).toList();
    }

    static List<String> densities(Ladder ladder) {
        return IntStream.range(0, ladder.size()).boxed().flatMap(r -> ladder.rung(r).density().stream()
                .map(d -> r + " " + d.perPhrase() + " " + d.heavyPerPhrase())).toList();
    }

    static List<String> variations(Ladder ladder) {
        return ladder.setting(ladder.size() - 1).variations().values().stream().map(v -> "%d %d %s from %d %s".formatted(
                v.from(), v.to(), v.kind(), ladder.lowestWith(v), Variation.text(v.notes()))).toList();
    }

    static List<String> placements(Ladder ladder) {
        return ladder.setting(ladder.size() - 1).byNote().entrySet().stream().flatMap(e -> e.getValue().stream()
                .map(id -> "%d %s from %d".formatted(e.getKey(), id, ladder.lowestWith(e.getKey(), id)))).toList();
    }

    /** All of a ladder's lines, each with its keyword. */
    static List<String> lines(Ladder ladder) {
        List<String> lines = new ArrayList<>();
        names(ladder).forEach(l -> lines.add("rung " + l));
        densities(ladder).forEach(l -> lines.add("density " + l));
        variations(ladder).forEach(l -> lines.add("vary " + l));
        placements(ladder).forEach(l -> lines.add("place " + l));
        return lines;
    }
}
