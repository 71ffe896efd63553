package wildflourish.sound.transport;

import org.jspecify.annotations.Nullable;
import wildflourish.sound.cue.Cue;
import wildflourish.sound.voice.Voice;
import wildflourish.sound.voice.VoiceData;

/**
 * Renders a course, block by block. For one thread; allocates nothing after it is made. Two decks take turns: as a leg ends, its
 * deck lets what sounds die away while the other begins the next, so that nothing is cut off.
 */
public final class Playback {

    private final Course course;
    private final Deck[] decks;
    private int count;
    private int current;
    private @Nullable Track track;
    private int event;
    private long frame;

    /** Who sounds in a leg: the instrument, what lies underneath, the clicks. */
    private static final class Deck {
        private final Voice tune;
        private final Voice under = VoiceData.byId("backing").voice(62);
        private final Clicks clicks = new Clicks();

        Deck(Piece piece) {
            tune = piece.voice().voice(piece.lowest());
        }

        void take(Track.Part part, Cue cue) {
            switch (part) {
                case TUNE -> tune.take(cue);
                case UNDER -> under.take(cue);
                case CLICK -> clicks.take(cue);
            }
        }

        void render(float[] into, int from, int to) {
            tune.render(into, from, to);
            under.render(into, from, to);
            clicks.render(into, from, to);
        }

        boolean isSilent() {
            return tune.isSilent() && under.isSilent() && clicks.isSilent();
        }

        void stop() {
            tune.take(STOP);
            under.take(STOP);
        }
    }

    private static final Cue STOP = new Cue(0, Cue.Kind.STOP, Cue.ALL, 0, 0, 0);

    /** Ready to render from where the course is entered. All legs sound on the instrument of the first. */
    public Playback(Course course) {
        this.course = course;
        Piece piece = course.itinerary().legs().getFirst().piece();
        decks = new Deck[] {new Deck(piece), new Deck(piece)};
        track = course.track(0);
    }

    public Course course() {
        return course;
    }

    /** Adds the next samples to {@code into[from]} to {@code into[to - 1]}. */
    public void render(float[] into, int from, int to) {
        int at = from;
        while (at < to) {
            if (track == null) {
                sound(into, at, to);
                return;
            }
            while (event < track.frameOf().length && track.frameOf()[event] <= frame) {
                decks[current].take(track.parts()[event], track.cues()[event]);
                event++;
            }
            if (frame >= track.frames()) {
                next();
                continue;
            }
            long until = event < track.frameOf().length ? Math.min(track.frameOf()[event], track.frames()) : track.frames();
            int step = (int) Math.min(to - at, Math.max(1, until - frame));
            sound(into, at, at + step);
            at += step;
            frame += step;
        }
    }

    private void next() {
        decks[current].stop();
        count++;
        current = 1 - current;
        track = course.track(count);
        event = 0;
        frame = 0;
    }

    private void sound(float[] into, int from, int to) {
        decks[0].render(into, from, to);
        decks[1].render(into, from, to);
    }

    /** Whether all legs have been played and nothing sounds any more. */
    public boolean isDone() {
        return track == null && decks[0].isSilent() && decks[1].isSilent();
    }
}
