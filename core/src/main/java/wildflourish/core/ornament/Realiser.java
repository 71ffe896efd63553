package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.PlayOrder;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.TuneType;

/**
 * Plays a decorated tune out in time.
 *
 * <p>The onsets of the tune's own notes never move and its total time never changes, whatever is placed on it. An
 * ornament that is blocked at the tempo is left out: the bare note sounds in its place.
 */
public final class Realiser {

    private final Situation situation;
    private final Map<Integer, List<Ornament>> placed;
    private final Tempo tempo;
    private final Speeds speeds;
    private final Map<Integer, Optional<Gesture>> gestures = new HashMap<>();
    private final List<Sound> sounds = new ArrayList<>();
    private final List<FingerMove> moves = new ArrayList<>();
    private double clock;
    private double msPerWhole;
    private boolean silent = true;
    private int sounded = -1;
    private List<Integer> tiedSounds = List.of();
    private int coveredUntil = -1;

    private Realiser(Situation situation, Map<Integer, List<Ornament>> placed, Tempo tempo, Speeds speeds) {
        this.situation = situation;
        this.placed = placed;
        this.tempo = tempo;
        this.speeds = speeds;
    }

    /**
     * The performance of a tune with ornaments on its notes.
     *
     * @param placed the ornaments of each note by its index; notes without any may be absent
     * @param tempo of the beginning; later changes written in the tune keep their proportion to it
     */
    public static Performance perform(
            Situation situation, Map<Integer, List<Ornament>> placed, Tempo tempo, Speeds speeds) {
        return new Realiser(situation, placed, tempo, speeds).play();
    }

    /** Milliseconds that a whole note lasts at a tempo. */
    private static double wholeAt(Tempo tempo) {
        return tempo.millis(Ratio.ONE).toDouble();
    }

    private Performance play() {
        List<Bar> bars = situation.tune().tune().bars();
        List<Integer> order = PlayOrder.of(situation.tune().tune());
        double written = wholeAt(TuneType.tempoOf(situation.tune().tune().head()));
        msPerWhole = wholeAt(tempo);
        double proportion = msPerWhole / written;
        for (int k = 0; k < order.size(); k++) {
            int bar = order.get(k);
            int note = situation.tune().barStarts().get(bar);
            boolean goesOn = k + 1 < order.size() && order.get(k + 1) == bar + 1;
            // The bar's own clock counts from its start, so that rounding never adds up over a long tune.
            Ratio inBar = Ratio.ZERO;
            double start = clock;
            for (Element element : bars.get(bar).elements()) {
                switch (element) {
                    case Change change -> {
                        if (change.tempo().isPresent()) {
                            start += inBar.toDouble() * msPerWhole;
                            inBar = Ratio.ZERO;
                            msPerWhole = wholeAt(change.tempo().get()) * proportion;
                        }
                    }
                    case Rest rest -> {
                        silent = true;
                        tiedSounds = List.of();
                    }
                    case Note ignored -> {
                        clock = start + inBar.toDouble() * msPerWhole;
                        boolean staysInOrder = goesOn || lastOfTies(note) < firstOfBar(bar + 1);
                        sound(situation.tune().note(note), staysInOrder);
                        note++;
                    }
                }
                inBar = inBar.plus(element.length());
            }
            clock = start + inBar.toDouble() * msPerWhole;
        }
        sounds.sort(java.util.Comparator.comparingDouble(Sound::atMs));
        return new Performance(sounds, moves, clock);
    }

    private int firstOfBar(int bar) {
        return bar < situation.tune().barStarts().size() ? situation.tune().barStarts().get(bar)
                : situation.tune().size();
    }

    private int lastOfTies(int note) {
        int last = note;
        while (last + 1 < situation.tune().size() && situation.tune().note(last + 1).heldOver()) {
            last++;
        }
        return last;
    }

    private void sound(Stand stand, boolean tiesHold) {
        if (stand.heldOver() && stand.index() <= coveredUntil) {
            return;
        }
        Optional<Gesture> gesture = tiesHold ? gestures.computeIfAbsent(stand.index(), this::gesture) : Optional.empty();
        if (gesture.isPresent()) {
            decorated(stand, gesture.get());
            coveredUntil = lastOfTies(stand.index());
            tiedSounds = List.of();
        } else {
            plain(stand);
            coveredUntil = -1;
        }
    }

    private Optional<Gesture> gesture(int note) {
        List<Ornament> ornaments = placed.getOrDefault(note, List.of());
        if (ornaments.isEmpty() || !(Gestures.make(situation, note, ornaments) instanceof Making.Made made)) {
            return Optional.empty();
        }
        return Playability.of(made.gesture(), tempo, speeds).isBlocked()
                ? Optional.empty() : Optional.of(made.gesture());
    }

    private void plain(Stand stand) {
        double length = stand.note().length().toDouble() * msPerWhole;
        List<Integer> held = new ArrayList<>();
        for (Pitch pitch : stand.note().pitches()) {
            int midi = sounding(pitch);
            Optional<Integer> tied = tiedSounds.stream().filter(i -> sounds.get(i).midi() == midi).findFirst();
            if (tied.isPresent()) {
                Sound open = sounds.get(tied.get());
                sounds.set(tied.get(), new Sound(open.atMs(), clock + length - open.atMs(), midi, open.role(),
                        open.bar(), open.note(), open.start()));
                held.add(tied.get());
            } else {
                held.add(sounds.size());
                add(stand, clock, length, midi, Sound.MELODY, startOf(stand, false));
            }
        }
        tiedSounds = stand.note().tied() ? held : List.of();
        leave(stand.pitch());
    }

    private void decorated(Stand stand, Gesture gesture) {
        List<Timing.Timed> timed = Timing.of(gesture, msPerWhole, speeds);
        boolean blipFirst = timed.getFirst().part().move().isBlip();
        boolean tongued = gesture.tongued() || timed.getFirst().part().move() == Move.TONGUE;
        Sound.Start start = tongued ? Sound.Start.ATTACK : startOf(stand, blipFirst);
        double end = timed.getLast().atMs() + timed.getLast().forMs();
        double melodyEnd = end;
        Pitch last = stand.pitch();
        boolean breathed = false;
        List<Sound> added = new ArrayList<>();
        for (int i = 0; i < timed.size(); i++) {
            Timing.Timed t = timed.get(i);
            Gesture.Part part = t.part();
            int midi = sounding(part.pitch());
            double at = clock + t.atMs();
            switch (part.move()) {
                case CUT, CRAN_CUT, TAP, POP -> added.add(within(stand, at, t.forMs(), midi, part, Sound.Start.WITHIN));
                case SLIDE -> added.add(within(stand, at, t.forMs(), midi, part, Sound.Start.GLIDE));
                case TONGUE -> {
                    if (i > 0) {
                        melodyEnd = Math.min(melodyEnd, t.atMs());
                        added.add(within(stand, at, t.forMs(), midi, part, Sound.Start.ATTACK));
                    }
                }
                case PASSING -> {
                    melodyEnd = Math.min(melodyEnd, t.atMs());
                    added.add(within(stand, at, t.forMs(), midi, part, Sound.Start.JOINED));
                    last = part.pitch();
                }
                case BREATH -> {
                    melodyEnd = Math.min(melodyEnd, t.atMs());
                    breathed = true;
                }
                case SOUND, TOUCH -> { }
            }
            if (part.hole() > 0) {
                moves.add(new FingerMove(at, t.forMs(), part.hole(), part.move(), stand.index()));
            }
        }
        for (Pitch pitch : stand.note().pitches()) {
            add(stand, clock, melodyEnd, sounding(pitch), Sound.MELODY, start);
        }
        sounds.addAll(added);
        leave(last);
        silent = breathed;
    }

    private static Sound within(
            Stand stand, double at, double length, int midi, Gesture.Part part, Sound.Start start) {
        return new Sound(at, length, midi, part.ornament(), stand.barNumber(), stand.index(), start);
    }

    private void add(Stand stand, double at, double length, int midi, String role, Sound.Start start) {
        sounds.add(new Sound(at, length, midi, role, stand.barNumber(), stand.index(), start));
    }

    private Sound.Start startOf(Stand stand, boolean parted) {
        boolean again = sounded == sounding(stand.pitch());
        return silent || again && !parted ? Sound.Start.ATTACK : Sound.Start.JOINED;
    }

    private void leave(Pitch pitch) {
        sounded = sounding(pitch);
        silent = false;
    }

    private int sounding(Pitch written) {
        return written.midi() + situation.instrument().soundsAbove();
    }
}
