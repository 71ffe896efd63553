package wildflourish.app.desk;

import java.io.File;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import javafx.animation.AnimationTimer;
import javafx.geometry.Pos;
import javafx.geometry.Side;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.input.TransferMode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.jspecify.annotations.Nullable;
import wildflourish.app.backup.AnotherLibraryCard;
import wildflourish.app.backup.BackupCard;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.CommandMenu;
import wildflourish.app.frame.Commands;
import wildflourish.app.frame.Find;
import wildflourish.app.frame.Finder;
import wildflourish.app.frame.KeyRoad;
import wildflourish.app.frame.KeysHere;
import wildflourish.app.frame.Overlay;
import wildflourish.app.frame.Rail;
import wildflourish.app.frame.Screen;
import wildflourish.app.listening.SoundCard;
import wildflourish.app.paint.Look;
import wildflourish.app.paint.Palette;
import wildflourish.app.trellis.WhoPlays;
import wildflourish.core.instrument.Instruments;

/** The window's content: the screen in hand, a head, a rail and a foot around it, and above it what opens and closes again. */
public final class DeskView extends StackPane {

    private final DeskModel model;
    private final Commands commands;
    private final StackPane middle = new StackPane();
    private final PathBar path = new PathBar();
    private final Overlay overlay = new Overlay();
    private final Rail rail;
    private final GuideDock guide;
    private final Button menuButton;
    private final CommandMenu menu;
    private @Nullable ContextMenu openMenu;
    private @Nullable WhoPlays who;
    private @Nullable SoundCard sound;
    private @Nullable Finder finder;
    private @Nullable KeysHere keysHere;
    private @Nullable FaultCard fault;
    private @Nullable BackupCard backups;

    /** The content of a window on the model. */
    public DeskView(DeskModel model) {
        this.model = model;
        List<Command> window = new ArrayList<>(own());
        window.addAll(model.commands());
        this.commands = new Commands(window, model.screens(), () -> model.screen().get(), model::show);
        this.menu = new CommandMenu(commands, this::run);
        menuButton = Rail.button("menu", "Menu", "everything that can be done: F10", Rail.MENU);
        menuButton.setOnAction(e -> openMenu());
        Button help = Rail.button("guide-button", "Guide", "the guide beside the screen: Shift+F1", Rail.GUIDE);
        Button find = Rail.button("find-anything", "Find", "a few letters of anything: Ctrl+Space", Rail.FIND);
        find.setOnAction(e -> find());
        rail = new Rail(model.screens(), screen -> {
            model.show(screen);
            refocus();
        }, List.of(find, help, menuButton));
        getStyleClass().add("desk");
        StackPane centre = new StackPane(middle);
        HBox left = new HBox(rail);
        guide = new GuideDock(model, commands, this, left, centre, this::refocus);
        help.setOnAction(e -> guide.toggle());
        BorderPane frame = new BorderPane(centre);
        frame.setTop(new VBox(new Head(model.trellis(), this::who), path));
        frame.setLeft(left);
        frame.setBottom(new Foot(model, this::sound, this::refocus));
        getChildren().addAll(frame, overlay);
        overlay.onClosed(this::refocus);
        model.onAsking(new InBar());
        model.screen().addListener((o, a, now) -> show(now));
        model.look().addListener((o, a, now) -> dress(now));
        model.backups().anotherLibrary().addListener((o, a, now) -> {
            if (now) {
                tellAnotherLibrary();
            }
        });
        followSound();
        acceptDrops();
        show(model.screen().get());
        dress(model.look().get());
    }

    /** The commands that are the window's own. */
    private List<Command> own() {
        String help = "Finding and help";
        return List.of(
                Command.of("find", "Find a command, a tune, an instrument, an ornament or a screen", help, this::find).keys("Ctrl+Space"),
                Command.of("keys-here", "The keys that work here, now", help, this::keysHere).keys("F1"),
                Command.of("guide", "The guide beside the screen", help, () -> guide().toggle()).keys("Shift+F1"),
                Command.of("fault", "Something went wrong: what to send", help, this::fault),
                Command.of("backups", "Back-ups: look into one, restore, move to another computer", "Tunes and files", this::backups).keys("Ctrl+Shift+Y"),
                Command.of("menu", "All commands in a menu", help, this::openMenu).keys("F10"),
                Command.of("who-plays", "Instrument, capo, tempo and student", "Who plays", () -> {
                    who();
                    if (who != null && overlay.shows(who)) {
                        who.first().show();
                    }
                }).keys("Ctrl+I").when(() -> model.trellis().isOpen()),
                Command.of("sound", "What is heard, and how", "Listening", this::sound).keys("Ctrl+M"));
    }

    /** Made after the table of commands, which names it. */
    GuideDock guide() {
        return Objects.requireNonNull(guide);
    }

    /** The table of all commands. */
    Commands commands() {
        return commands;
    }

    /** Asks for files in a bar below the head. */
    private final class InBar implements DeskModel.Asking {

        @Override
        public void file(String question, Consumer<Path> then) {
            overlay.close();
            path.ask(question, "", false, then, DeskView.this::refocus);
        }

        @Override
        public void where(String question, String name, Consumer<Path> then) {
            overlay.close();
            path.ask(question, Path.of(System.getProperty("user.home"), name).toString(), true, then, DeskView.this::refocus);
        }

        @Override
        public void explain(String target) {
            overlay.close();
            guide.open(target);
        }
    }

    private void run(Commands.Owned owned) {
        if (!commands.run(owned)) {
            model.say("that cannot be done here at the moment");
        }
    }

    private void who() {
        if (who == null) {
            who = new WhoPlays(model.trellis(), () -> {
                overlay.close();
                commands.all().stream().filter(o -> o.command().id().equals("schools")).findFirst().ifPresent(this::run);
            });
        }
        overlay.toggle(who, Pos.TOP_RIGHT, who.first());
    }

    private void sound() {
        if (sound == null) {
            sound = new SoundCard(model.listening(), model.trellis());
        }
        overlay.toggle(sound, Pos.BOTTOM_LEFT, sound.first());
    }

    /** Opens the field that finds anything, or closes it. */
    void find() {
        if (finder == null) {
            finder = new Finder(this::everything, model::uses, found -> {
                overlay.close();
                model.used(found.id());
                found.run().run();
            });
        }
        overlay.toggle(finder.begin(), Pos.TOP_CENTER, finder.field());
    }

    /** Whatever can be found now: commands, the ornaments of the note in hand, tunes, instruments. */
    List<Find.Found> everything() {
        List<Find.Found> all = new ArrayList<>();
        commands.all().stream().filter(o -> o.command().listed()).forEach(o -> all.add(new Find.Found(o.command().id(), o.command().words(),
                o.group(), o.command().keysInWords(), () -> run(o))));
        model.screen().get().findable().forEach(c -> all.add(new Find.Found(c.id(), c.words(), c.group(), c.keysInWords(),
                () -> c.run().accept(""))));
        model.shelf().tunes().forEach(t -> all.add(new Find.Found("tune " + t.id(), t.title(), "tune: " + t.type() + " in " + t.key(), "",
                () -> model.open(t.id()))));
        if (model.trellis().isOpen()) {
            Instruments.all().stream().filter(i -> i.hasHands()).forEach(i -> all.add(new Find.Found("instrument " + i.id(), i.name(),
                    "instrument: play the tune on it", "", () -> model.trellis().player().setInstrument(i.id()))));
        }
        guide.guide().pages().forEach(p -> all.add(new Find.Found("guide " + p.id(), p.title(), "the guide", "", () -> guide.open(p.id()))));
        return all;
    }

    /** What helps to find a fault, to be looked at before it goes anywhere. */
    private void fault() {
        model.faults().gather(report -> {
            if (fault == null) {
                fault = new FaultCard(model::say, words -> model.asking().where("file of the report (.txt)", "wild-flourish-fault.txt", file -> model.faults().write(file, words)));
            }
            if (!overlay.shows(fault)) {
                overlay.toggle(fault.with(report), Pos.CENTER, fault.first());
            }
        });
    }

    /** Opens the page of back-ups. */
    void backups() {
        if (backups == null) {
            backups = new BackupCard(model.backups(), () -> commands.all().stream().filter(o -> o.command().id().equals("back-up")).findFirst().ifPresent(this::run),
                    then -> model.asking().file("back-up to restore:", file -> {
                        then.accept(file);
                        backups();
                    }));
        }
        model.backups().refresh();
        if (!overlay.shows(backups)) {
            overlay.toggle(backups, Pos.CENTER, backups.first());
        }
    }

    /** Says that another library is in the place of the one that is shown, until it is opened or the card is closed. */
    private void tellAnotherLibrary() {
        AnotherLibraryCard card = new AnotherLibraryCard(() -> {
            overlay.close();
            model.backups().openWhatIsThere();
        }, overlay::close);
        overlay.toggle(card, Pos.CENTER, card.first());
    }

    private void keysHere() {
        if (keysHere == null) {
            keysHere = new KeysHere(commands);
        }
        overlay.toggle(keysHere.begin(model.screen().get(), getWidth() - 40, getHeight() - 40), Pos.CENTER, keysHere.first());
    }

    /** The groups of the menu, for the tests. */
    List<String> menuGroups() {
        return openMenu == null ? List.of() : openMenu.getItems().stream().map(MenuItem::getText).toList();
    }

    private void openMenu() {
        if (openMenu == null) {
            openMenu = menu.opening();
        }
        openMenu.show(menuButton, Side.RIGHT, 4, 0);
    }

    /** Follows the sound from frame to frame, only while there is some. */
    private void followSound() {
        AnimationTimer frames = new AnimationTimer() {
            @Override
            public void handle(long now) {
                if (model.moves()) {
                    model.tick();
                } else {
                    stop();
                }
            }
        };
        model.onMoving(frames::start);
    }

    private void show(Screen screen) {
        Node node = screen.node();
        if (!middle.getChildren().contains(node)) {
            middle.getChildren().add(node);
            // What is scrolled is in the scene only once its pane has been dressed, and cannot have the keyboard before.
            node.applyCss();
        }
        middle.getChildren().forEach(n -> n.setVisible(n == node));
        rail.mark(screen);
        overlay.close();
        screen.focus();
    }

    /** Closes what has opened above the screen. */
    void closeCards() {
        overlay.close();
    }

    private void refocus() {
        rail.mark(model.screen().get());
        model.screen().get().focus();
    }

    private void dress(Look look) {
        getStyleClass().removeAll("dark", "large");
        if (look.percent() > 150) {
            getStyleClass().add("large");
        }
        if (look.palette() == Palette.DARK) {
            getStyleClass().add("dark");
        }
        setStyle("-fx-font-size: %.1fpx;".formatted(look.pixels()));
    }

    private void acceptDrops() {
        setOnDragOver(e -> {
            if (e.getDragboard().hasFiles()) {
                e.acceptTransferModes(TransferMode.COPY);
            }
        });
        setOnDragDropped(e -> {
            List<File> files = e.getDragboard().getFiles();
            files.forEach(f -> model.bringIn(f.toPath()));
            e.setDropCompleted(!files.isEmpty());
            e.consume();
        });
    }

    /** Puts the keys of the whole window on its scene, and its menu where the platform has a place for it. */
    void bind(Scene scene) {
        new KeyRoad(commands, () -> model.screen().get(), path::isAsking, overlay::isOpen).bind(scene);
        guide.bind(scene);
        if (System.getProperty("os.name").startsWith("Mac")) {
            getChildren().add(menu.system());
        }
    }
}
