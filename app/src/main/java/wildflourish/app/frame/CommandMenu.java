package wildflourish.app.frame;

import java.util.List;
import java.util.function.Consumer;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.Label;
import javafx.scene.control.Menu;
import javafx.scene.control.MenuBar;
import javafx.scene.control.MenuItem;

/** Every command by its group, with its key: a menu that opens, or the system's own bar where the platform has one. */
public final class CommandMenu {

    private final Commands commands;
    private final Consumer<Commands.Owned> run;

    /** The menus of a table; {@code run} does what was chosen. */
    public CommandMenu(Commands commands, Consumer<Commands.Owned> run) {
        this.commands = commands;
        this.run = run;
    }

    /** A menu with a menu for each group. */
    public ContextMenu opening() {
        ContextMenu menu = new ContextMenu();
        menu.setId("all-commands");
        menu.getItems().setAll(groups());
        return menu;
    }

    /** The bar at the top of the system's own screen. */
    public MenuBar system() {
        MenuBar bar = new MenuBar();
        bar.setUseSystemMenuBar(true);
        bar.getMenus().setAll(groups());
        return bar;
    }

    private List<Menu> groups() {
        return commands.byGroup().entrySet().stream().filter(g -> g.getValue().stream().anyMatch(o -> o.command().listed())).map(g -> {
            Menu menu = new Menu(g.getKey());
            g.getValue().stream().filter(o -> o.command().listed()).map(this::item).forEach(menu.getItems()::add);
            return menu;
        }).toList();
    }

    private MenuItem item(Commands.Owned owned) {
        MenuItem item = new MenuItem(owned.command().words());
        item.setId("do-" + owned.command().id());
        if (!owned.command().keys().isEmpty()) {
            Label keys = new Label(owned.command().keysInWords());
            keys.getStyleClass().add("menu-key");
            item.setGraphic(keys);
        }
        item.setOnAction(e -> run.accept(owned));
        return item;
    }
}
