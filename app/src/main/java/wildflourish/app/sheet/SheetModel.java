package wildflourish.app.sheet;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisState;
import wildflourish.app.work.Background;
import wildflourish.app.work.Exports;
import wildflourish.app.work.Production;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.score.display.Drawing;
import wildflourish.score.display.Shape;
import wildflourish.score.handout.Handout;
import wildflourish.score.handout.SheetContents;
import wildflourish.score.paint.SvgPainter;

/** The sheet of the rung in hand: what is on it, and where it goes. Its pages are set in the background whenever something changes. */
public final class SheetModel {

    private static final Background.Words NOT_SET = Background.Words.silent("the sheet could not be set; the tune is as it was");
    private static final double SVG_PIXELS = 8;

    /** Where what was chosen is kept. */
    public interface Keeping {
        void keep(String contents);
    }

    private final TrellisModel trellis;
    private final Keeping keeping;
    private final Background background;
    private final Production production;
    private final Printers printers;
    private final Consumer<String> say;
    private final ReadOnlyObjectWrapper<SheetState> state = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<List<String>> printerNames = new ReadOnlyObjectWrapper<>(List.of());
    private SheetContents contents = SheetContents.USUAL;
    private boolean shown;
    private boolean looked;

    /** A model over the trellis. */
    public SheetModel(TrellisModel trellis, Keeping keeping, Background background, Production production, Printers printers, Consumer<String> say) {
        this.trellis = trellis;
        this.keeping = keeping;
        this.background = background;
        this.production = production;
        this.printers = printers;
        this.say = say;
        trellis.state().addListener((o, before, now) -> {
            if (shown && (before == null || !before.version().equals(now.version()))) {
                set();
            }
        });
    }

    /** What is shown; null before the first sheet is set. */
    public ReadOnlyObjectProperty<SheetState> state() {
        return state.getReadOnlyProperty();
    }

    /** The printers of this machine, as far as they are known yet. */
    public ReadOnlyObjectProperty<List<String>> printerNames() {
        return printerNames.getReadOnlyProperty();
    }

    /** What is on the sheet. */
    public SheetContents contents() {
        return contents;
    }

    /** Takes in what was chosen the last time; as usual where that cannot be read. */
    public void recall(Optional<String> kept) {
        try {
            contents = kept.map(k -> DataFile.parse("what is on the sheet", k, SheetContents.class)).orElse(SheetContents.USUAL);
        } catch (DataFault e) {
            say.accept("what was on the sheet could not be read; it is as usual again");
        }
    }

    /** Sets the pages now, and from now on after every edit; while not shown it rests. */
    public void setShown(boolean now) {
        shown = now;
        if (now) {
            set();
            if (!looked) {
                looked = true;
                background.run(Background.Words.silent("the printers of this machine are not known; write a PDF instead"),
                        job -> printers.names(), printerNames::set);
            }
        }
    }

    /** Puts something on the sheet, or takes it off. */
    public void change(UnaryOperator<SheetContents> changed) {
        SheetContents then = changed.apply(contents);
        if (!then.equals(contents)) {
            contents = then;
            keeping.keep(DataFile.write(then));
            set();
        }
    }

    private void set() {
        if (trellis.isOpen()) {
            TrellisState now = trellis.now();
            SheetContents wanted = contents;
            background.latest(this, NOT_SET, job -> new SheetState(now.version(), wanted, Handout.of(now.version(), wanted)), state::set, () -> { });
        }
    }

    /** Writes the sheet, as PDF or, by the name's ending, as SVG with its pages one below the other. */
    public void write(Path file) {
        SheetContents wanted = contents;
        var version = trellis.now().version();
        boolean svg = file.toString().toLowerCase(Locale.ROOT).endsWith(".svg");
        production.make(file, "the sheet", job -> svg ? svg(Handout.of(version, wanted)) : Handout.pdf(version, wanted),
                () -> Exports.unprintable(version.arrangement()).map("; "::concat).orElse(""));
    }

    private static byte[] svg(Handout.Printed printed) {
        List<Shape> shapes = new ArrayList<>();
        double height = 0;
        double width = 0;
        for (Drawing page : printed.pages()) {
            double down = height;
            page.shapes().forEach(s -> shapes.add(s.moved(0, down)));
            height += page.height();
            width = page.width();
        }
        return SvgPainter.paint(new Drawing(width, height, shapes), SVG_PIXELS).getBytes(StandardCharsets.UTF_8);
    }

    /** Prints the sheet on one of the printers of this machine. */
    public void print(String printer) {
        SheetContents wanted = contents;
        var version = trellis.now().version();
        background.run(new Background.Words("printing the sheet", "the sheet could not be printed; write a PDF and print that"), job -> {
            printers.print(Handout.pdf(version, wanted), version.arrangement().tune().title(), printer);
            return "the sheet has gone to " + printer;
        }, say);
    }
}
