package wildflourish.app.recording;

import java.util.List;
import wildflourish.app.recording.RecordingState.Listened;
import wildflourish.core.hearing.Remark;

/** What there is to say of notes, and where they stand on the score. */
final class Marks {

    private Marks() {}

    /** The note of the plain tune that one of those that should come belongs to. */
    static int plain(Listened listened, int note) {
        return listened.version().varied().plain(listened.played().notes().get(note).wanted().note());
    }

    /** The remarks on a note, the gravest first. */
    static List<Remark> of(Listened listened, int note) {
        return Remark.of(listened.played().notes().get(note), listened.version().hands().vocabulary());
    }

    /** Whether there is something to say of a note, or it is played otherwise in the other recording. */
    static boolean has(Listened listened, int note) {
        return !of(listened, note).isEmpty() || listened.beside().filter(o -> o.comparison().differs(note)).isPresent();
    }
}
