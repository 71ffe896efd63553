package wildflourish.app.paint;

import java.util.List;

/**
 * How the window looks.
 *
 * @param percent the size of all words, in per cent of the usual one
 */
public record Look(Palette palette, int percent) {

    /** The sizes there are, in per cent. */
    public static final List<Integer> SIZES = List.of(100, 125, 150, 200);

    /** Light, in the usual size. */
    public static final Look USUAL = new Look(Palette.LIGHT, 100);

    /** The usual size of words, in pixels. */
    private static final double PIXELS = 14;

    public Look {
        percent = SIZES.contains(percent) ? percent : 100;
    }

    /** What lengths in pixels are multiplied by. */
    public double scale() {
        return percent / 100.0;
    }

    /** The size of plain words, in pixels. */
    public double pixels() {
        return PIXELS * scale();
    }

    public Look with(Palette other) {
        return new Look(other, percent);
    }

    public Look with(int otherPercent) {
        return new Look(palette, otherPercent);
    }

    /** The next size up (or, negative, down); the last one stays. */
    public Look step(int by) {
        return with(SIZES.get(Math.clamp(SIZES.indexOf(percent) + by, 0, SIZES.size() - 1)));
    }
}
