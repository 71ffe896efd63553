package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.Family;
import wildflourish.core.instrument.Neck;
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
    private final SoundLine sounds = new SoundLine();
    private final List<HandMove> moves = new ArrayList<>();
    private final Map<Integer, Optional<Gesture>> apart = new HashMap<>();
    private final Family family;
    private final boolean tight;
    private double clock;
    private double msPerWhole;
    private Optional<Bellows> bellows = Optional.empty();
    private boolean silent = true;
    private int sounded = -1;
    private List<Integer> tiedSounds = List.of();
    private int coveredUntil = -1;

    private Realiser(Situation situation, Map<Integer, List<Ornament>> placed, Tempo tempo, Speeds speeds) {
        this.situation = situation;
        this.placed = placed;
        this.tempo = tempo;
        this.speeds = speeds;
        this.family = situation.instrument().family();
        this.tight = family.tone() == Family.Tone.STOPPED
                && situation.instrument().school("touch", situation.school()).equals("tight");
    }

    /**
     * The performance of a tune with ornaments on its notes.
     *
     * @param placed the ornaments of each note by its index; notes without any may be absent
     * @param tempo of the beginning; later changes written in the tune keep their proportion to it
     */
    public static Performance perform(
            Situation situation, Map<Integer, List<Ornament>> placed, Tempo tempo, Speeds speeds) {
        Realiser realiser = new Realiser(situation, placed, tempo, speeds);
        if (realiser.playsElsewhere() || situation.changesStrokes(placed)) {
            realiser = new Realiser(situation.playing(placed), placed, tempo, speeds);
        }
        return realiser.play();
    }

    /** Whether something placed cannot be done where the plan has its note, but elsewhere; makes every gesture once. */
    private boolean playsElsewhere() {
        boolean moved = false;
        for (int note : placed.keySet()) {
            if (note < situation.tune().size()) {
                Optional<Gesture> gesture = gesture(note, false);
                gestures.put(note, gesture);
                moved |= gesture.filter(Gesture::moved).isPresent();
            }
        }
        return moved;
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
                        if (Separation.isNeeded(situation) && sounds.size() > 0) {
                            sounds.lengthenLast(rest.length().toDouble() * msPerWhole);
                        } else {
                            silent = true;
                        }
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
        return new Performance(sounds.inOrder(), moves, clock);
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
        boolean again = !silent && sounded == sounding(stand.pitch());
        Map<Integer, Optional<Gesture>> known = again && Separation.isNeeded(situation) ? apart : gestures;
        Optional<Gesture> gesture = Optional.empty();
        if (tiesHold) {
            gesture = known.get(stand.index());
            if (gesture == null) {
                gesture = gesture(stand.index(), known == apart);
                known.put(stand.index(), gesture);
            }
        }
        if (gesture.isPresent()) {
            decorated(stand, gesture.get());
            coveredUntil = lastOfTies(stand.index());
            tiedSounds = List.of();
        } else {
            plain(stand);
            coveredUntil = -1;
        }
    }

    private Optional<Gesture> gesture(int note, boolean separated) {
        List<Ornament> own = placed.getOrDefault(note, List.of());
        List<Ornament> ornaments = separated ? Separation.apart(situation, note, own) : own;
        if (ornaments.isEmpty() || !(Gestures.make(situation, note, ornaments) instanceof Making.Made made)
                || Playability.fit(situation, made.gesture(), tempo, speeds) == Playability.Fit.BLOCKED) {
            return separated && !own.isEmpty() ? alone(note) : Optional.empty();
        }
        return Optional.of(made.gesture());
    }

    /** The separating grace by itself, where what stands on the note cannot be played here. */
    private Optional<Gesture> alone(int note) {
        return Gestures.make(situation, note, Separation.apart(situation, note, List.of())) instanceof Making.Made made
                ? Optional.of(made.gesture()) : Optional.empty();
    }

    private void plain(Stand stand) {
        double length = stand.note().length().toDouble() * msPerWhole;
        Sound.Start start = tiedSounds.isEmpty() ? startOf(stand, false) : Sound.Start.JOINED;
        if (tiedSounds.isEmpty()) {
            stroke(stand, clock, length, false);
        }
        List<Integer> held = new ArrayList<>();
        graces(stand, clock, length);
        for (Pitch pitch : heads(stand)) {
            int midi = sounding(pitch);
            Optional<Integer> tied = tiedSounds.stream().filter(i -> sounds.get(i).midi() == midi).findFirst();
            if (tied.isPresent()) {
                Sound open = sounds.get(tied.get());
                sounds.set(tied.get(), new Sound(open.atMs(), clock + length - open.atMs(), midi, open.role(),
                        open.bar(), open.note(), open.start()));
                held.add(tied.get());
            } else {
                held.add(sounds.size());
                add(stand, clock, length, midi, Sound.MELODY, start);
            }
        }
        tiedSounds = stand.note().tied() ? held : List.of();
        leave(stand.pitch());
    }

    /** What of a written chord sounds: over holes the melody alone, elsewhere every note that the instrument has. */
    private List<Pitch> heads(Stand stand) {
        return switch (family.hands()) {
            case HOLES -> List.of(stand.pitch());
            case NONE -> stand.note().pitches();
            case STRINGS, BUTTONS -> stand.note().pitches().size() == 1 ? stand.note().pitches()
                    : stand.note().pitches().stream().filter(p -> p.equals(stand.pitch()) || situation.instrument().has(p)).toList();
        };
    }

    /** The graces that the tune itself has on a note, as far as somebody plays it and the instrument has them. */
    private void graces(Stand stand, double at, double length) {
        if (!family.hasHands() || stand.heldOver() || !tiedSounds.isEmpty()) {
            return;
        }
        List<Pitch> graces = stand.note().marks().graces().stream().filter(situation.instrument()::has).toList();
        double each = graces.isEmpty() ? 0 : Math.min(speeds.of(Move.GRACE).comfortable(), length / (2.0 * graces.size()));
        for (int i = 0; i < graces.size(); i++) {
            add(stand, at + i * each, each, sounding(graces.get(i)), Sound.GRACE, Sound.Start.WITHIN);
        }
    }

    private void decorated(Stand stand, Gesture gesture) {
        List<Timing.Timed> timed = Timing.of(gesture, msPerWhole, speeds);
        Gesture.Part first = gesture.pulses().getFirst().parts().getFirst();
        boolean closes = gesture.lead().stream().anyMatch(p -> p.move() == Move.CLOSE);
        if (closes && !silent) {
            // The chanter closes before the beat, and the note before ends there.
            sounds.shortenLast(clock, -timed.getFirst().atMs());
        }
        boolean fresh = closes || first.move().isStart()
                || gesture.along().stream().anyMatch(p -> p.move().isStart());
        Sound.Start start = fresh ? Sound.Start.ATTACK
                : gesture.slurred() && !silent ? Sound.Start.JOINED : startOf(stand, gesture.first().move().isBlip());
        double length = stand.sounding().toDouble() * msPerWhole;
        stroke(stand, clock, length, gesture.slurred());
        int strokes = 1;
        @Nullable Running running = new Running(clock, stand.pitch(), Sound.MELODY, start);
        double melodyEnd = -1;
        List<Sound> added = new ArrayList<>();
        for (Timing.Timed t : timed) {
            Gesture.Part part = t.part();
            double at = clock + t.atMs();
            Move move = part.move();
            if (move.isBlip()) {
                added.add(within(stand, at, t.forMs(), part, Sound.Start.WITHIN));
            } else if (move.isGlide()) {
                added.add(within(stand, at, t.forMs(), part,
                        move == Move.SLIDE ? Sound.Start.GLIDE : Sound.Start.GLIDE_AWAY));
            } else if (!part.ornament().isEmpty() && t.atMs() > -1e-9) {
                @Nullable Running next = next(running, t, at, stand);
                if (next != running) {
                    melodyEnd = end(running, at, stand, added, melodyEnd);
                    running = next;
                }
                if (move == Move.WAVER || move == Move.SWELL) {
                    added.add(within(stand, at, t.forMs(), part,
                            move == Move.WAVER ? Sound.Start.WAVING : Sound.Start.SWELLING));
                }
                if (move == Move.STROKE && at > clock) {
                    turn(stand, at, t.forMs(), strokes++);
                }
            }
            if (!(part.means() instanceof Means.Still) && !(part.means() instanceof Means.Stroke)) {
                moves.add(new HandMove(at, t.forMs(), part.means(), move, stand.index()));
            }
        }
        melodyEnd = end(running, clock + length, stand, added, melodyEnd);
        List<Pitch> chord = heads(stand);
        for (int i = 0; i < chord.size(); i++) {
            add(stand, clock, melodyEnd - clock, sounding(chord.get(i)), Sound.MELODY, start);
        }
        for (Gesture.Part part : gesture.company()) {
            sounds.add(within(stand, clock, length, part, Sound.Start.ALONG));
            moves.add(new HandMove(clock, length, part.means(), part.move(), stand.index()));
        }
        sounds.addAll(added);
        graces(stand, clock, length);
        leave(running == null ? stand.pitch() : running.pitch());
        silent = running == null;
    }

    /** What sounds on until the next part changes it. */
    private record Running(double at, Pitch pitch, String role, Sound.Start start) {}

    /** What sounds from a part on; null for silence, the same when it only sounds on. */
    private @Nullable Running next(@Nullable Running running, Timing.Timed timed, double at, Stand stand) {
        Gesture.Part part = timed.part();
        String role = part.ornament();
        return switch (part.move()) {
            case TONGUE, STROKE -> at > clock + 1e-9 ? new Running(at, part.pitch(), role, Sound.Start.ATTACK) : running;
            case PASSING -> new Running(at, part.pitch(), role, Sound.Start.JOINED);
            case PULL -> new Running(at, part.pitch(), role, Sound.Start.SOFT);
            case BREATH, CLOSE -> null;
            case SOUND, TOUCH, WAVER, SWELL -> running == null ? new Running(at, stand.pitch(), role, Sound.Start.ATTACK)
                    : running.pitch().equals(stand.pitch()) ? running
                    : new Running(at, stand.pitch(), role, Sound.Start.JOINED);
            case CUT, CRAN_CUT, TAP, SLIDE, POP, GRACE, HAMMER, SLAP, OVERLAP, BEND, FALL, COMPANY, SLUR -> running;
        };
    }

    /** Ends what sounds; the end of the tune's own note. */
    private double end(@Nullable Running running, double at, Stand stand, List<Sound> added, double melodyEnd) {
        if (running == null) {
            return melodyEnd;
        }
        if (running.role().equals(Sound.MELODY)) {
            return at;
        }
        added.add(new Sound(running.at(), at - running.at(), sounding(running.pitch()), running.role(),
                stand.barNumber(), stand.index(), running.start()));
        return melodyEnd;
    }

    /** The stroke that starts a note, and the bellows where they turn for it. */
    private void stroke(Stand stand, double at, double length, boolean slurred) {
        situation.strokes().at(stand.index()).filter(s -> !s.joined() && !slurred).ifPresent(s -> moves.add(
                new HandMove(at, length, new Means.Directed(s.down()), Move.STROKE, stand.index())));
        Optional<Bellows> direction = situation.plan().bellows(stand.index());
        if (direction.isPresent() && !direction.equals(bellows)) {
            moves.add(new HandMove(at, length, new Means.Turn(direction.get()), Move.SOUND, stand.index()));
            bellows = direction;
        }
    }

    private void turn(Stand stand, double at, double length, int nth) {
        situation.strokes().at(stand.index()).ifPresent(s -> moves.add(new HandMove(
                at, length, new Means.Directed(s.down() == (nth % 2 == 0)), Move.STROKE, stand.index())));
    }

    private Sound within(Stand stand, double at, double length, Gesture.Part part, Sound.Start start) {
        return new Sound(at, length, sounding(part.pitch()), part.ornament(), stand.barNumber(), stand.index(), start);
    }

    private void add(Stand stand, double at, double length, int midi, String role, Sound.Start start) {
        sounds.add(new Sound(at, length, midi, role, stand.barNumber(), stand.index(), start));
    }

    private Sound.Start startOf(Stand stand, boolean parted) {
        boolean again = sounded == sounding(stand.pitch());
        return switch (family.tone()) {
            case TONGUED -> silent || again && !parted ? Sound.Start.ATTACK : Sound.Start.JOINED;
            case UNBROKEN -> silent ? Sound.Start.ATTACK : Sound.Start.JOINED;
            case STOPPED -> {
                boolean closes = !silent && (tight || again && !parted);
                if (closes) {
                    closeBefore();
                }
                yield silent || closes ? Sound.Start.ATTACK : Sound.Start.JOINED;
            }
            case STRUCK -> situation.strokes().at(stand.index())
                    .map(s -> s.joined() ? Sound.Start.JOINED : Sound.Start.ATTACK)
                    .orElse(plucksEach() || silent ? Sound.Start.ATTACK : Sound.Start.SOFT);
            case REEDS -> silent || again && !parted
                    || !situation.plan().bellows(stand.index()).equals(bellows) ? Sound.Start.ATTACK : Sound.Start.JOINED;
        };
    }

    /** Whether the fingers of the other hand pluck every note, so that no strokes are planned. */
    private boolean plucksEach() {
        return situation.instrument().layout() instanceof Neck neck && neck.strokes().equals("fingers");
    }

    /** The chanter is closed before the next note for an instant. */
    private void closeBefore() {
        sounds.shortenLast(clock, speeds.of(Move.CLOSE).floor());
    }

    private void leave(Pitch pitch) {
        sounded = sounding(pitch);
        silent = false;
    }

    private int sounding(Pitch written) {
        return written.midi() + situation.instrument().soundsAbove();
    }
}
