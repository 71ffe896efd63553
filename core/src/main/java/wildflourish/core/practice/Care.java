package wildflourish.core.practice;

import java.util.List;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.School;

/** The usual cautions where the body can be hurt. They remind; they are no medical advice. */
public final class Care {

    record Table(String provenance, List<Caution> cautions) {}

    /** {@code families} is null where everybody is meant. */
    record Caution(List<String> families, String text) {

        boolean concerns(Family family) {
            return families == null || families.contains(family.id());
        }
    }

    private static final List<Caution> ALL = DataFile.read("care.json", Table.class).cautions();

    private Care() {}

    /** The cautions for players of a family, in full sentences, each hand called by its name. */
    public static List<String> of(Family family, School school) {
        return ALL.stream().filter(c -> c.concerns(family)).map(Caution::text).map(school::said).toList();
    }
}
