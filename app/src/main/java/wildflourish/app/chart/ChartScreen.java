package wildflourish.app.chart;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Folders;
import wildflourish.app.work.Production;
import wildflourish.core.instrument.Instruments;
import wildflourish.score.handout.InstrumentChart;
import wildflourish.score.paint.SvgPainter;

/** The chart: how is each note fingered? */
public final class ChartScreen extends LazyScreen<ChartView> {

    private static final double SVG_PIXELS = 8;
    private static final String GROUP = "Chart";

    private static final Plate PLATE = new Plate("chart", "Chart", "How is each note fingered?", "Ctrl+3",
            "M8 2.5h8v19H8zM10.3 6a1.7 1.7 0 1 0 3.4 0a1.7 1.7 0 1 0-3.4 0M10.3 12a1.7 1.7 0 1 0 3.4 0a1.7 1.7 0 1 0-3.4 0"
                + "M10.3 18a1.7 1.7 0 1 0 3.4 0a1.7 1.7 0 1 0-3.4 0");

    private final ChartModel model;
    private final TrellisModel trellis;
    private final Production production;
    private final Site site;
    private final List<Command> commands;

    /** The screen of a chart. */
    public ChartScreen(ChartModel model, TrellisModel trellis, Production production, Site site) {
        super(PLATE);
        this.model = model;
        this.trellis = trellis;
        this.production = production;
        this.site = site;
        this.commands = List.of(
                Command.of("chart-tune-only", "Chart only the notes of the open tune, or all", GROUP,
                        () -> model.setTuneOnly(!model.state().get().tuneOnly())),
                Command.of("chart-restore", "Take the chart that came with the program again", GROUP, model::restore));
    }

    public ChartModel model() {
        return model;
    }

    @Override
    public boolean needsTune() {
        return false;
    }

    @Override
    protected ChartView make() {
        return new ChartView(model);
    }

    /** Shows the chart of the instrument in hand, or of the first there is. */
    @Override
    public void enter() {
        boolean held = trellis.isOpen() && trellis.arrangement().instrument().hasHands();
        model.show(held ? Instruments.known(trellis.arrangement().instrument().id()) : Instruments.all().get(1));
        if (held && trellis.now().plain().size() > 0) {
            model.select(trellis.now().plain().note(trellis.note()).pitch());
        }
    }

    @Override
    public void focus() {
        view().focusNotes();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public boolean canUndo() {
        return model.canUndo();
    }

    @Override
    public boolean undo() {
        model.undo();
        return true;
    }

    @Override
    public Optional<Runnable> print() {
        return Optional.of(() -> site.askWhere("print the chart to (.pdf .svg):",
                Folders.fileName(model.state().get().instrument().name()) + "-chart.pdf", this::write));
    }

    @Override
    public Optional<Runnable> write() {
        return print();
    }

    /** Prints the chart that is shown, as PDF or, by the name's ending, as SVG. */
    private void write(Path file) {
        ChartState state = model.state().get();
        Optional<String> title = state.tuneOnly() ? Optional.of(trellis.arrangement().tune().title()) : Optional.empty();
        InstrumentChart printed = new InstrumentChart(state.instrument(), state.pitches(), title);
        boolean svg = file.toString().toLowerCase(Locale.ROOT).endsWith(".svg");
        production.make(file, "the chart", job -> svg
                ? SvgPainter.paint(printed.drawing(), SVG_PIXELS).getBytes(StandardCharsets.UTF_8) : printed.pdf());
    }

    @Override
    protected void dress(ChartView view, Look look) {
        view.setPalette(look.palette());
    }
}
