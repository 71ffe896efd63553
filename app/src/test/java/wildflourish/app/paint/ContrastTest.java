package wildflourish.app.paint;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.scene.paint.Color;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import wildflourish.score.display.Ink;

/** Contrast by the arithmetic of WCAG 2.2, success criteria 1.4.3 and 1.4.11. */
class ContrastTest {

    private static double luminance(Color c) {
        return 0.2126 * channel(c.getRed()) + 0.7152 * channel(c.getGreen()) + 0.0722 * channel(c.getBlue());
    }

    private static double channel(double c) {
        return c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }

    private static double contrast(Color a, Color b) {
        double x = luminance(a);
        double y = luminance(b);
        return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
    }

    @Test
    void theArithmeticIsTheStandards() {
        assertThat(contrast(Color.BLACK, Color.WHITE)).isEqualTo(21);
        assertThat(contrast(Color.web("#767676"), Color.WHITE)).isBetween(4.5, 4.6);
    }

    @ParameterizedTest
    @EnumSource(Palette.class)
    void notesAndWordsStandOutFromPaperAndFromTheNoteInHand(Palette palette) {
        for (Ink ink : Ink.values()) {
            if (ink == Ink.PAPER) {
                continue;
            }
            double least = ink == Ink.STAVE ? 3 : 4.5;
            assertThat(contrast(palette.of(ink), palette.paper())).as("%s on paper", ink).isGreaterThanOrEqualTo(least);
            if (ink != Ink.STAVE) {
                assertThat(contrast(palette.of(ink), palette.inHand())).as("%s in hand", ink).isGreaterThanOrEqualTo(4.5);
            }
        }
        assertThat(palette.other().other()).isEqualTo(palette);
    }

    @Test
    void theMusicIsTheDarkestThingOnThePage() {
        for (Ink ink : Ink.values()) {
            assertThat(luminance(Palette.LIGHT.of(ink))).isGreaterThanOrEqualTo(luminance(Palette.LIGHT.of(Ink.MUSIC)));
        }
    }

    private static Map<String, Color> sheet(String block) throws Exception {
        String css;
        try (InputStream in = ContrastTest.class.getResourceAsStream("/wildflourish/app/flourish.css")) {
            css = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
        Map<String, Color> colours = new HashMap<>();
        String[] parts = css.split("\\}");
        for (String part : parts) {
            if (part.contains(block) || block.equals(".desk.dark") && part.contains(".root, .desk {")) {
                Matcher m = Pattern.compile("(-[a-z-]+): (#[0-9a-f]{6});").matcher(part);
                while (m.find()) {
                    colours.put(m.group(1), Color.web(m.group(2)));
                }
            }
        }
        return colours;
    }

    @ParameterizedTest
    @org.junit.jupiter.params.provider.ValueSource(strings = {".root, .desk {", ".desk.dark"})
    void wordsOfTheInterfaceStandOut(String block) throws Exception {
        Map<String, Color> c = sheet(block);
        for (String back : new String[] {"-paper", "-ground", "-standing", "-hover"}) {
            for (String word : new String[] {"-words", "-quiet", "-clean", "-tight", "-blocked"}) {
                assertThat(contrast(c.get(word), c.get(back))).as("%s on %s", word, back).isGreaterThanOrEqualTo(4.5);
            }
        }
        assertThat(contrast(c.get("-accent-words"), c.get("-accent"))).isGreaterThanOrEqualTo(4.5);
        assertThat(contrast(c.get("-accent"), c.get("-ground"))).isGreaterThanOrEqualTo(3);
    }

    @Test
    void noTextIsSmallerThanTwelvePixels() throws Exception {
        try (InputStream in = ContrastTest.class.getResourceAsStream("/wildflourish/app/flourish.css")) {
            String sheet = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            assertThat(sheet).as("sizes in pixels do not grow with the words").doesNotContainPattern("-fx-font-size: [\\d.]+px");
            Matcher m = Pattern.compile("([^{}]*)\\{[^}]*-fx-font-size: ([\\d.]+)em").matcher(sheet);
            int found = 0;
            while (m.find()) {
                found++;
                double usual = m.group(1).contains(".large") ? Look.USUAL.with(200).pixels() : Look.USUAL.pixels();
                assertThat(Double.parseDouble(m.group(2)) * usual).as(m.group(1)).isGreaterThanOrEqualTo(12 - 0.05);
            }
            assertThat(found).isPositive();
        }
    }
}
