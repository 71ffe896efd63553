package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;

/** Writes tunes as ABC notation that any reader of the standard understands. */
public final class AbcWriter {

    private static final Map<String, String> SHORT = Map.of("staccato", ".", "roll", "~", "upbow", "u", "downbow", "v",
            "trill", "T", "fermata", "H");

    private final StringBuilder out = new StringBuilder();
    private final Map<Step, Integer> accidentals = new EnumMap<>(Step.class);
    /** Pitches that a tie carries over the bar line into the first note of a bar, as a reader takes them. */
    private List<Pitch> tiedOver = List.of();
    private Key key = Key.NONE;
    private Ratio unit = Ratio.of(1, 8);

    private AbcWriter() {}

    /** A plain tune. */
    public static String write(Tune tune) {
        return write(tune, List.of());
    }

    /** A plain tune with what its file said about a ladder that was not understood. */
    public static String write(Tune tune, List<String> unread) {
        return new AbcWriter().text(tune, Instructions.fields(unread));
    }

    /**
     * A tune with its ladder: the signs of one rung stand on the notes for every reader, the whole ladder in instruction
     * fields for this one.
     */
    public static String write(Arrangement arrangement, int shownRung) {
        Version version = arrangement.version(shownRung);
        Tune spelled = Spelling.spelled(version.hands(), version.varied().setting());
        return new AbcWriter().text(spelled, Instructions.write(arrangement, shownRung));
    }

    private AbcWriter begun(Tune tune, List<String> instructions) {
        Head head = tune.head();
        unit = head.unit();
        key = head.key();
        field('X', String.valueOf(head.number()));
        head.titles().forEach(t -> field('T', t));
        head.composers().forEach(c -> field('C', c));
        if (!head.rhythm().isEmpty()) {
            field('R', head.rhythm());
        }
        head.fields().stream().filter(f -> f.after() == 0 && f.letter() != 'W').forEach(f -> field(f.letter(), f.text()));
        out.append("M:").append(head.meter()).append('\n');
        out.append("L:").append(head.unit()).append('\n');
        head.tempo().ifPresent(t -> out.append("Q:").append(tempo(t)).append('\n'));
        if (!head.order().isEmpty()) {
            field('P', head.order());
        }
        instructions.forEach(i -> out.append(i).append('\n'));
        out.append("K:").append(key(key)).append('\n');
        return this;
    }

    /** The head of a tune, its key last. */
    static String head(Tune tune) {
        return new AbcWriter().begun(tune, List.of()).out.toString();
    }

    private String text(Tune tune, List<String> instructions) {
        Head head = tune.head();
        begun(tune, instructions);
        OtherVoices.own(tune).ifPresent(v -> out.append("V:").append(v).append('\n'));
        body(tune);
        head.fields().stream().filter(f -> f.after() > tune.bars().size() && f.letter() != 'V' || f.letter() == 'W').forEach(f -> field(f.letter(), f.text()));
        OtherVoices.texts(tune).forEach(v -> out.append("V:").append(v).append('\n'));
        return out.append('\n').toString();
    }

    /** The music of a voice beside a melody, in the key and the unit of the melody's head. */
    static String music(Tune voice, Head melody) {
        AbcWriter writer = new AbcWriter();
        writer.unit = melody.unit();
        writer.key = voice.head().key();
        if (!voice.head().key().equals(melody.key())) {
            writer.out.append("[K:").append(key(voice.head().key())).append(']');
        }
        if (!voice.head().meter().equals(melody.meter())) {
            writer.out.append("[M:").append(voice.head().meter()).append(']');
        }
        writer.body(voice);
        return writer.out.toString().strip();
    }

    private void field(char letter, String text) {
        if (letter == '%') {
            out.append('%').append(AbcText.printable(text)).append('\n');
            return;
        }
        // A text that begins like a bar line would be taken for music.
        // What says how a voice is written is no text string, and is kept as it came.
        String escaped = letter == 'V' ? AbcText.printable(text) : AbcText.escape(text);
        out.append(letter).append(AbcLine.isBarLineAt(text, 0) ? ": " : ":").append(letter == 'w' ? escaped.replace("\\\\-", "\\-") : escaped).append('\n');
    }

    private void body(Tune tune) {
        String opening = barLine(tune.opening());
        out.append(opening);
        boolean lineStart = opening.isEmpty();
        Map<Integer, List<Field>> under = tune.head().fields().stream().filter(f -> f.letter() != 'W').collect(Collectors.groupingBy(Field::after));
        int bars = 0;
        for (Bar bar : tune.bars()) {
            bars++;
            if (bar.part().isPresent()) {
                boolean inline = bar.part().get().indexOf(']') < 0;
                if (!lineStart && !inline) {
                    out.append("\\\n");
                }
                if (!lineStart && inline) {
                    out.append("[P:").append(bar.part().get()).append(']');
                } else {
                    out.append("P:").append(bar.part().get()).append('\n');
                }
            }
            bar.ending().filter(Ending::starts).ifPresent(e -> out.append('[').append(
                    String.join(",", e.times().stream().map(String::valueOf).toList())).append(' '));
            accidentals.clear();
            for (Element element : bar.elements()) {
                switch (element) {
                    case Note note -> {
                        note(note);
                        tiedOver = List.of();
                    }
                    case Rest rest -> {
                        rest(rest);
                        tiedOver = List.of();
                    }
                    case Change change -> change(change);
                }
            }
            tiedOver = !bar.elements().isEmpty() && bar.elements().getLast() instanceof Note last && last.tied()
                    ? last.pitches() : List.of();
            // The end of the music needs no line, unless the beam of its last note runs up to an invisible one.
            boolean open = bar == tune.bars().getLast() && !(bar.elements().getLast() instanceof Note note && !note.gapAfter());
            out.append(!open && bar.closing().equals(BarLine.NONE) ? "[|]" : barLine(bar.closing()));
            lineStart = bar.endsSystem();
            if (lineStart) {
                out.append('\n');
            }
            List<Field> lines = under.getOrDefault(bars, List.of());
            if (!lineStart && !lines.isEmpty()) {
                out.append("\\\n");
                lineStart = true;
            }
            lines.forEach(f -> field(f.letter(), f.text()));
        }
        if (!lineStart) {
            out.append('\n');
        }
    }

    private void change(Change change) {
        change.key().ifPresent(k -> {
            key = k;
            accidentals.clear();
            out.append("[K:").append(key(k)).append(']');
        });
        change.meter().ifPresent(m -> out.append("[M:").append(m).append(']'));
        change.tempo().ifPresent(t -> out.append("[Q:").append(tempo(t)).append(']'));
    }

    private void note(Note note) {
        out.append("(".repeat(note.slursOpening()));
        note.tuplet().filter(Tuplet::isFirst).ifPresent(this::tuplet);
        marks(note.marks());
        if (note.pitches().size() > 1) {
            out.append('[');
            note.pitches().forEach(this::pitch);
            out.append(']');
        } else {
            pitch(note.pitch());
        }
        out.append(length(note.writtenLength()));
        if (note.tied()) {
            out.append('-');
        }
        out.append(")".repeat(note.slursClosing()));
        if (note.gapAfter()) {
            out.append(' ');
        }
    }

    private void rest(Rest rest) {
        rest.tuplet().filter(Tuplet::isFirst).ifPresent(this::tuplet);
        marks(rest.marks());
        if (rest.wholeBar()) {
            out.append(rest.visible() ? 'Z' : 'X');
        } else {
            out.append(rest.visible() ? 'z' : 'x').append(length(rest.writtenLength()));
        }
    }

    private void tuplet(Tuplet tuplet) {
        // The short form says the same where the standard leaves no choice (ABC 2.1, section 4.13).
        int usual = switch (tuplet.actual()) {
            case 2, 4, 8 -> 3;
            case 3, 6 -> 2;
            default -> 0;
        };
        out.append('(').append(tuplet.actual());
        if (tuplet.normal() != usual || tuplet.count() != tuplet.actual()) {
            out.append(':').append(tuplet.normal()).append(':').append(tuplet.count());
        }
    }

    private void marks(Marks marks) {
        if (!marks.graces().isEmpty()) {
            out.append(marks.slashed() ? "{/" : "{");
            marks.graces().forEach(this::pitch);
            out.append('}');
        }
        marks.chord().ifPresent(c -> out.append(AbcText.quoted(c)));
        marks.annotations().forEach(a -> out.append(AbcText.quoted(a)));
        for (String decoration : marks.decorations()) {
            out.append(SHORT.getOrDefault(decoration, "!" + decoration + "!"));
        }
    }

    private void pitch(Pitch pitch) {
        int now = accidentals.containsKey(pitch.step()) ? accidentals.get(pitch.step())
                : tiedOver.stream().filter(t -> t.step() == pitch.step() && t.octave() == pitch.octave())
                        .findFirst().map(Pitch::alter).orElse(key.alterOf(pitch.step()));
        if (pitch.alter() != now) {
            accidentals.put(pitch.step(), pitch.alter());
            out.append(sign(pitch.alter()));
        }
        String letter = pitch.step().toString();
        if (pitch.octave() >= 5) {
            out.append(letter.toLowerCase(java.util.Locale.ROOT)).append("'".repeat(pitch.octave() - 5));
        } else {
            out.append(letter).append(",".repeat(4 - pitch.octave()));
        }
    }

    private static String sign(int alter) {
        return switch (alter) {
            case -2 -> "__";
            case -1 -> "_";
            case 1 -> "^";
            case 2 -> "^^";
            default -> "=";
        };
    }

    private String length(Ratio written) {
        Ratio factor = written.dividedBy(unit);
        if (factor.equals(Ratio.ONE)) {
            return "";
        }
        if (factor.denominator() == 1) {
            return String.valueOf(factor.numerator());
        }
        return (factor.numerator() == 1 ? "" : String.valueOf(factor.numerator())) + "/" + factor.denominator();
    }

    private static String barLine(BarLine line) {
        String colons = ":".repeat(line.repeatsBefore());
        String after = ":".repeat(line.repeatsAfter());
        return switch (line.style()) {
            case NONE -> line.repeatsBefore() + line.repeatsAfter() > 0 ? colons + "|" + after : "";
            case THIN -> colons + "|" + after;
            case DOUBLE -> colons + "||" + after;
            case FINAL -> colons + "|]" + after;
            case OPENING -> colons + "[|" + after;
            case DOTTED -> colons + ".|" + after;
        };
    }

    private static String key(Key key) {
        StringBuilder text = new StringBuilder();
        if (key.open()) {
            text.append("none");
        } else {
            text.append(key.tonic()).append(key.tonicAlter() < 0 ? "b" : key.tonicAlter() > 0 ? "#" : "");
            text.append(key.mode() == wildflourish.core.tune.Mode.MAJOR ? "" : key.mode().word().substring(0, 3));
        }
        boolean only = key.explicit().size() == 7;
        if (only) {
            text.append(" exp");
        }
        new java.util.TreeMap<>(key.explicit()).forEach((step, alter) -> {
            if (!only || alter != 0) {
                text.append(' ').append(sign(alter)).append(step.toString().toLowerCase(java.util.Locale.ROOT));
            }
        });
        return text.toString();
    }

    /** A tempo, exact to a millionth of its count. */
    static String tempo(Tempo tempo) {
        java.math.BigDecimal count = new java.math.BigDecimal(tempo.perMinute().numerator()).divide(
                new java.math.BigDecimal(tempo.perMinute().denominator()), 6, java.math.RoundingMode.HALF_UP);
        return tempo.beat() + "=" + count.stripTrailingZeros().toPlainString();
    }

    /** Several tunes as one book. */
    public static String book(List<Tune> tunes) {
        List<String> texts = new ArrayList<>();
        tunes.forEach(t -> texts.add(write(t)));
        return String.join("", texts);
    }
}
