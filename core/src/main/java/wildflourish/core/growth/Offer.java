package wildflourish.core.growth;

import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Variation;

/**
 * A variation that fits a stretch of the tune.
 *
 * @param verdict whether its shortest note speaks at the tempo
 * @param gain how much taste says for it
 * @param because the reason, in the teacher's words
 */
public record Offer(Variation variation, Verdict verdict, int gain, String because) {

    public VariationKind kind() {
        return VariationKind.of(variation.kind());
    }

    /** For reading: {@code connecting note: D E F sharp}. */
    public String inWords() {
        return "%s: %s".formatted(VariationKind.spoken(variation.kind()), variation.inWords());
    }
}
