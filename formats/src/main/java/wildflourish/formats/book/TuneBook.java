package wildflourish.formats.book;

import java.util.List;
import wildflourish.core.finding.Finding;

/**
 * What was read from a file: its tunes in order, and everything its owner should know about it.
 *
 * @param tunes empty when none could be read
 */
public record TuneBook(List<BookTune> tunes, List<Finding> findings) {

    public TuneBook {
        tunes = List.copyOf(tunes);
        findings = List.copyOf(findings);
    }

    public boolean hasErrors() {
        return findings.stream().anyMatch(Finding::isError);
    }

    /** Whether anything is wrong with a tune of it, or with the file as a whole; a neighbour's errors do not count. */
    public boolean hasErrors(BookTune tune) {
        return findings.stream().filter(Finding::isError)
                .anyMatch(f -> f.line() == 0 || f.line() >= tune.line() && f.line() <= tune.lastLine());
    }
}
