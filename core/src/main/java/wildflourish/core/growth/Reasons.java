package wildflourish.core.growth;

import wildflourish.core.ornament.Verdict;

/** Puts the reason of a placement into a sentence. */
public final class Reasons {

    private Reasons() {}

    /** Why an ornament stands here, and how fast it stays clean: a sentence without its full stop. */
    public static String of(Candidate candidate, Verdict verdict) {
        String why = candidate.because().isEmpty() ? "the teacher's own choice" : candidate.because();
        String limit = verdict.cleanUpTo().map(t -> "; clean up to " + t.spoken()
                + verdict.speaksUpTo().map(u -> ", speaks up to " + u.perMinute().floor()).orElse("")).orElse("");
        return switch (verdict) {
            case Verdict.Clean c -> why + limit;
            case Verdict.Tight t -> why + "; tight at this tempo" + limit;
            case Verdict.TooFast f -> why + "; too fast here" + limit;
            case Verdict.Impossible(var obstacle) -> obstacle.inWords();
        };
    }
}
