package wildflourish.core.fit;

import java.util.List;
import java.util.stream.Stream;
import wildflourish.core.tune.Key;

/**
 * A key for everybody who plays.
 *
 * @param cells what it is on each instrument; not empty, all of one key
 * @param sung what it is for those who sing
 */
public record ClassKey(List<Fit.Cell> cells, List<Singer.Sung> sung) {

    public ClassKey {
        cells = List.copyOf(cells);
        sung = List.copyOf(sung);
    }

    /** Semitones from the tune's own key. */
    public int offset() {
        return cells.getFirst().offset();
    }

    public Key sounding() {
        return cells.getFirst().sounding();
    }

    /** How many players lack a note, or would have to sing one that is not comfortable. */
    public int behind() {
        return (int) (cells.stream().filter(c -> !c.isWhole()).count() + sung.stream().filter(s -> s.outside() > 0).count());
    }

    /** How many notes all of them lack together. */
    public int missing() {
        return cells.stream().mapToInt(c -> c.lie().missing().size()).sum() + sung.stream().mapToInt(Singer.Sung::outside).sum();
    }

    /** What it costs them together, each measured by what its kind of hands spends on a note of a usual tune; no unit. */
    public double effort() {
        return cells.stream().mapToDouble(c -> c.lie().effort()).sum();
    }

    /** Who lacks notes, for reading; empty where nobody does. */
    public List<String> leftBehind() {
        Stream<String> players = cells.stream().filter(c -> !c.isWhole()).map(c -> "%s (%s)".formatted(c.instrument().name(), c.lie().terms().getFirst().inWords()));
        Stream<String> singers = sung.stream().filter(s -> s.outside() > 0).map(s -> "%s (%d notes out of range)".formatted(s.singer().name(), s.outside()));
        return Stream.concat(players, singers).toList();
    }
}
