package wildflourish.app.listening;

import java.nio.file.Path;
import java.util.function.Supplier;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Production;
import wildflourish.core.setting.Arrangement;
import wildflourish.sound.transport.Itinerary;

/** Writes to files what is seen, and what is heard as it is heard. */
public final class TakeHome {

    private final ListeningModel listening;
    private final Production production;

    /** Writes with a production. */
    public TakeHome(ListeningModel listening, Production production) {
        this.listening = listening;
        this.production = production;
    }

    /** Writes a rung in the format that the file's ending tells; what is heard of it where that is sound. */
    public void rung(Path file, Arrangement arrangement, int rung) {
        Supplier<Itinerary> heard = listening.takeHome();
        boolean usual = listening.isUsual();
        production.format(file).ifPresent(format -> {
            if (format == Exports.Format.WAV) {
                production.sound(file, "what is heard", heard);
            } else if (format == Exports.Format.MIDI && !usual) {
                production.make(file, "what is heard", job -> Exports.midi(arrangement.tune().title(), heard.get()));
            } else {
                production.make(file, "the file", job -> Exports.bytes(arrangement, rung, format),
                        () -> format == Exports.Format.PDF ? Exports.unprintable(arrangement).map("; "::concat).orElse("") : "");
            }
        });
    }

    /** Writes something written out, such as the rounds, in the format that the file's ending tells. */
    public void whole(Path file, Supplier<Arrangement> whole, int rung) {
        production.format(file).ifPresent(format -> {
            if (format == Exports.Format.WAV) {
                production.sound(file, "the whole", listening.takeHome(whole, rung));
            } else if (format == Exports.Format.MIDI && !listening.isUsual()) {
                Supplier<Itinerary> heard = listening.takeHome(whole, rung);
                production.make(file, "the whole", job -> {
                    Itinerary all = heard.get();
                    return Exports.midi(all.legs().getFirst().piece().version().arrangement().tune().title(), all);
                });
            } else {
                production.make(file, "the whole", job -> Exports.bytes(whole.get(), rung, format));
            }
        });
    }
}
