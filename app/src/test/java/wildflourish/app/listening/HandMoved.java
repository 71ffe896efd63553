package wildflourish.app.listening;

import java.util.Optional;
import java.util.OptionalLong;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Moment;
import wildflourish.sound.transport.Sounding;
import wildflourish.sound.voice.Voice;

/** A player whose sound stands still until it is moved. */
public final class HandMoved implements Player {

    private Course course;
    private Sounding other;
    private long frame;
    private int orders;

    @Override
    public void play(Course next) {
        course = next;
        frame = 0;
        orders++;
    }

    @Override
    public void stop() {
        course = null;
    }

    @Override
    public void play(Sounding what) {
        course = null;
        other = what;
        frame = 0;
        orders++;
    }

    @Override
    public OptionalLong heardOf(Sounding what) {
        return what == other ? OptionalLong.of(frame) : OptionalLong.empty();
    }

    @Override
    public Optional<Moment> now() {
        return course().map(c -> c.at(frame));
    }

    @Override
    public Optional<Course> course() {
        return Optional.ofNullable(course);
    }

    @Override
    public String device() {
        return "";
    }

    @Override
    public double latencyMs() {
        return 0;
    }

    /** Lets the sound go on. */
    public void goOn(double ms) {
        frame += Math.round(ms * Voice.RATE / 1000);
    }

    /** What is played; something must be. */
    public Itinerary itinerary() {
        return course.itinerary();
    }

    /** How often something was begun. */
    int orders() {
        return orders;
    }
}
