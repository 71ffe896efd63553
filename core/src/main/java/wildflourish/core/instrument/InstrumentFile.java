package wildflourish.core.instrument;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.tune.Pitch;

/** An instrument as its file has it. */
record InstrumentFile(
        String id, String name, List<String> aliases, String family, String voice, int soundsAbove, Map<String, String> schools,
        String provenance, @Nullable Boolean unheld, @Nullable HolesPart holes, Neck.@Nullable File strings, ButtonBoard.@Nullable File buttons) {

    /**
     * The chart of a wind instrument: a file of charts or one of its own, the written pitch of its lowest note, and ways
     * to finger that the instrument has besides.
     */
    record HolesPart(@Nullable String chart, WindChart.@Nullable File own, String lowest, List<WindChart.Row> additions) {}

    /** Builds and checks the instrument; throws {@link DataFault} naming {@code source} and the rules that it breaks. */
    Instrument build(String source) {
        try {
            Family kind = Family.known(family);
            Layout layout = layout(source);
            List<String> faults = layout.faults(kind);
            if (!faults.isEmpty()) {
                throw new DataFault(source + ": " + String.join("; ", faults));
            }
            schools.forEach((school, value) -> new School(Map.of(school, value)));
            return new Instrument(id, name, aliases, kind, voice == null ? "" : voice, soundsAbove, layout, schools, 0, provenance);
        } catch (IllegalArgumentException | NullPointerException e) {
            throw new DataFault(source + ": " + e.getMessage());
        }
    }

    private Layout layout(String source) {
        if (holes != null) {
            WindChart.File chart = holes.own() != null ? holes.own() : charts(Objects.requireNonNull(holes.chart()));
            return WindChart.of(source, chart, Optional.of(Pitch.parse(holes.lowest())), holes.additions());
        }
        if (strings != null) {
            return new Neck(strings);
        }
        return buttons != null ? new ButtonBoard(buttons) : new Unheld();
    }

    private static WindChart.File charts(String name) {
        return CHARTS.computeIfAbsent(name, n -> DataFile.read(n, WindChart.File.class));
    }

    private static final Map<String, WindChart.File> CHARTS = new java.util.concurrent.ConcurrentHashMap<>();

    /** The file of an instrument as it is now, its own chart in full; a capo is not part of it. */
    static InstrumentFile of(Instrument instrument) {
        Instrument plain = instrument.capo() == 0 ? instrument : instrument.withCapo(0);
        @Nullable HolesPart holes = null;
        Neck.@Nullable File strings = null;
        ButtonBoard.@Nullable File buttons = null;
        @Nullable Boolean unheld = null;
        switch (plain.layout()) {
            case Unheld u -> unheld = true;
            case WindChart chart ->
                holes = new HolesPart(null, chart.file(), chart.pitches().getFirst().toString(), List.of());
            case Neck neck -> strings = neck.file();
            case ButtonBoard board -> buttons = board.file();
        }
        return new InstrumentFile(plain.id(), plain.name(), plain.aliases(), plain.family().id(), plain.voice(), plain.soundsAbove(),
                plain.schools(), plain.provenance(), unheld, holes, strings, buttons);
    }
}
