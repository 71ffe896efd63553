package wildflourish.app.listening;

import java.util.Optional;
import wildflourish.sound.engine.Engine;
import wildflourish.sound.engine.Output;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Moment;

/** What plays courses: the engine, or what a test puts in its place. */
public interface Player {

    void play(Course course);

    void stop();

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
