package wildflourish.score.paint;

import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Shape;
import wildflourish.score.font.FontFiles;
import wildflourish.score.font.Outlines;

/** Paints a display list as one SVG document; music glyphs as outlines, so that no font is needed to read it. */
public final class SvgPainter {

    private final StringBuilder body = new StringBuilder();
    private final Set<String> glyphs = new LinkedHashSet<>();

    private SvgPainter() {}

    /**
     * The document.
     *
     * @param staffSpace width of a staff space in CSS pixels
     */
    public static String paint(Drawing drawing, double staffSpace) {
        SvgPainter painter = new SvgPainter();
        drawing.shapes().forEach(painter::shape);
        StringBuilder out = new StringBuilder("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        out.append("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"").append(n(drawing.width() * staffSpace))
                .append("\" height=\"").append(n(drawing.height() * staffSpace)).append("\" viewBox=\"0 0 ")
                .append(n(drawing.width())).append(' ').append(n(drawing.height())).append("\">\n<defs>\n");
        for (String glyph : painter.glyphs) {
            out.append("<path id=\"").append(glyph).append("\" d=\"").append(path(glyph)).append("\"/>\n");
        }
        return out.append("</defs>\n<rect width=\"100%\" height=\"100%\" fill=\"#ffffff\"/>\n").append(painter.body)
                .append("</svg>\n").toString();
    }

    private void shape(Shape shape) {
        String colour = String.format(Locale.ROOT, "#%06x", PrintInks.rgb(shape.ink()));
        switch (shape) {
            case Shape.Glyph g -> {
                glyphs.add(g.name());
                body.append("<use href=\"#").append(g.name()).append("\" transform=\"translate(").append(n(g.x()))
                        .append(' ').append(n(g.y())).append(")").append(g.scale() == 1 ? ""
                                : " scale(" + n(g.scale()) + ")").append("\" fill=\"").append(colour).append("\"/>\n");
            }
            case Shape.Line l -> body.append("<line x1=\"").append(n(l.x1())).append("\" y1=\"").append(n(l.y1()))
                    .append("\" x2=\"").append(n(l.x2())).append("\" y2=\"").append(n(l.y2()))
                    .append("\" stroke=\"").append(colour).append("\" stroke-width=\"").append(n(l.thickness()))
                    .append("\"/>\n");
            case Shape.Polygon p -> {
                body.append("<polygon fill=\"").append(colour).append("\" points=\"");
                p.points().forEach(q -> body.append(n(q.x())).append(',').append(n(q.y())).append(' '));
                body.append("\"/>\n");
            }
            case Shape.Bow b -> {
                double inset = (b.x2() - b.x1()) * Shape.Bow.REACH;
                double outer = b.rise() + Math.copySign(b.middle() / 2, b.rise());
                double inner = b.rise() - Math.copySign(b.middle() / 2, b.rise());
                body.append("<path fill=\"").append(colour).append("\" d=\"M").append(n(b.x1())).append(' ')
                        .append(n(b.y1())).append('C').append(n(b.x1() + inset)).append(' ').append(n(b.y1() + outer))
                        .append(' ').append(n(b.x2() - inset)).append(' ').append(n(b.y2() + outer)).append(' ')
                        .append(n(b.x2())).append(' ').append(n(b.y2())).append('C').append(n(b.x2() - inset))
                        .append(' ').append(n(b.y2() + inner)).append(' ').append(n(b.x1() + inset)).append(' ')
                        .append(n(b.y1() + inner)).append(' ').append(n(b.x1())).append(' ').append(n(b.y1()))
                        .append("Z\"/>\n");
            }
            case Shape.Disc d -> body.append("<circle cx=\"").append(n(d.x())).append("\" cy=\"").append(n(d.y()))
                    .append("\" r=\"").append(n(d.radius())).append("\" ").append(d.filled()
                            ? "fill=\"" + colour + "\""
                            : "fill=\"none\" stroke=\"" + colour + "\" stroke-width=\"" + n(d.thickness()) + "\"")
                    .append("/>\n");
            case Shape.Words w -> body.append("<text x=\"").append(n(w.x())).append("\" y=\"").append(n(w.y()))
                    .append("\" font-size=\"").append(n(w.size())).append("\" font-family=\"'")
                    .append(FontFiles.family(w.face())).append("', ")
                    .append(w.face() == Face.SANS || w.face() == Face.SANS_BOLD ? "sans-serif" : "serif")
                    .append('"').append(w.face() == Face.SANS_BOLD || w.face() == Face.SERIF_BOLD
                            ? " font-weight=\"600\"" : "")
                    .append(w.face() == Face.SERIF_ITALIC ? " font-style=\"italic\"" : "")
                    .append(" text-anchor=\"").append(w.anchor().name().toLowerCase(Locale.ROOT))
                    .append("\" fill=\"").append(colour).append("\">").append(escaped(w.text())).append("</text>\n");
        }
    }

    private static String path(String glyph) {
        GeneralPath outline = Outlines.of(glyph);
        StringBuilder d = new StringBuilder();
        double[] c = new double[6];
        for (PathIterator it = outline.getPathIterator(null); !it.isDone(); it.next()) {
            switch (it.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> d.append('M').append(n(c[0])).append(' ').append(n(c[1]));
                case PathIterator.SEG_LINETO -> d.append('L').append(n(c[0])).append(' ').append(n(c[1]));
                case PathIterator.SEG_QUADTO -> d.append('Q').append(n(c[0])).append(' ').append(n(c[1])).append(' ')
                        .append(n(c[2])).append(' ').append(n(c[3]));
                case PathIterator.SEG_CUBICTO -> d.append('C').append(n(c[0])).append(' ').append(n(c[1]))
                        .append(' ').append(n(c[2])).append(' ').append(n(c[3])).append(' ').append(n(c[4]))
                        .append(' ').append(n(c[5]));
                default -> d.append('Z');
            }
        }
        return d.toString();
    }

    private static String n(double value) {
        String text = String.format(Locale.ROOT, "%.3f", value);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replaceAll("\\p{Cntrl}", " ");
    }
}
