package wildflourish.core.ornament;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.Standing;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.Tune;

/** Every ornament of every family on every note of a tune that has all kinds of them: what it is there, how it is done, and what is heard. */
class OrnamentsStandingTest {

    private static final Tempo STEADY = Tempo.parse("1/4=100");
    private static final Speeds FLUENT = Speeds.level("fluent");
    /** Repeated notes, leaps, runs, a third, long ones, a rest, a triplet, chords, notes out of the key and at both ends of the range. */
    private static final String NOTES = "D4 E4 F#4@D A4 G4:2 G4 B4 | A4:3@Am A4 B4:2/3 C5:2/3 D5:2/3 E5:2 | z:2 D5:3@Bdim F#5 G5 E5 | C#5:4@G D5:2- D5:2 | A5:2 B5 B5 G3 A3 D4:2 | E4:8@Em |";

    private static Situation on(String instrument, School school) {
        return Tunes.on(instrument, school, NOTES);
    }

    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-bellows-d", "pipes-nine-note", "recorder-alto-f", "fiddle", "mandolin", "tenor-banjo", "banjo-five-string", "accordion-bc", "melodeon-dg", "anglo-cg", "english-48"})
    void whatEachOrnamentIsOnEachNote(String instrument) throws IOException {
        Situation situation = on(instrument, School.USUAL);
        List<String> lines = new ArrayList<>();
        for (Ornament ornament : situation.vocabulary().all()) {
            lines.add("%s: %s".formatted(ornament.id(), verdicts(situation, List.of(ornament))));
            first(situation, ornament).ifPresent(note -> lines.addAll(details(situation, ornament, note)));
            obstacles(situation, ornament).forEach(why -> lines.add("  not where: " + why));
        }
        assertThat(Standing.differing("ornaments/" + instrument, lines)).isEmpty();
    }

    /** Each with each, on one note and on two that follow one another; in the other schools too. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-bellows-d", "pipes-nine-note", "recorder-alto-f", "fiddle", "mandolin", "tenor-banjo", "banjo-five-string", "accordion-bc", "melodeon-dg", "anglo-cg", "english-48"})
    void whatTheyAreTogether(String instrument) throws IOException {
        Situation situation = on(instrument, School.USUAL);
        List<Ornament> all = situation.vocabulary().all();
        List<String> lines = new ArrayList<>();
        for (int note : new int[] {4, 6, 14}) {
            lines.add("with one another on %s, and before one another".formatted(situation.tune().note(note).pitch()));
            for (Ornament one : all) {
                StringBuilder stacked = new StringBuilder();
                StringBuilder following = new StringBuilder();
                for (Ornament other : all) {
                    stacked.append(Gestures.played(situation, note, List.of(one, other)).size()).append(letter(Playability.of(situation, note, List.of(one, other), STEADY, FLUENT)));
                    following.append(letter(Playability.of(situation, note, List.of(one), n -> n == note + 1 ? List.of(other) : List.of(), STEADY, FLUENT)));
                }
                lines.add("  %s: %s  %s".formatted(one.id(), stacked, following));
            }
        }
        for (School.Choice choice : School.of(situation.instrument().family())) {
            for (School.Value value : choice.values()) {
                Situation other = on(instrument, School.USUAL.with(choice.name(), value.id()));
                lines.add("%s=%s".formatted(choice.name(), value.id()));
                all.stream().filter(o -> !verdicts(other, List.of(o)).equals(verdicts(situation, List.of(o))) || !parts(other, o).equals(parts(situation, o)))
                        .forEach(o -> lines.add("  %s: %s; %s".formatted(o.id(), verdicts(other, List.of(o)), parts(other, o))));
            }
        }
        for (Ornament one : all) {
            String elsewhere = Family.all().stream().map(f -> "%s %s%s".formatted(f.id(), Equivalents.of(one, situation.instrument().family(), Vocabulary.of(f), f).stream().map(Ornament::id).toList(),
                    Equivalents.without(one, situation.instrument().family(), f).map(w -> " (" + w + ")").orElse(""))).collect(Collectors.joining(", "));
            lines.add("%s elsewhere: %s".formatted(one.id(), elsewhere));
            lines.add("  gives way to %s; takes up %s, between equal notes %s; a cut into %s; %s".formatted(ids(all, one::givesWayTo), ids(all, o -> one.takesUp(o, false)), ids(all, o -> one.takesUp(o, true)),
                    ids(all, one::isCutInto), Ornament.busy(List.of(one))));
        }
        assertThat(Standing.differing("ornaments/" + instrument + "-together", lines)).isEmpty();
    }

    /** A tune that has graces, chords, ties over bar lines, a change of tempo and two endings of its own, on each instrument. */
    @ParameterizedTest
    @ValueSource(strings = {"whistle-d", "pipes-bellows-d", "pipes-nine-note", "recorder-alto-f", "fiddle", "mandolin", "banjo-five-string", "accordion-bc", "melodeon-dg", "anglo-cg", "english-48", "none"})
    void whatIsHeardOfWhatIsWritten(String instrument) throws IOException {
        Tune plain = Tunes.of(Meter.of(4, 4), Tunes.d(), "|: D4:2 G4 B4:5- | B4:2 B4 z:1 A4:2 A4:2- | [1 A4:4 z:4 :| [2 A4:2 F#4:2 D5:4 ||");
        List<Bar> bars = new ArrayList<>();
        for (Bar bar : plain.bars()) {
            List<Element> elements = new ArrayList<>();
            for (Element element : bar.elements()) {
                if (element instanceof Note note && note.pitch().equals(Pitch.parse("G4"))) {
                    elements.add(note.withMarks(note.marks().withGraces(List.of(Pitch.parse("A4"), Pitch.parse("F#4"), Pitch.parse("C3")))));
                } else if (element instanceof Note note && note.pitch().equals(Pitch.parse("F#4"))) {
                    elements.add(Change.to(Tempo.parse("1/4=60")));
                    elements.add(note.withPitches(List.of(Pitch.parse("D4"), Pitch.parse("F#4"), Pitch.parse("A4"), Pitch.parse("C2"))));
                } else {
                    elements.add(element);
                }
            }
            bars.add(new Bar(bar.number(), elements, bar.closing(), bar.ending(), bar.part(), false));
        }
        Situation situation = Situation.of(Timeline.of(new Tune(plain.head(), plain.opening(), bars)), Instruments.known(instrument), School.USUAL);
        List<String> lines = new ArrayList<>();
        for (Ornament ornament : situation.vocabulary().all().stream().limit(3).toList()) {
            Performance performance = Realiser.perform(situation, Map.of(1, List.of(ornament), 4, List.of(ornament), 9, List.of(ornament)), STEADY, FLUENT);
            lines.add("%s: %s ms".formatted(ornament.id(), Math.round(performance.durationMs())));
            performance.sounds().forEach(s -> lines.add("  %s %d %s %s".formatted(s.role(), s.midi(), s.start(), time(s.atMs(), s.forMs()))));
        }
        Realiser.perform(situation, Map.of(), STEADY, FLUENT).sounds().forEach(s -> lines.add("%s %d %s %s bar %d note %d".formatted(s.role(), s.midi(), s.start(), time(s.atMs(), s.forMs()), s.bar(), s.note())));
        assertThat(Standing.differing("ornaments/" + instrument + "-as-written", lines)).isEmpty();
    }

    private static List<String> ids(List<Ornament> all, Predicate<Ornament> which) {
        return all.stream().filter(which).map(Ornament::id).toList();
    }

    private static String verdicts(Situation situation, List<Ornament> stack) {
        StringBuilder line = new StringBuilder();
        for (int note = 0; note < situation.tune().size(); note++) {
            Verdict verdict = Playability.of(situation, note, stack, STEADY, FLUENT);
            line.append(' ').append(letter(verdict));
            verdict.cleanUpTo().ifPresent(t -> line.append(Math.round(t.in(wildflourish.core.tune.Ratio.of(1, 4)).perMinute().toDouble())));
        }
        return line.substring(1);
    }

    private static char letter(Verdict verdict) {
        return switch (verdict) {
            case Verdict.Clean c -> 'c';
            case Verdict.Tight t -> 't';
            case Verdict.TooFast f -> 'f';
            case Verdict.Impossible i -> '-';
        };
    }

    private static Optional<Integer> first(Situation situation, Ornament ornament) {
        for (int note = 0; note < situation.tune().size(); note++) {
            if (!Playability.of(situation, note, List.of(ornament), STEADY, FLUENT).isBlocked()) {
                return Optional.of(note);
            }
        }
        return Optional.empty();
    }

    private static String parts(Situation situation, Ornament ornament) {
        return first(situation, ornament).map(n -> Gestures.make(situation, n, List.of(ornament))).map(Making::toString).orElse("nowhere");
    }

    private static List<String> details(Situation situation, Ornament ornament, int note) {
        Stand stand = situation.tune().note(note);
        Gesture gesture = ((Making.Made) Gestures.make(situation, note, List.of(ornament))).gesture();
        List<String> lines = new ArrayList<>();
        lines.add("  on %s: %s".formatted(stand.pitch(), Playability.of(situation, note, List.of(ornament), STEADY, FLUENT).inWords()));
        lines.add("  how: " + HowTo.inWords(ornament, gesture, stand.pitch()));
        lines.add("  moves: " + HowTo.fingers(ornament, gesture));
        lines.add("  parts: %s%s | %s | %s".formatted(gesture.moved() ? "elsewhere, " : "", parts(gesture.lead()), gesture.pulses().stream().map(p -> "%s %s".formatted(p.length(), parts(p.parts()))).collect(Collectors.joining("; ")), parts(gesture.along())));
        for (boolean spelled : new boolean[] {false, true}) {
            Notation notation = Notation.of(gesture, situation.vocabulary(), situation.tune().tune().head().key(), spelled);
            lines.add("  written: %s %s %s %s %s%s".formatted(notation.decorations(), notation.graces(), notation.nextGraces(), notation.heads(), notation.words(), notation.slurred() ? " slurred" : ""));
        }
        Performance performance = Realiser.perform(situation, Map.of(note, List.of(ornament)), STEADY, FLUENT);
        Performance bare = Realiser.perform(situation, Map.of(), STEADY, FLUENT);
        lines.add("  heard: " + performance.sounds().stream().filter(s -> !bare.sounds().contains(s)).map(s -> "%s %d %s %s".formatted(s.role(), s.midi(), s.start(), time(s.atMs(), s.forMs()))).collect(Collectors.joining(", ")));
        lines.add("  done: " + performance.moves().stream().filter(m -> !bare.moves().contains(m)).map(m -> "%s %s %s".formatted(m.move(), HowTo.means(m.means()), time(m.atMs(), m.forMs()))).collect(Collectors.joining(", ")));
        Unfolding unfolding = Unfolding.of(gesture, stand.pitch(), STEADY, FLUENT, situation.strokes().at(note));
        lines.add("  unfolded: " + unfolding.sounds().stream().map(h -> "%s%s%s%s %s".formatted(h.pitch(), h.glidesFrom().map(p -> " from " + p).orElse(""), h.along() ? " along" : "", h.fresh() ? " fresh" : "", time(h.fromMs(), h.toMs()))).collect(Collectors.joining(", "))
                + " | " + unfolding.lanes().stream().map(l -> l.name() + " " + l.spans().stream().map(s -> s.word() + " " + time(s.fromMs(), s.toMs())).toList()).collect(Collectors.joining(", ")));
        return lines;
    }

    private static String parts(List<Gesture.Part> parts) {
        return parts.stream().map(p -> "%s %s %s".formatted(p.move(), p.pitch(), HowTo.means(p.means()))).collect(Collectors.joining(", "));
    }

    private static String time(double from, double to) {
        return String.format(Locale.ROOT, "%.0f+%.0f", from, to);
    }

    private static List<String> obstacles(Situation situation, Ornament ornament) {
        List<String> why = new ArrayList<>();
        for (int note = 0; note < situation.tune().size(); note++) {
            if (Playability.of(situation, note, List.of(ornament), STEADY, FLUENT) instanceof Verdict.Impossible(var obstacle) && !why.contains(obstacle.inWords())) {
                why.add(obstacle.inWords());
            }
        }
        return why;
    }
}
