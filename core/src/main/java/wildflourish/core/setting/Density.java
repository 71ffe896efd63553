package wildflourish.core.setting;

/**
 * How much a rung may hold when it is grown.
 *
 * @param perPhrase ornaments and variations a phrase bears
 * @param heavyPerPhrase weighty ones among them
 */
public record Density(int perPhrase, int heavyPerPhrase) {

    public Density {
        if (perPhrase < 0 || heavyPerPhrase < 0) {
            throw new IllegalArgumentException("a phrase holds nothing or something, not less");
        }
    }
}
