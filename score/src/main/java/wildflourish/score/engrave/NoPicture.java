package wildflourish.score.engrave;

import java.util.List;
import wildflourish.score.display.Shape;

/** Nobody plays: there are no hands to be drawn. */
record NoPicture() implements HandPicture {

    @Override
    public double height() {
        return 0;
    }

    @Override
    public void draw(FingeringStrip strip, SystemLayout system, List<FingeringStrip.Spot> spots, List<Shape> shapes) {
        // There is nothing to draw.
    }

    @Override
    public List<String> key() {
        return List.of();
    }

    @Override
    public List<String> keyOfPlaces() {
        return List.of();
    }
}
