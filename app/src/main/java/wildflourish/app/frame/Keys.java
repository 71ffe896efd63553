package wildflourish.app.frame;

import java.util.Arrays;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;

/** What is pressed or typed for a command, and how it is written. */
public sealed interface Keys {

    /** How it is written, as in {@code Ctrl+Shift+Z}. */
    String words();

    /** Whether a key that was pressed or typed is meant. */
    boolean meant(KeyEvent e);

    /** A key, with others held or not. */
    record Chord(KeyCode code, boolean shortcut, boolean shift, boolean alt, String words) implements Keys {

        @Override
        public boolean meant(KeyEvent e) {
            return e.getEventType() == KeyEvent.KEY_PRESSED && e.getCode() == code && e.isShortcutDown() == shortcut
                    && e.isShiftDown() == shift && e.isAltDown() == alt;
        }

        /** Whether it is a key by itself, which a list or a field may want. */
        boolean isPlain() {
            return !shortcut && !alt && !code.isFunctionKey();
        }
    }

    /** One of some signs, wherever the keyboard has them. */
    record Sign(String signs, String words) implements Keys {

        @Override
        public boolean meant(KeyEvent e) {
            // Alt and Ctrl together make signs on some keyboards; one of them alone makes none.
            return e.getEventType() == KeyEvent.KEY_TYPED && e.getCharacter().length() == 1 && signs.contains(e.getCharacter())
                    && !e.isMetaDown() && e.isControlDown() == e.isAltDown();
        }
    }

    /** Any letter, as it is pressed. */
    record Letter(String words) implements Keys {

        @Override
        public boolean meant(KeyEvent e) {
            return e.getEventType() == KeyEvent.KEY_PRESSED && e.getCode().isLetterKey() && !e.isShortcutDown() && !e.isAltDown();
        }
    }

    String SMALL = "abcdefghijklmnopqrstuvwxyz";

    /** Names that are not those of the toolkit. */
    Map<String, KeyCode> NAMES = Map.ofEntries(Map.entry("←", KeyCode.LEFT), Map.entry("→", KeyCode.RIGHT), Map.entry("↑", KeyCode.UP),
            Map.entry("↓", KeyCode.DOWN), Map.entry("Space", KeyCode.SPACE), Map.entry("Enter", KeyCode.ENTER),
            Map.entry("Escape", KeyCode.ESCAPE), Map.entry("Delete", KeyCode.DELETE), Map.entry("Backspace", KeyCode.BACK_SPACE),
            Map.entry("Home", KeyCode.HOME), Map.entry("End", KeyCode.END), Map.entry("Plus", KeyCode.PLUS), Map.entry("Equals", KeyCode.EQUALS),
            Map.entry("Minus", KeyCode.MINUS), Map.entry("Add", KeyCode.ADD), Map.entry("Subtract", KeyCode.SUBTRACT));

    /**
     * A key as it is written: a letter, a digit, an arrow, a name such as {@code Enter} or {@code F1}, behind {@code Ctrl+},
     * {@code Shift+} and {@code Alt+}.
     *
     * @throws IllegalArgumentException when there is no such key
     */
    static Keys of(String words) {
        var parts = Arrays.asList(words.split("\\+"));
        String name = parts.getLast();
        KeyCode code = NAMES.containsKey(name) ? NAMES.get(name)
                : name.matches("[0-9]") ? KeyCode.valueOf("DIGIT" + name) : KeyCode.valueOf(name);
        return new Chord(code, parts.contains("Ctrl"), parts.contains("Shift"), parts.contains("Alt"), words);
    }

    /** Each of some signs, such as {@code +} and {@code =}; written as the first of them. */
    static Keys sign(String signs) {
        return new Sign(signs, signs.substring(0, 1));
    }

    /** Each of some signs, written in words of its own. */
    static Keys signs(String signs, String words) {
        return new Sign(signs, words);
    }

    /** A letter as it is typed, capital or small, the letters in some order of their own. */
    static Keys typedLetter(String words) {
        return new Sign(SMALL + SMALL.toUpperCase(java.util.Locale.ROOT), words);
    }

    /** A number from 1 to 9. */
    static Keys number(String words) {
        return new Sign("123456789", words);
    }

    /** Whether two mean the same key. */
    default boolean clashesWith(Keys other) {
        return switch (this) {
            case Chord c when other instanceof Chord d -> c.code == d.code && c.shortcut == d.shortcut && c.shift == d.shift && c.alt == d.alt;
            case Sign s when other instanceof Sign t -> s.signs.chars().anyMatch(c -> t.signs.indexOf(c) >= 0);
            case Letter l -> other instanceof Letter || other instanceof Sign s && s.signs.chars().anyMatch(Character::isLetter)
                    || other instanceof Chord c && c.isPlain() && c.code.isLetterKey();
            case Sign s when other instanceof Chord c -> c.isPlain() && c.code.isLetterKey()
                    && s.signs.toUpperCase(java.util.Locale.ROOT).contains(c.code.getChar());
            case Chord c -> other.clashesWith(c) && !(other instanceof Chord);
            case Sign s -> other.clashesWith(s);
        };
    }

    /** The same, not written anywhere. */
    default Keys unwritten() {
        return switch (this) {
            case Chord c -> new Chord(c.code, c.shortcut, c.shift, c.alt, "");
            case Sign s -> new Sign(s.signs, "");
            case Letter l -> new Letter("");
        };
    }

    /** Several, as they are written for a reader. */
    static String inWords(java.util.List<Keys> keys) {
        return keys.stream().map(Keys::words).filter(w -> !w.isEmpty()).collect(Collectors.joining(" or "));
    }
}
