package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import wildflourish.core.practice.Evenness;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.Spoken;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;

/**
 * A version, and what was made of it.
 *
 * @param notes in the order in which they should come: of another order than the written one, as they were played
 * @param order of the parts, where they were not played once as they are written
 * @param tempo the tempo played, as a share of the version's
 * @param offsetMs when the first beat fell
 * @param semitones how much higher it was played
 * @param tuningCents how far the instrument is from A = 440 Hz
 * @param evenness of the notes that were heard, against straight time
 */
public record HeardVersion(List<Note> notes, Optional<Order> order, double tempo, double offsetMs, int semitones, double tuningCents, Evenness evenness) {

    /**
     * In which order the parts were played, and in which they are written: their names, with a word where one was broken off.
     */
    public record Order(String played, String written) {}

    /**
     * One note.
     *
     * @param onsetMs since the recording begins; empty where it was not heard, and so the others
     * @param lateMs behind the line that the notes around it lie on; less than 0 is early
     * @param cents from where the instrument's own tuning would have it
     * @param tongued whether it begins with an attack
     * @param gesture what was done on it: an ornament's id, or {@code none}
     * @param meant what should have been done
     * @param confidence from 0, where something else fits as well, to 1
     * @param happens what was heard on it beside the note itself
     * @param expected what would have been heard of what was meant
     * @param extra what of that the gesture does not explain
     * @param unlike how far it is from what was meant: 0 for just that, 1 for each thing too many or too few
     */
    public record Note(Wanted wanted, Optional<Double> onsetMs, double durationMs, double lateMs, double cents, boolean tongued, String gesture, String meant,
                       double confidence, List<Happening> happens, List<Happening> expected, List<Happening> extra, double unlike) {

        public Note {
            happens = List.copyOf(happens);
            expected = List.copyOf(expected);
            extra = List.copyOf(extra);
        }

        /** The ornaments that were meant and did not come, by their ids. */
        public List<String> silent() {
            List<String> heard = Arrays.asList(gesture.split("\\+"));
            return isOrnamented() ? Arrays.stream(meant.split("\\+")).filter(id -> !heard.contains(id)).toList() : List.of();
        }

        /** Whether all that was meant on it came. */
        public boolean came() {
            return silent().isEmpty();
        }

        /** Whether an ornament was meant on it. */
        public boolean isOrnamented() {
            return !meant.equals(Expectations.NOTHING);
        }
    }

    /** A gesture is preferred to a fuller one by this much for each thing that happens. */
    private static final double PLAIN = 0.05;
    /** What was meant is preferred by this much. */
    private static final double MEANT = 0.15;
    /** How unlike a note is that was not heard at all. */
    private static final double NOT_HEARD = 3;
    /** The note before rings on for so many frames at most. */
    private static final int RINGS = 7;

    public HeardVersion {
        notes = List.copyOf(notes);
    }

    /**
     * Finds a version in what was heard.
     *
     * @throws IllegalArgumentException where there is too much to follow
     */
    public static HeardVersion of(Version version, Heard heard) {
        return of(version, Stretch.ALL, heard, new HashMap<>());
    }

    /**
     * Finds a stretch of a version, given in milliseconds of its performance, in what was heard.
     *
     * @throws IllegalArgumentException where there is too much to follow
     */
    public static HeardVersion of(Version version, Stretch stretch, Heard heard) {
        return of(version, stretch, heard, new HashMap<>());
    }

    /** {@code laid} is how notes lie under what was heard, as far as it is known: rungs have the same notes but for their variations. */
    private static HeardVersion of(Version version, Stretch stretch, Heard heard, Map<List<Wanted>, Laid> laid) {
        Expectations gestures = new Expectations(version, heard.hopMs());
        List<Wanted> once = gestures.wanted().stream().filter(w -> stretch.holds(w.atMs())).toList();
        Laid as = laid.computeIfAbsent(once, w -> Laid.of(version, stretch, w, heard));
        List<Wanted> wanted = as.times().notes(once);
        Alignment alignment = as.alignment();
        double[] onsets = Onsets.of(heard, alignment, gestures.edges(wanted));
        TimeLine line = TimeLine.of(wanted, onsets);
        List<Note> notes = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            notes.add(note(gestures, alignment, heard, i, onsets));
        }
        return new HeardVersion(notes, order(version, as.times(), once), line.isKnown() ? 1 / line.slope() : 1, line.isKnown() ? line.at(0) : 0, alignment.semitones(),
                100 * alignment.tuning(), evenness(version, stretch, as.times(), once, onsets, line));
    }

    /** How the notes lie under what was heard. */
    private record Laid(TimesThrough times, Alignment alignment) {

        static Laid of(Version version, Stretch stretch, List<Wanted> once, Heard heard) {
            // A stretch of a tune is played as it is asked for.
            TimesThrough times = stretch.equals(Stretch.ALL) ? TimesThrough.of(once, parts(version), heard) : TimesThrough.once(once);
            return new Laid(times, Alignment.of(times.notes(once), heard, times.aboutMs()));
        }

        private static Set<Integer> parts(Version version) {
            return Reading.of(version.hands().tune()).parts().stream().map(Part::fromNote).collect(Collectors.toSet());
        }
    }

    private static Optional<Order> order(Version version, TimesThrough times, List<Wanted> once) {
        List<Part> parts = Reading.of(version.hands().tune()).parts();
        return times.isOnce() ? Optional.empty() : Optional.of(new Order(times.order(once, parts), TimesThrough.once(once).order(once, parts)));
    }

    private static Evenness evenness(Version version, Stretch stretch, TimesThrough times, List<Wanted> once, double[] onsets, TimeLine line) {
        PlayedOut tune = PlayedOut.of(version.hands().tune(), version.arrangement().tempo());
        Expected whole = Expected.of(Expectations.perform(version, version.played().placed()), tune, new PlayedOut.Span(Ratio.ZERO, tune.length()), Lilt.STRAIGHT);
        Expected expected = times.expected(once, new Expected(whole.onsets().stream().filter(o -> stretch.holds(o.atMs())).toList(), whole.lengthMs()));
        double start = line.isKnown() ? line.at(0) : 0;
        double faster = line.isKnown() ? line.slope() : 1;
        // At the tempo that was played: how fast it was is told by itself.
        return Evenness.of(expected, Arrays.stream(onsets).filter(o -> !Double.isNaN(o)).map(o -> (o - start) / faster).sorted().boxed().toList());
    }

    /** The note that is heard at a moment of the recording: the latest that has begun; empty before the first. */
    public Optional<Note> at(double ms) {
        return notes.stream().filter(n -> n.onsetMs().isPresent() && n.onsetMs().get() <= ms).max(Comparator.comparingDouble(n -> n.onsetMs().orElse(0.0)));
    }

    /** A stretch of the recording, or of the performance, in milliseconds. */
    public record Stretch(double fromMs, double toMs) {

        /** From the beginning to the end. */
        public static final Stretch ALL = new Stretch(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);

        private static final double SAME = 0.5;

        /** Whether what begins at a moment belongs to it. */
        boolean holds(double ms) {
            return ms > fromMs - SAME && ms < toMs - SAME;
        }
    }

    /** From the first onset of a stretch of notes to the first behind it, where any of them was heard. */
    public Optional<Stretch> stretch(int from, int to) {
        Optional<Double> start = notes.subList(from, to).stream().flatMap(n -> n.onsetMs().stream()).min(Comparator.naturalOrder());
        Note last = notes.get(to - 1);
        double end = notes.subList(to, notes.size()).stream().flatMap(n -> n.onsetMs().stream()).findFirst().orElse(last.onsetMs().orElse(0.0) + last.durationMs());
        return start.filter(s -> s < end).map(s -> new Stretch(s, end));
    }

    /** How many of the ornaments that were meant came. */
    public Spoken spoken() {
        List<Note> meant = notes.stream().filter(Note::isOrnamented).toList();
        return new Spoken((int) meant.stream().filter(Note::came).count(), meant.size());
    }

    /** How far it is from what was meant, over all notes. */
    public double unlike() {
        return notes.stream().mapToDouble(Note::unlike).sum();
    }

    /** The rung of a ladder that what was heard is nearest to; of equals the barer. Takes its time. */
    public static int nearestRung(Version version, Heard heard) {
        int nearest = 0;
        double least = Double.MAX_VALUE;
        Map<List<Wanted>, Laid> laid = new HashMap<>();
        for (int rung = 0; rung < version.arrangement().ladder().size(); rung++) {
            double unlike = of(version.on(rung), Stretch.ALL, heard, laid).unlike();
            if (unlike < least) {
                least = unlike;
                nearest = rung;
            }
        }
        return nearest;
    }

    private static Note note(Expectations gestures, Alignment alignment, Heard heard, int index, double[] onsets) {
        Alignment.Placed placed = alignment.notes().get(index);
        Wanted wanted = placed.wanted();
        List<Expectations.Candidate> candidates = gestures.of(wanted.note());
        String meant = candidates.getFirst().ornament();
        if (placed.when().isEmpty()) {
            return new Note(wanted, Optional.empty(), 0, 0, 0, false, Expectations.NOTHING, meant, 1, List.of(), List.of(), List.of(), NOT_HEARD);
        }
        Alignment.Span when = placed.when().get();
        double pitch = wanted.midi() + alignment.semitones() + alignment.tuning();
        int from = heard.frame(onsets[index]);
        double coming = index == 0 ? Double.NaN : alignment.notes().get(index - 1).wanted().midi() + alignment.semitones() + alignment.tuning();
        int to = end(heard, alignment, index, onsets);
        List<Happening> happens = Happening.within(heard, arrived(heard, from, to, coming, pitch), to, pitch);
        Expectations.Candidate best = candidates.getFirst();
        double least = Double.MAX_VALUE;
        for (Expectations.Candidate candidate : candidates) {
            double cost = cost(candidate, happens, meant);
            if (cost < least) {
                least = cost;
                best = candidate;
            }
        }
        double second = least + 1;
        for (Expectations.Candidate candidate : candidates) {
            if (!sameKinds(candidate, best)) {
                second = Math.min(second, cost(candidate, happens, meant));
            }
        }
        TimeLine around = TimeLine.around(alignment.notes().stream().map(Alignment.Placed::wanted).toList(), onsets, index);
        boolean tongued = heard.attack()[from] > Onsets.CLEAR;
        return new Note(wanted, Optional.of(onsets[index]), heard.ms(to) - onsets[index], late(wanted, around, onsets[index]), cents(heard, when, pitch), tongued,
                best.ornament(), meant, Math.clamp(second - least, 0, 1), happens, candidates.getFirst().happens(), extra(happens, best.happens()),
                Happening.unlike(happens, candidates.getFirst().happens()));
    }

    private static double cost(Expectations.Candidate candidate, List<Happening> happens, String meant) {
        return Happening.unlike(happens, candidate.happens()) + PLAIN * candidate.happens().size() + (candidate.ornament().equals(meant) ? 0 : MEANT);
    }

    private static boolean sameKinds(Expectations.Candidate one, Expectations.Candidate other) {
        return one.happens().stream().map(Happening::kind).toList().equals(other.happens().stream().map(Happening::kind).toList());
    }

    /** The first frame that is not in a note any more: where it was laid to, and not behind the onset of the next. */
    private static int end(Heard heard, Alignment alignment, int index, double[] onsets) {
        int to = alignment.notes().get(index).when().map(Alignment.Span::to).orElse(0);
        for (int next = index + 1; next < onsets.length; next++) {
            if (!Double.isNaN(onsets[next])) {
                return Math.max(heard.frame(onsets[index]) + 1, Math.min(to, heard.frame(onsets[next]) - 1));
            }
        }
        return to;
    }

    /** The first frame that does not lie between the note before and this one: on the way from one to the other nothing happens. */
    private static int arrived(Heard heard, int begins, int to, double coming, double pitch) {
        int from = begins;
        int frame = from;
        while (frame < to && Math.abs(heard.midi()[frame] - coming) < 0.6 && Math.abs(coming - pitch) > 0.6) {
            frame++;
        }
        int there = frame;
        while (there < to && Math.abs(heard.midi()[there] - pitch) > 0.6) {
            there++;
        }
        // Longer it is no note that rings on but a grace of its pitch; and what goes on slowly is a slide out of it.
        if (frame <= from + RINGS && there <= frame + Onsets.PASSES) {
            from = frame;
        }
        frame = from;
        while (frame < Math.min(to, from + Onsets.PASSES) && heard.midi()[frame] > Math.min(coming, pitch) - 0.6 && heard.midi()[frame] < Math.max(coming, pitch) + 0.6
                && Math.abs(heard.midi()[frame] - pitch) > 0.6) {
            frame++;
        }
        return frame;
    }

    private static double late(Wanted wanted, TimeLine around, double onset) {
        return around.isKnown() ? onset - around.at(wanted.atMs()) : 0;
    }

    /** What was heard without a fellow in the gesture. */
    private static List<Happening> extra(List<Happening> happens, List<Happening> explained) {
        List<Happening> left = new ArrayList<>(explained);
        List<Happening> extra = new ArrayList<>();
        for (Happening one : happens) {
            Optional<Happening> fellow = left.stream().filter(h -> h.unlike(one) < 1.5).findFirst();
            fellow.ifPresentOrElse(left::remove, () -> extra.add(one));
        }
        return extra;
    }

    /** The middle of the frames that have the note's pitch, in hundredths of a semitone from where it should be. */
    private static double cents(Heard heard, Alignment.Span when, double pitch) {
        double[] near = java.util.stream.IntStream.range(when.own(), when.to()).filter(heard::isPitched).mapToDouble(f -> heard.midi()[f] - pitch).filter(d -> Math.abs(d) < 0.6)
                .sorted().toArray();
        return near.length == 0 ? 0 : 100 * near[near.length / 2];
    }
}
