package wildflourish.formats.book;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.finding.Finding;

/** Collects findings; after a few hundred of them it only counts, so that a broken file stays readable. */
public final class Findings {

    private static final int MOST = 300;

    private final List<Finding> all = new ArrayList<>();
    private int more;

    /** Nothing found yet. */
    public Findings() {}

    /** Something of the input that could not be used; line and column as in {@link Finding}. */
    public void error(int line, int column, String what, String remedy) {
        add(Finding.error(line, column, what, remedy));
    }

    /** Something that its owner should know. */
    public void warning(int line, int column, String what, String remedy) {
        add(Finding.warning(line, column, what, remedy));
    }

    /** A text of a file that may be of any length, for the words of a finding. */
    public static String brief(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }

    private void add(Finding finding) {
        if (all.size() < MOST) {
            all.add(finding);
        } else {
            more++;
        }
    }

    /** All findings in the order of the file; when there were too many, a last one says how many are left out. */
    public List<Finding> list() {
        List<Finding> list = new ArrayList<>(all);
        list.sort(java.util.Comparator.comparingInt(Finding::line).thenComparingInt(Finding::column));
        if (more > 0) {
            list.add(Finding.error(0, 0, more + " more findings are not shown",
                    "mend the first ones and read the file again"));
        }
        return list;
    }
}
