package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.app.work.Documents;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.ProgramVersion;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.AbcReader;
import wildflourish.library.Edition;
import wildflourish.library.EditionEntry;
import wildflourish.library.Steps;

/** Opens tunes of the library for the trellis: the arrangement now, and the steps to walk back and forth. */
public final class Openings {

    /** The instrument that a tune without a ladder gets one for. */
    public static final String FIRST_INSTRUMENT = "whistle-d";

    /** Another build may grow otherwise. */
    private static final String PROGRAM = ProgramVersion.now();

    private Openings() {}

    /**
     * A tune ready to be shown.
     *
     * @param remark what of its document could not be understood, such as an instrument that is gone
     */
    public record Opened(long tune, Arrangement arrangement, History history, Optional<String> remark) {}

    /** Opens a tune; one that has no ladder yet is given one. For a thread in the background: it asks the library and waits. */
    public static Opened open(Keeper keeper, long tune) {
        Steps steps = keeper.open(tune);
        Arrangement now = Documents.read(steps.now().document()).arrangement().orElseGet(() -> grown(keeper, tune, steps.now()));
        List<History.Step> history = new ArrayList<>();
        for (EditionEntry edition : steps.editions()) {
            history.add(history.size() == steps.at() ? History.Step.done(edition.what(), now) : History.Step.read(edition.what(),
                    () -> edition(keeper, edition.id())));
        }
        Optional<String> remark = steps.remark().or(() -> AbcReader.read(steps.now().document()).findings().stream().findFirst()
                .map(f -> "%s: %s".formatted(f.what(), f.remedy())));
        return new Opened(tune, now, new History(history, steps.at()), remark);
    }

    /** The ladder that a tune without one was given the last time, or a new one, which is remembered: it is no edit of anybody's. */
    private static Arrangement grown(Keeper keeper, long tune, Edition now) {
        String name = "grown " + tune;
        String of = "%d %s\n".formatted(now.id(), PROGRAM);
        return keeper.ask(l -> l.drawer().remembered(name)).filter(kept -> kept.startsWith(of))
                .flatMap(kept -> Documents.read(kept.substring(of.length())).arrangement()).orElseGet(() -> {
                    Arrangement grown = arrangement(now.document());
                    keeper.remember(name, () -> of + Documents.write(grown));
                    return grown;
                });
    }

    /** Every edition kept of a tune, the latest first. For a thread in the background. */
    public static List<EarlierChoices.Earlier> earlier(Keeper keeper, long tune) {
        Steps steps = keeper.ask(l -> l.tunes().steps(tune));
        Set<Long> line = steps.editions().stream().map(EditionEntry::id).collect(Collectors.toSet());
        return keeper.ask(l -> l.tunes().editions(tune)).reversed().stream()
                .map(e -> new EarlierChoices.Earlier(e, e.id() == steps.now().id(), !line.contains(e.id()))).toList();
    }

    /** What a tune was at an edition. For a thread in the background. */
    public static Arrangement edition(Keeper keeper, long edition) {
        return arrangement(keeper.ask(l -> l.tunes().edition(edition).document()));
    }

    private static Arrangement arrangement(String document) {
        var read = Documents.read(document);
        return read.arrangement().orElseGet(
                () -> Documents.grown(read, Instruments.known(FIRST_INSTRUMENT)));
    }

    /** The tune of a document to be heard bare: on its own instrument, or on the first where it has none yet. */
    public static Arrangement bare(String document) {
        var read = Documents.read(document);
        return read.arrangement().orElseGet(() -> new Arrangement(read.tune(), Instruments.known(FIRST_INSTRUMENT),
                TuneType.tempoOf(read.tune().head()), Speeds.level(Speeds.USUAL), School.USUAL, Ladder.bare()));
    }
}
