package wildflourish.formats.musicxml;

import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.Extend;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.TextElementData;
import wildflourish.core.tune.Lyrics;

/** The words under a note. */
final class SungWriter {

    private SungWriter() {}

    /** Adds what is sung on a note: a syllable, or the end of the line that holds one. */
    static void write(Lyrics words, int note, List<Lyric> lyrics) {
        for (int verse = 0; verse < words.verses().size(); verse++) {
            Optional<Lyrics.Syllable> here = words.at(verse, note);
            int number = verse + 1;
            if (here.isPresent()) {
                lyrics.add(syllable(here.get(), number, joined(words, verse, note)));
            } else if (heldTo(words, verse, note)) {
                Lyric end = lyric(number);
                end.setExtend(extend(StartStopContinue.STOP));
                lyrics.add(end);
            }
        }
    }

    private static Lyric lyric(int number) {
        Lyric lyric = new Lyric();
        lyric.setNumber(String.valueOf(number));
        return lyric;
    }

    private static Lyric syllable(Lyrics.Syllable syllable, int number, boolean goesOn) {
        Lyric lyric = lyric(number);
        boolean begins = syllable.join() == Lyrics.Join.HYPHEN;
        lyric.getElisionAndSyllabicAndText().add(begins ? goesOn ? Syllabic.MIDDLE : Syllabic.BEGIN : goesOn ? Syllabic.END : Syllabic.SINGLE);
        TextElementData text = new TextElementData();
        text.setValue(syllable.text());
        lyric.getElisionAndSyllabicAndText().add(text);
        if (syllable.join() == Lyrics.Join.HELD) {
            lyric.setExtend(extend(StartStopContinue.START));
        }
        return lyric;
    }

    private static Extend extend(StartStopContinue type) {
        Extend extend = new Extend();
        extend.setType(type);
        return extend;
    }

    /** Whether the syllable before is of the same word. */
    private static boolean joined(Lyrics words, int verse, int note) {
        for (int before = note - 1; before >= 0; before--) {
            Optional<Lyrics.Syllable> syllable = words.at(verse, before);
            if (syllable.isPresent()) {
                return syllable.get().join() == Lyrics.Join.HYPHEN;
            }
        }
        return false;
    }

    /** Whether a syllable before is held up to this note and no further. */
    private static boolean heldTo(Lyrics words, int verse, int note) {
        for (int before = note - 1; before >= 0; before--) {
            Optional<Lyrics.Syllable> syllable = words.at(verse, before);
            if (syllable.isPresent()) {
                return syllable.get().join() == Lyrics.Join.HELD && syllable.get().held() == note;
            }
        }
        return false;
    }
}
