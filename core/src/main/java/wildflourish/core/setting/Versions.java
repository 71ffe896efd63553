package wildflourish.core.setting;

import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.memory.Kept;
import wildflourish.core.ornament.Situation;

/**
 * The versions of one tune as they are played, each planned once: those that share their variations share the tune that these
 * make of it. For any thread.
 */
public final class Versions {

    private final Situation plain;
    private final Kept<SortedMap<Integer, Variation>, Bare> bare;
    private final Kept<Setting, AsPlayed> played;

    /** The tune with its variations, nothing else on it, in the hands of the instrument. */
    private record Bare(Varied varied, Situation situation) {}

    /** {@code plain} is the tune without variations, its places planned for the bare notes. */
    public Versions(Situation plain) {
        this(plain, Integer.MAX_VALUE);
    }

    /** As above, no more than {@code most} of them kept. */
    Versions(Situation plain, int most) {
        this.plain = plain;
        this.bare = new Kept<>(most);
        this.played = new Kept<>(most);
    }

    /** The tune without variations, its places planned for the bare notes. */
    public Situation plain() {
        return plain;
    }

    /** A setting as it is played. */
    public AsPlayed of(Setting setting) {
        return played.of(setting, this::play);
    }

    private AsPlayed play(Setting setting) {
        Bare tune = bare.of(setting.variations(), this::vary);
        Varied varied = tune.varied.decorated(setting);
        return new AsPlayed(varied, tune.situation.playing(varied.setting().ornaments(tune.situation.vocabulary())));
    }

    private Bare vary(SortedMap<Integer, Variation> variations) {
        Varied varied = Varied.of(plain.tune(), new Setting(new TreeMap<>(), variations));
        return new Bare(varied, varied.situation(plain));
    }
}
