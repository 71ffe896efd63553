package wildflourish.core.setting;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.memory.Kept;
import wildflourish.core.memory.Once;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Choices;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * A rung of an arrangement with everything that follows from it, worked out once: the tune as it is played on that rung, in
 * whose hands, at which places. Whatever is shown, judged, sounded or written of a version is a view of this value. Two of
 * equal arrangements and rungs are equal, and share what has been worked out; any thread may ask.
 */
public final class Version {

    private static final Kept<Key, Version> VERSIONS = new Kept<>(256);
    private static final Kept<Tune, Timeline> TUNES = new Kept<>(32);
    private static final Kept<Holding, Situation> BARE = new Kept<>(32);
    private static final Kept<AtTempo, Versions> PLAYED = new Kept<>(32);

    private record Key(Arrangement arrangement, int rung) {}

    /** What decides the places of the bare notes. */
    private record Holding(Tune tune, Instrument instrument, School school, Choices choices) {}

    private record AtTempo(Holding hands, Tempo tempo) {}

    private final Key key;
    private final Once<Timeline> tune;
    private final Once<Versions> others;
    private final Once<AsPlayed> played;
    private final Map<Class<?>, Once<?>> besides = new ConcurrentHashMap<>();

    private Version(Key key) {
        this.key = key;
        Arrangement a = key.arrangement;
        AtTempo at = new AtTempo(new Holding(a.tune(), a.instrument(), a.school(), a.choices()), a.tempo());
        this.tune = new Once<>(() -> TUNES.of(a.tune(), Timeline::of));
        this.others = new Once<>(() -> PLAYED.of(at, k -> new Versions(plan(k), 64)));
        this.played = new Once<>(() -> others.get().of(setting()));
    }

    /** A rung of an arrangement; asking for it costs nothing yet. */
    public static Version of(Arrangement arrangement, int rung) {
        return VERSIONS.of(new Key(arrangement, rung), Version::new);
    }

    private static Situation plan(AtTempo at) {
        return BARE.of(at.hands, h -> Situation.of(TUNES.of(h.tune, Timeline::of), h.instrument, h.school, h.choices)).at(at.tempo);
    }

    public Arrangement arrangement() {
        return key.arrangement;
    }

    public int rung() {
        return key.rung;
    }

    /** What stands on the plain tune on this rung. */
    public Setting setting() {
        return key.arrangement.ladder().setting(key.rung);
    }

    /** Another rung of the same arrangement. */
    public Version on(int rung) {
        return rung == key.rung ? this : of(key.arrangement, rung);
    }

    /** The plain tune; nothing is planned for it. */
    public Timeline tune() {
        return tune.get();
    }

    /** The plain tune in the hands of the instrument, its places planned for the bare notes. */
    public Situation bare() {
        return others.get().plain();
    }

    /** The tune with the rung's variations, its places planned together with the rung's ornaments. */
    public AsPlayed played() {
        return played.get();
    }

    /** The situation of {@link #played}. */
    public Situation hands() {
        return played.get().situation();
    }

    /** The tune of {@link #played}, and how its notes answer to the plain ones. */
    public Varied varied() {
        return played.get().varied();
    }

    /** Any setting of the same tune in the same hands. */
    public Versions others() {
        return others.get();
    }

    /**
     * Something else that follows from this version alone, worked out once.
     *
     * @param work gives the same for equal versions
     */
    public <T> T once(Class<T> what, Function<Version, T> work) {
        return what.cast(besides.computeIfAbsent(what, w -> new Once<>(() -> work.apply(this))).get());
    }

    @Override
    public boolean equals(Object other) {
        return this == other || other instanceof Version that && key.equals(that.key);
    }

    @Override
    public int hashCode() {
        return key.hashCode();
    }

    @Override
    public String toString() {
        return "%s, %s, on %s".formatted(key.arrangement.tune().title(), key.arrangement.ladder().rung(key.rung).name(),
                key.arrangement.instrument().name());
    }
}
