package wildflourish.app.writing;

import java.util.List;
import java.util.Optional;
import wildflourish.core.finding.Finding;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Amendment;
import wildflourish.formats.book.BookTune;

/**
 * What a text makes.
 *
 * @param text as it is typed
 * @param tune what was read of it; empty where it holds no notes
 * @param page what the pen writes on: that tune, or its head alone while it has no notes; empty where the text has no head
 * @param findings what was found in it, by lines
 * @param amendment the open tune as it would be with it; empty for a new tune
 * @param changed whether it is another tune than the one it began as
 */
public record WritingState(
        String text, Optional<BookTune> tune, Optional<Tune> page, List<Finding> findings, Optional<Amendment> amendment, boolean changed) {

    public WritingState {
        findings = List.copyOf(findings);
    }

    /** Whether something in it cannot be read. */
    public boolean isBroken() {
        return tune.isEmpty() || findings.stream().anyMatch(f -> f.severity() == Finding.Severity.ERROR);
    }

    /** The bare tune as it would be seen, on no instrument. */
    Optional<Arrangement> bare() {
        return tune.map(t -> Arrangement.bare(t.tune(), wildflourish.core.instrument.Instruments.known("none")));
    }

    /** What of the open tune's ladders could not go along. */
    public List<Amendment.Left> left() {
        return amendment.map(Amendment::left).orElse(List.of());
    }

    /** What could not go along earlier and is in its place again. */
    public List<String> back() {
        return amendment.map(Amendment::back).orElse(List.of());
    }
}
