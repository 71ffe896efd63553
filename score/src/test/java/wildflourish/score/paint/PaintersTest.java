package wildflourish.score.paint;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Document;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.score.Scores;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.Aids;
import wildflourish.score.engrave.Engraving;
import wildflourish.score.font.MusicFont;
import wildflourish.score.font.Outlines;
import wildflourish.score.font.SystemLetters;
import wildflourish.score.handout.Handout;

class PaintersTest {

    private static Document xml(String svg) throws Exception {
        return DocumentBuilderFactory.newInstance().newDocumentBuilder()
                .parse(new ByteArrayInputStream(svg.getBytes(StandardCharsets.UTF_8)));
    }

    @Test
    void svgIsWellFormedAndHoldsEveryShape() throws Exception {
        Engraving engraving = Scores.trellis(Scores.demo().getFirst(), Set.of(0, 4), 112);
        Document document = xml(SvgPainter.paint(engraving.drawing(), 8));
        long glyphs = engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Glyph).count();
        long words = engraving.drawing().shapes().stream().filter(s -> s instanceof Shape.Words).count();
        assertThat(document.getElementsByTagName("use").getLength()).isEqualTo((int) glyphs);
        assertThat(document.getElementsByTagName("text").getLength()).isEqualTo((int) words);
        assertThat(document.getDocumentElement().getAttribute("width")).isEqualTo("896");
    }

    @Test
    void svgEscapesText() throws Exception {
        Drawing drawing = new Drawing(10, 10, List.of(new Shape.Words("<Fish & Ó \u0007>", 1, 1, 2, Face.SANS,
                Shape.Anchor.START, Ink.MUSIC)));
        assertThat(xml(SvgPainter.paint(drawing, 8)).getElementsByTagName("text").item(0).getTextContent())
                .isEqualTo("<Fish & Ó  >");
    }

    /** The outline of a glyph fills the box that the font's metadata states. */
    @Test
    void outlinesAgreeWithTheMetadata() {
        for (String glyph : MusicFont.names()) {
            var outline = Outlines.of(glyph).getBounds2D();
            var box = MusicFont.box(glyph, 0, 0, 1);
            assertThat(outline.getMinX()).as(glyph).isCloseTo(box.left(), org.assertj.core.api.Assertions.within(0.06));
            assertThat(outline.getMaxX()).as(glyph).isCloseTo(box.right(), org.assertj.core.api.Assertions.within(0.06));
            assertThat(outline.getMinY()).as(glyph).isCloseTo(box.top(), org.assertj.core.api.Assertions.within(0.06));
            assertThat(outline.getMaxY()).as(glyph).isCloseTo(box.bottom(), org.assertj.core.api.Assertions.within(0.06));
        }
    }

    private static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void pdfKeepsTextWithVietnameseAndIrishLetters() throws Exception {
        List<Shape> shapes = new ArrayList<>();
        for (Face face : Face.values()) {
            shapes.add(new Shape.Words("Nguyễn Thị Ánh · Ó Súilleabháin", 1, 3 + shapes.size() * 3, 2, face,
                    Shape.Anchor.START, Ink.MUSIC));
        }
        String text = text(PdfPainter.paint("Title", List.of(new Drawing(60, 30, shapes)), 5));
        assertThat(text.split("Nguyễn Thị Ánh · Ó Súilleabháin", -1)).hasSize(Face.values().length + 1);
    }

    /** A letter that the faces lack is drawn as the machine's own fonts have it, and what follows keeps clear of it. */
    @Test
    void lettersOfTheMachineAreDrawn() throws Exception {
        int letter = "\u0531\u4E2D\u10D0".codePoints().filter(c -> !Outlines.has(Face.SERIF, c) && SystemLetters.of(c).isPresent()).findFirst().orElse(0);
        assumeTrue(letter != 0, "this machine has no fonts of its own");
        String strange = Character.toString(letter);
        Drawing drawing = new Drawing(60, 30, List.of(new Shape.Words("ab" + strange + "cd", 1, 3, 2, Face.SERIF, Shape.Anchor.START, Ink.MUSIC)));
        byte[] pdf = PdfPainter.paint("Title", List.of(drawing), 5);
        assertThat(text(pdf).replaceAll("\\s", "")).isEqualTo("abcd");
        assertThat(Outlines.width("ab" + strange + "cd", Face.SERIF, 2)).isGreaterThan(Outlines.width("abcd", Face.SERIF, 2) + 0.5);
        assertThat(Outlines.unprintable("ab" + strange)).isEmpty();
        assertThat(Outlines.unprintable("ab \uDBFF\uDFFD")).isEqualTo("\uDBFF\uDFFD");
    }

    @Test
    void lettersNoFontHasDoNotLoseThePage() throws Exception {
        Drawing drawing = new Drawing(60, 30, List.of(new Shape.Words("ab\uDBFF\uDFFDcd\uDBFF\uDFFC", 1, 3, 2, Face.SANS,
                Shape.Anchor.START, Ink.MUSIC)));
        assertThat(text(PdfPainter.paint("Title", List.of(drawing), 5))).contains("ab?cd?");
    }

    @Test
    void theSheetNamesEverythingAStudentNeeds() throws Exception {
        Arrangement arrangement = Scores.demo().get(1);
        String text = text(Handout.pdf(arrangement.version(4), Aids.NONE, List.of("begin with a full breath")));
        assertThat(text).contains("Six Gulls on the Chapel Wall").contains("D whistle").contains("version: full")
                .contains("goal: dotted crotchet = 100");
        assertThat(text).contains("How each ornament is done").contains("long roll").contains("clean up to")
                .contains("third finger of the upper hand");
        assertThat(text).contains("Reading the fingers").contains("Mind in this tune").contains("Begin with a full breath").contains("Practise").contains("Take care")
                .contains("Stop at pain").contains("not medical advice").contains("page 1 of");
        arrangement.ladder().setting(4).byNote().values().stream().flatMap(List::stream).distinct().forEach(id ->
                assertThat(text).contains(arrangement.situation().vocabulary().known(id).name()));
    }

    @Test
    void theBareSheetHasNoOrnamentsAndTheLowTuneSaysWhatIsMissing() throws Exception {
        assertThat(text(Handout.pdf(Scores.demo().get(3).version(0), Aids.NONE, List.of()))).doesNotContain("How each ornament");
        Arrangement low = Scores.demo().get(6);
        Arrangement asItIs = low.with(Ladder.bare());
        assertThat(text(Handout.pdf(asItIs.version(0), Aids.NONE, List.of()))).contains("10 notes marked with a cross");
        assertThat(text(Handout.pdf(low.version(3), Aids.NONE, List.of()))).as("they are put right where it is grown").doesNotContain("marked with a cross").contains("octave up");
    }

    @Test
    void nothingOfTheSheetLeavesItsPages() {
        for (Arrangement arrangement : Scores.demo()) {
            for (Drawing page : Handout.pages(arrangement.version(5), Aids.NONE, List.of())) {
                assertThat(page.shapes()).allSatisfy(s -> {
                    double right = s instanceof Shape.Words w && w.anchor() == Shape.Anchor.START
                            ? w.x() + Outlines.width(w.text(), w.face(), w.size()) : s.bounds().right();
                    assertThat(right).isLessThanOrEqualTo(page.width() - 3);
                    assertThat(s.bounds().bottom()).isLessThanOrEqualTo(page.height());
                    assertThat(s.bounds().top()).isGreaterThanOrEqualTo(0);
                });
            }
        }
    }
}
