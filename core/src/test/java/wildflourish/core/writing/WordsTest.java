package wildflourish.core.writing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import wildflourish.core.Tunes;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Words to sing, set with the pen. */
class WordsTest {

    private static Tune tune() {
        Tune tune = Tunes.of(Meter.of(3, 4), Tunes.d(), "D4:2 F#4:2 A4:2 | D5:4 A4:2 | F#4:2 E4:2 D4:2 | D4:6 |");
        return tune.withBars(tune.bars().stream().map(b -> new Bar(b.number(), b.elements(), b.closing(), b.ending(), b.part(), b.number() == 2 || b.number() == 4)).toList());
    }

    private static Pen at(Tune tune, int note) {
        return Pen.atTheEnd(tune).take(Pen.ofNote(tune, note));
    }

    private static List<String> lines(Pen pen) {
        return pen.tune().head().fields().stream().map(f -> f.letter() + "@" + f.after() + " " + f.text()).toList();
    }

    @Test
    void wordsRunOverTheLinesOfMusic() {
        assertThat(lines(Words.from(at(tune(), 0), "The lan-tern's lit up-on the_ stair"))).containsExactly("w@2 The lan-tern's lit up-", "w@4 on the_ stair");
    }

    @Test
    void wordsFromTheMiddleLeaveThoseBeforeAndBehind() {
        Pen first = Words.from(at(tune(), 0), "one two three four five six seven eight nine");
        assertThat(lines(Words.from(at(first.tune(), 2), "drei vier"))).containsExactly("w@2 one two drei vier five", "w@4 six seven eight nine");
        assertThat(lines(Words.from(at(first.tune(), 4), ""))).containsExactly("w@2 one two three four", "w@4 six seven eight nine");
        assertThat(Words.at(at(first.tune(), 3))).isEqualTo("four five");
        assertThat(Words.at(at(tune(), 3))).isEmpty();
    }

    @Test
    void newLinesOfMusicTakeTheirWordsAlong() {
        Pen sung = Words.from(at(tune(), 0), "one two three four five six seven eight nine");
        Pen inFours = BarStrokes.newLines(sung);
        assertThat(lines(inFours)).containsExactly("w@4 one two three four five six seven eight nine");
    }

    /** Whatever is laid on the notes is written as lines that lay the same. */
    @RepeatedTest(40)
    void linesLayTheSameWordsAgain(RepetitionInfo at) {
        Random random = new Random(at.getCurrentRepetition());
        Tune tune = tune();
        Timeline line = Timeline.of(tune);
        Map<Integer, Lyrics.Syllable> verse = new TreeMap<>();
        int note = random.nextInt(3);
        while (note < line.size()) {
            boolean ends = note == 4 || note == 8;
            int held = ends || random.nextInt(3) > 0 ? note : note + 1;
            Lyrics.Join join = held > note ? random.nextBoolean() ? Lyrics.Join.HELD : Lyrics.Join.HYPHEN : random.nextBoolean() ? Lyrics.Join.SPACE : Lyrics.Join.HYPHEN;
            verse.put(note, new Lyrics.Syllable(random.nextInt(4) == 0 ? "o er" : "la-la".substring(0, 2 + random.nextInt(4)), join, held));
            note = held + 1 + random.nextInt(2);
        }
        List<Field> lines = new Lyrics(List.of(verse), List.of()).lines(line);
        Lyrics again = Lyrics.of(Timeline.of(tune.withHead(tune.head().withFields(lines))));
        assertThat(again.tooLong()).isEmpty();
        assertThat(again.verses()).isEqualTo(verse.isEmpty() ? List.of() : List.of(verse));
    }
}
