package wildflourish.score.paint;

import java.awt.Color;
import java.awt.geom.AffineTransform;
import java.awt.geom.GeneralPath;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentInformation;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.jspecify.annotations.Nullable;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Shape;
import wildflourish.score.font.FontFiles;
import wildflourish.score.font.Outlines;
import wildflourish.score.font.SystemLetters;

/** Paints display lists as the pages of one PDF document; music glyphs as outlines, text with its fonts embedded. */
public final class PdfPainter {

    private final PDDocument document;
    private final Map<Face, PDFont> fonts = new EnumMap<>(Face.class);
    private @Nullable PDPageContentStream current;
    private double scale;
    private double height;

    private PdfPainter(PDDocument document) {
        this.document = document;
    }

    /**
     * The bytes of a document with one page for each drawing.
     *
     * @param pointsPerSpace width of a staff space in points (1/72 inch)
     */
    public static byte[] paint(String title, List<Drawing> pages, double pointsPerSpace) {
        try (PDDocument document = new PDDocument()) {
            PDDocumentInformation information = new PDDocumentInformation();
            information.setTitle(title);
            information.setCreator("Wild Flourish");
            document.setDocumentInformation(information);
            document.getDocumentCatalog().setLanguage("en-GB");
            PdfPainter painter = new PdfPainter(document);
            for (Drawing drawing : pages) {
                painter.page(drawing, pointsPerSpace);
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void page(Drawing drawing, double pointsPerSpace) throws IOException {
        scale = pointsPerSpace;
        height = drawing.height() * scale;
        PDPage page = new PDPage(new PDRectangle((float) (drawing.width() * scale), (float) height));
        document.addPage(page);
        try (PDPageContentStream stream = new PDPageContentStream(document, page)) {
            current = stream;
            for (Shape shape : drawing.shapes()) {
                shape(shape);
            }
        }
    }

    private PDPageContentStream out() {
        return Objects.requireNonNull(current, "a page is begun first");
    }

    private void shape(Shape shape) throws IOException {
        Color colour = new Color(PrintInks.rgb(shape.ink()));
        out().setNonStrokingColor(colour);
        out().setStrokingColor(colour);
        switch (shape) {
            case Shape.Glyph g -> {
                GeneralPath outline = Outlines.of(g.name());
                outline.transform(new AffineTransform(g.scale(), 0, 0, g.scale(), g.x(), g.y()));
                new PdfPath(out(), this::x, this::y).trace(outline);
                out().fill();
            }
            case Shape.Line l -> {
                out().setLineWidth(length(l.thickness()));
                out().moveTo(x(l.x1()), y(l.y1()));
                out().lineTo(x(l.x2()), y(l.y2()));
                out().stroke();
            }
            case Shape.Polygon p -> {
                for (int i = 0; i < p.points().size(); i++) {
                    Shape.Point q = p.points().get(i);
                    if (i == 0) {
                        out().moveTo(x(q.x()), y(q.y()));
                    } else {
                        out().lineTo(x(q.x()), y(q.y()));
                    }
                }
                out().closePath();
                out().fill();
            }
            case Shape.Bow b -> bow(b);
            case Shape.Disc d -> disc(d);
            case Shape.Words w -> words(w);
        }
    }

    private void bow(Shape.Bow b) throws IOException {
        double inset = (b.x2() - b.x1()) * Shape.Bow.REACH;
        double outer = b.rise() + Math.copySign(b.middle() / 2, b.rise());
        double inner = b.rise() - Math.copySign(b.middle() / 2, b.rise());
        out().moveTo(x(b.x1()), y(b.y1()));
        out().curveTo(x(b.x1() + inset), y(b.y1() + outer), x(b.x2() - inset), y(b.y2() + outer), x(b.x2()), y(b.y2()));
        out().curveTo(x(b.x2() - inset), y(b.y2() + inner), x(b.x1() + inset), y(b.y1() + inner), x(b.x1()), y(b.y1()));
        out().closePath();
        out().fill();
    }

    private void disc(Shape.Disc d) throws IOException {
        double k = 0.5523 * d.radius();
        double r = d.radius();
        out().moveTo(x(d.x() + r), y(d.y()));
        out().curveTo(x(d.x() + r), y(d.y() + k), x(d.x() + k), y(d.y() + r), x(d.x()), y(d.y() + r));
        out().curveTo(x(d.x() - k), y(d.y() + r), x(d.x() - r), y(d.y() + k), x(d.x() - r), y(d.y()));
        out().curveTo(x(d.x() - r), y(d.y() - k), x(d.x() - k), y(d.y() - r), x(d.x()), y(d.y() - r));
        out().curveTo(x(d.x() + k), y(d.y() - r), x(d.x() + r), y(d.y() - k), x(d.x() + r), y(d.y()));
        out().closePath();
        if (d.filled()) {
            out().fill();
        } else {
            out().setLineWidth(length(d.thickness()));
            out().stroke();
        }
    }

    private void words(Shape.Words w) throws IOException {
        PDFont font = font(w.face());
        double width = Outlines.width(w.text(), w.face(), w.size());
        double left = switch (w.anchor()) {
            case START -> w.x();
            case MIDDLE -> w.x() - width / 2;
            case END -> w.x() - width;
        };
        StringBuilder run = new StringBuilder();
        double at = left;
        for (int code : w.text().codePoints().toArray()) {
            Optional<SystemLetters.Letter> other = Outlines.has(w.face(), code) ? Optional.empty() : SystemLetters.of(code);
            if (other.isPresent()) {
                at = run(run, w, font, at);
                new PdfPath(out(), this::x, this::y).trace(other.get().at(at, w.y(), w.size()));
                out().fill();
                at += other.get().advance() * w.size();
            } else {
                run.append(printable(code, font));
            }
        }
        run(run, w, font, at);
    }

    /** Sets letters of one face; where the next one stands. */
    private double run(StringBuilder run, Shape.Words w, PDFont font, double left) throws IOException {
        if (run.isEmpty()) {
            return left;
        }
        String text = run.toString();
        run.setLength(0);
        out().beginText();
        out().setFont(font, length(w.size()));
        out().newLineAtOffset(x(left), y(w.y()));
        out().showText(text);
        out().endText();
        return left + Outlines.width(text, w.face(), w.size());
    }

    /** A letter that no font has becomes a question mark, so that one strange letter does not lose a page. */
    private static String printable(int code, PDFont font) {
        String letter = Character.toString(code);
        try {
            font.encode(letter);
            return letter;
        } catch (IOException | IllegalArgumentException e) {
            return "?";
        }
    }

    private PDFont font(Face face) throws IOException {
        PDFont known = fonts.get(face);
        if (known == null) {
            try (InputStream in = FontFiles.open(face)) {
                TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(in));
                // Without ligatures each letter keeps its own code, so that the text can be searched and read aloud.
                font.setEnableGsub(false);
                known = PDType0Font.load(document, font, true);
            }
            fonts.put(face, known);
        }
        return known;
    }

    private float x(double spaces) {
        return (float) (spaces * scale);
    }

    private float y(double spaces) {
        return (float) (height - spaces * scale);
    }

    private float length(double spaces) {
        return (float) (spaces * scale);
    }
}
