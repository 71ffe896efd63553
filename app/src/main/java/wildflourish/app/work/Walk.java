package wildflourish.app.work;

import java.util.ArrayList;
import java.util.List;

/** Where one open tune stands among its editions, by their ids: as the window's own steps, a new one leaves the undone ones behind. */
final class Walk {

    private final List<Long> editions;
    private int at;

    Walk(List<Long> editions, int at) {
        this.editions = new ArrayList<>(editions);
        this.at = at;
    }

    long current() {
        return editions.get(at);
    }

    /** The edition so many steps on, or the one at the end of the line. */
    long stepTo(int by) {
        return editions.get(Math.clamp(at + by, 0, editions.size() - 1));
    }

    void step(int by) {
        at = Math.clamp(at + by, 0, editions.size() - 1);
    }

    /** Goes on with a new edition. */
    void add(long edition) {
        editions.subList(at + 1, editions.size()).clear();
        editions.add(edition);
        at++;
    }

    /** The step stays; it is another edition that stands for it. */
    void replace(long edition) {
        editions.set(at, edition);
    }
}
