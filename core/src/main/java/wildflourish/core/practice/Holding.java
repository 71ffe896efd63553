package wildflourish.core.practice;

import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.School;

/** How an instrument is held and how its steps are read, as one says it to a beginner. */
public final class Holding {

    record Table(String provenance, List<Row> families) {}

    record Row(List<String> families, List<String> lines) {}

    private static final List<Row> ALL = DataFile.read("practice/holding.json", Table.class).families();

    private Holding() {}

    /** Full sentences for players of a family, each hand called by its name; none where nobody plays. */
    public static List<String> of(Family family, School school) {
        return ALL.stream().filter(r -> r.families().contains(family.id())).flatMap(r -> r.lines().stream()).map(school::said).toList();
    }
}
