package wildflourish.app.desk;

import java.util.List;
import javafx.collections.ListChangeListener;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import wildflourish.app.controls.Buttons;
import wildflourish.app.controls.Shown;
import wildflourish.app.listening.Transport;
import wildflourish.app.work.Background;

/** The transport, what has just happened and how to take it back, and what is under way. */
final class Foot extends HBox {

    private final DeskModel model;
    private final Transport transport;
    private final Button undo;

    /**
     * A foot.
     *
     * @param sound opens the place for what is heard and how
     * @param refocus gives the keyboard back to the screen
     */
    Foot(DeskModel model, Runnable sound, Runnable refocus) {
        super(12);
        this.model = model;
        getStyleClass().add("foot");
        setAlignment(Pos.CENTER_LEFT);
        transport = new Transport(model.listening(), () -> {
            model.hear();
            refocus.run();
        }, sound);
        transport.setMinWidth(0);
        undo = Buttons.button("undo", "Undo", "take the latest edit back: Ctrl+Z", () -> model.screen().get().undo(), refocus);
        undo.getStyleClass().add("quiet-button");
        undo.setMinWidth(USE_PREF_SIZE);
        Label message = new Label();
        message.setId("message");
        message.textProperty().bind(model.message());
        message.getStyleClass().add("message");
        message.setMinWidth(60);
        Label unkept = new Label();
        unkept.setId("unkept");
        unkept.getStyleClass().add("warning");
        unkept.textProperty().bind(model.watch().unkept());
        unkept.setMinWidth(USE_PREF_SIZE);
        unkept.managedProperty().bind(unkept.textProperty().isNotEmpty());
        HBox work = new HBox(8);
        work.setId("under-way");
        work.setAlignment(Pos.CENTER_LEFT);
        model.underWay().addListener((ListChangeListener<Background.Job>) c -> work.getChildren().setAll(
                model.underWay().stream().flatMap(job -> underWay(job).stream()).toList()));
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        getChildren().addAll(transport, gap, unkept, work, message, undo);
        model.screen().addListener((o, a, b) -> look());
        model.message().addListener((o, a, b) -> look());
        model.trellis().state().addListener((o, a, b) -> look());
        look();
    }

    private void look() {
        Shown.set(undo, model.screen().get().canUndo());
        transport.setHearable(model.screen().get().hear().isPresent());
        transport.other().bind(model.screen().get().heard());
    }

    /** What is under way, and its own way to end it. */
    private List<Node> underWay(Background.Job job) {
        Button stop = new Button("Stop");
        stop.setAccessibleText("stop " + job.doing());
        stop.setOnAction(e -> model.stop(job));
        return List.of(new Label(job.doing() + " …"), stop);
    }
}
