package wildflourish.app.controls;

import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.Spinner;
import javafx.scene.control.SpinnerValueFactory;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.util.StringConverter;

/** Whole numbers that are typed or stepped. */
public final class Numbers {

    private Numbers() {}

    /** A number between two others; what is typed and is none leaves it as it is. */
    public static Spinner<Integer> spinner(String id, int least, int most, int usual, int step, String words) {
        Spinner<Integer> spinner = new Spinner<>(new SpinnerValueFactory.IntegerSpinnerValueFactory(least, most, usual, step));
        spinner.setId(id);
        spinner.setAccessibleText(words);
        spinner.getEditor().setAccessibleText(words);
        spinner.setEditable(true);
        spinner.getStyleClass().add(Spinner.STYLE_CLASS_SPLIT_ARROWS_HORIZONTAL);
        StringConverter<Integer> plain = spinner.getValueFactory().getConverter();
        spinner.getValueFactory().setConverter(new StringConverter<>() {
            @Override
            public String toString(Integer value) {
                return plain.toString(value);
            }

            @Override
            public Integer fromString(String text) {
                // What is no number leaves the value as it is.
                return text.strip().matches("\\d{1,4}") ? Integer.valueOf(text.strip()) : spinner.getValue();
            }
        });
        return spinner;
    }

    /** The number behind its words. */
    public static HBox row(String words, Spinner<?> spinner) {
        Label label = new Label(words);
        label.setLabelFor(spinner);
        label.setWrapText(true);
        label.setMinHeight(Region.USE_PREF_SIZE);
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox row = new HBox(6, label, gap, spinner);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }
}
