package wildflourish.app.recording;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import wildflourish.core.hearing.Account;
import wildflourish.core.hearing.Comparison;
import wildflourish.core.hearing.Heard;
import wildflourish.core.hearing.HeardVersion;
import wildflourish.core.setting.Version;
import wildflourish.sound.hearing.Take;

/**
 * What the recording screen shows.
 *
 * @param files the recordings of the tune
 * @param chosen the one in hand
 * @param listened what was heard in it; empty until then, and where it could not be listened to
 * @param note index of the note in hand among those that should come
 * @param how it is played
 * @param playing whether it is
 * @param owners whose recordings are whose
 * @param nowMs where in the recording one is while it plays, in milliseconds
 */
public record RecordingState(long tune, List<Path> files, Optional<Path> chosen, Optional<Listened> listened, int note, Manner how, boolean playing, double nowMs, Owners owners) {

    static final RecordingState EMPTY = new RecordingState(-1, List.of(), Optional.empty(), Optional.empty(), 0, new Manner(Extent.ON, false, 100, 0), false, 0, Owners.NOBODY);

    /** What of it is played. */
    public enum Extent {
        /** From the note in hand to the end. */
        ON("from this note on"),
        /** The bar of the note in hand. */
        BAR("this bar"),
        /** Its phrase. */
        PHRASE("this phrase"),
        /** The whole recording. */
        ALL("all of it");

        private final String words;

        Extent(String words) {
            this.words = words;
        }

        /** For reading. */
        public String words() {
            return words;
        }
    }

    /**
     * How a recording is played.
     *
     * @param again around and around
     * @param percent of its tempo
     * @param cents how far its pitch is moved, in hundredths of a semitone
     */
    public record Manner(Extent extent, boolean again, int percent, int cents) {}

    /**
     * What was heard.
     *
     * @param nearest the rung that it is nearest to
     * @param version what was meant
     * @param beside the other recording, where it is compared with one
     */
    public record Listened(Path file, Take take, Heard heard, int nearest, Version version, HeardVersion played, Account account, Optional<Beside> beside) {}

    /** Another recording of the tune, and how the two differ. */
    public record Beside(Path file, Heard heard, Comparison comparison) {}

    public RecordingState {
        files = List.copyOf(files);
    }

    /** The note in hand, where something was heard. */
    public Optional<HeardVersion.Note> inHand() {
        return listened.filter(l -> note < l.played().notes().size()).map(l -> l.played().notes().get(note));
    }

    RecordingState with(Owners now) {
        return new RecordingState(tune, files, chosen, listened, note, how, playing, nowMs, now);
    }

    RecordingState choosing(Optional<Path> file) {
        return new RecordingState(tune, files, file, Optional.empty(), 0, how, false, 0, owners);
    }

    RecordingState with(List<Path> there) {
        return new RecordingState(tune, there, chosen, listened, note, how, playing, nowMs, owners);
    }

    RecordingState with(Listened found) {
        return new RecordingState(tune, files, chosen, Optional.of(found), Math.min(note, Math.max(0, found.played().notes().size() - 1)), how, playing, nowMs, owners);
    }

    RecordingState at(int other) {
        return new RecordingState(tune, files, chosen, listened, other, how, playing, nowMs, owners);
    }

    RecordingState with(Manner other) {
        return new RecordingState(tune, files, chosen, listened, note, other, playing, nowMs, owners);
    }

    RecordingState playing(boolean now, double ms) {
        return new RecordingState(tune, files, chosen, listened, note, how, now, ms, owners);
    }
}
