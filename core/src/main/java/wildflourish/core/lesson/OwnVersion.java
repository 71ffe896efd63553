package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Check;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/**
 * A tune as one student can take it: on their instrument, in their hands, at a tempo, nothing blocked.
 *
 * @param arrangement the tune with its ladder as it came over to this student
 * @param rung the fullest rung on which everything is clean at the tempo
 * @param changed what became something else and what was left out on that rung, and why, a sentence each without its full stop
 * @param upTo up to which tempo everything on the rung is clean; empty where nothing stands on it that could fail
 */
public record OwnVersion(Student student, Arrangement arrangement, int rung, List<String> changed, Optional<Tempo> upTo) {

    public OwnVersion {
        changed = List.copyOf(changed);
    }

    /** One ladder as a student's own at a tempo; from the ladder that the tune has on their instrument already, if there is one. */
    public static OwnVersion of(Student student, Arrangement tune, Tempo tempo) {
        Instrument plays = student.plays();
        Arrangement there = tune.instrument().id().equals(plays.id()) ? tune.with(plays)
                : tune.ladderOn(plays).map(l -> tune.on(plays, l)).orElse(tune);
        Arrangement from = student.hold(there.with(tempo));
        Translation over = Translation.of(from, from.on(plays, Ladder.bare()).situation());
        Arrangement own = from.instrument().id().equals(plays.id()) ? from.with(over.ladder()) : from.on(plays, over.ladder());
        int rung = own.ladder().size() - 1;
        while (rung > 0 && !checks(own.version(rung)).stream().allMatch(c -> c.verdict() instanceof Verdict.Clean)) {
            rung--;
        }
        int full = rung;
        List<String> changed = new ArrayList<>();
        over.steps().stream().filter(s -> s.rung() <= full && (s.kind() == Translation.Kind.CHANGED || s.kind() == Translation.Kind.LEFT_OUT)).forEach(s ->
                changed.add("bar %d: %s %s (%s)".formatted(s.bar(), s.from().name(), s.to().map(o -> "became " + named(o)).orElse("was left out"), s.why())));
        return new OwnVersion(student, own, rung, changed, upTo(own.version(rung)));
    }

    private static String named(Ornament ornament) {
        return ornament.name();
    }

    /** The version itself. */
    public Version version() {
        return arrangement.version(rung);
    }

    /** The verdict on each placement of a version. */
    static List<Check> checks(Version version) {
        return Check.all(version.hands(), version.varied().setting(), version.arrangement().tempo(), version.arrangement().speeds());
    }

    private static Optional<Tempo> upTo(Version version) {
        return checks(version).stream().flatMap(c -> c.verdict().cleanUpTo().stream()).min((a, b) -> a.perMinute().compareTo(b.perMinute()));
    }
}
