package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.Findings;

/** Reads the lines of one tune. */
final class TuneReader {

    /** A bar is played at most so often where its repeats and endings alone say so. */
    private static final int MOST_PASSES = 100;

    private final Findings findings;
    private final AbcFields values;
    private final List<AbcLine> fileHead;
    private int number = 1;
    private final List<String> titles = new ArrayList<>();
    private final List<String> composers = new ArrayList<>();
    private final List<Field> fields = new ArrayList<>();
    private final List<AbcLine> definitions = new ArrayList<>();
    private final List<AbcLine> instructions = new ArrayList<>();
    private String rhythm = "";
    private String order = "";
    private Meter meter = Meter.COMMON;
    private boolean meterGiven;
    private Optional<Ratio> unit = Optional.empty();
    private @Nullable AbcLine tempoLine;
    private Key key = Key.NONE;
    private int keyOctave;
    private final Macros macros = new Macros();
    private @Nullable BarBuilder builder;
    private @Nullable MusicReader music;
    private String voice = "";
    private boolean skipping;
    /** The voices that are not read, word for word, each under the value of its field. */
    private final Map<String, StringBuilder> left = new LinkedHashMap<>();
    private String skipped = "";
    private String melodyField = "";
    private char lastField = ' ';
    /** Where each line of words stands. */
    private final Map<Field, Integer> wordLines = new IdentityHashMap<>();

    TuneReader(Findings findings, List<AbcLine> fileHead) {
        this.findings = findings;
        this.values = new AbcFields(findings);
        this.fileHead = fileHead;
    }

    Tune read(List<AbcLine> lines) {
        fileHead.stream().filter(l -> "MLRCOQUm".indexOf(l.letter()) >= 0).forEach(this::headField);
        composers.clear();
        int inherited = fields.size();
        int i = 0;
        boolean closed = false;
        while (i < lines.size() && !closed) {
            AbcLine line = lines.get(i);
            if (line.isRemark()) {
                fields.add(line.remark(0));
            } else if (!line.isField()) {
                if (!line.text().isBlank()) {
                    findings.error(line.number(), 1, "music begins before the key is given",
                            "end the head of the tune with a K: line");
                    break;
                }
            } else {
                headField(line);
                closed = line.letter() == 'K';
            }
            i++;
        }
        fields.subList(0, inherited).clear();
        Ratio unitLength = unit.orElse(AbcFields.unitFor(meter));
        Optional<Tempo> tempo = tempoLine == null ? Optional.empty()
                : values.tempo(tempoLine.value(), unitLength, tempoLine.number(), 3);
        builder = new BarBuilder(findings, key, meter);
        builder.firstMeter(meter);
        music = new MusicReader(findings, builder, unitLength, this::inlineField);
        music.octave(keyOctave);
        definitions.forEach(this::define);
        voice = Voices.melody(lines.subList(i, lines.size()), voice);
        melodyOctave();
        for (; i < lines.size(); i++) {
            AbcLine line = lines.get(i);
            if (line.isRemark()) {
                remark(line);
            } else if (line.isField()) {
                bodyField(line);
            } else {
                music(line);
            }
        }
        int lastLine = lines.isEmpty() ? 1 : lines.getLast().number();
        List<Bar> bars = builder.finish(lastLine);
        int firstLine = lines.isEmpty() ? 1 : lines.getFirst().number();
        if (bars.isEmpty()) {
            findings.error(firstLine, 0, "the tune has no notes", "write its music after the K: line");
        }
        if (titles.isEmpty()) {
            findings.warning(firstLine, 0, "the tune has no title", "give it one with a T: line");
        }
        if (!music.overlays().isEmpty()) {
            left.put("&", new StringBuilder("second name=\"second voice in the bar\"\n").append(overlaid(bars, music.overlays(), unitLength)));
        }
        // A voice that is named and has no music is none.
        left.values().removeIf(kept -> kept.toString().strip().indexOf('\n') < 0);
        if (!left.isEmpty()) {
            fields.add(new Field('V', !melodyField.isEmpty() ? melodyField : voice.isEmpty() ? OtherVoices.UNNAMED : voice, Field.BEHIND));
            if (keyOctave != 0) {
                left.replaceAll((name, kept) -> moved(kept, keyOctave));
            }
            left.values().forEach(kept -> fields.add(new Field('V', kept.toString().strip(), Field.BEHIND)));
        }
        // What is said of the whole tune, what stands among the music, and what stands behind it: as they are written again.
        fields.sort(java.util.Comparator.comparing(f -> f.letter() == 'W' ? Integer.MAX_VALUE : f.after()));
        Head head = new Head(number, titles, composers, rhythm, meter, unitLength, tempo, key, order, fields);
        Tune tune = signed(new Tune(head, builder.opening(), bars), firstLine);
        Lyrics words = wordLines.isEmpty() ? Lyrics.NONE : Lyrics.of(Timeline.of(tune));
        words.tooLong().forEach(f -> findings.warning(wordLines.getOrDefault(f, firstLine), 3,
                "there are more words than notes above them", "the last ones are kept but stand under no note; count the notes of the line"));
        boolean mayBeLong = !order.isEmpty() || bars.size() > PlayOrder.LONGEST / MOST_PASSES;
        if (mayBeLong && PlayOrder.isCutShort(tune)) {
            findings.warning(firstLine, 0, "played out, the tune is longer than any that is played",
                    "it is heard up to a length only; see to its repeats and the order of its parts (P:)");
        }
        return tune;
    }

    /** The tune with the signs of its symbol lines on the notes. */
    private Tune signed(Tune tune, int firstLine) {
        List<Field> lines = tune.head().fields().stream().filter(f -> f.letter() == 's').toList();
        if (lines.isEmpty()) {
            return tune;
        }
        List<Bar> bars = SymbolLines.read(tune, lines, (line, what) -> findings.warning(wordLines.getOrDefault(line, firstLine), 3, what,
                "write signs as !trill! or \"text\", * for a note without one, and | to go on in the next bar"));
        return tune.withHead(tune.head().withFields(tune.head().fields().stream().filter(f -> f.letter() != 's').toList())).withBars(bars);
    }

    /** A kept voice whose notes the key's clef moves, with that said in its own field. */
    private static StringBuilder moved(StringBuilder kept, int octaves) {
        String field = kept.substring(0, kept.indexOf("\n"));
        return Clef.octaves(field).isPresent() ? kept : kept.insert(field.length(), " octave=" + octaves);
    }

    /** The clef of the melody's own field counts from its first note. */
    private void melodyOctave() {
        for (int f = 0; f < fields.size(); f++) {
            Field field = fields.get(f);
            if (field.letter() == 'V' && Voices.name(field.text()).equals(voice)) {
                Clef.octaves(field.text()).ifPresent(music()::octave);
                fields.set(f, new Field('V', Clef.without(field.text()), field.after()));
            }
        }
    }

    /** A comment, or a direction for the page: nothing is computed from it, and it stays where it is. */
    private void remark(AbcLine line) {
        if (skipping) {
            keep(line.text() + "\n");
        } else {
            fields.add(line.remark(builder().barsBegun()));
        }
    }

    /** The second voices of bars as a voice of its own, silent where there is none. */
    private static String overlaid(List<Bar> bars, Map<Integer, String> overlays, Ratio unit) {
        StringBuilder voice = new StringBuilder();
        for (int b = 0; b < bars.size(); b++) {
            Ratio length = bars.get(b).length().dividedBy(unit);
            String silence = "x" + length.numerator() + (length.denominator() == 1 ? "" : "/" + length.denominator());
            String played = overlays.getOrDefault(b, silence);
            // At the beginning of a line a letter and a colon would be a field: a little room (y) goes before them.
            boolean field = (b == 0 || bars.get(b - 1).endsSystem()) && new AbcLine(0, played).isField();
            voice.append(field ? "y " : "").append(played).append(b + 1 == bars.size() ? " |]" : bars.get(b).endsSystem() ? " |\n" : " | ");
        }
        return voice.toString();
    }

    /** The instruction fields of the tune, in order. */
    List<AbcLine> instructions() {
        return instructions;
    }

    private void headField(AbcLine line) {
        String value = AbcText.unescape(line.value()).strip();
        int n = line.number();
        char letter = line.letter();
        switch (letter) {
            case 'X' -> {
                try {
                    number = Integer.parseInt(value.split("\\s")[0]);
                } catch (NumberFormatException e) {
                    findings.warning(n, 3, "'" + value + "' is not a number for the tune", "write a number, as in X:1");
                }
            }
            case 'T' -> titles.add(value);
            case 'C' -> composers.add(value);
            case 'R' -> rhythm = value;
            case 'P' -> order = value;
            case 'M' -> {
                meter = values.meter(line.value(), n, 3, Meter.COMMON);
                meterGiven = true;
            }
            case 'L' -> unit = values.unit(line.value(), n, 3).or(() -> unit);
            case 'Q' -> tempoLine = line;
            case 'K' -> {
                key = values.key(line.value(), n, 3);
                keyOctave = Clef.octaves(line.value()).orElse(0);
            }
            case 'U' -> definitions.add(line);
            case 'I' -> instruction(line);
            case 'V' -> {
                voice = voice.isEmpty() ? Voices.name(value) : voice;
                fields.add(new Field('V', AbcText.printable(line.value()).strip()));
            }
            case '+' -> continuation(value);
            case 'm' -> macro(line);
            default -> fields.add(new Field(letter, value));
        }
        lastField = letter == '+' ? lastField : letter;
    }

    private void continuation(String value) {
        if (lastField == 'T' && !titles.isEmpty()) {
            titles.set(titles.size() - 1, titles.getLast() + " " + value);
        } else if (lastField == 'C' && !composers.isEmpty()) {
            composers.set(composers.size() - 1, composers.getLast() + " " + value);
        } else if (!fields.isEmpty()) {
            Field last = fields.removeLast();
            Field whole = new Field(last.letter(), last.text() + " " + value, last.after());
            fields.add(whole);
            Integer line = wordLines.remove(last);
            if (line != null) {
                wordLines.put(whole, line);
            }
        }
    }

    private void instruction(AbcLine line) {
        String plain = AbcText.printable(line.value()).strip();
        String value = AbcText.unescape(line.value()).strip();
        if (value.startsWith(Instructions.NAME + " ")) {
            instructions.add(new AbcLine(line.number(), "I:" + (plain.startsWith(Instructions.NAME + " ") ? plain : value)));
        } else {
            fields.add(new Field('I', value));
        }
    }

    private void bodyField(AbcLine line) {
        if (skipping && line.letter() != 'V') {
            keep(line.text().strip() + "\n");
            return;
        }
        switch (line.letter()) {
            case 'w', 's' -> {
                if (!builder().isBetweenBars()) {
                    findings.warning(line.number(), 1, "the line of music above ends within a bar: what is set under it is kept behind that bar",
                            "end lines of music that have words with a bar line");
                }
                fields.add(new Field(line.letter(), AbcText.unescape(line.value()).strip(), Math.max(1, builder().barsBegun())));
                wordLines.put(fields.getLast(), line.number());
            }
            case 'C' -> composers.add(AbcText.unescape(line.value()).strip());
            case 'W', 'N', 'r', 'T', 'H', 'Z', 'S', 'D', 'F', 'B', 'G', 'O', 'A' -> {
                if (line.letter() != 'r') {
                    fields.add(new Field(line.letter() == 'T' ? 'N' : line.letter(), AbcText.unescape(line.value()).strip()));
                }
            }
            case '+' -> continuation(AbcText.unescape(line.value()).strip());
            case 'm' -> macro(line);
            default -> inlineField(line.letter(), line.value(), line.number(), 1);
        }
        lastField = line.letter() == '+' ? lastField : line.letter();
    }

    /** Reads what a line of music has of the voice that is read. */
    private void music(AbcLine line) {
        String own = Voices.own(line.text(), !skipping, new Voices.Turn() {
            @Override
            public boolean to(String value, int column) {
                inlineField('V', value, line.number(), column);
                return !skipping;
            }

            @Override
            public void left(String music) {
                keep(music.strip() + "\n");
            }
        });
        if (!own.isBlank()) {
            music().read(new AbcLine(line.number(), macros.expanded(own)));
            lastField = ' ';
        }
    }

    private void keep(String words) {
        StringBuilder kept = left.get(skipped);
        if (kept != null) {
            kept.append(AbcText.printable(macros.expanded(words.strip()))).append('\n');
        }
    }

    private BarBuilder builder() {
        return Objects.requireNonNull(builder, "the head has been read");
    }

    private MusicReader music() {
        return Objects.requireNonNull(music, "the head has been read");
    }

    private void inlineField(char letter, String value, int line, int column) {
        switch (letter) {
            case 'K' -> {
                if (!Clef.isAlone(value)) {
                    builder().change(values.key(value, line, column));
                }
                Clef.octaves(value).ifPresent(music()::octave);
            }
            case 'M' -> builder().change(values.meter(value, line, column, builder().meter()));
            case 'L' -> values.unit(value, line, column).ifPresent(music()::unit);
            case 'Q' -> values.tempo(value, unit.orElse(Ratio.of(1, 8)), line, column).ifPresent(builder()::change);
            // In the music a name with a voice in it would be taken for that voice.
            case 'P' -> builder().part(AbcText.printable(value).strip().replace("[V:", "(V:"));
            case 'U' -> define(new AbcLine(line, "U:" + value));
            case 'I' -> instruction(new AbcLine(line, "I:" + value));
            case 'V' -> {
                String named = Voices.name(value);
                if (voice.isEmpty()) {
                    voice = named;
                }
                skipping = !named.equals(voice);
                if (!skipping) {
                    Clef.octaves(value).ifPresent(music()::octave);
                    melodyField = melodyField.isEmpty() ? Clef.without(AbcText.printable(value).strip()) : melodyField;
                }
                if (skipping) {
                    skipped = named;
                    if (!left.containsKey(named)) {
                        left.put(named, new StringBuilder(AbcText.printable(value).strip()).append('\n'));
                        findings.warning(line, column, "the voice '%s' is not shown".formatted(Findings.brief(named)),
                                "'%s' is read, the first that has music; the others are kept with the tune, and any of them can be made the melody"
                                        .formatted(Findings.brief(voice)));
                    }
                }
            }
            case 'R', 'N', 'r' -> { }
            default -> findings.warning(line, column, "a field " + letter + ": has no meaning inside the music",
                    "move it to the head of the tune");
        }
    }

    private void macro(AbcLine line) {
        if (!macros.define(AbcText.printable(line.value()))) {
            findings.warning(line.number(), 3, "the macro '%s' is not explained".formatted(Findings.brief(line.value())), "write what is short, an equals sign, and what it stands for, as in m:~G3 = G{A}G{F}G");
        }
    }

    private void define(AbcLine definition) {
        if (!music().decorations().define(definition.value())) {
            findings.warning(definition.number(), 3, "the sign in '%s' is not explained".formatted(definition.value()),
                    "give a letter from H to W and the name of a decoration, as in U:T=!trill!");
        }
    }
}
