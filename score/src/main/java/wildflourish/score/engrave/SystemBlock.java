package wildflourish.score.engrave;

import java.util.List;
import wildflourish.score.display.Shape;

/**
 * A part of a page that is not torn apart.
 *
 * @param shapes with their top at 0
 * @param height in staff spaces
 */
public record SystemBlock(List<Shape> shapes, double height) {}
