package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline.Stand;

/** Puts ornaments on a note and finds the hands that do it. */
public final class Gestures {

    /** The most often that a repeated stretch is repeated on one note. */
    private static final int MOST_REPEATS = 64;

    private final Situation situation;
    private final Stand stand;
    private final Place place;
    private final boolean moved;
    private @Nullable Hand hand;
    private final List<List<Gesture.Part>> parts = new ArrayList<>();
    private final List<Ratio> lengths = new ArrayList<>();
    private final List<Gesture.Part> lead = new ArrayList<>();
    private final List<Gesture.Part> along = new ArrayList<>();

    private Hand hand() {
        return Objects.requireNonNull(hand, "the hand is put on its place first");
    }

    private Gestures(Situation situation, int note, Place place, boolean moved) {
        this.situation = situation;
        this.stand = situation.tune().note(note);
        this.place = place;
        this.moved = moved;
    }

    /**
     * The gesture of all the given ornaments on one note, in the order of their slots. No ornaments give the bare note,
     * which every note has; a note without ornaments is never hindered. Where the plan's place does not allow them, the
     * cheapest other place that does is taken, unless the teacher chose the place.
     */
    public static Making make(Situation situation, int note, List<Ornament> ornaments) {
        Making planned = at(situation, note, ornaments, situation.plan().at(note), false);
        if (!(planned instanceof Making.Hindered(var obstacle)) || !obstacle.dependsOnPlace()
                || situation.plan().isChosen(note)) {
            return planned;
        }
        for (Place other : situation.plan().elsewhere(note)) {
            Making there = at(situation, note, ornaments, other, true);
            if (there instanceof Making.Made) {
                return there;
            }
        }
        return planned;
    }

    /** As {@link #make}, with the note played at one place and no other. */
    static Making at(Situation situation, int note, List<Ornament> ornaments, Place place, boolean moved) {
        try {
            return new Making.Made(new Gestures(situation, note, place, moved).build(ornaments));
        } catch (Hindrance e) {
            return new Making.Hindered(e.obstacle());
        }
    }

    /** Those of a note's ornaments that are played: what another of them takes up is left out. */
    public static List<Ornament> played(Situation situation, int note, List<Ornament> ornaments) {
        if (ornaments.size() < 2) {
            return ornaments;
        }
        boolean repeated = situation.repeats(note);
        List<Ornament> played = new ArrayList<>(ornaments.size());
        for (Ornament ornament : ornaments) {
            boolean taken = false;
            for (int i = 0; i < ornaments.size() && !taken; i++) {
                taken = ornaments.get(i) != ornament && ornaments.get(i).takesUp(ornament, repeated);
            }
            if (!taken) {
                played.add(ornament);
            }
        }
        return played;
    }

    private Gesture build(List<Ornament> ornaments) {
        List<Ornament> stack = ornaments.size() < 2 ? ornaments : played(situation, stand.index(), ornaments).stream()
                .sorted(Comparator.comparing(Ornament::slot).thenComparing(o -> !o.startsWithGlide()))
                .toList();
        if (!stack.isEmpty()) {
            checkStack(stack);
            hand = Hand.of(situation, stand, place);
        }
        Optional<Ornament> body = Optional.empty();
        for (Ornament ornament : stack) {
            body = ornament.slot() == Slot.BODY ? Optional.of(ornament) : body;
        }
        if (body.isPresent()) {
            spread(body.get());
        } else {
            parts.add(new ArrayList<>(List.of(new Gesture.Part(Move.SOUND, "", stand.pitch(), Means.STILL))));
            lengths.add(stand.sounding());
        }
        boolean early = isBeforeBeat();
        int inBeat = 0;
        for (Ornament ornament : stack) {
            switch (ornament.slot()) {
                case STROKE -> along.addAll(parts(ornament, motions(ornament)));
                case BODY -> { }
                case COMPANY -> motions(ornament).forEach(m -> along.addAll(hand().company(m, ornament.id())));
                case APPROACH -> {
                    List<Gesture.Part> made = parts(ornament, motions(ornament));
                    boolean closes = made.getFirst().move() == Move.CLOSE;
                    if (closes && !hasNoteBefore()) {
                        throw new Hindrance(new Obstacle.NothingBefore());
                    }
                    if (early || closes) {
                        lead.addAll(made);
                    } else {
                        parts.getFirst().addAll(inBeat, made);
                        inBeat += made.size();
                    }
                }
                case EXIT -> exit(ornament);
            }
        }
        List<Gesture.Pulse> pulses = new ArrayList<>();
        for (int i = 0; i < parts.size(); i++) {
            pulses.add(new Gesture.Pulse(lengths.get(i), parts.get(i)));
        }
        Gesture gesture = new Gesture(stand.index(), place, moved, lead, pulses, along);
        if (!stack.isEmpty() && gesture.lead().isEmpty()) {
            hand().checkStart(gesture.first());
        }
        return gesture;
    }

    private List<Motion> motions(Ornament ornament) {
        return ornament.pulses(situation.instrument(), situation.school()).getFirst().motions();
    }

    /** Whether graces are played before the beat here: a school, and only where a note goes before to take the time from. */
    private boolean isBeforeBeat() {
        return situation.instrument().school("grace", situation.school()).equals("before") && hasNoteBefore();
    }

    private boolean hasNoteBefore() {
        return situation.tune().before(stand.index())
                .filter(b -> b.onset().plus(b.sounding()).equals(stand.onset())).isPresent();
    }

    private void checkStack(List<Ornament> stack) {
        if (!situation.instrument().hasHands()) {
            throw new Hindrance(new Obstacle.NoHands());
        }
        if (place instanceof Place.Missing missing) {
            throw new Hindrance(new Obstacle.NotOnInstrument(missing.why()));
        }
        if (stand.heldOver()) {
            throw new Hindrance(new Obstacle.HeldOver());
        }
        for (int i = 0; i < stack.size(); i++) {
            Ornament ornament = stack.get(i);
            check(ornament);
            if (!stand.note().marks().graces().isEmpty() && ornament.slot() != Slot.EXIT && ornament.startsWithBlip()) {
                throw new Hindrance(new Obstacle.OwnGrace());
            }
            for (Ornament earlier : stack.subList(0, i)) {
                boolean sameInstant = earlier.slot() == Slot.APPROACH && earlier.startsWithBlip()
                        && ornament.startsWithBlip() && ornament.slot() != Slot.EXIT;
                boolean crowded = earlier.slot() == ornament.slot() && ornament.slot().room() == 1;
                boolean twice = earlier.id().equals(ornament.id());
                boolean twoStarts = earlier.slot() == Slot.STROKE && ornament.slot() == Slot.BODY
                        && ornament.pulses().getFirst().moves().getFirst().isStart();
                if (sameInstant || crowded || twice || twoStarts) {
                    throw new Hindrance(new Obstacle.Clash(earlier.name()));
                }
                if (earlier.excludes().contains(ornament.id())) {
                    throw new Hindrance(new Obstacle.MadeWithout(earlier.name(), ornament.name()));
                }
                if (ornament.excludes().contains(earlier.id())) {
                    throw new Hindrance(new Obstacle.MadeWithout(ornament.name(), earlier.name()));
                }
            }
        }
    }

    private void check(Ornament ornament) {
        if (!ornament.only().isEmpty() && ornament.only().stream().noneMatch(p -> p.midi() == stand.pitch().midi())) {
            throw new Hindrance(new Obstacle.WrongNote(ornament.only()));
        }
        Ratio length = stand.sounding();
        if (!ornament.lengths().isEmpty() && !ornament.lengths().contains(length)) {
            throw new Hindrance(new Obstacle.WrongLength("is made for %s".formatted(String.join(" or ",
                    ornament.lengths().stream().map(NoteValues::inWords).toList()))));
        }
        if (length.isLess(ornament.from())) {
            throw new Hindrance(new Obstacle.WrongLength(
                    "needs a note worth %s; this one is shorter".formatted(NoteValues.inWords(ornament.from()))));
        }
        if (ornament.to().isPresent() && ornament.to().get().isLess(length)) {
            throw new Hindrance(new Obstacle.WrongLength(
                    "is made for %s; this note is longer".formatted(NoteValues.inWords(ornament.to().get()))));
        }
    }

    /** The body's pulses over the note; the last takes what is left, a repeated one as many times as it fits. */
    private void spread(Ornament body) {
        Ratio left = stand.sounding();
        List<Ornament.Beat> beats = body.pulses(situation.instrument(), situation.school());
        for (int i = 0; i < beats.size() && left.isPositive(); i++) {
            Ornament.Beat beat = beats.get(i);
            boolean last = i == beats.size() - 1;
            Ratio length = beat.length().or(() -> beat.share().map(s -> s.times(stand.sounding())))
                    .or(() -> beat.each().isPresent() ? Optional.of(each(beat.each().getAsInt())) : Optional.empty())
                    .orElse(last ? left : stand.sounding().dividedBy(Ratio.of(beats.size(), 1)));
            if (beat.again()) {
                long times = Math.clamp(left.dividedBy(length).floor(), 1, MOST_REPEATS);
                for (long t = 1; t < times; t++) {
                    add(body, beat, length);
                    left = left.minus(length);
                }
                add(body, beat, left);
            } else {
                length = last || left.isLess(length) ? left : length;
                add(body, beat, length);
                left = left.minus(length);
            }
        }
    }

    /** The part of the note that lasts about so long at the tune's tempo, of as many equal ones as fill it. */
    private Ratio each(int millis) {
        double has = situation.tempo().millis(stand.sounding()).toDouble();
        long times = Math.clamp(Math.round(has / millis), 2, MOST_REPEATS);
        return stand.sounding().dividedBy(Ratio.of(times, 1));
    }

    private void add(Ornament ornament, Ornament.Beat beat, Ratio length) {
        parts.add(parts(ornament, beat.motions()));
        lengths.add(length);
    }

    /** An exit takes the end of the last pulse, or a share of that pulse of its own. */
    private void exit(Ornament ornament) {
        Ornament.Beat beat = ornament.pulses(situation.instrument(), situation.school()).getFirst();
        if (beat.share().isPresent()) {
            Ratio last = lengths.removeLast();
            Ratio own = beat.share().get().times(last);
            lengths.add(last.minus(own));
            lengths.add(own);
            parts.add(parts(ornament, beat.motions()));
        } else {
            parts.getLast().addAll(parts(ornament, beat.motions()));
        }
    }

    private List<Gesture.Part> parts(Ornament ornament, List<Motion> motions) {
        List<Gesture.Part> made = new ArrayList<>();
        for (Motion motion : motions) {
            made.add(hand().part(motion, ornament.id()));
        }
        return made;
    }
}
