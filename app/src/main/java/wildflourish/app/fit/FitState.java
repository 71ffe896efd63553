package wildflourish.app.fit;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import wildflourish.core.fit.Carried;
import wildflourish.core.fit.ClassKey;
import wildflourish.core.fit.Fit;
import wildflourish.core.fit.Recording;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.setting.Arrangement;
import wildflourish.score.engrave.Engraving;

/**
 * What the fit screen shows.
 *
 * @param arrangement the tune as it is
 * @param fit the cells worked out so far
 * @param whole whether these are all
 * @param playing the ids of those who play together
 * @param instrument the row in hand
 * @param offset the key in hand, in semitones from the tune's own
 * @param looked what is known of the cell in hand; empty until it has been worked out
 * @param ways how the key in hand is played easily; empty until they are known
 */
public record FitState(Arrangement arrangement, Fit fit, boolean whole, Set<String> playing, Instrument instrument, int offset, Optional<Looked> looked, List<Fit.Cell> ways) {

    /**
     * A cell looked into.
     *
     * @param carried what becomes of the fullest rung's ornaments there
     * @param bare the bare tune as it is played there, what is not there put right
     * @param putRight how what is not there is put right, for reading; empty where nothing is missing
     * @param score it engraved, where that is shown
     */
    public record Looked(Carried carried, Arrangement bare, String putRight, Optional<Engraving> score) {}

    private static final double NEARLY_BEST = 1.12;
    private static final double FAIR = 1.35;

    public FitState {
        playing = Set.copyOf(playing);
        ways = List.copyOf(ways);
    }

    /** The cell in hand, once it is worked out. */
    public Optional<Fit.Cell> cell() {
        return fit.at(instrument, offset);
    }

    /** What becomes of the fullest rung's ornaments in the cell in hand, once that is known. */
    public Optional<Carried> carried() {
        return looked.map(Looked::carried);
    }

    /** Those who play together. */
    private Fit together() {
        return new Fit(fit.tune(), fit.singers(), fit.cells().stream().filter(c -> playing.contains(c.instrument().id())).toList());
    }

    /** The key that leaves nobody behind, once everything is worked out and somebody plays. */
    public Optional<ClassKey> nobodyBehind() {
        return whole && !playing.isEmpty() ? Optional.of(together().nobodyBehind()) : Optional.empty();
    }

    /** The key that is easiest on the whole, as above. */
    public Optional<ClassKey> easiest() {
        return whole && !playing.isEmpty() ? Optional.of(together().easiest()) : Optional.empty();
    }

    /** How a cell compares with the best of its instrument: 1 for the best; empty where notes are missing, or none is whole. */
    public Optional<Double> against(Fit.Cell cell) {
        return fit.best(cell.instrument()).stream().findFirst().filter(b -> b.isWhole() && cell.isWhole()).map(b -> (cell.lie().cost() + 1.0) / (b.lie().cost() + 1.0));
    }

    /** How well a cell lies beside the best of its instrument. */
    public enum Standing { BEST, FAIR, DEAR, OUT }

    /** How well a cell lies: {@link Standing#OUT} where notes are missing. */
    public Standing standing(Fit.Cell cell) {
        return against(cell).map(t -> t <= NEARLY_BEST ? Standing.BEST : t <= FAIR ? Standing.FAIR : Standing.DEAR).orElse(cell.isWhole() ? Standing.BEST : Standing.OUT);
    }

    FitState selecting(Instrument row, int key) {
        return new FitState(arrangement, fit, whole, playing, row, key, Optional.empty(), key == offset ? ways : List.of());
    }

    FitState with(Fit found, boolean all) {
        return new FitState(arrangement, found, all, playing, instrument, offset, looked, ways);
    }

    FitState with(Set<String> who) {
        return new FitState(arrangement, fit, whole, who, instrument, offset, looked, ways);
    }

    FitState knowing(Looked found, List<Fit.Cell> easily) {
        return new FitState(arrangement, fit, whole, playing, instrument, offset, Optional.of(found), easily);
    }

    /** The tune's key and that of the cell in hand as those of a tune and of a recording. */
    public Recording recording() {
        return Recording.of(arrangement.tune().head().key(), offset, instrument);
    }
}
