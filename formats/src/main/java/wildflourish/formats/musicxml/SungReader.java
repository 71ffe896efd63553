package wildflourish.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.audiveris.proxymusic.Extend;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.TextElementData;
import wildflourish.core.tune.Field;

/** The words of a voice as lines under its music (ABC standard 2.1, section 5.1). */
final class SungReader {

    private static final int MOST_VERSES = 20;

    private final List<Field> fields = new ArrayList<>();
    private final Map<Integer, Line> verses = new TreeMap<>();
    private int notes;

    /** One verse under the line that is being read. */
    private static final class Line {
        private final StringBuilder text = new StringBuilder();
        private int reached;
        private boolean word;
        private boolean held;
    }

    /** A note of the voice with what is sung on it. */
    void note(List<Lyric> lyrics) {
        for (Lyric lyric : lyrics) {
            int verse = verse(lyric);
            if (verse <= MOST_VERSES) {
                Line line = verses.computeIfAbsent(verse, v -> new Line());
                String text = text(lyric);
                if (!text.isEmpty()) {
                    upTo(line, notes);
                    line.text.append(text);
                    Syllabic syllabic = syllabic(lyric);
                    line.word = syllabic == Syllabic.BEGIN || syllabic == Syllabic.MIDDLE;
                    line.held = lyric.getExtend() != null;
                    line.text.append(line.word ? "-" : " ");
                    line.reached = notes + 1;
                } else if (lyric.getExtend() != null && stops(lyric.getExtend()) && line.held) {
                    upTo(line, notes + 1);
                    line.held = false;
                }
            }
        }
        notes++;
    }

    private static boolean stops(Extend extend) {
        return extend.getType() == StartStopContinue.STOP;
    }

    /** Fills the notes of a verse that have no syllable of their own, up to one. */
    private static void upTo(Line line, int note) {
        while (line.reached < note) {
            line.text.append(line.word ? "-" : line.held ? "_" : "* ");
            line.reached++;
        }
    }

    private static int verse(Lyric lyric) {
        String number = lyric.getNumber() == null ? "1" : lyric.getNumber().strip();
        return number.matches("\\d{1,3}") ? Math.max(1, Integer.parseInt(number)) : 1;
    }

    private static Syllabic syllabic(Lyric lyric) {
        Syllabic last = Syllabic.SINGLE;
        for (Object part : lyric.getElisionAndSyllabicAndText()) {
            last = part instanceof Syllabic s ? s : last;
        }
        return last;
    }

    private static String text(Lyric lyric) {
        StringBuilder text = new StringBuilder();
        for (Object part : lyric.getElisionAndSyllabicAndText()) {
            if (part instanceof TextElementData data && data.getValue() != null) {
                String plain = MusicXmlReader.oneLine(data.getValue()).replaceAll("[*|_\\\\]", "").replace("-", "\\-").replace(' ', '~').replace("&", "~");
                text.append(text.isEmpty() || plain.isEmpty() ? plain : "~" + plain);
            }
        }
        return text.toString();
    }

    /** A line of music ends with a bar; its words stand under it. */
    void endLine(int bars) {
        int last = verses.isEmpty() ? 0 : verses.keySet().stream().max(Integer::compare).orElse(0);
        for (int verse = 1; verse <= last; verse++) {
            Line line = verses.get(verse);
            if (line != null && line.text.toString().chars().anyMatch(c -> c != '*' && c != ' ')) {
                if (line.held) {
                    upTo(line, notes);
                }
                fields.add(new Field('w', line.text.toString().strip(), bars));
            } else if (line != null || verse < last) {
                fields.add(new Field('w', "*", bars));
            }
        }
        verses.clear();
        notes = 0;
    }

    List<Field> fields() {
        return fields;
    }
}
