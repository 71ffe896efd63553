package wildflourish.app.listening;

import java.util.Optional;
import java.util.OptionalLong;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.Output;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Moment;
import wildflourish.sound.transport.Sounding;

/** What plays courses: the engine, or what a test puts in its place. */
public interface Player {

    void play(Course course);

    void stop();

    /** Plays something else than a course. */
    void play(Sounding what);

    /** How many samples have been heard of something else; empty where that is not what is played. */
    OptionalLong heardOf(Sounding what);

    /** What is heard now; empty when nothing is played. */
    Optional<Moment> now();

    /** What is played; empty when nothing is. */
    Optional<Course> course();

    /** What is to be said about the device; empty while it can be heard. */
    String device();

    /** Milliseconds between playing and hearing. */
    double latencyMs();

    /** A player on an engine. */
    static Player on(Engine engine) {
        return new Player() {
            @Override
            public void play(Course course) {
                engine.play(course);
            }

            @Override
            public void stop() {
                engine.stop();
            }

            @Override
            public void play(Sounding what) {
                engine.play(what);
            }

            @Override
            public OptionalLong heardOf(Sounding what) {
                return engine.heardOf(what);
            }

            @Override
            public Optional<Moment> now() {
                return engine.now();
            }

            @Override
            public Optional<Course> course() {
                return engine.course();
            }

            @Override
            public String device() {
                return engine.output().filter(o -> !o.isAudible()).map(Output::name).orElse("");
            }

            @Override
            public double latencyMs() {
                return engine.latencyMs();
            }
        };
    }
}
