package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** Words to sing under the notes, set where the pen stands. */
public final class Words {

    private Words() {}

    /**
     * Words from the note in hand on, as they are typed under a line of music: a space ends a word, {@code -} parts syllables, {@code _} holds one over
     * the next note, {@code *} leaves a note out. What stood under these notes goes; the rest stays. Nothing typed takes the syllable of the note away.
     * Further verses stay as they are.
     */
    public static Pen from(Pen pen, String typed) {
        if (pen.inHand().isEmpty()) {
            return pen;
        }
        Timeline line = Timeline.of(pen.tune());
        int note = noteInHand(pen);
        if (note >= line.size()) {
            return pen;
        }
        Lyrics before = Lyrics.of(line);
        Map<Integer, Lyrics.Syllable> verse = new HashMap<>(before.isEmpty() ? Map.of() : before.verses().getFirst());
        Map<Integer, Lyrics.Syllable> laid = laid(pen.tune(), note, typed);
        int last = laid.values().stream().mapToInt(Lyrics.Syllable::held).max().orElse(note);
        int from = note;
        verse.keySet().removeIf(n -> n >= from && n <= last);
        verse.replaceAll((n, s) -> n < from && s.held() >= from ? new Lyrics.Syllable(s.text(), from - 1 == n && s.join() == Lyrics.Join.HELD ? Lyrics.Join.SPACE : s.join(), from - 1) : s);
        verse.putAll(laid);
        List<Map<Integer, Lyrics.Syllable>> verses = new ArrayList<>(before.verses());
        if (verses.isEmpty()) {
            verses.add(verse);
        } else {
            verses.set(0, verse);
        }
        return new Pen(with(pen.tune(), new Lyrics(verses, List.of())), pen.at(), pen.from(), pen.newBar(), pen.length());
    }

    /** A tune with these words under its lines, in place of its own. */
    static Tune with(Tune tune, Lyrics words) {
        List<Field> fields = new ArrayList<>(tune.head().fields().stream().filter(f -> f.letter() != 'w').toList());
        fields.addAll(words.lines(Timeline.of(tune)));
        fields.sort(java.util.Comparator.comparing(f -> f.letter() == 'W' ? Integer.MAX_VALUE : f.after()));
        return fields.equals(tune.head().fields()) ? tune : tune.withHead(tune.head().withFields(fields));
    }

    /** The syllables that words lay on the notes from one on, as if the tune were one line. */
    private static Map<Integer, Lyrics.Syllable> laid(Tune tune, int note, String typed) {
        List<Bar> oneLine = tune.bars().stream().map(b -> new Bar(b.number(), b.elements(), b.closing(), b.ending(), b.part(), false)).toList();
        List<Field> words = List.of(new Field('w', "* ".repeat(note) + typed.strip(), tune.bars().size()));
        List<Map<Integer, Lyrics.Syllable>> verses = Lyrics.of(Timeline.of(tune.withBars(oneLine).withHead(tune.head().withFields(words)))).verses();
        return verses.isEmpty() ? Map.of() : verses.getFirst();
    }

    /** The index among the notes of the first that is in hand, or of the next where that is a rest. */
    private static int noteInHand(Pen pen) {
        return (int) IntStream.range(0, pen.inHand().getFirst()).filter(i -> pen.element(i) instanceof Note).count();
    }

    /** What is sung on the note in hand and behind it up to the end of its line, as it would be typed; empty where nothing is. */
    public static String at(Pen pen) {
        if (pen.inHand().isEmpty()) {
            return "";
        }
        int note = noteInHand(pen);
        Timeline line = Timeline.of(pen.tune());
        Lyrics lyrics = Lyrics.of(line);
        if (lyrics.isEmpty() || note >= line.size()) {
            return "";
        }
        int first = note;
        Map<Integer, Lyrics.Syllable> ahead = new HashMap<>();
        lyrics.verses().getFirst().forEach((n, s) -> {
            if (n >= first) {
                ahead.put(n, s);
            }
        });
        int bar = line.note(note).bar();
        return new Lyrics(List.of(ahead), List.of()).lines(line).stream().filter(f -> f.after() > bar).findFirst()
                .map(f -> f.text().replaceFirst("^(\\* )+", "")).filter(t -> ahead.containsKey(first) && !t.equals("*")).orElse("");
    }
}
