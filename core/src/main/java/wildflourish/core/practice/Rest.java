package wildflourish.core.practice;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;

/**
 * When to rest. It reminds and gives no medical advice; what hurts is for a doctor or a hand therapist.
 *
 * @param afterMinutes of playing without a pause
 * @param tiringMinutes the same for movements that strain the hand
 * @param pauseMinutes so long without playing counts as a pause
 * @param words the reminder
 * @param tiringWords the reminder after straining movements
 * @param pain what always holds
 */
public record Rest(
        String provenance, double afterMinutes, double tiringMinutes, double pauseMinutes, String words, String tiringWords, String pain) {

    /** As it is before anybody changes it. */
    public static final Rest USUAL = DataFile.read("practice/rest.json", Rest.class);

    /** A stretch of playing. */
    public record Spell(Instant from, Instant to, boolean tiring) {}

    /** With another time, 0 for no reminder at all. */
    public Rest after(double minutes) {
        return new Rest(provenance, minutes, Math.min(tiringMinutes, minutes), pauseMinutes, words, tiringWords, pain);
    }

    /** The reminder that is due now, if any. */
    public Optional<String> due(List<Spell> played, Instant now) {
        if (afterMinutes <= 0) {
            return Optional.empty();
        }
        Duration all = Duration.ZERO;
        Duration tiring = Duration.ZERO;
        Instant later = now;
        for (int i = played.size() - 1; i >= 0; i--) {
            Spell stretch = played.get(i);
            if (Duration.between(stretch.to(), later).toMillis() >= pauseMinutes * 60_000) {
                break;
            }
            Duration length = Duration.between(stretch.from(), stretch.to());
            all = all.plus(length);
            tiring = stretch.tiring() ? tiring.plus(length) : tiring;
            later = stretch.from();
        }
        return tiring.toMillis() >= tiringMinutes * 60_000 ? Optional.of(tiringWords)
                : all.toMillis() >= afterMinutes * 60_000 ? Optional.of(words) : Optional.empty();
    }
}
