package wildflourish.app.desk;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import wildflourish.app.listening.Manner;
import wildflourish.app.paint.Look;
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
 * @param screen id of the screen that was shown
 * @param text size of words in per cent; null in what was kept before there was a choice, and so the two that follow
 * @param zoom size of the score, as a multiple of the usual one
 * @param used how often each thing was taken in the find field, by its id
 * @param who id of the student whom everything follows; null for nobody
 */
record WindowMemory(
        long tune, int rung, int note, String screen, Palette look, Manner.Kept listening, Practising practising, @Nullable Integer text,
        @Nullable Double zoom, @Nullable Map<String, Integer> used, @Nullable Long who) {

    /** Of a window that was never open: the fuller rung of the first tune. */
    static final WindowMemory NONE =
            new WindowMemory(0, 4, 2, "trellis", Palette.LIGHT, Manner.USUAL.kept(), Practising.USUAL, 100, 1.0, Map.of(), null);

    private static final String NAME = "window";

    WindowMemory {
        // Screens were kept in capitals once.
        screen = screen.toLowerCase(Locale.ROOT);
    }

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
            WindowMemory memory = NONE.with(new Look(kept.apply("look").map(Palette::valueOf).orElse(NONE.look), 100))
                    .showing(kept.apply("screen").orElse(NONE.screen));
            String[] stood = kept.apply("standing").orElse("0 4 2").split(" ");
            String[] rule = kept.apply("practice rule").orElse(Practising.USUAL.evenUpTo() + " " + Practising.USUAL.passes()).split(" ");
            Practising how = new Practising(Double.parseDouble(rule[0]), Integer.parseInt(rule[1]),
                    kept.apply("rest after").map(Double::valueOf).orElse(Practising.USUAL.restAfter()),
                    kept.apply("key delay").map(Double::valueOf).orElse(null), null);
            Optional<String[]> manner = kept.apply("listening").map(l -> l.split(" "));
            return memory.with(how).standing(Long.parseLong(stood[0]), Integer.parseInt(stood[1]), Integer.parseInt(stood[2]))
                    .with(manner.map(m -> new Manner.Kept(Integer.parseInt(m[0]), Backing.Under.valueOf(m[1]), Boolean.parseBoolean(m[2]),
                            null, Boolean.parseBoolean(m[3]), m[4])).orElse(NONE.listening));
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            throw new DataFault("what the window remembers cannot be read: " + e.getMessage());
        }
    }

    /** Colours, and the size of words. */
    Look dress() {
        return new Look(look, text == null ? 100 : text);
    }

    /** The size of the score. */
    double size() {
        return zoom == null || !(zoom >= 0.3 && zoom <= 4) ? 1 : zoom;
    }

    /** How often each thing was taken. */
    Map<String, Integer> uses() {
        return used == null ? Map.of() : used;
    }

    WindowMemory standing(long newTune, int newRung, int newNote) {
        return new WindowMemory(newTune, newRung, newNote, screen, look, listening, practising, text, zoom, used, who);
    }

    WindowMemory showing(String other) {
        return new WindowMemory(tune, rung, note, other, look, listening, practising, text, zoom, used, who);
    }

    WindowMemory with(Look other) {
        return new WindowMemory(tune, rung, note, screen, other.palette(), listening, practising, other.percent(), zoom, used, who);
    }

    WindowMemory with(Manner.Kept other) {
        return new WindowMemory(tune, rung, note, screen, look, other, practising, text, zoom, used, who);
    }

    WindowMemory with(Practising other) {
        return new WindowMemory(tune, rung, note, screen, look, listening, other, text, zoom, used, who);
    }

    WindowMemory zoomed(double size) {
        return new WindowMemory(tune, rung, note, screen, look, listening, practising, text, size, used, who);
    }

    /** The student whom everything follows. */
    Optional<Long> followed() {
        return Optional.ofNullable(who);
    }

    WindowMemory following(Optional<Long> other) {
        return new WindowMemory(tune, rung, note, screen, look, listening, practising, text, zoom, used, other.orElse(null));
    }

    WindowMemory using(String id) {
        Map<String, Integer> more = new TreeMap<>(uses());
        more.merge(id, 1, Integer::sum);
        return new WindowMemory(tune, rung, note, screen, look, listening, practising, text, zoom, more, who);
    }
}
