package wildflourish.core;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Ending;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;

/**
 * Small tunes for tests, written as words: {@code F#4:2} is a note worth two quavers, {@code z:1} a rest, {@code D5} a
 * quaver, {@code D5:3-} one tied on, {@code A4:2@Am} one under a chord; {@code |}, {@code ||}, {@code |:}, {@code :|} are bar lines, {@code [1} an ending.
 */
public final class Tunes {

    private Tunes() {}

    public static Tune of(Meter meter, Key key, String text) {
        List<Bar> bars = new ArrayList<>();
        List<Element> elements = new ArrayList<>();
        BarLine opening = BarLine.NONE;
        Optional<Ending> ending = Optional.empty();
        for (String word : text.strip().split("\\s+")) {
            if (word.matches("[|:]+")) {
                int before = word.indexOf('|') < 0 ? 1 : word.indexOf('|');
                int after = word.endsWith(":") ? word.length() - 1 - word.lastIndexOf('|') : 0;
                boolean isDouble = word.contains("||");
                BarLine line = new BarLine(isDouble ? BarLine.Style.DOUBLE : BarLine.Style.THIN, before, after);
                if (elements.isEmpty() && bars.isEmpty()) {
                    opening = line;
                } else if (elements.isEmpty()) {
                    Bar last = bars.removeLast();
                    bars.add(new Bar(last.number(), last.elements(), last.closing().joinedWith(line), last.ending(),
                            last.part(), false));
                } else {
                    bars.add(new Bar(bars.size() + 1, elements, line, ending, Optional.empty(), false));
                    elements.clear();
                    boolean ends = before > 0 || isDouble;
                    ending = ends ? Optional.empty() : ending.map(e -> new Ending(e.times(), false));
                }
            } else if (word.startsWith("[")) {
                List<Integer> times = new ArrayList<>();
                for (String time : word.substring(1).split(",")) {
                    times.add(Integer.valueOf(time));
                }
                ending = Optional.of(new Ending(times, true));
            } else {
                elements.add(element(word));
            }
        }
        if (!elements.isEmpty()) {
            bars.add(new Bar(bars.size() + 1, elements, BarLine.NONE, ending, Optional.empty(), false));
        }
        return new Tune(head(meter, key), opening, bars);
    }

    public static Head head(Meter meter, Key key) {
        return new Head(1, List.of("Test tune"), List.of(), "", meter, Ratio.of(1, 8), Optional.empty(), key, "",
                List.of());
    }

    private static Element element(String noted) {
        String word = noted.replaceFirst("@.*", "");
        boolean tied = word.endsWith("-");
        String[] parts = (tied ? word.substring(0, word.length() - 1) : word).split(":");
        Ratio length = Ratio.of(1, 8).times(parts.length > 1 ? Ratio.parse(parts[1]) : Ratio.ONE);
        return parts[0].equals("z") ? Rest.of(length) : Note.of(Pitch.parse(parts[0]), length).withTied(tied).withMarks(marks(noted));
    }

    private static Marks marks(String noted) {
        int at = noted.indexOf('@');
        return at < 0 ? Marks.NONE : new Marks(List.of(), List.of(), false, Optional.of(noted.substring(at + 1)), List.of());
    }

    public static Key d() {
        return Key.of(Step.D, 0, Mode.MAJOR);
    }

    public static Key g() {
        return Key.of(Step.G, 0, Mode.MAJOR);
    }

    /** A tune in 4/4 and D major on the D whistle, the schools as usual. */
    public static Situation whistle(String text) {
        return whistle(Meter.of(4, 4), d(), text);
    }

    public static Situation whistle(Meter meter, Key key, String text) {
        return Situation.of(Timeline.of(of(meter, key, text)), Instruments.known("whistle-d"), School.USUAL);
    }

    /** A tune in 4/4 and D major on an instrument, the schools as usual. */
    public static Situation on(String instrument, String text) {
        return on(instrument, School.USUAL, text);
    }

    /** A tune in 4/4 and D major on an instrument in a school. */
    public static Situation on(String instrument, School school, String text) {
        return Situation.of(Timeline.of(of(Meter.of(4, 4), d(), text)), Instruments.known(instrument), school);
    }
}
