package wildflourish.app.backup;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Labels;

/** Another library is in the place of the one that the window shows: it can be opened. */
public final class AnotherLibraryCard extends VBox {

    private static final double WIDTH = 520;

    private final Button open = new Button("Open the library that is here now");

    /** A card; {@code later} closes it and leaves all as it is. */
    public AnotherLibraryCard(Runnable opens, Runnable later) {
        super(10);
        setId("another-library");
        getStyleClass().add("card");
        open.setId("another-library-open");
        open.setOnAction(e -> opens.run());
        Button cancel = new Button("Not now");
        cancel.setId("another-library-later");
        cancel.setOnAction(e -> later.run());
        var words = Labels.wrapped("""
                Another library was put in the place of the one that you see here: a back-up was restored, or a file was copied there. Nothing of yours was written into it. Edits that you make from now on are set aside as files, to be imported later.""");
        words.setPrefWidth(WIDTH);
        getChildren().addAll(Labels.heading("Another library is here now"), words, new FlowPane(8, 8, open, cancel));
    }

    /** What takes the keyboard. */
    public Node first() {
        return open;
    }
}
