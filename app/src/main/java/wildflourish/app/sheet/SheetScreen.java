package wildflourish.app.sheet;

import java.util.List;
import java.util.Optional;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TuneScreen;
import wildflourish.app.work.Folders;
import wildflourish.score.handout.SheetContents;

/** The sheet: what do they take home? */
public final class SheetScreen extends TuneScreen<SheetView> {

    private static final String GROUP = "Sheet";

    /** What it is kept under. */
    public static final String ID = "sheet";

    private static final Plate PLATE = new Plate(ID, "Sheet", "What do they take home?", "Ctrl+8",
            "M6 2.5h9l4 4v15H6zM15 2.5v4h4M9 11h7M9 13.5h7M9 16h7M9 18.5h4");

    private final SheetModel model;
    private final Site site;
    private final List<Command> commands;

    /** The screen of a sheet. */
    public SheetScreen(SheetModel model, TrellisModel trellis, Site site) {
        super(PLATE, trellis);
        this.model = model;
        this.site = site;
        this.commands = List.of(
                Command.of("write-sheet", "Write the sheet as PDF or SVG", GROUP, this::ask).keys("Enter"),
                Command.of("sheet-for-readers", "A sheet for one who reads music", GROUP,
                        () -> model.change(c -> c.like(SheetContents.USUAL))),
                Command.of("sheet-in-steps", "A sheet for one who does not read music", GROUP,
                        () -> model.change(c -> c.like(SheetContents.BY_STEPS))),
                Command.of("sheet-large-print", "Large print, or not", GROUP, () -> model.change(c -> c.withLarge(!c.large()))),
                Command.of("print-sheet", "Print the sheet on a printer", GROUP, this::toPrinter));
    }

    private void ask() {
        site.askWhere("write the sheet to (.pdf .svg):", Folders.fileName(trellis().arrangement().tune().title()) + ".pdf", model::write);
    }

    private void toPrinter() {
        String printer = view().printer();
        if (printer == null) {
            site.say("this machine knows no printer: write a PDF and print that");
        } else {
            model.print(printer);
        }
    }

    public SheetModel model() {
        return model;
    }

    @Override
    protected SheetView make() {
        return new SheetView(model, List.of(commands.getFirst(), commands.getLast()), new SheetView.Rungs() {
            @Override
            public String name(int rung) {
                return trellis().arrangement().ladder().rung(rung).name();
            }

            @Override
            public void take(int rung) {
                trellis().select(rung, trellis().note());
            }
        });
    }

    @Override
    public void enter() {
        model.setShown(true);
    }

    @Override
    public void leave() {
        model.setShown(false);
    }

    @Override
    public void focus() {
        view().focusPages();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> write() {
        return Optional.of(this::ask);
    }

    @Override
    public Optional<Runnable> print() {
        return Optional.of(this::toPrinter);
    }

    @Override
    protected void dress(SheetView view, Look look) {
        view.setLook(look);
    }
}
