package wildflourish.formats.abc;

import java.util.List;
import wildflourish.core.finding.Finding;

/**
 * What was read from a file: its tunes in order, and everything its owner should know about it.
 *
 * @param tunes empty when none could be read
 */
public record AbcBook(List<AbcTune> tunes, List<Finding> findings) {

    public AbcBook {
        tunes = List.copyOf(tunes);
        findings = List.copyOf(findings);
    }

    public boolean hasErrors() {
        return findings.stream().anyMatch(Finding::isError);
    }
}
