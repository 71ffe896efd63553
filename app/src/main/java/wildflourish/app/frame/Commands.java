package wildflourish.app.frame;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** The table of commands: those of the whole window, and those of each screen. */
public final class Commands {

    private final List<Command> window;
    private final List<Screen> screens;
    private final Supplier<Screen> shown;
    private final Consumer<Screen> show;

    /**
     * A table.
     *
     * @param shown tells the screen that is shown
     * @param show shows another one, if it can be
     */
    public Commands(List<Command> window, List<Screen> screens, Supplier<Screen> shown, Consumer<Screen> show) {
        this.window = List.copyOf(window);
        this.screens = List.copyOf(screens);
        this.shown = shown;
        this.show = show;
    }

    /** A command with the screen it belongs to; nobody's where it is the window's. */
    public record Owned(Command command, Optional<Screen> screen) {

        /** The group it is listed in. */
        public String group() {
            return command.group();
        }
    }

    /** What works on a screen: its own commands, then the window's. */
    public List<Command> on(Screen screen) {
        List<Command> all = new ArrayList<>(screen.commands());
        window.stream().filter(c -> c.where().test(screen)).forEach(all::add);
        return all;
    }

    /** What works on the screen that is shown. */
    public List<Command> here() {
        return on(shown.get());
    }

    /** Everything there is: the window's, then each screen's in the order of the rail. */
    public List<Owned> all() {
        List<Owned> all = new ArrayList<>();
        window.forEach(c -> all.add(new Owned(c, Optional.empty())));
        screens.forEach(s -> s.commands().forEach(c -> all.add(new Owned(c, Optional.of(s)))));
        return all;
    }

    /** Everything by its group, in the order in which groups first come. */
    public Map<String, List<Owned>> byGroup() {
        Map<String, List<Owned>> groups = new LinkedHashMap<>();
        all().forEach(o -> groups.computeIfAbsent(o.group(), g -> new ArrayList<>()).add(o));
        return groups;
    }

    /** The window's command of an id. */
    public Command window(String id) {
        return window.stream().filter(c -> c.id().equals(id)).findFirst().orElseThrow(() -> new IllegalArgumentException(id));
    }

    /** Goes where a command works, and does it there if it can be done; whether it was done. */
    public boolean run(Owned owned) {
        owned.screen().filter(s -> s != shown.get()).ifPresent(show);
        boolean there = owned.screen().isEmpty() || Objects.equals(owned.screen().get(), shown.get());
        if (!there || owned.screen().isEmpty() && !owned.command().where().test(shown.get()) || !owned.command().can().getAsBoolean()) {
            return false;
        }
        owned.command().run().accept("");
        return true;
    }
}
