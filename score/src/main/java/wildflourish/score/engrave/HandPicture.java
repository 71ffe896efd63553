package wildflourish.score.engrave;

import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;
import wildflourish.score.display.Shape;

/**
 * How the hands on one kind of layout are drawn: under the notes of a score and on a chart, with the words that say how to read
 * it. One picture a layout; {@link #of} is the only door.
 */
public sealed interface HandPicture permits HolePicture, NeckPicture, ButtonPicture, NoPicture {

    /** The picture for an instrument. */
    static HandPicture of(Instrument instrument) {
        return switch (instrument.layout()) {
            case WindChart chart -> new HolePicture(chart, instrument.family());
            case Neck neck -> new NeckPicture(neck);
            case ButtonBoard board -> new ButtonPicture(board);
            case Unheld unheld -> new NoPicture();
        };
    }

    /** The height of its strip, in staff spaces; 0 where there is none. */
    double height();

    /** Draws the hands under one system, the top of the strip at 0. */
    void draw(FingeringStrip strip, SystemLayout system, List<FingeringStrip.Spot> spots, List<Shape> shapes);

    /** How the strip of a tune is read, a sentence a line. */
    List<String> key();

    /** How the places on a chart are read: as {@link #key}, without what a tune asks of arms and lungs. */
    List<String> keyOfPlaces();

    /**
     * Maps of all its places, to stand on a chart; none where there is nothing to map.
     *
     * @param left of the page's text, in staff spaces; so {@code right}
     * @param asked whether a written pitch, as a MIDI number, is one that the chart is about
     */
    default List<SystemBlock> maps(double left, double right, IntPredicate asked) {
        return List.of();
    }

    /** A word about the maps, where they need one. */
    default Optional<String> aboutMaps() {
        return Optional.empty();
    }
}
