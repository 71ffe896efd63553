package wildflourish.app.guide;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class GuideTest {

    private static final Guide GUIDE = Guide.shipped();

    @Test
    void everyLinkWithinTheGuideLeadsSomewhere() {
        for (Page page : GUIDE.pages()) {
            assertThat(page.title()).as(page.id()).isNotEmpty();
            for (Page.Block block : page.blocks()) {
                block.runs().stream().filter(r -> r.kind() == Page.Run.Kind.LINK && !r.target().startsWith("../")).forEach(link -> {
                    Page there = GUIDE.page(Guide.id(link.target())).orElseThrow(() -> new AssertionError(page.id() + ": " + link));
                    String anchor = Guide.anchor(link.target());
                    assertThat(anchor.isEmpty() || there.section(anchor).isPresent()).as(page.id() + ": " + link).isTrue();
                });
            }
        }
    }

    @Test
    void aStepHasItsKeysAndWhatIsSeen() {
        Page page = PageReader.read("page", """
                # A question
                Before *it*.

                1. Press `Ctrl+2`, then `r`: the *note in
                   hand* is seen.
                2. And `Home`.

                ## When it **fails**!
                - **One**: see [there](other.md#part).

                1. Again from the first: *seen*.
                """);

        assertThat(page.title()).isEqualTo("A question");
        assertThat(page.steps()).extracting(Page.Step::number).containsExactly(1, 2, 1);
        assertThat(page.steps().getFirst().keys()).containsExactly("Ctrl+2", "r");
        assertThat(page.steps().getFirst().seen()).containsExactly("note in hand");
        assertThat(page.section("when-it-fails")).isPresent();
        assertThat(page.blocks()).filteredOn(Page.Point.class::isInstance).singleElement()
                .satisfies(p -> assertThat(p.runs()).contains(new Page.Run("there", Page.Run.Kind.LINK, "other.md#part")));
    }

    @Test
    void aWordIsFoundUnderAnyOfItsLettersAndTheLongestIsMeant() {
        Glossary glossary = GUIDE.glossary();
        String text = "Two long rolls, a Cut; uncut, cutting.";

        assertThat(glossary.at(text, text.indexOf("long"))).get().extracting(Glossary.Word::term).isEqualTo("long roll");
        assertThat(glossary.at(text, text.indexOf("rolls") + 4)).get().extracting(Glossary.Word::term).isEqualTo("long roll");
        assertThat(glossary.at(text, text.indexOf("Cut"))).get().extracting(Glossary.Word::term).isEqualTo("cut");
        assertThat(glossary.at(text, text.indexOf("uncut") + 3)).isEmpty();
        assertThat(glossary.at(text, text.indexOf("cutting"))).isEmpty();
        assertThat(glossary.at(text, text.indexOf("Two"))).isEmpty();
    }

    @Test
    void aPageOfWordsThatIsNoneIsTold() {
        Map<String, String> pages = Map.of("README", "# Guide\n- [Words](words.md)\n", "words", "# Words\n- cut, without weight\n");

        assertThatThrownBy(() -> new Guide(pages::get)).hasMessageContaining("not a term and its meaning");
    }

    @Test
    void aScreenHasItsPageAndOthersHaveTheContents() {
        assertThat(GUIDE.about("Trellis").id()).isEqualTo("a-roll-will-not-speak");
        assertThat(GUIDE.about("nowhere")).isEqualTo(GUIDE.contents());
        assertThat(List.of("Shelf", "Writing", "Reading", "Trellis", "Across", "Fit", "Rounds", "Practice", "Listen", "Class", "Lesson", "Sheet", "Chart"))
                .allSatisfy(s -> assertThat(GUIDE.about(s)).isNotEqualTo(GUIDE.contents()));
    }
}
