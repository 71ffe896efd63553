package wildflourish.app.desk;

import java.util.Optional;
import java.util.function.Function;
import wildflourish.app.listening.Manner;
import wildflourish.app.paint.Palette;
import wildflourish.app.practice.Practising;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.sound.transport.Backing;

/**
 * What the window remembers from one day to the next.
 *
 * @param tune id of the tune that was open; 0 for none
 * @param rung the rung that was in hand; so the note
 */
record WindowMemory(
        long tune, int rung, int note, Screen screen, Palette look, Manner.Kept listening, Practising practising) {

    /** Of a window that was never open: the fuller rung of the first tune. */
    static final WindowMemory NONE =
            new WindowMemory(0, 4, 2, Screen.TRELLIS, Palette.LIGHT, Manner.USUAL.kept(), Practising.USUAL);

    private static final String NAME = "window";

    /** The name that it is kept under. */
    static String name() {
        return NAME;
    }

    String write() {
        return DataFile.write(this);
    }

    /**
     * What was kept.
     *
     * @param kept the values that the library keeps, by their names
     * @throws DataFault when it cannot be read
     */
    static WindowMemory of(Function<String, Optional<String>> kept) {
        return kept.apply(NAME).map(text -> DataFile.parse("what the window remembers", text, WindowMemory.class)).orElseGet(() -> earlier(kept));
    }

    /** As it was kept before it was one record: each thing by itself. */
    private static WindowMemory earlier(Function<String, Optional<String>> kept) {
        try {
            WindowMemory memory = NONE.with(kept.apply("look").map(Palette::valueOf).orElse(NONE.look))
                    .with(kept.apply("screen").map(Screen::valueOf).orElse(NONE.screen));
            String[] stood = kept.apply("standing").orElse("0 4 2").split(" ");
            String[] rule = kept.apply("practice rule").orElse(Practising.USUAL.evenUpTo() + " " + Practising.USUAL.passes()).split(" ");
            Practising how = new Practising(Double.parseDouble(rule[0]), Integer.parseInt(rule[1]),
                    kept.apply("rest after").map(Double::valueOf).orElse(Practising.USUAL.restAfter()),
                    kept.apply("key delay").map(Double::valueOf).orElse(null));
            Optional<String[]> manner = kept.apply("listening").map(l -> l.split(" "));
            return memory.with(how).standing(Long.parseLong(stood[0]), Integer.parseInt(stood[1]), Integer.parseInt(stood[2]))
                    .with(manner.map(m -> new Manner.Kept(Integer.parseInt(m[0]), Backing.Under.valueOf(m[1]), Boolean.parseBoolean(m[2]),
                            Boolean.parseBoolean(m[3]), m[4])).orElse(NONE.listening));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new DataFault("what the window remembers cannot be read: " + e.getMessage());
        }
    }

    WindowMemory standing(long newTune, int newRung, int newNote) {
        return new WindowMemory(newTune, newRung, newNote, screen, look, listening, practising);
    }

    WindowMemory with(Screen other) {
        return new WindowMemory(tune, rung, note, other, look, listening, practising);
    }

    WindowMemory with(Palette other) {
        return new WindowMemory(tune, rung, note, screen, other, listening, practising);
    }

    WindowMemory with(Manner.Kept other) {
        return new WindowMemory(tune, rung, note, screen, look, other, practising);
    }

    WindowMemory with(Practising other) {
        return new WindowMemory(tune, rung, note, screen, look, listening, other);
    }
}
