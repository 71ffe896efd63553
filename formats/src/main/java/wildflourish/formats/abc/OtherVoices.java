package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.BookTune;

/**
 * The voices that a tune has beside its melody: they are not shown, are kept word for word, and any of them can be made the melody.
 * They stand among the tune's fields, behind its music (ABC standard 2.1, section 7).
 */
public final class OtherVoices {

    /** What a melody goes by that its file gives no name. */
    static final String UNNAMED = "melody";

    private OtherVoices() {}

    /**
     * A voice beside others.
     *
     * @param name what it goes by; not empty
     */
    public record Voice(String name, Tune tune) {}

    /** A melody with other voices beside it, that came from elsewhere. */
    public static Tune beside(Tune melody, String name, List<Voice> others) {
        if (others.isEmpty()) {
            return melody;
        }
        List<Field> fields = new ArrayList<>(melody.head().fields());
        fields.add(new Field('V', "1 name=" + AbcText.quoted(name), Field.BEHIND));
        int number = 2;
        for (Voice other : others) {
            fields.add(new Field('V', number++ + " name=" + AbcText.quoted(other.name()) + "\n" + AbcWriter.music(other.tune(), melody.head()), Field.BEHIND));
        }
        return with(melody, fields);
    }

    /** What the other voices of a tune go by, in their order; empty where it has one voice. */
    public static List<String> names(Tune tune) {
        return texts(tune).stream().map(OtherVoices::name).toList();
    }

    /** The value of the melody's own field, where there are other voices. */
    static Optional<String> own(Tune tune) {
        return fields(tune).filter(t -> t.indexOf('\n') < 0).findFirst();
    }

    /** The other voices, each with its field's value and its lines. */
    static List<String> texts(Tune tune) {
        return fields(tune).filter(t -> t.indexOf('\n') >= 0).toList();
    }

    private static java.util.stream.Stream<String> fields(Tune tune) {
        return tune.head().fields().stream().filter(f -> f.letter() == 'V' && f.after() == Field.BEHIND).map(Field::text);
    }

    private static String name(String text) {
        String value = text.lines().findFirst().orElse("");
        java.util.regex.Matcher named = java.util.regex.Pattern.compile("\\b(?:name|nm)=\"([^\"]+)\"").matcher(value);
        return named.find() ? named.group(1) : Voices.name(value);
    }

    /**
     * The tune with another of its voices as the melody, and what was the melody among the others.
     *
     * @param index of the voice among {@link #names}
     * @return empty where the voice cannot be read as music
     */
    public static Optional<Tune> madeMelody(Tune tune, int index) {
        String chosen = texts(tune).get(index);
        Optional<Tune> read = read(tune, chosen);
        if (read.isEmpty()) {
            return Optional.empty();
        }
        Tune melody = read.get();
        List<Field> fields = new ArrayList<>(melody.head().fields());
        fields.removeIf(f -> f.letter() == 'V');
        String value = chosen.lines().findFirst().orElse(UNNAMED);
        declared(tune).map(f -> Voices.name(f.text()).equals(Voices.name(value)) ? new Field('V', Clef.without(f.text())) : f).forEach(fields::add);
        fields.add(new Field('V', Clef.without(value), Field.BEHIND));
        fields.add(new Field('V', own(tune).orElse(UNNAMED) + "\n" + AbcWriter.music(tune, melody.head()), Field.BEHIND));
        List<String> others = new ArrayList<>(texts(tune));
        others.remove(index);
        others.forEach(o -> fields.add(new Field('V', o, Field.BEHIND)));
        return Optional.of(with(melody, fields));
    }

    /** The other voices as music, as far as they can be read. */
    public static List<Voice> voices(Tune tune) {
        return texts(tune).stream().flatMap(t -> read(tune, t).map(v -> new Voice(name(t), v)).stream()).toList();
    }

    /** What the melody goes by among the voices. */
    public static String melodyName(Tune tune) {
        return own(tune).map(OtherVoices::name).orElse(UNNAMED);
    }

    /** A voice by itself, under the head of the tune. */
    private static Optional<Tune> read(Tune tune, String voice) {
        List<Field> about = tune.head().fields().stream().filter(f -> f.after() == 0 && f.letter() != 'V' || f.letter() == 'W').toList();
        int end = voice.indexOf('\n');
        List<BookTune> read = AbcReader.read(AbcWriter.head(with(tune, about)) + "V:" + clefed(tune, voice.substring(0, end)) + voice.substring(end) + "\n").tunes();
        return read.stream().findFirst().map(BookTune::tune);
    }

    /** What the head says of the voices. */
    private static java.util.stream.Stream<Field> declared(Tune tune) {
        return tune.head().fields().stream().filter(f -> f.letter() == 'V' && f.after() == 0);
    }

    /** The value of a voice's field, with the clef that the head gives it where it says none itself. */
    private static String clefed(Tune tune, String value) {
        return Clef.octaves(value).isPresent() ? value
                : declared(tune).filter(f -> Voices.name(f.text()).equals(Voices.name(value))).flatMap(f -> Clef.octaves(f.text()).stream())
                        .filter(o -> o != 0).findFirst().map(o -> value + " octave=" + o).orElse(value);
    }

    private static Tune with(Tune tune, List<Field> fields) {
        return tune.withHead(tune.head().withFields(fields));
    }
}
