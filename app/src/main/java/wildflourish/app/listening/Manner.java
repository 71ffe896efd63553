package wildflourish.app.listening;

import org.jspecify.annotations.Nullable;
import wildflourish.core.practice.Lilt;
import wildflourish.sound.transport.Backing;

/**
 * How something is listened to, whatever it is.
 *
 * @param percent of the tune's tempo
 * @param counted whether it is counted in
 */
public record Manner(int percent, Backing backing, boolean counted, Lilt lilt) {

    /** As it is written, alone. */
    public static final Manner USUAL = new Manner(100, Backing.USUAL, false, Lilt.STRAIGHT);

    private static final int SLOWEST = 25;
    private static final int FASTEST = 150;

    public Manner {
        percent = Math.clamp(percent, SLOWEST, FASTEST);
    }

    public Manner withPercent(int other) {
        return new Manner(other, backing, counted, lilt);
    }

    public Manner with(Backing other) {
        return new Manner(percent, other, counted, lilt);
    }

    public Manner withCounted(boolean on) {
        return new Manner(percent, backing, on, lilt);
    }

    public Manner with(Lilt other) {
        return new Manner(percent, backing, counted, other);
    }

    /**
     * It as it is kept.
     *
     * @param room null where it was kept before there were rooms
     */
    public record Kept(int percent, Backing.Under under, boolean metronome, @Nullable Boolean room, boolean counted, String lilt) {}

    public Kept kept() {
        return new Kept(percent, backing.under(), backing.metronome(), backing.room(), counted, lilt.id());
    }

    /** As it was kept; throws {@link IllegalArgumentException} when there is no such lilt. */
    public static Manner of(Kept kept) {
        Lilt lilt = Lilt.byId(kept.lilt);
        if (!lilt.id().equals(kept.lilt)) {
            throw new IllegalArgumentException("there is no lilt '" + kept.lilt + "'");
        }
        return new Manner(kept.percent, new Backing(kept.metronome, kept.under, kept.room == null ? USUAL.backing.room() : kept.room), kept.counted, lilt);
    }
}
