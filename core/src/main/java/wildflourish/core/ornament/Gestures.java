package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import wildflourish.core.instrument.Fingering;
import wildflourish.core.instrument.Holes;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.WindChart;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline.Stand;

/** Puts ornaments on a note of a six-hole wind and finds the fingers that do it. */
public final class Gestures {

    /** Thrown inside this class only, to leave the building of a gesture at the first obstacle. */
    private static final class Hindrance extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient Obstacle obstacle;

        Hindrance(Obstacle obstacle) {
            super(null, null, false, false);
            this.obstacle = obstacle;
        }
    }

    private final Situation situation;
    private final Stand stand;
    private int crans;

    private Gestures(Situation situation, int note) {
        this.situation = situation;
        this.stand = situation.tune().note(note);
    }

    /**
     * The gesture of all the given ornaments on one note, in the order of their slots. No ornaments give the bare note,
     * which every note has; a note without ornaments is never hindered.
     */
    public static Making make(Situation situation, int note, List<Ornament> ornaments) {
        try {
            return new Making.Made(new Gestures(situation, note).build(ornaments));
        } catch (Hindrance e) {
            return new Making.Hindered(e.obstacle);
        }
    }

    private Gesture build(List<Ornament> ornaments) {
        List<Ornament> stack = ornaments.stream()
                .sorted(Comparator.comparing(Ornament::slot)
                        .thenComparing(o -> o.pulses().getFirst().moves().getFirst() != Move.SLIDE))
                .toList();
        checkStack(stack);
        List<List<Gesture.Part>> parts = new ArrayList<>();
        List<Ratio> lengths = new ArrayList<>();
        boolean tongued = false;
        Optional<Ornament> body = stack.stream().filter(o -> o.slot() == Slot.BODY).findFirst();
        if (body.isPresent()) {
            spread(body.get(), parts, lengths);
        } else {
            parts.add(new ArrayList<>(List.of(bare())));
            lengths.add(stand.sounding());
        }
        int lead = 0;
        for (Ornament ornament : stack) {
            switch (ornament.slot()) {
                case STROKE -> tongued = true;
                case BODY -> { }
                case APPROACH -> {
                    if (absorbed(ornament, body)) {
                        continue;
                    }
                    List<Gesture.Part> made = parts(ornament, ornament.pulses().getFirst().moves());
                    parts.getFirst().addAll(lead, made);
                    lead += made.size();
                }
                case EXIT -> exit(ornament, parts, lengths);
            }
        }
        List<Gesture.Pulse> pulses = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            pulses.add(new Gesture.Pulse(lengths.get(i), parts.get(i)));
        }
        return new Gesture(stand.index(), pulses, tongued);
    }

    /** A cut placed where a roll or a cran begins with one is that first cut: it asks for nothing more. */
    private static boolean absorbed(Ornament approach, Optional<Ornament> body) {
        return body.filter(b -> approach.isCutInto(b)).isPresent();
    }

    private void checkStack(List<Ornament> stack) {
        if (stack.isEmpty()) {
            return;
        }
        if (!situation.instrument().hasHands()) {
            throw new Hindrance(new Obstacle.NoHands());
        }
        if (situation.plan().at(stand.index()) instanceof Place.Missing missing) {
            throw new Hindrance(new Obstacle.NotOnInstrument(missing.why()));
        }
        if (stand.heldOver()) {
            throw new Hindrance(new Obstacle.HeldOver());
        }
        for (int i = 0; i < stack.size(); i++) {
            Ornament ornament = stack.get(i);
            checkLength(ornament);
            for (Ornament earlier : stack.subList(0, i)) {
                boolean sameInstant = earlier.slot() == Slot.APPROACH && earlier.startsWithBlip()
                        && ornament.startsWithBlip() && ornament.slot() != Slot.EXIT
                        && !earlier.isCutInto(ornament);
                boolean crowded = earlier.slot() == ornament.slot() && ornament.slot().room() == 1;
                boolean twice = earlier.id().equals(ornament.id());
                boolean twoStarts = earlier.slot() == Slot.STROKE && ornament.slot() == Slot.BODY
                        && ornament.pulses().getFirst().moves().getFirst() == Move.TONGUE;
                if (sameInstant || crowded || twice || twoStarts) {
                    throw new Hindrance(new Obstacle.Clash(earlier.name()));
                }
            }
        }
    }

    private void checkLength(Ornament ornament) {
        Ratio length = stand.sounding();
        if (length.isLess(ornament.from())) {
            throw new Hindrance(new Obstacle.WrongLength(
                    "needs a note worth %s; this one is shorter".formatted(NoteValues.inWords(ornament.from()))));
        }
        if (ornament.to().isPresent() && ornament.to().get().isLess(length)) {
            throw new Hindrance(new Obstacle.WrongLength(
                    "is made for %s; this note is longer".formatted(NoteValues.inWords(ornament.to().get()))));
        }
    }

    /** The body's pulses over the note; the last takes what is left. */
    private void spread(Ornament body, List<List<Gesture.Part>> parts, List<Ratio> lengths) {
        Ratio left = stand.sounding();
        List<Ornament.Beat> beats = body.pulses();
        for (int i = 0; i < beats.size(); i++) {
            Ornament.Beat beat = beats.get(i);
            boolean last = i == beats.size() - 1;
            Ratio length = last ? left : Ornament.share(beat, situation.school())
                    .orElse(stand.sounding().dividedBy(Ratio.of(beats.size(), 1)));
            parts.add(new ArrayList<>(parts(body, beat.moves())));
            lengths.add(length);
            left = left.minus(length);
        }
    }

    /** An exit takes the end of the last pulse, or a share of the note of its own. */
    private void exit(Ornament ornament, List<List<Gesture.Part>> parts, List<Ratio> lengths) {
        Ornament.Beat beat = ornament.pulses().getFirst();
        if (beat.length().isPresent()) {
            Ratio last = lengths.removeLast();
            Ratio own = beat.length().get().times(last);
            lengths.add(last.minus(own));
            lengths.add(own);
            parts.add(new ArrayList<>(parts(ornament, beat.moves())));
        } else {
            parts.getLast().addAll(parts(ornament, beat.moves()));
        }
    }

    private Gesture.Part bare() {
        return new Gesture.Part(Move.SOUND, "", stand.pitch(), 0);
    }

    private List<Gesture.Part> parts(Ornament ornament, List<Move> moves) {
        List<Gesture.Part> made = new ArrayList<>();
        for (Move move : moves) {
            made.add(part(ornament, move));
        }
        return made;
    }

    private Gesture.Part part(Ornament ornament, Move move) {
        Pitch pitch = stand.pitch();
        return switch (move) {
            case SOUND, TOUCH, TONGUE, BREATH -> new Gesture.Part(move, ornament.id(), pitch, 0);
            case CUT -> {
                int hole = chart().cutHole(pitch, way(), situation.school().cut())
                        .orElseThrow(() -> new Hindrance(new Obstacle.NoFingerToLift(pitch)));
                yield new Gesture.Part(move, ornament.id(), chart().openedFrom(hole, pitch), hole);
            }
            case CRAN_CUT -> {
                if (hasHoleBelow()) {
                    throw new Hindrance(new Obstacle.HoleBelow(pitch));
                }
                int hole = chart().cranHole(crans++);
                yield new Gesture.Part(move, ornament.id(), chart().openedFrom(hole, pitch), hole);
            }
            case TAP -> {
                OptionalInt hole = way().tap();
                if (hole.isEmpty()) {
                    throw new Hindrance(new Obstacle.NothingBelow(pitch));
                }
                Pitch dip = way().holes().isFork()
                        ? chart().stepBelow(pitch).orElse(pitch) : chart().closedDownTo(hole.getAsInt(), pitch);
                yield new Gesture.Part(move, ornament.id(), dip, hole.getAsInt());
            }
            case SLIDE -> slide(ornament);
            case PASSING -> passing(ornament);
            case POP -> pop(ornament);
        };
    }

    private Gesture.Part slide(Ornament ornament) {
        Pitch pitch = stand.pitch();
        Pitch below = chart().stepBelow(pitch).orElseThrow(() ->
                new Hindrance(new Obstacle.NoGlide(pitch, "nothing lies below it to start from")));
        Holes to = way().holes();
        Optional<Fingering> start = chart().ways(below).stream()
                .filter(w -> w.breath() == way().breath())
                .filter(w -> w.holes().fingersMoved(to) == 1)
                .findFirst();
        if (start.isEmpty()) {
            String because = chart().ways(below).stream().noneMatch(w -> w.breath() == way().breath())
                    ? "it crosses from one register to the other" : "more than one finger has to move";
            throw new Hindrance(new Obstacle.NoGlide(pitch, because));
        }
        int hole = 1;
        while (start.get().holes().pattern().charAt(hole - 1) == to.pattern().charAt(hole - 1)) {
            hole++;
        }
        if (!start.get().holes().isClosed(hole)) {
            throw new Hindrance(new Obstacle.NoGlide(pitch, "a finger would have to be put down, not drawn off"));
        }
        return new Gesture.Part(Move.SLIDE, ornament.id(), below, hole);
    }

    private Gesture.Part passing(Ornament ornament) {
        Pitch from = stand.pitch();
        Pitch to = next().pitch();
        int steps = to.diatonic() - from.diatonic();
        if (Math.abs(steps) != 2) {
            throw new Hindrance(new Obstacle.NoThirdAhead());
        }
        var step = from.step().plus(steps / 2);
        int octave = Math.floorDiv(from.diatonic() + steps / 2, 7);
        Pitch between = new Pitch(step, Math.clamp(stand.key().alterOf(step), -2, 2), octave);
        if (!situation.instrument().has(between)) {
            throw new Hindrance(new Obstacle.NotOnInstrument(
                    "the %s between the two is not on this instrument".formatted(between.spoken())));
        }
        return new Gesture.Part(Move.PASSING, ornament.id(), between, 0);
    }

    private Gesture.Part pop(Ornament ornament) {
        Pitch from = stand.pitch();
        Pitch to = next().pitch();
        WindChart.Landing landing = chart().landing(from, way(), to)
                .orElseThrow(() -> new Hindrance(new Obstacle.NoPop(from, to)));
        return new Gesture.Part(Move.POP, ornament.id(), chart().openedFrom(landing.pops(), to), landing.pops());
    }

    private Stand next() {
        return situation.tune().after(stand.index())
                .filter(n -> n.onset().equals(stand.onset().plus(stand.sounding())))
                .orElseThrow(() -> new Hindrance(new Obstacle.NothingFollows()));
    }

    private boolean hasHoleBelow() {
        Holes holes = way().holes();
        return java.util.stream.IntStream.rangeClosed(2, holes.count()).anyMatch(h -> !holes.isClosed(h));
    }

    private Fingering way() {
        return situation.plan().fingering(stand.index()).orElseThrow();
    }

    private WindChart chart() {
        return situation.instrument().chart().orElseThrow();
    }
}
