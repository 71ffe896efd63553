package wildflourish.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import wildflourish.core.tune.Tempo;

/**
 * One pass as the log keeps it.
 *
 * @param at when it began
 * @param seconds how long it lasted
 * @param tune the tune's id in the library; empty for a gesture
 * @param subject what was practised, for reading: the tune's title, or the gesture
 * @param passage which stretch of the tune, for reading: {@code A2}, {@code the whole tune}; empty for a gesture
 * @param instrument its id
 * @param rung the rung's name; empty for a gesture
 * @param hands how it was played: {@code keys}, {@code midi}, or a simulated student by name
 * @param tempo of a tune's pass; empty for a gesture
 * @param partMs length of the part of a gesture in milliseconds; 0 for a tune
 * @param even whether it was even by the rule then in force; for a gesture, whether most tries were clean
 * @param spoken how many of its ornaments came, where they were listened to
 * @param student the id in the library of whoever played it; empty where that was not said
 * @param variation as {@link Evenness#variation}; so the drift
 */
public record LoggedPass(
        Instant at, double seconds, Optional<Long> tune, String subject, String passage, String instrument, String rung, String hands,
        Optional<Tempo> tempo, int partMs, boolean even, double variation, double drift, double offsetMs, int expected, int missed, int extra, Spoken spoken, Optional<Long> student) {

    /** A pass of nobody in particular, to which nobody listened. */
    public LoggedPass(
            Instant at, double seconds, Optional<Long> tune, String subject, String passage, String instrument, String rung, String hands,
            Optional<Tempo> tempo, int partMs, boolean even, double variation, double drift, double offsetMs, int expected, int missed, int extra) {
        this(at, seconds, tune, subject, passage, instrument, rung, hands, tempo, partMs, even, variation, drift, offsetMs, expected, missed, extra, Spoken.UNHEARD, Optional.empty());
    }

    /** The same, played by somebody. */
    public LoggedPass by(Optional<Long> somebody) {
        return new LoggedPass(at, seconds, tune, subject, passage, instrument, rung, hands, tempo, partMs, even, variation, drift, offsetMs, expected, missed, extra, spoken, somebody);
    }

    /** The same, so much later, of a tune by its id. */
    public LoggedPass moved(Duration later, Optional<Long> other) {
        return new LoggedPass(at.plus(later), seconds, other, subject, passage, instrument, rung, hands, tempo, partMs, even, variation, drift, offsetMs, expected, missed, extra, spoken, student);
    }

    /** A pass that was measured. */
    public static LoggedPass of(Instant at, Practised what, Evenness pass, boolean even, Spoken spoken) {
        return new LoggedPass(at, pass.expected().lengthMs() / 1000, what.tune(), what.subject(), what.passage(), what.instrument(), what.rung(),
                what.hands(), what.tempo(), what.partMs(), even, pass.variation(), pass.drift(), pass.offsetMs(), pass.expected().size(),
                pass.matching().missed().size(), pass.matching().extra().size(), spoken, Optional.empty());
    }

    /** What is practised: see the fields of the same names in {@link LoggedPass}. */
    public record Practised(
            Optional<Long> tune, String subject, String passage, String instrument, String rung, String hands, Optional<Tempo> tempo,
            int partMs) {}
}
