package wildflourish.formats.abc;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The voices of a tune of several, and which of them is read (ABC standard 2.1, section 7). */
final class Voices {

    /** A voice within a line; or words in quotation marks, in which none begins. */
    private static final Pattern INLINE = Pattern.compile("\"[^\"]*\"|\\[V:(?<voice>[^\\]]*)]");

    private Voices() {}

    /** What a voice goes by in the value of its field. */
    static String name(String value) {
        return value.strip().split("\\s+")[0];
    }

    /** Told what a line has of other voices, and where a voice begins within it. */
    interface Turn {
        /** A voice begins; answers whether it is read. */
        boolean to(String value, int column);

        /** Music of the voice that is not read. */
        void left(String music);
    }

    /**
     * A line of music with everything blank that belongs to other voices, each sign in its column.
     *
     * @param read whether the voice is read in which the line begins
     */
    static String own(String text, boolean read, Turn turn) {
        if (read && text.indexOf("[V:") < 0) {
            return text;
        }
        StringBuilder own = new StringBuilder();
        Matcher voice = INLINE.matcher(text);
        boolean reading = read;
        int from = 0;
        while (next(voice)) {
            own.append(piece(text.substring(from, voice.start()), reading, turn)).append(" ".repeat(voice.end() - voice.start()));
            reading = turn.to(voice.group("voice"), voice.start() + 1);
            from = voice.end();
        }
        return own.append(piece(text.substring(from), reading, turn)).toString();
    }

    private static boolean next(Matcher voice) {
        boolean found = voice.find();
        while (found && voice.group("voice") == null) {
            found = voice.find();
        }
        return found;
    }

    private static String piece(String music, boolean read, Turn turn) {
        if (read) {
            return music;
        }
        if (!music.isBlank()) {
            turn.left(music);
        }
        return " ".repeat(music.length());
    }

    /**
     * The voice that is read: the one named first in the head, if it has any music; else the first that has. Empty where the music
     * begins before a voice is named.
     *
     * @param body the lines behind the head
     * @param declared the first that the head names; empty where it names none
     */
    static String melody(List<AbcLine> body, String declared) {
        if (body.stream().noneMatch(l -> l.isField() ? l.letter() == 'V' : l.text().contains("[V:"))) {
            return declared;
        }
        Set<String> withMusic = new LinkedHashSet<>();
        String[] now = {""};
        for (AbcLine line : body) {
            if (line.isField()) {
                now[0] = line.letter() == 'V' ? name(line.value()) : now[0];
            } else {
                Matcher voice = INLINE.matcher(line.text());
                int from = 0;
                while (next(voice)) {
                    note(line.text().substring(from, voice.start()), now[0], withMusic);
                    now[0] = name(voice.group("voice"));
                    from = voice.end();
                }
                note(line.text().substring(from), now[0], withMusic);
            }
        }
        return withMusic.isEmpty() || withMusic.contains("") || withMusic.contains(declared) ? declared : withMusic.iterator().next();
    }

    private static void note(String music, String voice, Set<String> withMusic) {
        if (!music.isBlank()) {
            withMusic.add(voice);
        }
    }
}
