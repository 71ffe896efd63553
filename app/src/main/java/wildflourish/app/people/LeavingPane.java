package wildflourish.app.people;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.app.work.Leaving;
import wildflourish.core.finding.Sentence;

/** Asks whether a student is deleted, and what becomes of each file that holds them; away otherwise. */
final class LeavingPane extends VBox {

    private final PeopleModel model;
    private final Runnable after;

    LeavingPane(PeopleModel model, Runnable after) {
        super(8);
        this.model = model;
        this.after = after;
        setId("leaving");
        Shown.set(this, false);
    }

    /** Asks. */
    void ask(Leaving leaving) {
        String name = leaving.person().student().name();
        int recordings = leaving.recordings().size();
        List<CheckBox> boxes = new ArrayList<>();
        for (Leaving.Trace trace : leaving.traces()) {
            CheckBox box = new CheckBox(Sentence.capital(trace.inWords()));
            box.setId("leaving-trace");
            box.setWrapText(true);
            box.setTooltip(new Tooltip(trace.file().toString()));
            box.setUserData(trace);
            box.setSelected(trace.way() != Leaving.Way.SHARED);
            boxes.add(box);
        }
        Button delete = new Button("Delete " + name);
        delete.setId("leaving-delete");
        delete.setOnAction(e -> {
            close();
            Map<Boolean, List<Leaving.Trace>> chosen = boxes.stream().collect(Collectors.partitioningBy(CheckBox::isSelected, Collectors.mapping(b -> (Leaving.Trace) b.getUserData(), Collectors.toList())));
            model.remove(leaving, chosen.getOrDefault(true, List.of()));
        });
        Button cancel = new Button("Cancel");
        cancel.setId("leaving-cancel");
        cancel.setOnAction(e -> close());
        getChildren().setAll(Labels.heading("Delete %s?".formatted(name)), Labels.wrapped("Every pass, tune and sheet of theirs%s, and every line of the log that names them: this cannot be undone.".formatted(
                recordings == 0 ? "" : recordings == 1 ? ", their recording" : ", their %d recordings".formatted(recordings))));
        if (!boxes.isEmpty()) {
            getChildren().add(Labels.quiet("Files that hold them too; what is ticked is done:"));
            getChildren().addAll(boxes);
        }
        getChildren().add(new FlowPane(8, 8, delete, cancel));
        Shown.set(this, true);
        cancel.requestFocus();
    }

    private void close() {
        Shown.set(this, false);
        after.run();
    }
}
