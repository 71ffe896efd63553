package wildflourish.formats.abc;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rounds;
import wildflourish.core.tune.Tempo;

/**
 * A keyword of the lines about a ladder, its reading and its writing side by side.
 *
 * @param read takes in what follows the keyword; throws {@link IllegalArgumentException} or {@link IndexOutOfBoundsException}
 *     when it cannot be understood
 * @param written what follows the keyword on each line that a page has of it
 */
record Keyword(String word, Reading read, Function<Page, List<String>> written) {

    /** Takes in the text of a line. */
    interface Reading {
        void take(Text text, Draft draft);
    }

    /**
     * What is written.
     *
     * @param shown the rung whose signs stand on the notes
     */
    record Page(Arrangement arrangement, int shown) {}

    /** What follows a keyword. */
    record Text(String all, int line) {

        /** A word of it, from 0. */
        String word(int index) {
            return all.split("\\s+")[index];
        }

        int number(int index) {
            return Integer.parseInt(word(index));
        }

        /** The words of a writer from a word on; may be none. */
        String words(int index) {
            String[] parts = all.split("\\s+", index + 1);
            return parts.length > index ? AbcText.unescape(parts[index]).strip() : "";
        }

        /** As {@link #words}, but not none. */
        String someWords(int index) {
            String words = words(index);
            if (words.isEmpty()) {
                throw new IllegalArgumentException("words are missing");
            }
            return words;
        }

        /** A number that is not below nought. */
        int amount(int index) {
            int amount = number(index);
            if (amount < 0) {
                throw new IllegalArgumentException("'%d' is below nought".formatted(amount));
            }
            return amount;
        }

        /** All of it from a word on. */
        String from(int index) {
            return all.split("\\s+", index + 1)[index];
        }
    }

    /** In the order in which they are written. */
    static final List<Keyword> ALL = List.of(
            new Keyword("instrument", (t, d) -> d.instrument = Instruments.known(t.word(0)), p -> List.of(p.arrangement.instrument().id())),
            new Keyword("tempo", (t, d) -> d.tempo = played(Tempo.parse(t.word(0))), p -> List.of(AbcWriter.tempo(p.arrangement.tempo()))),
            new Keyword("level", (t, d) -> d.speeds = Speeds.level(t.word(0)), p -> List.of(p.arrangement.speeds().nearestLevel().name())),
            new Keyword("speed", (t, d) -> d.speeds = d.speeds.with(t.word(0), t.from(1)), p -> speeds(p.arrangement.speeds())),
            new Keyword("capo", (t, d) -> d.capo = t.number(0), p -> some(p.arrangement.instrument().capo() > 0,
                    String.valueOf(p.arrangement.instrument().capo()))),
            new Keyword("school", (t, d) -> d.school = school(t.all), p -> some(!p.arrangement.school().choices().isEmpty(),
                    school(p.arrangement.school()))),
            new Keyword("at", (t, d) -> d.places.computeIfAbsent(Instruments.known(t.word(0)).id(), i -> new TreeMap<>()).put(t.number(1), t.from(2)),
                    p -> p.arrangement.choices().here().entrySet().stream().flatMap(i -> i.getValue().entrySet().stream()
                            .map(e -> i.getKey() + " " + e.getKey() + " " + e.getValue())).toList()),
            new Keyword("phrase", (t, d) -> phrase(d.phrases, t.number(0), t.word(1), t), p -> phrases(p.arrangement.marks())),
            new Keyword("rung", (t, d) -> d.rungs.name(t), p -> Rungs.names(p.arrangement.ladder())),
            new Keyword("density", (t, d) -> d.rungs.density(t), p -> Rungs.densities(p.arrangement.ladder())),
            new Keyword("vary", (t, d) -> d.rungs.vary(t), p -> Rungs.variations(p.arrangement.ladder())),
            new Keyword("place", (t, d) -> d.rungs.place(t), p -> Rungs.placements(p.arrangement.ladder())),
            new Keyword("elsewhere", (t, d) -> d.elsewhere(t), Keyword::elsewhere),
            new Keyword("locked", (t, d) -> d.locked.add(t.number(0)),
                    p -> p.arrangement.wishes().locked().stream().map(String::valueOf).toList()),
            new Keyword("forbid", (t, d) -> d.forbidden.computeIfAbsent(t.number(0), n -> new TreeSet<>()).add(t.from(1)),
                    p -> p.arrangement.wishes().forbidden().entrySet().stream()
                            .flatMap(e -> e.getValue().stream().map(id -> e.getKey() + " " + id)).toList()),
            new Keyword("free", (t, d) -> d.free = true, p -> some(p.arrangement.wishes().free(), "")),
            new Keyword("time", (t, d) -> d.times.add(Arrays.stream(t.word(0).split(",")).map(Rounds.Pass::parse).toList()),
                    p -> p.arrangement.rounds().times().stream()
                            .map(time -> time.stream().map(Rounds.Pass::text).collect(Collectors.joining(","))).toList()),
            new Keyword("intro", (t, d) -> d.rounds = d.rounds.with(Rounds.Intro.valueOf(upper(t.word(0)))),
                    p -> some(p.arrangement.rounds().intro() != Rounds.Intro.NONE, lower(p.arrangement.rounds().intro()))),
            new Keyword("tag", (t, d) -> d.rounds = d.rounds.with(Rounds.Tag.valueOf(upper(t.word(0)))),
                    p -> some(p.arrangement.rounds().tag() != Rounds.Tag.NONE, lower(p.arrangement.rounds().tag()))),
            new Keyword("seed", (t, d) -> d.seed(Long.parseLong(t.word(0))),
                    p -> p.arrangement.rounds().seed().stream().map(String::valueOf).toList()),
            new Keyword("waiting", (t, d) -> d.hold("waiting " + t.all), p -> List.of()),
            new Keyword("was", (t, d) -> d.was.put(t.number(0), NoteLine.read(t.from(1), d.head)), OnThePage::was),
            new Keyword("heads", (t, d) -> d.heads.put(t.number(0), t.amount(1)), OnThePage::heads),
            new Keyword("graces", (t, d) -> d.graced.add(t.number(0)), OnThePage::graces),
            new Keyword("shown", (t, d) -> d.shown = t.number(0), p -> List.of(String.valueOf(p.shown))));

    private static final Map<String, Keyword> BY_WORD = ALL.stream().collect(Collectors.toMap(Keyword::word, k -> k));

    /** The keyword of a word; throws {@link IllegalArgumentException} when there is none. */
    static Keyword of(String word) {
        return Optional.ofNullable(BY_WORD.get(word)).orElseThrow(() -> new IllegalArgumentException("'" + word + "' is not known"));
    }

    private static List<String> some(boolean there, String text) {
        return there ? List.of(text) : List.of();
    }

    private static String upper(String word) {
        return word.toUpperCase(Locale.ROOT);
    }

    private static String lower(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }

    private static Tempo played(Tempo tempo) {
        if (!tempo.isPlayable()) {
            throw new IllegalArgumentException("no one plays at that tempo");
        }
        return tempo;
    }

    private static List<String> speeds(Speeds speeds) {
        return speeds.differences(speeds.nearestLevel()).entrySet().stream().map(e -> upper(e.getKey().replace('-', '_')) + " " + e.getValue().replace('/', ' ')).toList();
    }

    private static School school(String pairs) {
        School school = School.USUAL;
        for (String pair : pairs.split("\\s+")) {
            String[] halves = pair.split("=", 2);
            school = school.with(halves[0], halves[1]);
        }
        return school;
    }

    private static String school(School school) {
        return new TreeMap<>(school.choices()).entrySet().stream().map(e -> e.getKey() + "=" + e.getValue()).collect(Collectors.joining(" "));
    }

    private static void phrase(Draft.Marked phrases, int note, String what, Text text) {
        switch (what) {
            case "starts" -> phrases.start(note);
            case "joined" -> phrases.join(note);
            case "name" -> phrases.names().put(note, PhraseMarks.tidy(text.someWords(2)));
            case "remark" -> phrases.remarks().put(note, PhraseMarks.tidy(text.someWords(2)));
            default -> throw new IllegalArgumentException("'" + what + "' is not known of a phrase");
        }
    }

    private static List<String> phrases(PhraseMarks marks) {
        List<String> lines = new java.util.ArrayList<>();
        marks.joined().forEach(n -> lines.add(n + " joined"));
        marks.starts().forEach(n -> lines.add(n + " starts"));
        marks.names().forEach((n, name) -> lines.add(n + " name " + AbcText.escape(name)));
        marks.remarks().forEach((n, remark) -> lines.add(n + " remark " + AbcText.escape(remark)));
        return lines;
    }

    private static List<String> elsewhere(Page page) {
        return page.arrangement.elsewhere().entrySet().stream()
                .flatMap(e -> Rungs.lines(e.getValue()).stream().map(l -> e.getKey() + " " + l)).toList();
    }
}
