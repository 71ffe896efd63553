package wildflourish.app.writing;

import java.util.function.Consumer;
import java.util.function.Supplier;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.writing.KeyFinder;

/** Writing by the fingers: a fingering of the instrument in hand puts the note that it sounds. */
final class ByFingers {

    private final WritingModel model;
    private final Supplier<Instrument> instrument;
    private final Consumer<String> say;

    ByFingers(WritingModel model, Supplier<Instrument> instrument, Consumer<String> say) {
        this.model = model;
        this.instrument = instrument;
        this.say = say;
    }

    /** What is asked. */
    String question() {
        return "%s, as in %s".formatted(instrument.get().name(), instrument.get().layout().example());
    }

    /** Puts the note of a fingering; false where nothing was typed. */
    boolean put(String typed) {
        if (typed.isBlank()) {
            return false;
        }
        try {
            int midi = instrument.get().layout().sounds(typed);
            if (model.stroke(p -> p.note(KeyFinder.spelled(midi, p.tune().head().key())))) {
                say.accept("%s: %s".formatted(typed, KeyFinder.spelled(midi, model.pen().get().orElseThrow().tune().head().key()).spoken()));
            }
        } catch (IllegalArgumentException e) {
            say.accept("“%s” sounds nothing: %s".formatted(typed, e.getMessage()));
        }
        return true;
    }
}
