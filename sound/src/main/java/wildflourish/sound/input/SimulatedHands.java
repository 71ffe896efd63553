package wildflourish.sound.input;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.SimulatedStudent;

/** Somebody made up. */
public final class SimulatedHands implements Tapper {

    private final SimulatedStudent student;
    private final long seed;
    private List<Double> planned = List.of();
    private int given;

    /** The same student with the same seed plays the same. */
    public SimulatedHands(SimulatedStudent student, long seed) {
        this.student = student;
        this.seed = seed;
    }

    @Override
    public String name() {
        return student.words();
    }

    @Override
    public void begin(Expected expected, int pass) {
        planned = student.play(expected, pass, seed);
        given = 0;
    }

    @Override
    public List<Double> upTo(double nowMs) {
        List<Double> made = new ArrayList<>();
        while (given < planned.size() && planned.get(given) <= nowMs) {
            made.add(planned.get(given++));
        }
        return made;
    }
}
