package wildflourish.app.desk;

import java.util.EnumSet;
import java.util.Set;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.ListView;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyCodeCombination;
import javafx.scene.input.KeyCombination;
import javafx.scene.input.KeyEvent;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisView;

/** The keys of the whole window. */
final class DeskKeys {

    private static final Set<Screen> HEARD_BY_SPACE = EnumSet.of(Screen.READING, Screen.ROUNDS,
            Screen.ACROSS);

    private final DeskModel model;
    private final DeskView view;
    private final TrellisView trellis;
    private final Asking asking;
    private final PathBar path;

    DeskKeys(DeskModel model, DeskView view, TrellisView trellis, Asking asking, PathBar path) {
        this.model = model;
        this.view = view;
        this.trellis = trellis;
        this.asking = asking;
        this.path = path;
    }

    /** Puts them on its scene. */
    void bind(Scene scene) {
        accelerator(scene, KeyCode.O, asking::file);
        accelerator(scene, KeyCode.P, asking::sheet);
        accelerator(scene, KeyCode.E, asking::export);
        accelerator(scene, KeyCode.L, () -> model.palette().set(model.palette().get().other()));
        accelerator(scene, KeyCode.DIGIT1, () -> model.screen().set(Screen.SHELF));
        accelerator(scene, KeyCode.DIGIT2, view::openTrellis);
        accelerator(scene, KeyCode.DIGIT3, model::openChart);
        accelerator(scene, KeyCode.DIGIT4, model::openAcross);
        accelerator(scene, KeyCode.DIGIT5, model::openReading);
        accelerator(scene, KeyCode.DIGIT6, model::openRounds);
        accelerator(scene, KeyCode.DIGIT7, model::openPractice);
        accelerator(scene, KeyCode.I, () -> onTrellis(t -> trellis.chooseInstrument()));
        accelerator(scene, KeyCode.H, () -> onTrellis(t -> t.places().keepHabit()));
        accelerator(scene, KeyCode.Q, () -> onTrellis(t -> trellis.togglePlaces()));
        accelerator(scene, KeyCode.G, () -> {
            if (model.screen().get() == Screen.SHELF) {
                model.growAll();
            } else {
                onTrellis(t -> t.ornaments().grow());
            }
        });
        accelerator(scene, KeyCode.T, () -> onTrellis(t -> t.ornaments().prune()));
        accelerator(scene, KeyCode.R, () -> onTrellis(t -> t.ornaments().spread()));
        accelerator(scene, KeyCode.B, () -> onTrellis(t -> trellis.toggleLadder()));
        accelerator(scene, KeyCode.J, () -> onTrellis(t -> trellis.focusVariations()));
        accelerator(scene, KeyCode.K, () -> onTrellis(t -> t.ladder().lock()));
        accelerator(scene, KeyCode.D, () -> onTrellis(t -> t.ladder().compareWith(Math.max(0, t.rung() - 1))));
        accelerator(scene, KeyCode.U, () -> onTrellis(t -> trellis.togglePlayer()));
        accelerator(scene, KeyCode.Z, () -> {
            if (model.screen().get() == Screen.CHART) {
                model.chart().undo();
            } else {
                walk(TrellisModel::undo);
            }
        });
        accelerator(scene, KeyCode.Y, () -> walk(TrellisModel::redo));
        scene.getAccelerators().put(
                new KeyCodeCombination(KeyCode.Z, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
                () -> walk(TrellisModel::redo));
        scene.getAccelerators().put(
                new KeyCodeCombination(KeyCode.H, KeyCombination.SHORTCUT_DOWN, KeyCombination.SHIFT_DOWN),
                () -> onTrellis(t -> trellis.toggleEarlier()));
        scene.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        scene.addEventFilter(KeyEvent.KEY_TYPED, this::typed);
    }

    private static void accelerator(Scene scene, KeyCode code, Runnable action) {
        scene.getAccelerators().put(new KeyCodeCombination(code, KeyCombination.SHORTCUT_DOWN), action);
    }

    private void onTrellis(java.util.function.Consumer<TrellisModel> command) {
        if (takesKeys()) {
            command.accept(model.trellis());
        }
    }

    /** Walks the open tune's edits, on every screen that makes them. */
    private void walk(java.util.function.Consumer<TrellisModel> command) {
        Screen screen = model.screen().get();
        boolean edits = (screen == Screen.READING || screen == Screen.ROUNDS
                || screen == Screen.PRACTICE && !model.practice().isRunning()) && model.trellis().isOpen() && !path.isAsking();
        if (takesKeys() || edits) {
            command.accept(model.trellis());
        }
    }

    private boolean takesKeys() {
        return model.screen().get() == Screen.TRELLIS && model.trellis().isOpen() && !path.isAsking();
    }

    private boolean elsewhere(Node focus) {
        return focus instanceof TextInputControl || focus instanceof ComboBoxBase<?>;
    }

    /** Whether what has the keyboard on the trellis wants the keys of the note in hand for itself. */
    private boolean hasKeysOfItsOwn(Node focus) {
        return elsewhere(focus) || focus instanceof ListView<?>;
    }

    private void pressed(KeyEvent e) {
        boolean free = !elsewhere(view.getScene().getFocusOwner()) && !path.isAsking() && !(view.getScene().getFocusOwner() instanceof ButtonBase);
        if (HEARD_BY_SPACE.contains(model.screen().get()) && e.getCode() == KeyCode.SPACE && free) {
            model.hear();
            e.consume();
            return;
        }
        if (!takesKeys() || hasKeysOfItsOwn(view.getScene().getFocusOwner())) {
            return;
        }
        TrellisModel trellisModel = model.trellis();
        boolean bars = e.isShortcutDown();
        switch (e.getCode()) {
            case SPACE -> {
                if (view.getScene().getFocusOwner() instanceof ButtonBase) {
                    return;
                }
                if (e.isShiftDown()) {
                    model.listening().toggleOrnament();
                } else {
                    model.listening().toggle();
                }
            }
            case LEFT -> step(e, bars, -1);
            case RIGHT -> step(e, bars, 1);
            case UP -> {
                if (e.isShortcutDown()) {
                    trellisModel.ornaments().lookOn(-1);
                } else {
                    trellisModel.stepRung(1);
                }
            }
            case DOWN -> {
                if (e.isShortcutDown()) {
                    trellisModel.ornaments().lookOn(1);
                } else {
                    trellisModel.stepRung(-1);
                }
            }
            case ENTER -> trellisModel.ornaments().toggleInSight();
            case HOME -> trellisModel.select(trellisModel.rung(), 0);
            case END -> trellisModel.select(trellisModel.rung(), Integer.MAX_VALUE);
            case DELETE, BACK_SPACE -> {
                if (e.isShiftDown()) {
                    trellisModel.ladder().forbid();
                } else {
                    trellisModel.ornaments().clearNote();
                }
            }
            default -> {
                return;
            }
        }
        e.consume();
    }

    private void step(KeyEvent e, boolean bars, int by) {
        if (bars) {
            model.trellis().stepBar(by);
        } else {
            model.trellis().stepNote(by);
        }
    }

    private void typed(KeyEvent e) {
        if (!takesKeys() || hasKeysOfItsOwn(view.getScene().getFocusOwner()) || e.isShortcutDown() || e.isAltDown()
                || e.getCharacter().length() != 1) {
            return;
        }
        char key = e.getCharacter().charAt(0);
        if (key == '+' || key == '=') {
            model.trellis().player().stepTempo(4);
        } else if (key == '-') {
            model.trellis().player().stepTempo(-4);
        } else if (key == '?') {
            model.trellis().ladder().askInstead();
        } else if (key == '!') {
            model.trellis().ladder().takeInstead();
        } else if (key == ',') {
            model.trellis().ornaments().simplify();
        } else if (key == '[') {
            model.listening().markFrom();
        } else if (key == ']') {
            model.listening().markTo();
        } else if (key == '<') {
            model.listening().stepPercent(-5);
        } else if (key == '>') {
            model.listening().stepPercent(5);
        } else if (key == '/') {
            model.listening().setAgain(!model.listening().state().get().again());
        } else if (key == '0') {
            model.trellis().places().release();
        } else if (key >= '1' && key <= '9') {
            model.trellis().places().takeOther(key - '1');
        } else if (!model.trellis().ornaments().toggleByKey(key)) {
            return;
        }
        e.consume();
    }
}
