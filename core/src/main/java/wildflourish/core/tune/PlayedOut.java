package wildflourish.core.tune;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A tune played out in time: its bars in the order in which they are heard, and where each of their moments lies in
 * milliseconds at a tempo. A position is written time since the start of what is heard, repeats played out, as a ratio of a
 * whole note; it means the same moment of the music at every tempo.
 */
public final class PlayedOut {

    /**
     * A bar as it is heard.
     *
     * @param bar index of the bar in the tune
     * @param start position of its first moment
     * @param leadIn time by which it falls short of a whole bar at its front, as a pickup does
     */
    public record Heard(int bar, Ratio start, Ratio length, Meter meter, Ratio leadIn) {}

    /**
     * A beat of the meter.
     *
     * @param strength 3 on the first beat of a bar, 2 in its middle, 1 on another beat
     */
    public record Beat(Ratio position, Ratio length, double atMs, int strength) {}

    /** A stretch of what is heard; the end is not part of it. */
    public record Span(Ratio from, Ratio to) {}

    /** From here on time runs evenly, until the next one. */
    private record Pace(double from, double atMs, double msPerWhole) {}

    private final Timeline tune;
    private final List<Heard> bars;
    private final List<Pace> paces;
    private final Ratio length;

    private PlayedOut(Timeline tune, List<Heard> bars, List<Pace> paces, Ratio length) {
        this.tune = tune;
        this.bars = List.copyOf(bars);
        this.paces = List.copyOf(paces);
        this.length = length;
    }

    /**
     * Plays a tune out.
     *
     * @param tempo of the beginning; changes written in the tune keep their proportion to it
     */
    public static PlayedOut of(Timeline tune, Tempo tempo) {
        double written = msPerWhole(TuneType.tempoOf(tune.tune().head()));
        double now = msPerWhole(tempo);
        double proportion = now / written;
        List<Heard> bars = new ArrayList<>();
        List<Pace> paces = new ArrayList<>();
        paces.add(new Pace(0, 0, now));
        Ratio position = Ratio.ZERO;
        List<Meter> meters = meters(tune.tune());
        for (int bar : PlayOrder.of(tune.tune())) {
            Bar heard = tune.tune().bars().get(bar);
            Ratio start = position;
            for (Element element : heard.elements()) {
                if (element instanceof Change change && change.tempo().isPresent()) {
                    Pace last = paces.getLast();
                    double at = last.atMs() + (position.toDouble() - last.from()) * last.msPerWhole();
                    paces.add(new Pace(position.toDouble(), at, msPerWhole(change.tempo().get()) * proportion));
                }
                position = position.plus(element.length());
            }
            bars.add(new Heard(bar, start, position.minus(start), meters.get(bar), leadIn(tune, bar)));
        }
        return new PlayedOut(tune, bars, paces, position);
    }

    private static double msPerWhole(Tempo tempo) {
        return tempo.millis(Ratio.ONE).toDouble();
    }

    /** The meter in force at the end of each bar. */
    private static List<Meter> meters(Tune tune) {
        List<Meter> meters = new ArrayList<>();
        Meter meter = tune.head().meter();
        for (Bar bar : tune.bars()) {
            for (Element element : bar.elements()) {
                if (element instanceof Change change) {
                    meter = change.meter().orElse(meter);
                }
            }
            meters.add(meter);
        }
        return meters;
    }

    private static Ratio leadIn(Timeline tune, int bar) {
        int first = tune.barStarts().get(bar);
        if (first >= tune.size() || tune.note(first).bar() != bar) {
            return Ratio.ZERO;
        }
        // A rest before the first note counts from the bar's start as the note does.
        Ratio before = Ratio.ZERO;
        for (Element element : tune.tune().bars().get(bar).elements()) {
            if (element instanceof Note) {
                break;
            }
            before = before.plus(element.length());
        }
        return tune.note(first).offset().minus(before);
    }

    public Timeline tune() {
        return tune;
    }

    /** The bars in the order heard. */
    public List<Heard> bars() {
        return bars;
    }

    /** Written time of everything that is heard. */
    public Ratio length() {
        return length;
    }

    public double durationMs() {
        return msAt(length);
    }

    /** Milliseconds from the start to a position. */
    public double msAt(Ratio position) {
        return msAt(position.toDouble());
    }

    /** As {@link #msAt(Ratio)}, the position as a number of whole notes. */
    public double msAt(double position) {
        Pace pace = paces.getFirst();
        for (Pace next : paces) {
            if (next.from() > position) {
                break;
            }
            pace = next;
        }
        return pace.atMs() + (position - pace.from()) * pace.msPerWhole();
    }

    /** The position at a moment, in whole notes: the inverse of {@link #msAt(double)}. */
    public double positionAt(double ms) {
        Pace pace = paces.getFirst();
        for (Pace next : paces) {
            if (next.atMs() > ms) {
                break;
            }
            pace = next;
        }
        return pace.from() + (ms - pace.atMs()) / pace.msPerWhole();
    }

    /** Every beat in the order heard; a pickup has those beats of its bar that it reaches. */
    public List<Beat> beats() {
        List<Beat> beats = new ArrayList<>();
        for (Heard heard : bars) {
            Ratio at = Ratio.ZERO.minus(heard.leadIn());
            while (at.isLess(heard.length())) {
                for (Ratio beat : heard.meter().beats()) {
                    if (!at.isLess(Ratio.ZERO) && at.isLess(heard.length())) {
                        Ratio position = heard.start().plus(at);
                        beats.add(new Beat(position, beat, msAt(position),
                                Math.max(1, heard.meter().strength(at.plus(heard.leadIn()).mod(heard.meter().barLength())))));
                    }
                    at = at.plus(beat);
                }
            }
        }
        return beats;
    }

    /**
     * Where a stretch of written notes is heard for the first time at or after a position.
     *
     * @param fromNote index of its first note
     * @param toNote index after its last note
     * @return empty where the notes are never heard one after another
     */
    public Optional<Span> span(int fromNote, int toNote, Ratio atOrAfter) {
        if (fromNote < 0 || toNote > tune.size() || fromNote >= toNote) {
            return Optional.empty();
        }
        int firstBar = tune.note(fromNote).bar();
        int lastBar = tune.note(toNote - 1).bar();
        for (int k = 0; k < bars.size(); k++) {
            Ratio from = bars.get(k).start().plus(inBar(fromNote));
            if (bars.get(k).bar() == firstBar && !from.isLess(atOrAfter) && runsOn(k, lastBar)) {
                return Optional.of(new Span(from, end(k + lastBar - firstBar, toNote)));
            }
        }
        return Optional.empty();
    }

    private boolean runsOn(int k, int lastBar) {
        for (int i = k; bars.get(i).bar() < lastBar; i++) {
            if (i + 1 >= bars.size() || bars.get(i + 1).bar() != bars.get(i).bar() + 1) {
                return false;
            }
        }
        return true;
    }

    /** Where a stretch ends: at the next note, or at the bar line where that note stands in a later bar that is not a pickup's. */
    private Ratio end(int k, int toNote) {
        Heard last = bars.get(k);
        boolean sameBar = toNote < tune.size() && tune.note(toNote).bar() == last.bar();
        return last.start().plus(sameBar ? inBar(toNote) : last.length());
    }

    /** Written time from the start of its bar to a note, whatever the bar lacks at its front. */
    private Ratio inBar(int note) {
        Ratio at = Ratio.ZERO;
        int n = tune.barStarts().get(tune.note(note).bar());
        for (Element element : tune.tune().bars().get(tune.note(note).bar()).elements()) {
            if (element instanceof Note && n++ == note) {
                break;
            }
            at = at.plus(element.length());
        }
        return at;
    }
}
