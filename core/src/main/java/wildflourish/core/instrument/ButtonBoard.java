package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import wildflourish.core.tune.Pitch;

/** The buttons of a free-reed instrument's melody side or sides. */
public final class ButtonBoard implements Layout {

    /**
     * The file as it stands; {@code fingers} play the buttons, {@code reach} is how far along its columns a hand goes without
     * moving, where that counts; buttons as {@code "push/pull"}, or one note where both ways sound the same.
     */
    record File(boolean twoWay, int fingers, Double reach, Double travelSeconds, List<Side> sides) {}

    record Side(String side, List<Integer> home, boolean fingersRise, List<Row> rows) {}

    record Row(String name, String key, double offset, Integer home, List<String> buttons) {}

    private final File file;
    private final List<Button> buttons = new ArrayList<>();
    private final Map<Integer, Boolean> fingersRise = new HashMap<>();
    private final TreeMap<Integer, List<Place>> byMidi = new TreeMap<>();
    private final TreeMap<Integer, Pitch> names = new TreeMap<>();

    ButtonBoard(File file) {
        this.file = file;
        int rowIndex = 0;
        for (Side side : file.sides()) {
            for (Row row : side.rows()) {
                for (int b = 0; b < row.buttons().size(); b++) {
                    add(side, row, rowIndex, b);
                }
                fingersRise.put(rowIndex, side.fingersRise());
                rowIndex++;
            }
        }
        byMidi.values().forEach(p -> p.sort(java.util.Comparator.comparingInt(q -> ((Place.Pressed) q).strain())));
    }

    private void add(Side side, Row row, int rowIndex, int b) {
        String[] notes = row.buttons().get(b).split("/");
        if (notes.length != (file.twoWay() ? 2 : 1)) {
            throw new IllegalArgumentException("row %s, button %d: '%s' is not %s".formatted(row.name(), b + 1,
                    row.buttons().get(b), file.twoWay() ? "a pair like G4/A4, push before pull" : "a note like G4"));
        }
        Pitch push = Pitch.parse(notes[0].strip());
        Pitch pull = Pitch.parse(notes[notes.length - 1].strip());
        Button button = new Button(Optional.ofNullable(side.side()), row.name(), rowIndex, b + 1, b + row.offset(),
                row.key() != null, push, pull);
        buttons.add(button);
        if (file.twoWay()) {
            place(push, button, Optional.of(Bellows.PUSH), side, row);
            place(pull, button, Optional.of(Bellows.PULL), side, row);
        } else {
            place(push, button, Optional.empty(), side, row);
        }
    }

    private void place(Pitch pitch, Button button, Optional<Bellows> direction, Side side, Row row) {
        names.putIfAbsent(pitch.midi(), pitch);
        List<Place> places = byMidi.computeIfAbsent(pitch.midi(), m -> new ArrayList<>());
        int home = row.home() != null ? row.home()
                : side.home().isEmpty() ? 0 : side.home().get(button.number() - 1);
        for (int finger = 1; finger <= file.fingers(); finger++) {
            int strain = home == 0 ? 0 : Math.abs(finger - home);
            if (strain <= 1) {
                places.add(new Place.Pressed(button, direction, finger, strain));
            }
        }
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ButtonBoard board && file.equals(board.file);
    }

    @Override
    public int hashCode() {
        return file.hashCode();
    }

    File file() {
        return file;
    }

    /** Every button, row by row. */
    public List<Button> buttons() {
        return buttons;
    }

    public boolean isTwoWay() {
        return file.twoWay();
    }

    /** How far along its columns a hand reaches without moving, in buttons. */
    public double reach() {
        return file.reach() == null ? 0 : file.reach();
    }

    /** How long the bellows can go one way at an ordinary loudness, in seconds; empty where it does not matter. */
    public OptionalDouble travelSeconds() {
        return file.travelSeconds() == null ? OptionalDouble.empty() : OptionalDouble.of(file.travelSeconds());
    }

    /** Whether higher finger numbers lie toward higher buttons on a button's side. */
    public boolean fingersRise(Button button) {
        return Objects.requireNonNull(fingersRise.get(button.rowIndex()));
    }

    /** Whether of two fingers of one hand the one that lies toward the little finger plays the button nearer the index. */
    public boolean isCrossed(Place.Pressed one, Place.Pressed other) {
        double buttons = (other.button().across() - one.button().across()) * (fingersRise(one.button()) ? 1 : -1);
        int fingers = other.finger() - one.finger();
        return one.button().isOnTheSideOf(other.button()) && homesAlongRows(one.button())
                && (buttons >= 1 && fingers < 0 || buttons <= -1 && fingers > 0);
    }

    /** Whether the fingers lie side by side along the rows, and not each over a column of its own. */
    private boolean homesAlongRows(Button button) {
        return file.reach() == null;
    }

    /** The rows' names with their sides, in order: {@code left C}, {@code D}. */
    public List<String> rowNames() {
        List<String> all = new ArrayList<>();
        for (Side side : file.sides()) {
            side.rows().forEach(r -> all.add(side.side() == null ? r.name() : side.side() + " " + r.name()));
        }
        return all;
    }

    @Override
    public List<Place> places(Pitch pitch) {
        return byMidi.getOrDefault(pitch.midi(), List.of());
    }

    @Override
    public List<Pitch> pitches() {
        return List.copyOf(names.values());
    }

    @Override
    public int sounds(String typed) {
        String text = typed.strip().toLowerCase(Locale.ROOT).replaceFirst("\\s*finger\\s+\\d$", "");
        Bellows direction = text.endsWith(" pull") ? Bellows.PULL : Bellows.PUSH;
        if (file.twoWay() && !text.endsWith(" push") && !text.endsWith(" pull")) {
            throw new IllegalArgumentException("say push or pull at the end, like " + example());
        }
        String where = text.replaceFirst("\\s+(push|pull)$", "");
        for (Button button : buttons) {
            String full = button.text().toLowerCase(Locale.ROOT);
            if (full.equals(where) || full.replace(" row", "").equals(where)) {
                return button.sounds(direction).midi();
            }
        }
        throw new IllegalArgumentException("'%s' names no button; write it like %s".formatted(typed.strip(), example()));
    }

    @Override
    public String example() {
        return buttons.get(buttons.size() / 2).text() + (file.twoWay() ? " push" : "");
    }

    /** This board with another pair of notes on a button, written as in the file; not checked yet. */
    public ButtonBoard withButton(Button changed, String notes) {
        List<Side> sides = new ArrayList<>();
        int rowIndex = 0;
        for (Side side : file.sides()) {
            List<Row> rows = new ArrayList<>();
            for (Row row : side.rows()) {
                List<String> all = new ArrayList<>(row.buttons());
                if (rowIndex == changed.rowIndex()) {
                    all.set(changed.number() - 1, notes);
                }
                rows.add(new Row(row.name(), row.key(), row.offset(), row.home(), all));
                rowIndex++;
            }
            sides.add(new Side(side.side(), side.home(), side.fingersRise(), rows));
        }
        return new ButtonBoard(new File(file.twoWay(), file.fingers(), file.reach(), file.travelSeconds(), sides));
    }

    @Override
    public List<String> faults(Family family) {
        List<String> faults = new ArrayList<>();
        if (family.hands() != Family.Held.BUTTONS || family.twoWay() != file.twoWay()) {
            faults.add("such buttons belong to another family");
        }
        ReedRules.faults(file, faults);
        return faults;
    }
}
