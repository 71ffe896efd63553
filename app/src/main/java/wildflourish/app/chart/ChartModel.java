package wildflourish.app.chart;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.core.instrument.Button;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.ChartEdits;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Unheld;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/** The chart in hand and what can be done to it. A wrong edit is refused with the rule it breaks; nothing changes then. */
public final class ChartModel {

    /** Where changed instruments go. */
    public interface Keeping {

        /** Keeps an instrument, and has it used from now on. */
        void keep(Instrument instrument);

        /** Takes the one that came with the program again; an own instrument goes away. */
        void forget(String id);
    }

    private record Edit(String id, Optional<Instrument> before) {}

    private final Keeping keeping;
    private final Consumer<String> say;
    private final Supplier<Optional<Tune>> tune;
    private final ReadOnlyObjectWrapper<ChartState> state = new ReadOnlyObjectWrapper<>();
    private final Deque<Edit> edits = new ArrayDeque<>();

    /**
     * A model that shows nothing yet.
     *
     * @param tune the open tune, if any
     * @param say receives short messages for the teacher
     */
    public ChartModel(Keeping keeping, Supplier<Optional<Tune>> tune, Consumer<String> say) {
        this.keeping = keeping;
        this.tune = tune;
        this.say = say;
    }

    /** What is shown; null before {@link #show}. */
    public ReadOnlyObjectProperty<ChartState> state() {
        return state.getReadOnlyProperty();
    }

    /** Whether there is a change to take back. */
    public boolean canUndo() {
        return !edits.isEmpty();
    }

    /** Shows an instrument that somebody plays. */
    public void show(Instrument instrument) {
        publish(instrument, state.get() != null && state.get().tuneOnly(),
                state.get() == null ? Optional.empty() : Optional.of(state.get().pitch()));
    }

    private void publish(Instrument shown, boolean tuneOnly, Optional<Pitch> near) {
        Instrument instrument = shown.capo() == 0 ? shown : shown.withCapo(0);
        List<Pitch> all = instrument.layout().pitches();
        List<Pitch> pitches = tuneOnly ? ofTune(all) : all;
        if (pitches.isEmpty()) {
            say.accept("the open tune has no note on the " + instrument.name());
            pitches = all;
        }
        int wanted = near.map(Pitch::midi).orElse(pitches.getFirst().midi());
        Pitch pitch = pitches.stream()
                .min(java.util.Comparator.comparingInt(p -> Math.abs(p.midi() - wanted))).orElseThrow();
        boolean changed = Instruments.shipped(instrument.id()).filter(instrument::equals).isEmpty();
        state.set(new ChartState(instrument, tuneOnly && pitches != all, pitches, pitch, entries(instrument, pitch),
                changed));
    }

    private List<Pitch> ofTune(List<Pitch> all) {
        Set<Integer> wanted = tune.get().map(t -> Timeline.of(t).notes().stream().map(n -> n.pitch().midi())
                .collect(Collectors.toSet())).orElse(Set.of());
        return all.stream().filter(p -> wanted.contains(p.midi())).toList();
    }

    private static List<ChartState.Entry> entries(Instrument instrument, Pitch pitch) {
        List<ChartState.Entry> entries = new ArrayList<>();
        switch (instrument.layout()) {
            case Unheld u -> { }
            case WindChart chart -> {
                List<Fingering> ways = chart.ways(pitch);
                for (int i = 0; i < ways.size(); i++) {
                    entries.add(new ChartState.Entry(i == 0 ? "usual" : "other " + i,
                            ways.get(i).text() + (ways.get(i).trial() ? " try" : "")));
                }
                entries.add(new ChartState.Entry("add", ""));
            }
            case Neck neck -> neck.strings().forEach(s -> entries.add(
                    new ChartState.Entry("string " + s.name(), s.open().toString())));
            case ButtonBoard board -> buttons(board, pitch).forEach(b -> entries.add(
                    new ChartState.Entry(b.text(), notes(board, b))));
        }
        return entries;
    }

    private static List<Button> buttons(ButtonBoard board, Pitch pitch) {
        return board.buttons().stream()
                .filter(b -> b.push().midi() == pitch.midi() || b.pull().midi() == pitch.midi()).toList();
    }

    private static String notes(ButtonBoard board, Button button) {
        return board.isTwoWay() ? button.push() + "/" + button.pull() : button.push().toString();
    }

    /** Takes another note in hand. */
    public void select(Pitch pitch) {
        publish(state.get().instrument(), state.get().tuneOnly(), Optional.of(pitch));
    }

    /** Moves to the next note up (or, negative, down). */
    public void step(int by) {
        ChartState now = state.get();
        int at = Math.clamp(now.pitches().indexOf(now.pitch()) + by, 0, now.pitches().size() - 1);
        select(now.pitches().get(at));
    }

    /** Shows only the notes of the open tune, or all again. */
    public void setTuneOnly(boolean only) {
        if (only && tune.get().isEmpty()) {
            say.accept("choose a tune on the shelf first");
            publish(state.get().instrument(), false, Optional.of(state.get().pitch()));
            return;
        }
        publish(state.get().instrument(), only, Optional.of(state.get().pitch()));
    }

    /** Changes an entry of the note in hand; an emptied fingering is taken out. */
    public void change(int entry, String text) {
        ChartState now = state.get();
        if (now.entries().get(entry).text().equals(text.strip())) {
            return;
        }
        ChartEdits.Outcome outcome = switch (now.instrument().layout()) {
            case WindChart chart -> {
                List<String> typed = typed(now);
                if (entry == typed.size()) {
                    typed.add(text);
                } else if (text.isBlank()) {
                    typed.remove(entry);
                } else {
                    typed.set(entry, text);
                }
                yield ChartEdits.ways(now.instrument(), now.pitch(), typed);
            }
            case ButtonBoard board -> ChartEdits.button(
                    now.instrument(), buttons(board, now.pitch()).get(entry), text);
            case Neck neck -> ChartEdits.string(now.instrument(), entry, text);
            case Unheld u -> throw new IllegalStateException("nothing is held");
        };
        take(outcome, "%s of the %s changed".formatted(now.pitch().spoken(), now.instrument().name()));
    }

    /** Makes another fingering the usual one. */
    public void prefer(int entry) {
        List<String> typed = typed(state.get());
        if (entry > 0 && entry < typed.size()) {
            typed.addFirst(typed.remove(entry));
            take(ChartEdits.ways(state.get().instrument(), state.get().pitch(), typed),
                    "%s is now the usual fingering".formatted(typed.getFirst()));
        }
    }

    private static List<String> typed(ChartState now) {
        List<String> typed = new ArrayList<>(now.entries().stream().map(ChartState.Entry::text).toList());
        typed.removeLast();
        return typed;
    }

    /** Makes a new instrument after the one shown, a wind instrument in the key of its lowest written note. */
    public void makeAnother(String name, String lowest) {
        take(ChartEdits.another(state.get().instrument(), name,
                lowest.isBlank() ? Optional.empty() : Optional.of(lowest)), "%s added".formatted(name.strip()));
    }

    private void take(ChartEdits.Outcome outcome, String what) {
        if (outcome.instrument().isEmpty()) {
            say.accept("refused: " + String.join("; ", outcome.faults()));
            return;
        }
        Instrument changed = outcome.instrument().get();
        edits.push(new Edit(changed.id(), Instruments.byId(changed.id())));
        keeping.keep(changed);
        publish(changed, state.get().tuneOnly(), Optional.of(state.get().pitch()));
        say.accept(what);
    }

    /** Takes the latest edit of a chart back. */
    public void undo() {
        if (edits.isEmpty()) {
            say.accept("there is nothing to undo here");
            return;
        }
        Edit edit = edits.pop();
        edit.before().ifPresentOrElse(keeping::keep, () -> keeping.forget(edit.id()));
        show(edit.before().orElseGet(() -> Instruments.all().get(1)));
        say.accept("undone");
    }

    /** Takes the chart that came with the program again. One's own instrument came with none, and stays: tunes may be played on it. */
    public void restore() {
        ChartState now = state.get();
        if (Instruments.shipped(now.instrument().id()).isEmpty()) {
            say.accept("the %s is your own and stays as it is; undo takes back single changes".formatted(now.instrument().name()));
            return;
        }
        if (!now.changed()) {
            say.accept("this chart is as it came");
            return;
        }
        edits.push(new Edit(now.instrument().id(), Optional.of(now.instrument())));
        keeping.forget(now.instrument().id());
        show(Instruments.shipped(now.instrument().id()).orElseThrow());
        say.accept("the chart is as it came");
    }
}
