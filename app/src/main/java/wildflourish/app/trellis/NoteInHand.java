package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import wildflourish.app.paint.Palette;
import wildflourish.core.growth.Candidate;
import wildflourish.core.ornament.HowTo;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.setting.Setting;

/** The note in hand: where it is, how it is fingered, what stands on it and how that is done, and what it can take. */
public final class NoteInHand extends VBox {

    private final TrellisModel model;
    private final Label title = new Label();
    private final PlaceInHand place;
    private final Label how = new Label();
    private final Label none = new Label();
    private final VBox rows = new VBox(4);
    private final Map<String, CandidateRow> byId = new HashMap<>();
    private Palette palette = Palette.LIGHT;

    /** A panel beside the trellis of the same model. */
    public NoteInHand(TrellisModel model) {
        super(6);
        this.model = model;
        setId("note-in-hand");
        getStyleClass().add("note-in-hand");
        title.setId("note-title");
        title.getStyleClass().add("note-title");
        place = new PlaceInHand(model);
        none.setId("note-none");
        none.getStyleClass().add("quiet");
        none.setWrapText(true);
        how.setId("note-how");
        how.getStyleClass().add("how");
        how.setWrapText(true);
        how.setMinHeight(USE_PREF_SIZE);
        ScrollPane scroll = new ScrollPane(rows);
        scroll.setFitToWidth(true);
        scroll.setFocusTraversable(false);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        getChildren().addAll(title, place, how, scroll);
        model.state().addListener((o, before, now) -> show(now));
    }

    /** Chooses the light or the dark look. */
    public void setPalette(Palette newPalette) {
        palette = newPalette;
        if (model.isOpen()) {
            show(model.state().get());
        }
    }

    private void show(TrellisState now) {
        title.setText(TrellisModel.noteInWords(now));
        place.show(now);
        how.setText(instructions(now));
        how.setVisible(!how.getText().isEmpty());
        how.setManaged(!how.getText().isEmpty());
        List<Node> shown = new ArrayList<>();
        boolean mute = now.arrangement().instrument().hasHands() && now.situation().vocabulary().all().isEmpty();
        if (mute) {
            none.setText("There are no ornaments for the %s yet. Where each note lies is planned; what stood on the rungs is kept"
                    .formatted(now.arrangement().instrument().name())
                    + " and comes back with a whistle or flute.");
            shown.add(none);
        }
        for (Candidate candidate : now.ranked()) {
            CandidateRow row = byId.computeIfAbsent(candidate.ornament().id(),
                    id -> new CandidateRow(candidate.ornament(), model));
            row.show(candidate, now, palette);
            shown.add(row);
        }
        if (!rows.getChildren().equals(shown)) {
            rows.getChildren().setAll(shown);
        }
    }

    /** How each ornament on the note is done. */
    private static String instructions(TrellisState now) {
        Setting setting = now.arrangement().ladder().setting(now.rung());
        List<String> lines = new ArrayList<>();
        for (Ornament ornament : setting.ornaments(now.note(), now.situation().vocabulary())) {
            Optional<String> line = now.candidates().gesture(now.note(), ornament, setting).map(g -> HowTo.inWords(
                    ornament, g, now.situation().tune().note(now.note()).pitch()));
            line.ifPresent(l -> lines.add(ornament.name() + ": " + l));
        }
        return String.join("\n", lines);
    }
}
