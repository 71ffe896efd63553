package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.Findings;

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
 * Each keyword is a row of {@link Keyword#ALL}. A line that is not understood, a newer program's or of an instrument that is gone,
 * is kept word for word and written back.
 *
 * <p>{@code elsewhere} has the rungs and placements of the ladders on other instruments; {@code speed} is a student's own floor and comfortable length in milliseconds where they differ from the level's;
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

    /** What the lines about a ladder gave: the arrangement, if there is one, and what was not understood. */
    record Read(Optional<Arrangement> arrangement, List<String> unread) {}

    private Instructions() {}

    /** The ladder of a tune, its tune freed of the signs of the rung that is shown; without one when the file holds none. */
    static Read read(Tune tune, List<AbcLine> lines, Findings findings) {
        if (lines.isEmpty()) {
            return new Read(Optional.empty(), List.of());
        }
        Draft draft = new Draft(tune, findings);
        Gone gone = Gone.among(lines.stream().map(Instructions::text).toList());
        for (AbcLine line : lines) {
            String text = gone.kept(text(line));
            if (gone.isNamedBy(text)) {
                findings.warning(line.number(), 1, "there is no instrument '%s'".formatted(gone.instrument().get()),
                        "the tune is shown as written; the ladder is kept, and is there again when the instrument is");
                draft.rungs.name(new Keyword.Text("0 bare", line.number()));
                if (lines.stream().map(Instructions::text).noneMatch(l -> l.startsWith("rung "))) {
                    // With no rungs that would name it, the instrument itself would be forgotten.
                    draft.hold(gone.kept("rung 0 bare"));
                }
                continue;
            }
            try {
                String[] halves = text.split("\\s+", 2);
                Keyword.of(halves[0]).read().take(new Keyword.Text(halves.length > 1 ? halves[1] : "", line.number()), draft);
            } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
                draft.keep(text, line.number(), "an instruction about the ladder cannot be read: " + inWords(e));
            }
        }
        int first = lines.getFirst().number();
        Optional<Arrangement> arrangement = draft.arrangement(first);
        if (arrangement.isEmpty()) {
            findings.warning(first, 1, "the ladder's rungs are not all named",
                    "the tune was read without its ladder; its lines are kept as they stand, and written back");
            return new Read(arrangement, lines.stream().map(Instructions::text).toList());
        }
        return new Read(arrangement, draft.unread());
    }

    /** What a line lacks, in words; the machine's own would tell nobody anything. */
    private static String inWords(RuntimeException e) {
        return switch (e) {
            case NumberFormatException n -> "a number is missing or is none";
            case IndexOutOfBoundsException i -> "a word is missing";
            default -> String.valueOf(e.getMessage());
        };
    }

    private static String text(AbcLine line) {
        return line.value().substring(NAME.length()).strip();
    }

    /** The instruction fields of an arrangement, one a line. */
    static List<String> write(Arrangement arrangement, int shown) {
        List<String> lines = new ArrayList<>();
        Keyword.Page page = new Keyword.Page(arrangement, shown);
        Keyword.ALL.forEach(k -> k.written().apply(page).forEach(text -> lines.add((k.word() + " " + text).strip())));
        lines.addAll(arrangement.unread());
        return fields(lines);
    }

    /** Lines as instruction fields. */
    static List<String> fields(List<String> lines) {
        return lines.stream().map(l -> "I:" + NAME + " " + l).toList();
    }
}
