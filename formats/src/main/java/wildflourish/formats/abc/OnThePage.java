package wildflourish.formats.abc;

import java.util.List;
import java.util.stream.IntStream;
import wildflourish.core.ornament.Notation;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Spelling;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Timeline;

/** What has to be known of the rung that is shown, so that the plain tune can be found again under its signs. */
final class OnThePage {

    private OnThePage() {}

    /** The plain notes under each variation. */
    static List<String> was(Keyword.Page page) {
        Arrangement arrangement = page.arrangement();
        Timeline bare = page.arrangement().version(page.shown()).tune();
        return arrangement.ladder().setting(page.shown()).variations().values().stream().map(v -> v.from() + " "
                + NoteLine.write(bare.notes().subList(v.from(), v.to()), arrangement.tune().head())).toList();
    }

    /** How many pitches its ornaments add to each note. */
    static List<String> heads(Keyword.Page page) {
        Version version = page.arrangement().version(page.shown());
        List<Notation> signs = Spelling.signs(version.hands(), version.varied().setting());
        return IntStream.range(0, signs.size()).filter(n -> !signs.get(n).heads().isEmpty())
                .mapToObj(n -> n + " " + signs.get(n).heads().size()).toList();
    }

    /** The notes that have graces of the tune's own. */
    static List<String> graces(Keyword.Page page) {
        return page.arrangement().version(page.shown()).varied().tune().notes().stream()
                .filter(n -> !n.note().marks().graces().isEmpty()).map(n -> String.valueOf(n.index())).toList();
    }
}
