package wildflourish.sound.transport;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.PlayedOut;
import wildflourish.sound.voice.Voice;

/**
 * An itinerary in samples, from the moment at which it is entered. Legs follow one another without a sample lost; the same sample
 * is always the same moment.
 */
public final class Course {

    private static final double FRAMES_A_MS = Voice.RATE / 1000.0;

    private final Itinerary itinerary;
    private final List<Track> tracks;
    private final Track first;
    private final int firstLeg;
    private final double enteredMs;
    private final long[] starts;
    private final long round;

    private Course(Itinerary itinerary, int firstLeg, double enteredMs) {
        this.itinerary = itinerary;
        this.firstLeg = firstLeg;
        this.enteredMs = enteredMs;
        List<Track> all = new ArrayList<>();
        starts = new long[itinerary.legs().size() + 1];
        for (int i = 0; i < itinerary.legs().size(); i++) {
            Leg leg = itinerary.legs().get(i);
            Track track = Track.of(leg, itinerary.backing(), -countedMs(leg));
            starts[i + 1] = starts[i] + track.frames();
            all.add(track);
        }
        tracks = List.copyOf(all);
        round = starts[starts.length - 1];
        Leg leg = itinerary.legs().get(firstLeg);
        first = Track.of(leg, itinerary.backing(), enteredMs);
    }

    /** What is counted before a leg whenever it comes: what goes around is counted in when it is begun, and not again. */
    private double countedMs(Leg leg) {
        return itinerary.again() ? 0 : leg.countInMs();
    }

    /** From the beginning. */
    public static Course of(Itinerary itinerary) {
        return at(itinerary, new Moment(0, 0, -itinerary.legs().getFirst().countInMs(), false));
    }

    /** Entered at a moment; one before or behind its leg is moved to the leg's nearest. */
    public static Course at(Itinerary itinerary, Moment moment) {
        int leg = Math.clamp(moment.leg(), 0, itinerary.legs().size() - 1);
        Leg entered = itinerary.legs().get(leg);
        double ms = leg == moment.leg() ? moment.ms() : -entered.countInMs();
        return new Course(itinerary, leg, Math.clamp(ms, -entered.countInMs(), Math.max(0, entered.lengthMs() - 2)));
    }

    /**
     * Another itinerary of as many legs, such as the same at another tempo, entered where one is in this: at the same position of
     * the music, or at the same share of the count-in.
     */
    public Course into(Itinerary other, Moment now) {
        if (other.legs().size() != itinerary.legs().size() || now.over()) {
            return of(other);
        }
        Leg from = itinerary.legs().get(now.leg());
        Leg to = other.legs().get(now.leg());
        double ms;
        if (now.isCountedIn()) {
            ms = from.countInMs() == 0 ? 0 : now.ms() * to.countInMs() / from.countInMs();
        } else {
            double position = position(now);
            ms = to.piece().played().msAt(position) - to.piece().played().msAt(to.span().from());
        }
        return at(other, new Moment(now.leg(), 0, ms, false));
    }

    /** The written position of a moment in its leg's piece, in whole notes; the beginning of the stretch while it is counted in. */
    public double position(Moment moment) {
        Leg leg = itinerary.legs().get(moment.leg());
        PlayedOut played = leg.piece().played();
        double from = played.msAt(leg.span().from());
        return played.positionAt(from + Math.max(0, moment.ms()));
    }

    public Itinerary itinerary() {
        return itinerary;
    }

    /** Samples until everything has been played once, from where it was entered. */
    public long frames() {
        return first.frames() + round - starts[firstLeg + 1];
    }

    /** The moment of a sample, counted from where the course was entered; samples before it are its first moment. */
    public Moment at(long frame) {
        long at = Math.max(0, frame);
        if (at < first.frames()) {
            return moment(firstLeg, 0, at / FRAMES_A_MS + Math.max(enteredMs, -itinerary.legs().get(firstLeg).countInMs()));
        }
        long since = at - first.frames() + starts[firstLeg + 1];
        long pass = since / round;
        if (!itinerary.again() && pass > 0) {
            int last = itinerary.legs().size() - 1;
            return new Moment(last, 0, itinerary.legs().get(last).lengthMs(), true);
        }
        long inRound = since - pass * round;
        int leg = 0;
        while (starts[leg + 1] <= inRound) {
            leg++;
        }
        return moment(leg, (int) pass, (inRound - starts[leg]) / FRAMES_A_MS - countedMs(itinerary.legs().get(leg)));
    }

    private static Moment moment(int leg, int pass, double ms) {
        return new Moment(leg, pass, ms, false);
    }

    /** The track that is played so many legs after the first; null when everything has been played. */
    @Nullable Track track(int count) {
        if (count == 0) {
            return first;
        }
        int leg = firstLeg + count;
        return leg < tracks.size() || itinerary.again() ? tracks.get(leg % tracks.size()) : null;
    }
}
