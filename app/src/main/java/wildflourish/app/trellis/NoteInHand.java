package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.paint.Look;
import wildflourish.core.finding.Sentence;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Relief;
import wildflourish.core.growth.VariationKind;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Pitch;

/** The note in hand: where it is, how it is fingered, what stands on it, and what it can take and how that is done. */
public final class NoteInHand extends VBox {

    private final TrellisModel model;
    private final Label title = new Label();
    private final PlaceInHand place;
    private final Label standIn = Labels.wrapped("");
    private final Button relief = new Button();
    private final Button instead = new Button();
    private final VariationRows variations;
    private final OrnamentInSight sight;
    private final ScrollPane scroll;
    private final Label none = new Label();
    private final VBox rows = new VBox(4);
    private final Map<Ornament, CandidateRow> byOrnament = new HashMap<>();
    private @Nullable CandidateRow lookedAt;
    private boolean scrolling;
    private Look look = Look.USUAL;

    /**
     * A panel beside the trellis of the same model.
     *
     * @param explain opens a page of the guide
     */
    public NoteInHand(TrellisModel model, Consumer<String> explain) {
        super(6);
        this.model = model;
        setId("note-in-hand");
        getStyleClass().add("note-in-hand");
        title.setId("note-title");
        title.getStyleClass().add("note-title");
        place = new PlaceInHand(model);
        standIn.setId("note-stand-in");
        none.setId("note-none");
        none.getStyleClass().add("quiet");
        none.setWrapText(true);
        relief.setId("note-relief");
        relief.getStyleClass().add("other-place");
        relief.setWrapText(true);
        relief.setMinHeight(USE_PREF_SIZE);
        relief.setMaxWidth(Double.MAX_VALUE);
        relief.setOnAction(e -> model.ornaments().simplify());
        sight = new OrnamentInSight(model, explain);
        variations = new VariationRows(model);
        instead.setId("note-instead");
        instead.getStyleClass().add("other-place");
        instead.setWrapText(true);
        instead.setMinHeight(USE_PREF_SIZE);
        instead.setMaxWidth(Double.MAX_VALUE);
        instead.setOnAction(e -> model.ladder().takeInstead());
        scroll = new ScrollPane(new VBox(8, rows, variations));
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        // Its rows change with every note: a picture of them would be made each time and thrown away.
        scroll.skinProperty().addListener((o, before, now) -> scroll.lookupAll(".viewport").forEach(v -> v.setCache(false)));
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, standIn, place, relief, instead, scroll);
        rows.heightProperty().addListener((o, before, now) -> scrollSoon());
        model.state().addListener((o, before, now) -> show(now));
        widthProperty().addListener((o, before, now) -> redraw());
    }

    private void redraw() {
        if (model.isOpen()) {
            show(model.state().get());
        }
    }

    void setLook(Look newLook) {
        look = newLook;
        redraw();
    }

    private void show(TrellisState now) {
        title.setText(TrellisModel.noteInWords(now));
        standIn.setText(now.standIn().map(v -> standsIn(v, now)).orElse(""));
        Shown.set(standIn, now.standIn().isPresent());
        place.show(now);
        Optional<Relief> advice = now.relief();
        relief.setText(advice.map(r -> ",  " + r.inWords()).orElse(""));
        Shown.set(relief, advice.isPresent());
        instead.setText(now.instead().map(i -> "Without the %s: %s. Key ! takes it.".formatted(i.id().replace('-', ' '),
                i.other().inWords(now.situation().tune(), now.situation().vocabulary()))).orElse(""));
        Shown.set(instead, now.instead().isPresent());
        variations.show(now);
        List<Node> shown = new ArrayList<>();
        List<Candidate> ranked = now.ranked();
        Optional<Candidate> looking = now.inSight();
        if (ranked.isEmpty() && now.variation().isEmpty()) {
            none.setText(now.missing().isPresent() ? Sentence.capital(now.missing().get()) + ". Choose what is played instead; Ctrl+Shift+J puts the whole tune right."
                    : now.arrangement().instrument().hasHands() ? "This tune has no notes yet."
                    : "Nobody plays the tune as written: choose an instrument with Ctrl+I.");
            shown.add(none);
        }
        @Nullable CandidateRow looked = null;
        for (Candidate candidate : ranked) {
            // Families share ids, not ornaments: a row belongs to one ornament of one family.
            CandidateRow row = byOrnament.computeIfAbsent(candidate.ornament(), o -> new CandidateRow(o, model));
            boolean inSight = looking.filter(candidate::equals).isPresent();
            if (inSight) {
                sight.show(candidate, now, look, Math.max(240, getWidth() - 62));
                looked = row;
            }
            row.show(candidate, now, look.palette(), inSight ? sight : null);
            shown.add(row);
        }
        if (!rows.getChildren().equals(shown)) {
            rows.getChildren().setAll(shown);
        }
        lookedAt = looked;
        scrollSoon();
    }

    /** What is played in place of the note in hand, and why. */
    private static String standsIn(Variation variation, TrellisState now) {
        Pitch pitch = now.plain().note(now.note()).pitch();
        String what = variation.kind().equals(Variation.OTHER) ? "as " + variation.inWords() : "an " + VariationKind.spoken(variation.kind());
        Instrument instrument = now.arrangement().instrument();
        return "Played %s: %s. Delete takes it back.".formatted(what, instrument.has(pitch) ? "it goes along with its figure" : instrument.whyMissing(pitch));
    }

    /** Opens or closes the list of places to be checked. */
    void togglePlaces() {
        place.toggleList();
    }

    /** Puts the keyboard on what the stretch can be varied to. */
    void focusVariations() {
        variations.focusFirst();
    }

    /** Scrolls once what is shown now has been laid out, however often it changes before that. */
    private void scrollSoon() {
        if (!scrolling) {
            scrolling = true;
            Platform.runLater(() -> {
                scrolling = false;
                keepInSight();
            });
        }
    }

    /** Scrolls so that the whole row that is looked at can be seen. */
    private void keepInSight() {
        CandidateRow row = lookedAt;
        if (row == null) {
            return;
        }
        // Where the row is now, not where it was before the rows changed places.
        applyCss();
        layout();
        double all = scroll.getContent().getBoundsInLocal().getHeight() - scroll.getViewportBounds().getHeight();
        if (all <= 0) {
            return;
        }
        double top = scroll.getVvalue() * all;
        double bottom = top + scroll.getViewportBounds().getHeight();
        double rowTop = row.getBoundsInParent().getMinY();
        double rowBottom = row.getBoundsInParent().getMaxY();
        if (rowTop < top) {
            scroll.setVvalue(rowTop / all);
        } else if (rowBottom > bottom) {
            scroll.setVvalue(Math.min(1, Math.min(rowTop, rowBottom - scroll.getViewportBounds().getHeight()) / all));
        }
    }
}
