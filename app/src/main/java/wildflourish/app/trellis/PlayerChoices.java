package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import wildflourish.app.work.Documents;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.lesson.Student;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Tempo;

/** Who plays, on what, how fast, and in which schools. */
public final class PlayerChoices {

    private static final int SLOWEST = 20;
    private static final int FASTEST = 400;

    private final TrellisModel model;
    private final ReadOnlyStringWrapper student = new ReadOnlyStringWrapper("");

    PlayerChoices(TrellisModel model) {
        this.model = model;
    }

    /** Changes the tempo by so many counts a minute. */
    public void stepTempo(int by) {
        setTempo(model.arrangement().tempo().perMinute().floor() + by);
    }

    /** Sets the tempo to a count a minute of the beat in use, within what can be played. */
    public void setTempo(long count) {
        long possible = Math.clamp(count, SLOWEST, FASTEST);
        Tempo changed = model.arrangement().tempo().withCount(possible);
        if (!changed.isPlayable()) {
            model.tell("no one plays at the tempo " + changed.spoken());
        } else if (!changed.equals(model.arrangement().tempo())) {
            model.edit("tempo " + changed.spoken(), model.arrangement().with(changed));
        }
    }

    /** Sets the student's level; own speeds give way to it. */
    public void setLevel(String name) {
        if (!name.equals(Speeds.OWN) && !model.arrangement().speeds().name().equals(name)) {
            model.edit("level " + name, model.arrangement().with(Speeds.level(name)));
        }
    }

    /** Chooses a school. */
    public void setSchool(String name, String value) {
        School changed = model.arrangement().school().with(name, value);
        if (!changed.equals(model.arrangement().school())) {
            model.edit("school of the %s: %s".formatted(name, value), model.arrangement().with(changed));
        }
    }

    /**
     * A movement whose speed can be set.
     *
     * @param move empty for the same finger moving again
     */
    public record Speed(java.util.Optional<Move> move, String name, Speeds.Span span) {}

    /** The movements that the ornaments of this instrument are made of, with the student's speeds. */
    public List<Speed> speeds() {
        Arrangement now = model.arrangement();
        List<Speed> all = new ArrayList<>();
        for (Move move : model.now().situation().vocabulary().moves()) {
            all.add(new Speed(java.util.Optional.of(move), move.words(), now.speeds().of(move)));
        }
        if (!all.isEmpty()) {
            all.add(new Speed(java.util.Optional.empty(), "same finger again", now.speeds().again()));
        }
        return all;
    }

    /**
     * Sets one of the student's speeds, in milliseconds; says so and changes nothing when they cannot be. The comfortable
     * length follows the floor up when it is left behind.
     */
    public boolean setSpeed(Speed speed, String floor, String comfortable) {
        try {
            Speeds.Span span = new Speeds.Span(Integer.parseInt(floor.strip()), Integer.parseInt(comfortable.strip()));
            if (span.comfortable() > 5000) {
                throw new IllegalArgumentException("no movement takes longer than five seconds");
            }
            Speeds now = model.arrangement().speeds();
            if (!span.equals(speed.span())) {
                Speeds changed = speed.move().map(m -> now.with(m, span)).orElseGet(() -> now.withAgain(span));
                model.edit("%s: %d, with ease %d ms".formatted(speed.name(), span.floor(), span.comfortable()),
                        model.arrangement().with(changed));
            }
            return true;
        } catch (NumberFormatException e) {
            model.tell("write whole milliseconds, like 50 and 75");
        } catch (IllegalArgumentException e) {
            model.tell(String.valueOf(e.getMessage()));
        }
        return false;
    }

    /** How long a breath of the student lasts, in whole seconds; says so and changes nothing where that is no lungful. */
    public void setLungful(String seconds) {
        Speeds now = model.arrangement().speeds();
        try {
            Speeds changed = now.with(Speeds.LUNGFUL, seconds);
            if (!changed.lungs().equals(now.lungs())) {
                model.edit("a lungful of %d seconds".formatted(changed.lungs().lungfulSeconds()), model.arrangement().with(changed));
            }
        } catch (IllegalArgumentException e) {
            model.tell(String.valueOf(e.getMessage()));
        }
    }

    /** Takes another instrument: with the ladder it had there, else with this one carried over. */
    public void setInstrument(String id) {
        Arrangement now = model.arrangement();
        Instrument instrument = Instruments.known(id);
        if (instrument.id().equals(now.instrument().id())) {
            return;
        }
        java.util.Optional<Ladder> kept = now.ladderOn(instrument);
        if (kept.isPresent()) {
            model.edit("on the " + instrument.name(), now.on(instrument, kept.get()));
        } else if (now.instrument().hasHands()) {
            model.later(() -> Translation.of(now, instrument), translation -> unlessEdited(now, instrument, () -> take(translation, instrument)));
        } else {
            model.later(() -> Documents.grown(now.tune(), instrument, now.tempo(), now.speeds(), now.school()),
                    grown -> unlessEdited(now, instrument, () -> model.edit("on the " + instrument.name(), grown)));
        }
    }

    /** The name of the student whom everything follows; empty for nobody. */
    public ReadOnlyStringProperty student() {
        return student.getReadOnlyProperty();
    }

    /** A student played when the window was closed, and plays still; the open tune is as it was left. */
    public void recallStudent(Student student) {
        this.student.set(student.name());
    }

    /** Nobody in particular plays. */
    public void setNobody() {
        student.set("");
    }

    /** A student plays: the open tune as their own version, on their instrument, in their hands. */
    public void setStudent(Student student) {
        this.student.set(student.name());
        Arrangement now = model.arrangement();
        model.later(() -> OwnVersion.of(student, now, now.tempo()), own -> {
            if (!model.arrangement().equals(now)) {
                setStudent(student);
            } else if (!own.arrangement().equals(now)) {
                model.edit("as %s plays it, on the %s".formatted(student.name(), own.arrangement().instrument().name()), own.arrangement());
            }
        });
    }

    /** What was worked out for an arrangement that has been edited meanwhile is worked out again. */
    private void unlessEdited(Arrangement before, Instrument instrument, Runnable change) {
        if (model.arrangement().equals(before)) {
            change.run();
        } else {
            setInstrument(instrument.id());
        }
    }

    /** Takes an instrument with a ladder that has been carried over to it. */
    public void take(Translation translation, Instrument instrument) {
        long left = translation.count(Translation.Kind.LEFT_OUT);
        long changed = translation.count(Translation.Kind.CHANGED);
        String what = translation.steps().isEmpty() ? "" : left + changed == 0 ? ": every ornament carried over"
                : ": %d ornaments carried over, %d changed, %d left out".formatted(
                        translation.steps().size() - left - changed, changed, left);
        model.edit("on the " + instrument.name() + what, model.arrangement().on(instrument, translation.ladder()));
    }

    /** Moves the capo by so many frets, within what the neck allows. */
    public void stepCapo(int by) {
        Instrument instrument = model.arrangement().instrument();
        try {
            Instrument moved = instrument.withCapo(instrument.capo() + by);
            model.edit(moved.capo() == 0 ? "no capo" : "capo at fret " + moved.capo(), model.arrangement().with(moved));
        } catch (IllegalArgumentException e) {
            model.tell(String.valueOf(e.getMessage()));
        }
    }
}
