package wildflourish.score.handout;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Place;
import wildflourish.core.practice.StepList;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Ratio;
import wildflourish.score.display.Face;
import wildflourish.score.display.Ink;
import wildflourish.score.display.Shape;
import wildflourish.score.engrave.HoleRow;

/** The pages for those who do not read music: how the instrument is held, and the tune step by step. */
final class StepPages {

    private static final double TEXT = 2;
    private static final double LINE = 1.42;

    private final StepList list;
    private final Flow flow;
    private final Arrangement arrangement;
    private final double size;
    private final int columns;

    StepPages(StepList list, Flow flow, Arrangement arrangement, double words) {
        this.list = list;
        this.flow = flow;
        this.arrangement = arrangement;
        this.size = TEXT * words;
        this.columns = words > 1.2 ? 1 : 2;
    }

    /** How the instrument is held and how the steps are read, over the whole width. */
    void holding() {
        title("How it is held");
        list.holding().forEach(l -> flow.paragraph("–  " + l, flow.left(), flow.right(), size, Face.SANS, Ink.MUSIC));
        flow.space(1);
        title("How the steps are read");
        Ratio tap = arrangement.tempo().beat().times(8);
        String bar = list.perBar() == 0 ? "" : " %d counts make a bar%s.".formatted(list.perBar(), tap.denominator() == 1 && tap.isLess(Ratio.of(list.perBar(), 1))
                ? "; tap your foot on every %s" .formatted(nth(tap.numerator())) : "");
        flow.paragraph("–  The steps come one after another: where to play, then how many counts it lasts.%s".formatted(bar), flow.left(), flow.right(),
                size, Face.SANS, Ink.MUSIC);
        flow.paragraph("–  “×3” says: three times in a row. “As A1” says: the steps of A1 once more. A new part says how often it is played.",
                flow.left(), flow.right(), size, Face.SANS, Ink.MUSIC);
    }

    private static String nth(long count) {
        return count == 2 ? "second one" : count == 3 ? "third one" : count == 4 ? "fourth one" : count + "th";
    }

    private void title(String text) {
        flow.need(14);
        flow.block(List.of(new Shape.Words(text, flow.left(), 2.6, 2.6, Face.SERIF_BOLD, Shape.Anchor.START, Ink.MUSIC)), 4);
    }

    /** The tune, phrase by phrase. */
    void steps() {
        title("The tune in steps");
        List<Flow.Block> blocks = new ArrayList<>();
        for (StepList.Section section : list.sections()) {
            section.part().ifPresent(p -> blocks.add(new Flow.Block(List.of(new Shape.Words(p, 0, 3, 2.5, Face.SERIF_BOLD,
                    Shape.Anchor.START, Ink.MUSIC)), 4, true)));
            String name = "%s, %s%s".formatted(section.name(), section.bars(), section.as().isEmpty() ? "" : ": " + section.as());
            blocks.add(lines(name, Face.SANS_BOLD, !section.steps().isEmpty()));
            int number = 1;
            for (StepList.Step step : section.steps()) {
                blocks.add(step(number++, step));
            }
        }
        flow.columns(blocks, columns);
    }

    private Flow.Block lines(String words, Face face, boolean leads) {
        List<Shape> shapes = new ArrayList<>();
        double y = 0.7;
        for (String line : Flow.wrapped(words, face, size, flow.columnWidth(columns))) {
            shapes.add(new Shape.Words(line, 0, y + size, size, face, Shape.Anchor.START, Ink.MUSIC));
            y += size * LINE;
        }
        return new Flow.Block(shapes, y + 0.3, leads);
    }

    private Flow.Block step(int number, StepList.Step step) {
        List<Shape> shapes = new ArrayList<>();
        shapes.add(new Shape.Words(number + ".", 2.6 * size / TEXT, size, size * 0.85, Face.SANS, Shape.Anchor.END, Ink.QUIET));
        double x = 3.4 * size / TEXT;
        if (step.place().orElse(null) instanceof Place.Fingered(var fingering, var rank)) {
            shapes.addAll(HoleRow.at(x, size * 0.66, fingering.holes()));
            x += HoleRow.width(fingering.holes()) + 1.2;
        }
        List<String> words = new ArrayList<>();
        if (!step.where().isEmpty()) {
            words.add(step.where());
        }
        words.add("%s%s count%s".formatted(step.times() > 1 ? "×" + step.times() + ", each " : "", step.length(), Ratio.ONE.isLess(step.counts()) ? "s" : ""));
        if (!step.strokes().isEmpty()) {
            words.add(String.join(" ", step.strokes()));
        }
        List<String> more = new ArrayList<>(step.ornaments());
        if (!step.then().isEmpty()) {
            more.add(step.then());
        }
        String all = String.join(", ", words) + (more.isEmpty() ? "" : "; " + String.join("; ", more));
        double y = 0;
        for (String line : Flow.wrapped(Sentence.capital(all), Face.SANS, size, flow.columnWidth(columns) - x)) {
            shapes.add(new Shape.Words(line, x, y + size, size, Face.SANS, Shape.Anchor.START, Ink.MUSIC));
            y += size * LINE;
        }
        return new Flow.Block(shapes, y + 0.25, false);
    }
}
