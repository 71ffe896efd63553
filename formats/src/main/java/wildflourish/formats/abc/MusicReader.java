package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Jumps;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.formats.book.Findings;

/** Reads lines of music code, character by character (ABC standard 2.1, section 4). */
final class MusicReader extends MusicLine {

    private final BarBuilder builder;
    private final InlineFields inline;
    private final Decorations decorations = new Decorations();
    private final PendingMarks pending = new PendingMarks();
    private final Map<Integer, String> overlays = new TreeMap<>();
    private Ratio unit;
    private int octaves;
    private boolean toldFull;

    private static final Pattern MICROTONE = Pattern.compile("(\\d{0,2})/(\\d{0,2})(?=[A-Ga-g])");

    /** What a field inside the music does. */
    interface InlineFields {
        void read(char letter, String value, int line, int column);
    }

    MusicReader(Findings findings, BarBuilder builder, Ratio unit, InlineFields inline) {
        super(findings);
        this.builder = builder;
        this.unit = unit;
        this.inline = inline;
    }

    void unit(Ratio newUnit) {
        unit = newUnit;
    }

    /** Notes sound so many octaves above where they are written from here on. */
    void octave(int above) {
        octaves = above;
    }

    Decorations decorations() {
        return decorations;
    }

    /** Reads one line; a backslash at its end joins it with the next. */
    void read(AbcLine source) {
        boolean continued = begin(source);
        while (at < text.length() && !builder.isFull()) {
            try {
                readOne();
            } catch (ArithmeticException e) {
                findings.error(line, at, "a note length is too fine to count",
                        "write it as a simple fraction such as A3/2");
            }
        }
        if (builder.isFull() && !toldFull && !text.substring(at).isBlank()) {
            toldFull = true;
            findings.error(line, at + 1, "the tune has more than %,d notes: what follows is not read".formatted(BarBuilder.MOST_NOTES),
                    "divide it into several tunes");
        }
        gap();
        if (!continued) {
            builder.endSystem();
        }
    }

    private void readOne() {
        char c = text.charAt(at);
        char next = at + 1 < text.length() ? text.charAt(at + 1) : '\n';
        if (c == ' ' || c == '\t') {
            gap();
            at++;
        } else if (c == '|' || c == ':' || c == '[' && (next == '|' || next == ']') || c == '.' && next == '|') {
            barLine();
        } else if (c == '[' && (Character.isDigit(next) || next == '"')) {
            at++;
            ending();
        } else if (c == '[' && at + 2 < text.length() && text.charAt(at + 2) == ':' && Character.isLetter(next)) {
            inlineField();
        } else if (c == '[') {
            chord();
        } else if (isNoteStart(c)) {
            single();
        } else if (c == 'z' || c == 'x' || c == 'Z' || c == 'X') {
            rest(c);
        } else if (c == '(') {
            tupletOrSlur(next);
        } else if (c == ')') {
            if (!builder.onLastNoteOfTune(n -> n.withSlurs(n.slursOpening(), n.slursClosing() + 1))) {
                findings.warning(line, at + 1, "a slur closes without a note before it", "remove the bracket");
            }
            at++;
        } else if (c == '-') {
            if (!builder.onLastNoteOfTune(n -> n.withTied(true))) {
                findings.warning(line, at + 1, "a tie without a note before it", "write the tie right after its note");
            }
            at++;
        } else if (c == '>' || c == '<') {
            brokenRhythm(c);
        } else if (c == '{') {
            graces();
        } else if (c == '"') {
            quoted();
        } else if (c == '!' || c == '+') {
            longDecoration(c);
        } else if (c == '.' && (next == '(' || next == '-')) {
            at++;
        } else if (decorations.has(c)) {
            pending.decorations.add(decorations.of(c));
            at++;
        } else if (c == 'y') {
            at++;
            length();
        } else if (c == '&') {
            overlay();
        } else if (c >= 'H' && c <= 'Y' || c >= 'h' && c <= 'w') {
            findings.warning(line, at + 1, "the sign '" + c + "' is not explained", "it was left out; explain it, as in U:" + c + "=!slide!");
            at++;
        } else if (c == '`' || c == '$' || c == '*' || c == '\r' || c == '\\') {
            at++;
        } else {
            String shown = c < 32 ? "code " + (int) c : "'" + c + "'";
            findings.error(line, at + 1, shown + " means nothing in music", "remove it, or put text in quotation marks");
            at++;
        }
    }

    /** A second voice in a bar: it is kept, and not mixed with the first. */
    private void overlay() {
        if (overlays.isEmpty()) {
            findings.warning(line, at + 1, "a second voice in the bar is not shown",
                    "the first is read; the second is kept with the tune as a voice of its own, and can be made the melody");
        }
        int from = at + 1;
        while (at < text.length() && text.charAt(at) != '|') {
            int closing = text.charAt(at) == '"' ? text.indexOf('"', at + 1) : -1;
            at = Math.max(at, closing) + 1;
        }
        String music = text.substring(from, at).strip();
        // What closes the bar belongs to its line.
        int end = music.length();
        while (end > 0 && (music.charAt(end - 1) == ':' || music.charAt(end - 1) == '[')) {
            end--;
            at--;
        }
        // A voice named within it would take what is behind it for its own when it is read again: it stays as a remark.
        String second = AbcText.printable(music.substring(0, end)).strip().replace("[V:", "[r:V:");
        if (!second.isEmpty()) {
            overlays.merge(Math.max(0, builder.barsBegun() - 1), second, (a, b) -> a + " & " + b);
        }
    }

    /** The second voices of bars, by the bars' indices. */
    Map<Integer, String> overlays() {
        return overlays;
    }

    private void gap() {
        builder.onLastNote(n -> n.withGapAfter(true));
    }

    private boolean isNoteStart(char c) {
        return c >= 'A' && c <= 'G' || c >= 'a' && c <= 'g' || c == '^' || c == '_' || c == '=';
    }

    private record Letter(Pitch pitch, Ratio length, boolean tied) {}

    /** A letter with accidental, octave marks and length; empty (and reported) when an accidental stands alone. */
    private Optional<Letter> letter() {
        int from = at;
        while (at < text.length() && "^_=".indexOf(text.charAt(at)) >= 0 && at - from < 2) {
            at++;
        }
        String sign = text.substring(from, at);
        Matcher part = MICROTONE.matcher(text).region(at, text.length());
        if (!sign.isEmpty() && part.lookingAt()) {
            double share = Double.parseDouble(part.group(1).isEmpty() ? "1" : part.group(1))
                    / Double.parseDouble(part.group(2).isEmpty() ? "2" : part.group(2));
            sign = share > 1 ? sign.substring(0, 1) : "=";
            findings.warning(line, from + 1, "pitches between the semitones are not read", "the note was given the nearest one towards its letter");
            at = part.end();
        }
        if (at >= text.length() || !Character.isLetter(text.charAt(at)) || !isNoteStart(text.charAt(at))) {
            findings.error(line, from + 1, "an accidental without a note", "write it right before its note, as in ^F");
            at = Math.max(at, from + 1);
            return Optional.empty();
        }
        char c = text.charAt(at++);
        int octave = octaves + (Character.isLowerCase(c) ? 5 : 4);
        while (at < text.length() && (text.charAt(at) == ',' || text.charAt(at) == '\'')) {
            octave += text.charAt(at) == '\'' ? 1 : -1;
            at++;
        }
        if (octave < -1 || octave > 9) {
            findings.error(line, from + 1, "a note too far from any instrument", "check its commas and apostrophes");
            octave = Math.clamp(octave, -1, 9);
        }
        Optional<Integer> accidental = sign.isEmpty() ? Optional.empty() : Optional.of(AbcFields.alter(sign));
        Pitch pitch = builder.pitch(Step.valueOf(String.valueOf(Character.toUpperCase(c))), octave, accidental);
        Ratio length = length();
        boolean tied = at < text.length() && text.charAt(at) == '-';
        return Optional.of(new Letter(pitch, length, tied));
    }

    private void single() {
        letter().ifPresent(l -> place(List.of(l.pitch()), inUnits(l.length())));
    }

    /** A length in units as a note value; the plain unit is one object for all its notes. */
    private Ratio inUnits(Ratio factor) {
        return factor == Ratio.ONE ? unit : factor.times(unit);
    }

    private Ratio counted(Ratio length) {
        if (BarBuilder.counts(length)) {
            return length;
        }
        findings.error(line, at, "a note cannot last " + length, "it was given the unit of length; write a length such as 2, 3/2 or /2");
        return unit;
    }

    private void place(List<Pitch> pitches, Ratio written) {
        Ratio length = counted(written);
        Marks marks = pending.take();
        // A space after the note is seen here, so that the note need not be made a second time for it.
        boolean gap = at >= text.length() || text.charAt(at) == ' ';
        builder.note(new Note(pitches, length, Optional.empty(), false, pending.takeSlurs(), 0, marks, gap), line);
    }

    private void chord() {
        int from = at++;
        List<Pitch> pitches = new ArrayList<>();
        Ratio first = Ratio.ONE;
        boolean tied = false;
        while (at < text.length() && text.charAt(at) != ']' && text.charAt(at) != '|') {
            char c = text.charAt(at);
            if (isNoteStart(c)) {
                Optional<Letter> letter = letter();
                if (letter.isPresent()) {
                    first = pitches.isEmpty() ? letter.get().length() : first;
                    pitches.add(letter.get().pitch());
                    tied |= letter.get().tied();
                }
            } else if (c == '"' || c == '!' || c == '+') {
                skipTo(c);
            } else {
                at++;
            }
        }
        if (at >= text.length() || text.charAt(at) != ']') {
            findings.error(line, from + 1, "a chord is not closed", "close it with ]");
        } else {
            at++;
        }
        Ratio factor = length();
        if (pitches.isEmpty()) {
            findings.error(line, from + 1, "a chord without notes", "write its notes between [ and ]");
            return;
        }
        place(pitches, first.times(factor).times(unit));
        if (tied) {
            builder.onLastNote(n -> n.withTied(true));
        }
    }

    private void rest(char kind) {
        int column = ++at;
        Ratio factor = length();
        Marks marks = pending.take();
        if (kind == 'z' || kind == 'x') {
            builder.rest(new Rest(counted(factor.times(unit)), kind == 'z', false, Optional.empty(), marks), line);
            return;
        }
        long count = Math.clamp(factor.floor(), 1, 1000);
        for (long i = 0; i < count; i++) {
            builder.rest(new Rest(builder.meter().barLength(), kind == 'Z', true, Optional.empty(), marks), line);
            if (i < count - 1) {
                builder.barLine(BarLine.THIN, line, column);
            }
        }
    }

    private void tupletOrSlur(char next) {
        if (!Character.isDigit(next)) {
            pending.slurs++;
            at++;
            return;
        }
        int column = ++at;
        int actual = (int) Math.min(digits(3), 1000);
        int normal = 0;
        int count = 0;
        if (at < text.length() && text.charAt(at) == ':') {
            at++;
            normal = (int) Math.min(digits(0), 1000);
            if (at < text.length() && text.charAt(at) == ':') {
                at++;
                count = (int) Math.min(digits(0), 1000);
            }
        }
        if (normal == 0) {
            normal = switch (actual) {
                case 2, 4, 8 -> 3;
                case 3, 6 -> 2;
                default -> builder.meter().isCompound() ? 3 : 2;
            };
        }
        count = count == 0 ? actual : count;
        if (actual < 2 || actual > 16 || normal > 16 || count > 64) {
            findings.error(line, column, "a tuplet of %d in the time of %d over %d notes".formatted(
                    actual, normal, count), "write a tuplet of 2 to 16 notes such as (3abc");
            return;
        }
        builder.startTuplet(actual, normal, count, line, column);
    }

    private void brokenRhythm(char sign) {
        int from = at;
        while (at < text.length() && text.charAt(at) == sign) {
            at++;
        }
        int count = at - from;
        if (count > 3 || !builder.broken(count, sign == '>')) {
            findings.error(line, from + 1, "broken rhythm without two notes around it",
                    "write at most three signs between two notes, as in A>B");
        }
    }

    private void graces() {
        int from = at++;
        if (closing('}', at) < 0) {
            findings.error(line, from + 1, "grace notes are not closed", "close them with }");
            return;
        }
        if (text.charAt(at) == '/') {
            pending.slash = true;
            at++;
        }
        while (text.charAt(at) != '}') {
            if (isNoteStart(text.charAt(at))) {
                letter().ifPresent(l -> pending.graces.add(l.pitch()));
            } else {
                at++;
            }
        }
        at++;
    }

    private void quoted() {
        int close = closing('"', at + 1);
        if (close < 0) {
            findings.error(line, at + 1, "a quotation mark is not closed", "close it, or remove it");
            at++;
            return;
        }
        String inside = AbcText.unescape(text.substring(at + 1, close));
        if (!inside.isEmpty() && "^_<>@".indexOf(inside.charAt(0)) >= 0) {
            pending.annotations.add(inside);
        } else {
            pending.chord = Optional.of(inside);
        }
        at = close + 1;
    }

    private void longDecoration(char mark) {
        int close = closing(mark, at + 1);
        String name = close < 0 ? "" : text.substring(at + 1, close);
        if (!Decorations.isName(name)) {
            if (mark == '+') {
                findings.error(line, at + 1, "'+' means nothing here", "write decorations as !name!");
            }
            at++;
            return;
        }
        pending.decorations.add(name);
        at = close + 1;
    }

    private void inlineField() {
        int close = closing(']', at);
        if (close < 0) {
            findings.error(line, at + 1, "a field inside the music is not closed", "close it with ]");
            at += 3;
            return;
        }
        inline.read(text.charAt(at + 1), text.substring(at + 3, close).strip(), line, at + 1);
        at = close + 1;
    }

    private void barLine() {
        int from = at;
        barSign().ifPresent(sign -> {
            // What is to be read on from elsewhere stands before the line and is about the bar behind it.
            if (pending.decorations.stream().anyMatch(Jumps::isAtTheEnd) && builder.markLast(pending.decorations)) {
                pending.decorations.clear();
            }
            builder.barLine(sign, line, from + 1);
            if (at < text.length() && Character.isDigit(text.charAt(at))) {
                ending();
            }
        });
    }

    private void ending() {
        int from = at;
        builder.startEnding(times(), line, from + 1);
    }
}
