package wildflourish.app.frame;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Predicate;

/**
 * Something that can be done. The only source of keys, the menu, the find field, the list of keys, hints and the manual's list.
 *
 * @param id kept in what the window remembers of its use
 * @param words what it does, as a teacher would say it, without a full stop
 * @param group what it is among
 * @param keys what is pressed for it; none where it has no key
 * @param where the screens on which it works, for a command of the whole window
 * @param can whether it can be done now
 * @param run does it; told what was typed, which is empty when it was not a sign
 * @param listed whether it is found by its words; not one that means nothing without its key
 * @param held whether it goes on while its key is held down
 */
public record Command(String id, String words, String group, List<Keys> keys, Predicate<Screen> where, BooleanSupplier can,
        Consumer<String> run, boolean listed, boolean held) {

    public Command {
        keys = List.copyOf(keys);
    }

    /** A command without keys that can always be done. */
    public static Command of(String id, String words, String group, Runnable run) {
        return new Command(id, words, group, List.of(), s -> true, () -> true, typed -> run.run(), true, false);
    }

    /** One that asks which of its signs was typed, and is therefore reached by them alone. */
    public static Command typed(String id, String words, String group, Keys key, Consumer<String> run) {
        return new Command(id, words, group, List.of(key), s -> true, () -> true, run, false, false);
    }

    /** The same with keys, as {@link Keys#of(String)} reads them. */
    public Command keys(String... more) {
        List<Keys> all = new ArrayList<>(keys);
        for (String one : more) {
            all.add(Keys.of(one));
        }
        return new Command(id, words, group, all, where, can, run, listed, held);
    }

    /** The same with more keys that do the same and are not written anywhere: what other keyboards have in its place. */
    public Command also(String... more) {
        List<Keys> all = new ArrayList<>(keys);
        for (String one : more) {
            all.add(Keys.of(one).unwritten());
        }
        return new Command(id, words, group, all, where, can, run, listed, held);
    }

    /** The same with one more key. */
    public Command key(Keys more) {
        List<Keys> all = new ArrayList<>(keys);
        all.add(more);
        return new Command(id, words, group, all, where, can, run, listed, held);
    }

    /** The same, listed among others. */
    public Command among(String other) {
        return new Command(id, words, other, keys, where, can, run, listed, held);
    }

    /** The same, where a condition holds. */
    public Command when(BooleanSupplier condition) {
        return new Command(id, words, group, keys, where, condition, run, listed, held);
    }

    /** The same, on some screens only. */
    public Command on(Predicate<Screen> screens) {
        return new Command(id, words, group, keys, screens, can, run, listed, held);
    }

    /** The same, found by its keys alone: it moves about and means nothing in a list. It goes on while its key is held down. */
    public Command byKeyAlone() {
        return new Command(id, words, group, keys, where, can, run, false, true);
    }

    /** The same, again and again while its key is held down; others are done once each time. */
    public Command whileHeld() {
        return new Command(id, words, group, keys, where, can, run, listed, true);
    }

    /** The same, done once each time, and found by its keys alone. */
    public Command unlisted() {
        return new Command(id, words, group, keys, where, can, run, false, false);
    }

    /** How its keys are written; empty without any. */
    public String keysInWords() {
        return Keys.inWords(keys);
    }

    /** What a hint says of it: its words, and its keys behind them. */
    public String hint() {
        return keys.isEmpty() ? words : words + ": " + keysInWords();
    }
}
