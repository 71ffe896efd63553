package wildflourish.sound.transport;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import wildflourish.sound.cue.Cue;
import wildflourish.sound.voice.Voice;
import wildflourish.sound.voice.VoiceData;

/**
 * Renders a course, block by block. For one thread; allocates nothing after it is made. Two decks take turns: as a leg ends, its
 * deck lets what sounds die away while the other begins the next, so that nothing is cut off.
 */
public final class Playback implements Sounding {

    private final Course course;
    private final Deck[] decks;
    private final @Nullable Reverberation room;
    private final float[] dry = new float[Deck.ONCE];
    /** How long everything has been silent but for the room, in samples. */
    private int quiet;
    private int count;
    private int current;
    private @Nullable Track track;
    private int event;
    private long frame;

    /** Who sounds in a leg: the instrument and those beside it, what lies underneath, the clicks. */
    private static final class Deck {
        private static final int ONCE = 4096;

        private final Voice[] players;
        private final float[] shares;
        private final float[] one = new float[ONCE];
        private final Voice under = VoiceData.byId("backing").voice(62);
        private final Clicks clicks = new Clicks();

        Deck(Leg leg) {
            players = new Voice[leg.beside().size() + 1];
            shares = new float[players.length];
            players[0] = leg.piece().voice().voice(leg.piece().lowest());
            shares[0] = (float) leg.share();
            for (int i = 1; i < players.length; i++) {
                Leg.Beside beside = leg.beside().get(i - 1);
                players[i] = beside.piece().voice().voice(beside.piece().lowest());
                shares[i] = (float) beside.share();
            }
        }

        void take(int part, Cue cue) {
            switch (part) {
                case Track.UNDER -> under.take(cue);
                case Track.CLICK -> clicks.take(cue);
                default -> players[Math.min(part, players.length - 1)].take(cue);
            }
        }

        void play(float[] into, int from, int to) {
            for (int p = 0; p < players.length; p++) {
                if (shares[p] == 1) {
                    players[p].render(into, from, to);
                } else {
                    render(players[p], shares[p], into, from, to);
                }
            }
            under.render(into, from, to);
        }

        void click(float[] into, int from, int to) {
            clicks.render(into, from, to);
        }

        private void render(Voice player, float share, float[] into, int from, int to) {
            for (int at = from; at < to; at += ONCE) {
                int size = Math.min(ONCE, to - at);
                Arrays.fill(one, 0, size, 0);
                player.render(one, 0, size);
                for (int i = 0; i < size; i++) {
                    into[at + i] += share * one[i];
                }
            }
        }

        boolean isSilent() {
            for (Voice player : players) {
                if (!player.isSilent()) {
                    return false;
                }
            }
            return under.isSilent() && clicks.isSilent();
        }

        void stop() {
            for (Voice player : players) {
                player.take(STOP);
            }
            under.take(STOP);
        }
    }

    private static final Cue STOP = new Cue(0, Cue.Kind.STOP, Cue.ALL, 0, 0, 0);

    /** Ready to render from where the course is entered. All legs sound on the instrument of the first. */
    public Playback(Course course) {
        this.course = course;
        Leg leg = course.itinerary().legs().getFirst();
        decks = new Deck[] {new Deck(leg), new Deck(leg)};
        track = course.track(0);
        room = course.itinerary().backing().room() ? new Reverberation() : null;
    }

    public Course course() {
        return course;
    }

    @Override
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
        quiet = isQuiet() ? Math.min(Reverberation.RINGS, quiet + to - from) : 0;
        if (room == null) {
            decks[0].play(into, from, to);
            decks[1].play(into, from, to);
        } else {
            sound(room, into, from, to);
        }
        decks[0].click(into, from, to);
        decks[1].click(into, from, to);
    }

    private void sound(Reverberation in, float[] into, int from, int to) {
        for (int at = from; at < to; at += dry.length) {
            int size = Math.min(dry.length, to - at);
            Arrays.fill(dry, 0, size, 0);
            decks[0].play(dry, 0, size);
            decks[1].play(dry, 0, size);
            for (int i = 0; i < size; i++) {
                into[at + i] += dry[i];
            }
            in.add(dry, into, at, size);
        }
    }

    private boolean isQuiet() {
        return track == null && decks[0].isSilent() && decks[1].isSilent();
    }

    /** Whether all legs have been played and nothing sounds any more. */
    @Override
    public boolean isDone() {
        return isQuiet() && (room == null || quiet == Reverberation.RINGS);
    }
}
