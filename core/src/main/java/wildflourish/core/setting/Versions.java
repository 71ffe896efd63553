package wildflourish.core.setting;

import java.util.HashMap;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import wildflourish.core.ornament.Situation;

/**
 * The versions of one tune as they are played, each planned once: those that share their variations share the tune that these
 * make of it. For one thread, and for as long as versions are compared with each other.
 */
public final class Versions {

    private final Situation plain;
    private final Map<SortedMap<Integer, Variation>, Bare> bare = new HashMap<>();
    private final Map<Setting, AsPlayed> played = new HashMap<>();

    /** The tune with its variations, nothing else on it, in the hands of the instrument. */
    private record Bare(Varied varied, Situation situation) {}

    /** {@code plain} is the tune without variations, its places planned for the bare notes. */
    public Versions(Situation plain) {
        this.plain = plain;
    }

    /** A setting as it is played. */
    public AsPlayed of(Setting setting) {
        return played.computeIfAbsent(setting, this::play);
    }

    private AsPlayed play(Setting setting) {
        Bare tune = bare.computeIfAbsent(setting.variations(), this::vary);
        Varied varied = tune.varied.decorated(setting);
        return new AsPlayed(varied, tune.situation.playing(varied.setting().ornaments(tune.situation.vocabulary())));
    }

    private Bare vary(SortedMap<Integer, Variation> variations) {
        Varied varied = Varied.of(plain.tune(), new Setting(new TreeMap<>(), variations));
        return new Bare(varied, varied.situation(plain));
    }
}
