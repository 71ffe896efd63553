package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rounds;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.book.Findings;

/** What the lines about a ladder have said so far. */
final class Draft {

    final Head head;
    Instrument instrument = Instruments.known("none");
    Tempo tempo;
    Speeds speeds = Speeds.level(Speeds.USUAL);
    School school = School.USUAL;
    final Map<String, SortedMap<Integer, String>> places = new TreeMap<>();
    final Marked phrases = new Marked(new TreeSet<>(), new TreeSet<>(), new TreeMap<>(), new TreeMap<>());
    final SortedSet<Integer> locked = new TreeSet<>();
    final SortedMap<Integer, SortedSet<String>> forbidden = new TreeMap<>();
    boolean free;
    final List<List<Rounds.Pass>> times = new ArrayList<>();
    Rounds rounds = Rounds.NONE;
    int capo;
    int shown = -1;
    final Rungs rungs = new Rungs();
    final Map<Integer, Integer> heads = new TreeMap<>();
    final Set<Integer> graced = new TreeSet<>();
    final Map<Integer, List<Element>> was = new TreeMap<>();
    private final Map<String, Rungs> elsewhere = new TreeMap<>();
    private final List<String> unread = new ArrayList<>();
    private final Tune tune;
    private final Findings findings;

    /** What has been said of phrases. */
    record Marked(SortedSet<Integer> starts, SortedSet<Integer> joined, SortedMap<Integer, String> names, SortedMap<Integer, String> remarks) {

        void start(int note) {
            starts.add(note);
            joined.remove(note);
        }

        void join(int note) {
            starts.remove(note);
            joined.add(note);
            names.remove(note);
            remarks.remove(note);
        }

        PhraseMarks marks() {
            return new PhraseMarks(starts, joined, names, remarks);
        }
    }

    /** A draft about a tune as it stands on the page. */
    Draft(Tune tune, Findings findings) {
        this.tune = tune;
        this.head = tune.head();
        this.tempo = TuneType.tempoOf(head);
        this.findings = findings;
    }

    /** Keeps a line that is not understood, and tells so. */
    void keep(String line, int number, String why) {
        unread.add(line);
        findings.warning(number, 1, why, "the line is kept as it stands, and written back");
    }

    /** Keeps a line that belongs to the arrangement as it stands. */
    void hold(String line) {
        unread.add(line);
    }

    /** What was kept. */
    List<String> unread() {
        return unread;
    }

    /** A line of the ladder on another instrument. */
    void elsewhere(Keyword.Text text) {
        String id = Instruments.known(text.word(0)).id();
        elsewhere.computeIfAbsent(id, i -> new Rungs()).take(new Keyword.Text(text.from(1), text.line()));
    }

    void seed(long seed) {
        rounds = new Rounds(rounds.times(), rounds.intro(), rounds.tag(), Optional.of(seed));
    }

    /** The arrangement that they make, its tune freed of the signs of the rung that is shown; empty where the rungs are not all named. */
    Optional<Arrangement> arrangement(int firstLine) {
        Optional.ofNullable(elsewhere.remove(instrument.id())).ifPresent(rungs::takeAll);
        if (!rungs.areNamed()) {
            return Optional.empty();
        }
        Instrument held = withCapo(firstLine);
        Choices choices = new Choices(places, Map.of());
        Tune read = Spelling.withoutHeads(tune, heads);
        int notes = Timeline.of(read).size() - Varied.more(rungs.shown(shown), was);
        Ladder ladder = rungs.ladder(held, notes, on(held.id()));
        Tune plain = read;
        if (shown >= 0 && shown < ladder.size()) {
            Setting setting = ladder.setting(shown);
            List<Integer> missing = new ArrayList<>();
            Situation page = Situation.of(Timeline.of(read), held, school, Varied.counted(choices, setting));
            plain = Varied.undone(Spelling.plain(page, Varied.counted(setting), graced, missing), setting, was);
            for (int note : missing) {
                findings.warning(firstLine, 1, "the signs on note %d are not those of its ladder".formatted(note + 1),
                        "they were kept as part of the plain tune");
            }
        }
        Timeline timeline = Timeline.of(plain);
        ladder = rungs.fitting(ladder, timeline, on(held.id()));
        Map<String, Ladder> others = new TreeMap<>();
        elsewhere.forEach((id, theirs) -> {
            if (theirs.areNamed()) {
                others.put(id, theirs.fitting(theirs.ladder(Instruments.known(id), notes, on(id)), timeline, on(id)));
            } else {
                theirs.keep(on(id));
            }
        });
        return Optional.of(new Arrangement(plain, held, tempo, speeds, school, choices, phrases.marks(), new Wishes(locked, forbidden, free),
                new Rounds(times, rounds.intro(), rounds.tag(), rounds.seed()), ladder, others, unread));
    }

    /** What does not fit is kept with the instrument that it was meant for, so that it finds its ladder again. */
    private Rungs.Misfit on(String id) {
        return (line, number, what) -> keep("elsewhere " + id + " " + line, number, what);
    }

    private Instrument withCapo(int line) {
        try {
            return instrument.withCapo(capo);
        } catch (IllegalArgumentException e) {
            findings.warning(line, 1, String.valueOf(e.getMessage()), "the tune was read without it");
            return instrument;
        }
    }
}
