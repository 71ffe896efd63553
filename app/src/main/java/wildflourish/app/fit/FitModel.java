package wildflourish.app.fit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.core.fit.Carried;
import wildflourish.core.fit.Fit;
import wildflourish.core.fit.Moved;
import wildflourish.core.fit.Singer;
import wildflourish.core.growth.Folds;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.Amendment;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.engrave.ScoreEngraver;
import wildflourish.score.engrave.ScoreRequest;

/** The open tune in every key on every instrument. The instrument of who plays is worked out first; all of it in the background. */
public final class FitModel {

    private static final Background.Words NOT_WEIGHED = Background.Words.silent("not every key could be weighed; the tune is as it was");

    private final TrellisModel trellis;
    private final Background background;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<FitState> state = new ReadOnlyObjectWrapper<>();
    private Set<String> playing = Set.of();
    private List<Singer> singers = List.of();
    private double scoreWidth;
    private boolean shown;

    /** A model over the trellis. */
    public FitModel(TrellisModel trellis, Background background, Consumer<String> say) {
        this.trellis = trellis;
        this.background = background;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (shown) {
                refresh();
            }
        });
    }

    /** What is shown; null before the first tune. */
    public ReadOnlyObjectProperty<FitState> state() {
        return state.getReadOnlyProperty();
    }

    /** Follows the open tune, or rests. */
    public void setShown(boolean now) {
        shown = now;
        if (now) {
            refresh();
        }
    }

    /** The instruments that can be asked about. */
    private static List<Instrument> all() {
        return Instruments.all().stream().filter(Instrument::hasHands).toList();
    }

    private void refresh() {
        if (!trellis.isOpen()) {
            return;
        }
        Arrangement arrangement = trellis.arrangement();
        FitState before = state.get();
        if (before != null && before.arrangement().equals(arrangement)) {
            return;
        }
        boolean sameTune = before != null && before.arrangement().tune().equals(arrangement.tune()) && before.arrangement().school().equals(arrangement.school());
        Instrument first = arrangement.instrument().hasHands() ? arrangement.instrument() : all().getFirst();
        if (playing.isEmpty()) {
            playing = Set.of(first.id());
        }
        Fit known = sameTune ? before.fit() : new Fit(arrangement.tune(), singers, List.of());
        state.set(new FitState(arrangement, known, sameTune && before.whole(), playing, sameTune ? before.instrument() : first, sameTune ? before.offset() : 0, Optional.empty(), List.of()));
        if (sameTune && before.whole()) {
            look();
            return;
        }
        background.latest(this, NOT_WEIGHED, job -> {
            List<Fit.Cell> column = Fit.column(arrangement.tune(), first, arrangement.school());
            background.onInterface(() -> take(arrangement, new Fit(arrangement.tune(), singers, column), false));
            return Fit.of(arrangement.tune(), all(), arrangement.school());
        }, found -> {
            Fit fit = new Fit(found.tune(), singers, found.cells());
            take(arrangement, fit, true);
            look();
        }, () -> { });
    }

    private void take(Arrangement arrangement, Fit fit, boolean whole) {
        if (state.get().arrangement().equals(arrangement) && !state.get().whole()) {
            state.set(state.get().with(fit, whole));
        }
    }

    /** Takes a cell in hand. */
    public void select(Instrument instrument, int offset) {
        FitState now = state.get();
        if (now != null && (!now.instrument().equals(instrument) || now.offset() != offset) && offset >= Fit.LOWEST && offset <= Fit.HIGHEST) {
            state.set(now.selecting(instrument, offset));
            look();
        }
    }

    /** Looks into the cell in hand: its ornaments, and how its key is played easily. */
    private void look() {
        FitState now = state.get();
        Optional<Fit.Cell> cell = now.cell();
        if (cell.isEmpty()) {
            return;
        }
        record Found(FitState.Looked looked, List<Fit.Cell> ways) {}
        Arrangement arrangement = now.arrangement();
        double width = scoreWidth;
        background.latest("fit-cell", NOT_WEIGHED, job -> new Found(looked(arrangement, cell.get(), width),
                now.ways().isEmpty() ? Fit.ways(arrangement.tune(), now.offset(), arrangement.school()) : now.ways()), found -> {
            FitState then = state.get();
            if (then.arrangement().equals(arrangement) && then.cell().equals(cell)) {
                state.set(then.knowing(found.looked(), found.ways()));
            }
        }, () -> { });
    }

    private static FitState.Looked looked(Arrangement arrangement, Fit.Cell cell, double width) {
        Arrangement bare = Folds.anew(cell.bare(arrangement));
        Folds folds = Folds.of(Timeline.of(bare.tune()), bare.instrument(), Phrases.of(bare));
        Optional<Engraving> score = width > 0 ? Optional.of(ScoreEngraver.engrave(new ScoreRequest(bare.version(0), Set.of(0), false, true, width))) : Optional.empty();
        return new FitState.Looked(Carried.of(arrangement, arrangement.ladder().size() - 1, cell), bare, folds.missing().isEmpty() ? "" : folds.inWords(bare.ladder().setting(0)), score);
    }

    /** Engraves the cell in hand from now on so many staff spaces wide; 0 not at all. */
    void setScoreWidth(double spaces) {
        if (spaces != scoreWidth) {
            scoreWidth = spaces;
            if (state.get() != null) {
                look();
            }
        }
    }

    /** Who sings, as {@code A3-D5}, or with names as {@code Moira=A3-D5}, commas between; empty for nobody. */
    public void setSingers(String text) {
        List<Singer> all = new ArrayList<>();
        try {
            for (String one : text.split(",")) {
                if (!one.isBlank()) {
                    all.add(Singer.parse(one.contains("=") ? one : "singer=" + one));
                }
            }
        } catch (IllegalArgumentException e) {
            say.accept("write who sings as in A3-D5, or Moira=A3-D5, the lowest comfortable note and the highest");
            return;
        }
        singers = List.copyOf(all);
        FitState now = state.get();
        if (now != null) {
            state.set(now.with(new Fit(now.fit().tune(), singers, now.fit().cells()), now.whole()));
        }
    }

    /** The instrument in hand plays with the others, or no more. */
    public void togglePlaying() {
        FitState now = state.get();
        if (now != null) {
            Set<String> who = new HashSet<>(now.playing());
            if (!who.remove(now.instrument().id())) {
                who.add(now.instrument().id());
            }
            playing = Set.copyOf(who);
            state.set(now.with(playing));
        }
    }

    /** The tune as it would be played in the cell in hand, bare; what is not there is put right. */
    public Optional<Arrangement> heard() {
        return Optional.ofNullable(state.get()).flatMap(s -> s.looked().map(FitState.Looked::bare).or(() -> s.cell().map(c -> Folds.anew(c.bare(s.arrangement())))));
    }

    /** Moves the tune to the key in hand with its whole ladder; what cannot be done there waits. Whether anything was moved. */
    public boolean move() {
        FitState now = state.get();
        Optional<Fit.Cell> cell = now == null ? Optional.empty() : now.cell();
        if (cell.isEmpty() || !trellis.isOpen() || !trellis.arrangement().equals(now.arrangement())) {
            say.accept("open a tune and choose a key first");
            return false;
        }
        if (cell.get().shift() == 0) {
            say.accept("the tune is in %s already".formatted(cell.get().sounding().spoken()));
            return false;
        }
        Tune tune = now.arrangement().tune();
        Interval interval = Moved.interval(tune.head().key(), cell.get().shift());
        Amendment amendment = Amendment.moved(now.arrangement(), Moved.by(tune, interval), interval);
        trellis.settle("moved to " + cell.get().sounding().spoken(), amendment.arrangement());
        int out = Folds.of(Timeline.of(amendment.arrangement().tune()), amendment.arrangement().instrument(), Phrases.of(amendment.arrangement())).missing().size();
        String right = out == 0 ? "" : "; on the trellis Ctrl+Shift+J puts right what the %s has not got".formatted(amendment.arrangement().instrument().name());
        say.accept("moved to %s%s%s; Ctrl+Z takes it back".formatted(cell.get().sounding().spoken(), amendment.left().isEmpty() ? ""
                : "; %d ornament%s wait%s until the note can have %s again".formatted(amendment.left().size(), amendment.left().size() == 1 ? "" : "s",
                        amendment.left().size() == 1 ? "s" : "", amendment.left().size() == 1 ? "it" : "them"), right));
        return true;
    }
}
