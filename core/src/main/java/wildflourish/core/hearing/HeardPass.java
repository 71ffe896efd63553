package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import wildflourish.core.ornament.HandMove;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.SpeedTries;
import wildflourish.core.practice.Spoken;
import wildflourish.core.setting.Version;

/**
 * A pass of practice that was listened to.
 *
 * @param version that was played, at the tempo of the pass
 * @param played what was made of it, in the time of what was heard
 * @param evenness against the pulse
 */
public record HeardPass(Version version, HeardVersion played, Evenness evenness) {

    /** So many remarks are told of a pass at most. */
    private static final int TOLD = 3;

    /**
     * Listens to a pass.
     *
     * @param stretch of the version's performance that was played
     * @param expected its onsets, since it begins
     * @param startMs when what was heard begins, since the stretch begins
     */
    public static HeardPass of(Version version, HeardVersion.Stretch stretch, Expected expected, Heard heard, double startMs) {
        HeardVersion played = HeardVersion.of(version, stretch, heard);
        List<Double> onsets = played.notes().stream().flatMap(n -> n.onsetMs().stream()).map(ms -> ms + startMs).sorted().toList();
        return new HeardPass(version, played, Evenness.of(expected, onsets));
    }

    /** How many of the ornaments came. */
    public Spoken spoken() {
        return played.spoken();
    }

    /** The remarks on its notes that a student should hear first, each with its bar. */
    public List<String> remarks() {
        record Said(int bar, int pass, Remark remark) {}
        Vocabulary names = version.hands().vocabulary();
        return played.notes().stream().flatMap(n -> gravest(n, names).map(r -> new Said(n.wanted().bar(), n.wanted().pass(), r)).stream())
                .sorted(Comparator.comparing(s -> s.remark().kind())).limit(TOLD).map(s -> "Bar %d: %s".formatted(s.bar(), s.remark().words())).toList();
    }

    private static Optional<Remark> gravest(HeardVersion.Note note, Vocabulary names) {
        // How far from the pulse a note came is the lanes' to tell.
        return Remark.of(note, names).stream().filter(r -> r.kind() != Remark.Kind.TIME).findFirst();
    }

    /** The quick movements of the ornaments that were meant, and whether each came cleanly: what was meant and nothing early or late in it. */
    public List<SpeedTries.Try> tries() {
        Performance performance = Expectations.perform(version, version.played().placed());
        Vocabulary names = version.hands().vocabulary();
        List<SpeedTries.Try> tries = new ArrayList<>();
        for (HeardVersion.Note note : played.notes()) {
            if (note.isOrnamented() && note.onsetMs().isPresent()) {
                boolean clean = note.came() && gravest(note, names).filter(r -> r.kind() == Remark.Kind.DISPLACED).isEmpty();
                moves(performance, note.wanted()).filter(m -> m.move().isBlip())
                        .map(m -> new SpeedTries.Try(m.move(), (int) Math.round(m.forMs()), clean)).distinct().forEach(tries::add);
            }
        }
        return tries;
    }

    private static Stream<HandMove> moves(Performance performance, Wanted wanted) {
        return performance.moves().stream().filter(m -> m.note() == wanted.note() && m.atMs() > wanted.atMs() - Expectations.LEADS_IN && m.atMs() < wanted.atMs() + wanted.forMs());
    }
}
