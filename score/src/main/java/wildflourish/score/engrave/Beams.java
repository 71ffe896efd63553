package wildflourish.score.engrave;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;

/** Groups the notes of a bar under beams, by the meter. */
final class Beams {

    private Beams() {}

    /**
     * Column indices of each beamed group of two or more notes.
     *
     * @param leadIn time missing before a pickup, so that its notes are grouped by where they stand in the full bar
     */
    static List<List<Integer>> of(List<Columns.Column> columns, Ratio leadIn) {
        List<List<Integer>> groups = new ArrayList<>();
        List<Integer> open = new ArrayList<>();
        int openGroup = -1;
        for (int i = 0; i < columns.size(); i++) {
            Columns.Column column = columns.get(i);
            boolean short_ = column.element() instanceof Note note && NoteSign.of(note.writtenLength()).flags() > 0;
            int group = group(column.meter().beamGroups(), column.offset().plus(leadIn), column);
            boolean separates = column.element() instanceof Rest
                    || column.element() instanceof Note && (!short_ || group != openGroup);
            if (separates) {
                close(open, groups);
                open = new ArrayList<>();
            }
            if (short_) {
                open.add(i);
                openGroup = group;
            }
        }
        close(open, groups);
        return groups;
    }

    private static void close(List<Integer> open, List<List<Integer>> groups) {
        if (open.size() > 1) {
            groups.add(open);
        }
    }

    /** Which beam group of the bar a moment lies in; bars longer than their meter go on counting. */
    private static int group(List<Ratio> lengths, Ratio offset, Columns.Column column) {
        Ratio at = offset.mod(column.meter().barLength());
        Ratio end = Ratio.ZERO;
        for (int g = 0; g < lengths.size(); g++) {
            end = end.plus(lengths.get(g));
            if (at.isLess(end)) {
                return g;
            }
        }
        return lengths.size();
    }
}
