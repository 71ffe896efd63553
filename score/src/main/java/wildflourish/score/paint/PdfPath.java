package wildflourish.score.paint;

import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;

/** Traces an outline on a page; PDF has no curves with one handle, so those are raised to two. */
record PdfPath(PDPageContentStream out, Axis x, Axis y) {

    /** From staff spaces to points. */
    @FunctionalInterface
    interface Axis {
        float on(double spaces);
    }

    void trace(GeneralPath path) throws IOException {
        double[] c = new double[6];
        double lastX = 0;
        double lastY = 0;
        for (PathIterator it = path.getPathIterator(null); !it.isDone(); it.next()) {
            switch (it.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> {
                    out.moveTo(x.on(c[0]), y.on(c[1]));
                    lastX = c[0];
                    lastY = c[1];
                }
                case PathIterator.SEG_LINETO -> {
                    out.lineTo(x.on(c[0]), y.on(c[1]));
                    lastX = c[0];
                    lastY = c[1];
                }
                case PathIterator.SEG_QUADTO -> {
                    out.curveTo(x.on(lastX + (c[0] - lastX) * 2 / 3), y.on(lastY + (c[1] - lastY) * 2 / 3),
                            x.on(c[2] + (c[0] - c[2]) * 2 / 3), y.on(c[3] + (c[1] - c[3]) * 2 / 3), x.on(c[2]), y.on(c[3]));
                    lastX = c[2];
                    lastY = c[3];
                }
                case PathIterator.SEG_CUBICTO -> {
                    out.curveTo(x.on(c[0]), y.on(c[1]), x.on(c[2]), y.on(c[3]), x.on(c[4]), y.on(c[5]));
                    lastX = c[4];
                    lastY = c[5];
                }
                default -> out.closePath();
            }
        }
    }
}
