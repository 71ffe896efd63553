package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.VBox;
import wildflourish.core.growth.Offer;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.setting.Variation;

/** Under the ornaments of the note in hand: what the stretch around it can be varied to, and what stands varied there. */
final class VariationRows extends VBox {

    private static final int MOST = 8;

    private final TrellisModel model;

    VariationRows(TrellisModel model) {
        super(4);
        this.model = model;
        setId("variations");
    }

    void show(TrellisState now) {
        List<Node> shown = new ArrayList<>();
        Optional<Variation> standing = now.variation().or(now::standIn);
        standing.ifPresent(v -> shown.add(standing(v)));
        List<Offer> offers = now.offers();
        if (!offers.isEmpty()) {
            Label heading = new Label("Play the stretch otherwise");
            heading.getStyleClass().add("panel-heading");
            shown.add(heading);
        }
        int index = 0;
        for (Offer offer : offers.subList(0, Math.min(MOST, offers.size()))) {
            if (standing.filter(offer.variation()::equals).isEmpty()) {
                shown.add(row(offer, index++));
            }
        }
        getChildren().setAll(shown);
    }

    private Node standing(Variation variation) {
        Label what = new Label("%s: %s".formatted(VariationKind.spoken(variation.kind()), variation.inWords()));
        what.setId("variation-standing");
        what.getStyleClass().add("candidate-name");
        what.setWrapText(true);
        Label how = new Label(VariationKind.of(variation.kind()).how()
                + (variation.isStandIn() ? "" : " On this rung no ornament stands on a note that is replaced."));
        how.setWrapText(true);
        how.setMinHeight(USE_PREF_SIZE);
        Button back = new Button("Take it back");
        back.setId("variation-back");
        back.setTooltip(new Tooltip("Delete"));
        back.setOnAction(e -> model.variations().takeBack());
        return new VBox(4, what, how, back);
    }

    private Node row(Offer offer, int index) {
        String limit = offer.verdict().cleanUpTo().map(t -> "; clean up to " + t.spoken()
                + offer.verdict().speaksUpTo().map(u -> ", speaks up to " + u.perMinute().floor()).orElse("")).orElse("");
        Button row = new Button("%s\n%s, %s%s".formatted(offer.inWords(), offer.verdict().word(),
                offer.because().isEmpty() ? "nothing speaks against it" : offer.because(), limit));
        row.setId("variation-" + index);
        row.setWrapText(true);
        row.setMinHeight(USE_PREF_SIZE);
        row.setMaxWidth(Double.MAX_VALUE);
        row.getStyleClass().add("variation-row");
        row.setTooltip(new Tooltip(offer.kind().how()));
        row.setOnAction(e -> model.variations().toggle(offer));
        return row;
    }

    /** Puts the keyboard on the first offer. */
    void focusFirst() {
        getChildren().stream().filter(n -> n instanceof Button).findFirst().ifPresent(Node::requestFocus);
    }
}
