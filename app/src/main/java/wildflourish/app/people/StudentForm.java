package wildflourish.app.people;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.TextField;
import javafx.scene.control.TitledPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import wildflourish.app.controls.Choosing;
import wildflourish.app.controls.Labels;
import wildflourish.app.controls.Shown;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.lesson.Student;
import wildflourish.core.ornament.Speeds;
import wildflourish.library.Person;

/** What is known of one student, to be written down. */
final class StudentForm extends VBox {

    private final PeopleModel model;
    private final Runnable after;
    private final TextField name = new TextField();
    private final TextField group = new TextField();
    private final ComboBox<Instrument> instrument = new ComboBox<>();
    private final MenuButton also = new MenuButton();
    private final ComboBox<Integer> capo = new ComboBox<>();
    private final ComboBox<String> level = new ComboBox<>();
    private final CheckBox reads = new CheckBox("reads music");
    private final TextField remark = new TextField();
    private final HandsPane hands = new HandsPane();
    private final TitledPane own = new TitledPane("their own hands", hands);
    private final Label fault = Labels.wrapped("");
    private Optional<Person> before = Optional.empty();

    StudentForm(PeopleModel model, Runnable after) {
        super(6);
        this.model = model;
        this.after = after;
        setId("student-form");
        field("name", name, "student-name");
        field("class", group, "student-group");
        box("instrument", instrument, "student-instrument");
        instrument.setConverter(Choosing.by(Instrument::name));
        instrument.setOnAction(e -> instrumentChosen());
        also.setId("student-also");
        also.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(Labels.quiet("also plays", also), also);
        box("capo", capo, "student-capo");
        capo.setConverter(Choosing.by(fret -> fret == 0 ? "no capo" : "fret " + fret));
        box("level", level, "student-level");
        level.setOnAction(e -> showHands());
        reads.setId("student-reads");
        getChildren().add(reads);
        field("for your eye only", remark, "student-remark");
        own.setId("student-own");
        own.setExpanded(false);
        own.setAnimated(false);
        getChildren().add(own);
        fault.setId("student-fault");
        Button keep = new Button("Keep");
        keep.setId("student-keep");
        keep.setOnAction(e -> keep());
        Button cancel = new Button("Leave as it was");
        cancel.setId("student-cancel");
        cancel.setOnAction(e -> close());
        getChildren().addAll(fault, new FlowPane(8, 8, keep, cancel));
        Shown.set(this, false);
    }

    private void field(String words, TextField field, String id) {
        field.setId(id);
        field.setMaxWidth(Double.MAX_VALUE);
        field.setOnAction(e -> keep());
        getChildren().addAll(Labels.quiet(words, field), field);
    }

    private void box(String words, ComboBox<?> box, String id) {
        box.setId(id);
        box.setMaxWidth(Double.MAX_VALUE);
        getChildren().addAll(Labels.quiet(words, box), box);
    }

    private void instrumentChosen() {
        capos();
        showAlso();
        showHands();
    }

    private void showHands() {
        if (instrument.getValue() != null && level.getValue() != null) {
            hands.show(instrument.getValue(), Speeds.level(level.getValue()));
        }
    }

    private void others(Set<String> chosen) {
        also.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).map(i -> {
            CheckMenuItem item = new CheckMenuItem(i.name());
            item.setId(i.id());
            item.setSelected(chosen.contains(i.id()));
            item.setOnAction(e -> showAlso());
            return item;
        }).toList());
        showAlso();
    }

    private void showAlso() {
        List<String> names = also.getItems().stream().filter(i -> alsoPlayed().contains(i.getId())).map(MenuItem::getText).toList();
        also.setText(names.isEmpty() ? "nothing else" : String.join(", ", names));
        also.setAccessibleText("also plays: " + also.getText());
    }

    private List<String> alsoPlayed() {
        return also.getItems().stream().filter(i -> i instanceof CheckMenuItem c && c.isSelected()).map(MenuItem::getId)
                .filter(id -> instrument.getValue() == null || !id.equals(instrument.getValue().id())).toList();
    }

    private void capos() {
        int most = instrument.getValue() != null && instrument.getValue().takesCapo() ? 7 : 0;
        Integer now = capo.getValue();
        capo.getItems().setAll(java.util.stream.IntStream.rangeClosed(0, most).boxed().toList());
        capo.setValue(now == null || now > most ? 0 : now);
        capo.setDisable(most == 0);
    }

    /** Opens it for a new student, or for one there is. */
    void open(Optional<Person> person) {
        before = person;
        Student known = person.map(Person::student).orElse(null);
        name.setText(known == null ? "" : known.name());
        group.setText(known == null ? model.state().get().person().map(p -> p.student().group()).orElse("") : known.group());
        instrument.getItems().setAll(Instruments.all().stream().filter(Instrument::hasHands).toList());
        instrument.setValue(Instruments.known(known == null ? "whistle-d" : known.instrument()));
        others(known == null ? Set.of() : Set.copyOf(known.also()));
        capos();
        capo.setValue(known == null ? 0 : known.capo());
        level.getItems().setAll(Speeds.levels().stream().map(Speeds::name).toList());
        level.setValue(known == null ? Speeds.levels().getFirst().name() : known.level());
        reads.setSelected(known == null || known.reads());
        remark.setText(known == null ? "" : known.remark());
        hands.know(known == null ? Map.of() : known.speeds(), known == null ? Map.of() : known.schools());
        showHands();
        own.setExpanded(false);
        fault.setText("");
        Shown.set(this, true);
        name.requestFocus();
    }

    private void keep() {
        try {
            Student student = new Student(name.getText(), group.getText(), instrument.getValue().id(), alsoPlayed(), capo.getValue() == null ? 0 : capo.getValue(), level.getValue(),
                    hands.speeds(), hands.schools(), reads.isSelected(), remark.getText());
            model.keep(before, student);
            close();
        } catch (IllegalArgumentException e) {
            fault.setText(wildflourish.core.finding.Sentence.full(String.valueOf(e.getMessage())));
        }
    }

    private void close() {
        Shown.set(this, false);
        after.run();
    }
}
