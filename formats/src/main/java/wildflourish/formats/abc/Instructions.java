package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Notation;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rounds;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Version;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/**
 * A ladder in {@code I:flourish …} instruction fields, which the standard has other readers ignore (section 3.1.18).
 *
 * <pre>
 * I:flourish instrument whistle-d
 * I:flourish tempo 1/2=100
 * I:flourish level fluent
 * I:flourish speed CUT 45 70
 * I:flourish school cut=upper-third roll=even
 * I:flourish capo 2
 * I:flourish at whistle-d 12 hoo ooo gentle
 * I:flourish rung 0 bare
 * I:flourish place 12 cut from 2
 * I:flourish elsewhere fiddle rung 0 bare
 * I:flourish elsewhere fiddle place 12 treble from 4
 * I:flourish phrase 30 starts
 * I:flourish phrase 34 joined
 * I:flourish phrase 30 name the climb
 * I:flourish phrase 30 remark keep it light
 * I:flourish density 4 5 1
 * I:flourish vary 12 13 connect from 3 F#4:1/8 E4:1/8
 * I:flourish was 12 - K:D F2
 * I:flourish locked 12
 * I:flourish forbid 14 cut
 * I:flourish free
 * I:flourish time 0,0,2,4:octave-down
 * I:flourish intro potatoes
 * I:flourish tag closing
 * I:flourish seed 17
 * I:flourish heads 12 1
 * I:flourish graces 14
 * I:flourish shown 2
 * </pre>
 * {@code elsewhere} has the rungs and placements of the ladders on other instruments; {@code speed} is a student's own floor and comfortable length in milliseconds where they differ from the level's;
 * {@code density} says how many ornaments, and weighty ones among them, a phrase of a rung bears; {@code vary} puts other
 * notes in place of those from one up to another on a rung and those above; {@code was} gives the plain notes that a
 * variation of the rung that is shown stands for; {@code locked}, {@code forbid} and {@code free} are wishes for growing;
 * {@code time} is a time through, with the rung of each pass through a part and what is varied besides, {@code seed} that of the
 * shuffle that made them; {@code phrase} is what the teacher has settled about the phrase that begins on a note;
 * {@code heads} says how many pitches of a note were added by its ornaments on the rung that is shown, {@code graces} names a
 * note of it that has graces of the tune's own;
 * {@code place} names the note (counted from 0), the ornament, and the lowest rung that has it; {@code shown} is the rung
 * whose signs stand on the notes; {@code at} a place chosen by hand for a note on an instrument.
 */
final class Instructions {

    static final String NAME = "flourish";

    private record Placed(int note, String ornament, int rung, int line) {}

    private record Vary(Variation variation, int rung, int line) {}

    private Instructions() {}

    /** The ladder of a tune, its tune freed of the signs of the rung that is shown; empty when the file holds none. */
    static Optional<Arrangement> read(Tune tune, List<AbcLine> lines, Findings findings) {
        if (lines.isEmpty()) {
            return Optional.empty();
        }
        Instrument instrument = Instruments.known("none");
        Tempo tempo = TuneType.tempoOf(tune.head());
        Speeds speeds = Speeds.level("fluent");
        School school = School.USUAL;
        Rungs rungs = new Rungs();
        Map<String, Rungs> elsewhere = new TreeMap<>();
        Choices choices = Choices.NONE;
        PhraseMarks marks = PhraseMarks.NONE;
        Map<Integer, Integer> heads = new TreeMap<>();
        Set<Integer> graced = new TreeSet<>();
        Map<Integer, List<Element>> was = new TreeMap<>();
        Wishes wishes = Wishes.NONE;
        Rounds rounds = Rounds.NONE;
        int capo = 0;
        int shown = -1;
        for (AbcLine line : lines) {
            String[] words = line.value().split("\\s+", 4);
            try {
                switch (words[1]) {
                    case "instrument" -> instrument = Instruments.known(words[2]);
                    case "tempo" -> tempo = Tempo.parse(words[2]);
                    case "level" -> speeds = Speeds.level(words[2]);
                    case "capo" -> capo = Integer.parseInt(words[2]);
                    case "at" -> {
                        String[] rest = words[3].split("\\s+", 2);
                        choices = choices.with(Instruments.known(words[2]), Integer.parseInt(rest[0]),
                                Optional.of(rest[1]));
                    }
                    case "school" -> school = school(line.value());
                    case "rung", "place", "vary", "density" -> rungs.take(
                            new String[] {words[1], words[2], words[3]}, line.number());
                    case "speed" -> speeds = speeds.with(words[2], words[3]);
                    case "elsewhere" -> elsewhere.computeIfAbsent(Instruments.known(words[2]).id(), i -> new Rungs())
                            .take(words[3].split("\\s+", 3), line.number());
                    case "phrase" -> marks = phrase(marks, Integer.parseInt(words[2]), words[3]);
                    case "heads" -> heads.put(Integer.parseInt(words[2]), Integer.parseInt(words[3]));
                    case "graces" -> graced.add(Integer.valueOf(words[2]));
                    case "was" -> was.put(Integer.parseInt(words[2]), Stretch.read(words[3], tune.head()));
                    case "locked" -> wishes = wishes.locking(Integer.parseInt(words[2]), true);
                    case "forbid" -> wishes = wishes.forbidding(Integer.parseInt(words[2]), words[3], true);
                    case "time" -> {
                        List<List<Rounds.Pass>> times = new ArrayList<>(rounds.times());
                        times.add(Arrays.stream(words[2].split(",")).map(Rounds.Pass::parse).toList());
                        rounds = new Rounds(times, rounds.intro(), rounds.tag(), rounds.seed());
                    }
                    case "intro" -> rounds = rounds.with(Rounds.Intro.valueOf(words[2].toUpperCase(Locale.ROOT)));
                    case "tag" -> rounds = rounds.with(Rounds.Tag.valueOf(words[2].toUpperCase(Locale.ROOT)));
                    case "seed" -> rounds = new Rounds(rounds.times(), rounds.intro(), rounds.tag(), Optional.of(Long.parseLong(words[2])));
                    case "free" -> wishes = wishes.freely(true);
                    case "shown" -> shown = Integer.parseInt(words[2]);
                    default -> throw new IllegalArgumentException("'" + words[1] + "' is not known");
                }
            } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
                findings.warning(line.number(), 1, "an instruction about the ladder cannot be read: " + e.getMessage(),
                        "remove the line, or write the tune out again");
            }
        }
        if (!rungs.areNamed()) {
            findings.warning(lines.getFirst().number(), 1, "the ladder's rungs are not all named",
                    "the tune was read without its ladder");
            return Optional.empty();
        }
        instrument = withCapo(instrument, capo, lines, findings);
        Tune read = Spelling.withoutHeads(tune, heads);
        Vocabulary vocabulary = Vocabulary.of(instrument);
        int notes = Timeline.of(read).size() - Varied.more(rungs.shown(shown), was);
        Ladder ladder = rungs.ladder(vocabulary, notes, findings);
        Tune plain = read;
        if (shown >= 0 && shown < ladder.size()) {
            Setting setting = ladder.setting(shown);
            List<Integer> missing = new ArrayList<>();
            Situation page = Situation.of(Timeline.of(read), instrument, school, Varied.counted(choices, setting));
            plain = Varied.undone(Spelling.plain(page, Varied.counted(setting), graced, missing), setting, was);
            for (int note : missing) {
                findings.warning(lines.getFirst().number(), 1,
                        "the signs on note %d are not those of its ladder".formatted(note + 1),
                        "they were kept as part of the plain tune");
            }
        }
        ladder = fitting(ladder, Timeline.of(plain), lines, findings);
        Arrangement arrangement = new Arrangement(
                plain, instrument, tempo, speeds, school, choices, marks, wishes, rounds, ladder, Map.of());
        for (Map.Entry<String, Rungs> other : elsewhere.entrySet()) {
            if (other.getValue().areNamed()) {
                arrangement = arrangement.keeping(other.getKey(), other.getValue().ladder(
                        Vocabulary.of(Instruments.known(other.getKey())), notes, findings));
                arrangement = arrangement.keeping(other.getKey(),
                        fitting(arrangement.elsewhere().get(other.getKey()), Timeline.of(plain), lines, findings));
            }
        }
        return Optional.of(arrangement);
    }

    private static PhraseMarks phrase(PhraseMarks marks, int note, String words) {
        String[] parts = words.split("\\s+", 2);
        return switch (parts[0]) {
            case "starts" -> marks.starting(note);
            case "joined" -> marks.joining(note);
            case "name" -> marks.naming(note, Optional.of(AbcText.unescape(parts[1])));
            case "remark" -> marks.remarking(note, Optional.of(AbcText.unescape(parts[1])));
            default -> throw new IllegalArgumentException("'" + parts[0] + "' is not known of a phrase");
        };
    }

    /** The ladder without variations that do not fit what they are to replace. */
    private static Ladder fitting(Ladder ladder, Timeline tune, List<AbcLine> lines, Findings findings) {
        Ladder fitting = ladder;
        for (Variation variation : ladder.setting(ladder.size() - 1).variations().values()) {
            if (!variation.fits(tune)) {
                findings.warning(lines.getFirst().number(), 1, "a variation does not fit the notes from %d on".formatted(variation.from()),
                        "it was left out");
                fitting = fitting.unvary(ladder.size() - 1, variation);
            }
        }
        return fitting;
    }

    private static List<String> lines(Rounds rounds) {
        List<String> lines = new ArrayList<>();
        rounds.times().forEach(t -> lines.add("time " + String.join(",", t.stream().map(Rounds.Pass::text).toList())));
        if (rounds.intro() != Rounds.Intro.NONE) {
            lines.add("intro " + rounds.intro().name().toLowerCase(Locale.ROOT));
        }
        if (rounds.tag() != Rounds.Tag.NONE) {
            lines.add("tag " + rounds.tag().name().toLowerCase(Locale.ROOT));
        }
        rounds.seed().ifPresent(s -> lines.add("seed " + s));
        return lines;
    }

    private static List<String> lines(PhraseMarks marks) {
        List<String> lines = new ArrayList<>();
        marks.joined().forEach(n -> lines.add("phrase " + n + " joined"));
        marks.starts().forEach(n -> lines.add("phrase " + n + " starts"));
        marks.names().forEach((n, name) -> lines.add("phrase " + n + " name " + AbcText.escape(name)));
        marks.remarks().forEach((n, remark) -> lines.add("phrase " + n + " remark " + AbcText.escape(remark)));
        return lines;
    }

    private static Instrument withCapo(Instrument instrument, int capo, List<AbcLine> lines, Findings findings) {
        try {
            return instrument.withCapo(capo);
        } catch (IllegalArgumentException e) {
            findings.warning(lines.getFirst().number(), 1, e.getMessage(), "the tune was read without it");
            return instrument;
        }
    }

    private static School school(String value) {
        School school = School.USUAL;
        for (String pair : Arrays.stream(value.split("\\s+")).skip(2).toList()) {
            String[] halves = pair.split("=", 2);
            school = school.with(halves[0], halves[1]);
        }
        return school;
    }

    /** The rungs of one ladder as they are read. */
    private static final class Rungs {

        private final TreeMap<Integer, String> names = new TreeMap<>();
        private final List<Placed> placed = new ArrayList<>();
        private final List<Vary> varied = new ArrayList<>();
        private final TreeMap<Integer, Density> densities = new TreeMap<>();

        /** Takes in {@code rung 0 bare} or {@code place 12 cut from 2}, in three words. */
        void take(String[] words, int line) {
            if (words[0].equals("rung")) {
                names.put(Integer.parseInt(words[1]), AbcText.unescape(words[2]));
            } else if (words[0].equals("density")) {
                String[] rest = words[2].split("\\s+");
                densities.put(Integer.parseInt(words[1]), new Density(Integer.parseInt(rest[0]), Integer.parseInt(rest[1])));
            } else if (words[0].equals("vary")) {
                String[] rest = words[2].split("\\s+", 5);
                if (!VariationKind.isKnown(rest[1])) {
                    throw new IllegalArgumentException("'" + rest[1] + "' is no variation");
                }
                varied.add(new Vary(new Variation(Integer.parseInt(words[1]), Integer.parseInt(rest[0]), rest[1],
                        Variation.parse(rest[4])), Integer.parseInt(rest[3]), line));
            } else if (words[0].equals("place")) {
                String[] rest = words[2].split("\\s+");
                placed.add(new Placed(Integer.parseInt(words[1]), rest[0], Integer.parseInt(rest[2]), line));
            } else {
                throw new IllegalArgumentException("'" + words[0] + "' is not known");
            }
        }

        /** The variations of the rung that is shown. */
        Setting shown(int rung) {
            Setting setting = Setting.BARE;
            for (Vary one : varied) {
                setting = one.rung() <= rung ? setting.with(one.variation()) : setting;
            }
            return setting;
        }

        boolean areNamed() {
            return !names.isEmpty() && names.firstKey() == 0 && names.lastKey() == names.size() - 1 && names.size() <= 50;
        }

        Ladder ladder(Vocabulary vocabulary, int notes, Findings findings) {
            List<Setting> settings = new ArrayList<>();
            names.values().forEach(n -> settings.add(Setting.BARE));
            for (Placed one : placed) {
                boolean known = vocabulary.byId(one.ornament()).isPresent() || Vocabulary.isAnywhere(one.ornament());
                if (!known || one.note() < 0 || one.note() >= notes || one.rung() < 0 || one.rung() >= settings.size()) {
                    findings.warning(one.line(), 1, "there is no place for '%s' on note %d".formatted(
                            one.ornament(), one.note()), "the placement was left out");
                    continue;
                }
                for (int r = one.rung(); r < settings.size(); r++) {
                    settings.set(r, settings.get(r).with(one.note(), one.ornament()));
                }
            }
            for (Vary one : varied) {
                if (one.variation().to() > notes || one.rung() < 0 || one.rung() >= settings.size()) {
                    findings.warning(one.line(), 1, "there is no room for the variation on note %d".formatted(one.variation().from()),
                            "it was left out");
                    continue;
                }
                for (int r = 0; r < settings.size(); r++) {
                    Setting with = settings.get(r).with(one.variation());
                    settings.set(r, r < one.rung() ? with.without(one.variation()) : with);
                }
            }
            List<Rung> rungs = new ArrayList<>();
            for (int r = 0; r < settings.size(); r++) {
                rungs.add(new Rung(names.get(r), settings.get(r), Optional.ofNullable(densities.get(r))));
            }
            return new Ladder(rungs);
        }

        static List<String> lines(Ladder ladder) {
            List<String> lines = new ArrayList<>();
            for (int r = 0; r < ladder.size(); r++) {
                lines.add("rung " + r + " " + AbcText.escape(ladder.rung(r).name()));
            }
            for (int r = 0; r < ladder.size(); r++) {
                int rung = r;
                ladder.rung(r).density().ifPresent(d -> lines.add("density " + rung + " " + d.perPhrase() + " " + d.heavyPerPhrase()));
            }
            ladder.setting(ladder.size() - 1).variations().values().forEach(v -> lines.add("vary " + v.from() + " " + v.to() + " "
                    + v.kind() + " from " + ladder.lowestWith(v) + " " + Variation.text(v.notes())));
            ladder.setting(ladder.size() - 1).byNote().forEach((note, ids) -> ids.forEach(id ->
                    lines.add("place " + note + " " + id + " from " + ladder.lowestWith(note, id))));
            return lines;
        }
    }

    /** The instruction fields of an arrangement, one a line. */
    static List<String> write(Arrangement arrangement, int shown) {
        List<String> lines = new ArrayList<>();
        lines.add("instrument " + arrangement.instrument().id());
        lines.add("tempo " + exact(arrangement.tempo()));
        Speeds level = arrangement.speeds().nearestLevel();
        lines.add("level " + level.name());
        for (Move move : Move.values()) {
            if (!arrangement.speeds().of(move).equals(level.of(move))) {
                lines.add("speed " + move.name() + " " + inWords(arrangement.speeds().of(move)));
            }
        }
        if (!arrangement.speeds().again().equals(level.again())) {
            lines.add("speed " + Speeds.AGAIN + " " + inWords(arrangement.speeds().again()));
        }
        if (arrangement.instrument().capo() > 0) {
            lines.add("capo " + arrangement.instrument().capo());
        }
        if (!arrangement.school().choices().isEmpty()) {
            lines.add("school " + String.join(" ", new TreeMap<>(arrangement.school().choices()).entrySet().stream()
                    .map(e -> e.getKey() + "=" + e.getValue()).toList()));
        }
        arrangement.choices().here().forEach((instrument, places) -> places.forEach((note, place) ->
                lines.add("at " + instrument + " " + note + " " + place)));
        lines.addAll(lines(arrangement.marks()));
        Ladder ladder = arrangement.ladder();
        lines.addAll(Rungs.lines(ladder));
        arrangement.elsewhere().forEach((instrument, other) ->
                Rungs.lines(other).forEach(l -> lines.add("elsewhere " + instrument + " " + l)));
        arrangement.wishes().locked().forEach(n -> lines.add("locked " + n));
        arrangement.wishes().forbidden().forEach((n, ids) -> ids.forEach(id -> lines.add("forbid " + n + " " + id)));
        if (arrangement.wishes().free()) {
            lines.add("free");
        }
        lines.addAll(lines(arrangement.rounds()));
        Timeline bare = Timeline.of(arrangement.tune());
        ladder.setting(shown).variations().values().forEach(v -> lines.add("was " + v.from() + " "
                + Stretch.write(bare.notes().subList(v.from(), v.to()), arrangement.tune().head())));
        Version played = arrangement.version(shown);
        List<Notation> signs = Spelling.signs(played.hands(), played.varied().setting());
        for (int note = 0; note < signs.size(); note++) {
            if (!signs.get(note).heads().isEmpty()) {
                lines.add("heads " + note + " " + signs.get(note).heads().size());
            }
        }
        played.varied().tune().notes().stream().filter(n -> !n.note().marks().graces().isEmpty())
                .forEach(n -> lines.add("graces " + n.index()));
        lines.add("shown " + shown);
        return lines.stream().map(l -> "I:" + NAME + " " + l).toList();
    }

    private static String inWords(Speeds.Span span) {
        return span.floor() + " " + span.comfortable();
    }

    private static String exact(Tempo tempo) {
        java.math.BigDecimal count = new java.math.BigDecimal(tempo.perMinute().numerator()).divide(
                new java.math.BigDecimal(tempo.perMinute().denominator()), 6, java.math.RoundingMode.HALF_UP);
        return tempo.beat() + "=" + count.stripTrailingZeros().toPlainString();
    }
}
