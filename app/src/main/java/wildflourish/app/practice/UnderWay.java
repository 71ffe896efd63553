package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import wildflourish.core.practice.PracticePlan;
import wildflourish.sound.input.Stretch;
import wildflourish.sound.input.Tapper;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Moment;

/** A sitting under way: which of its turns is on, and what has been played in it. */
final class UnderWay {

    private final Sitting sitting;
    private final Course course;
    private final Tapper hands;
    private final List<Double> early = new ArrayList<>();
    private final List<Double> played = new ArrayList<>();
    private volatile int leg = -1;

    UnderWay(Sitting sitting, Tapper hands) {
        this.sitting = sitting;
        this.hands = hands;
        this.course = Course.of(sitting.itinerary());
    }

    Course course() {
        return course;
    }

    /** Index of the turn that is on; below 0 before the first. */
    int leg() {
        return leg;
    }

    Sitting.Planned turn() {
        return sitting.turns().get(leg);
    }

    boolean isLast() {
        return leg + 1 == sitting.turns().size();
    }

    /** Whether the turn that is on is the student's. */
    boolean isGraded() {
        return leg >= 0 && sitting.itinerary().legs().get(leg).graded();
    }

    /** What has been played in the turn so far, with what was played just before it. */
    List<Double> played() {
        return List.copyOf(played);
    }

    /**
     * A moment of the sound in milliseconds since the turn in hand began: beyond its length when the sound has gone on to the next
     * and nobody has looked yet. From any thread.
     */
    double sinceTurn(Moment moment) {
        double ms = moment.ms();
        for (int l = Math.max(0, leg); l < moment.leg(); l++) {
            ms += sitting.itinerary().legs().get(l).lengthMs() + sitting.itinerary().legs().get(l + 1).countInMs();
        }
        return ms;
    }

    /** Takes from the hands what they have done up to a moment of the turn. */
    void listen(double ms) {
        if (isGraded()) {
            played.addAll(hands.upTo(ms));
        }
    }

    /**
     * Ends the turn that is on: of a student's nothing is missed; what is played after its end, and at the end of a turn that is not
     * the student's, belongs to the student's turn that follows at once.
     */
    void end() {
        boolean follows = leg >= 0 && !isLast() && followsAtOnce(sitting.itinerary().legs().get(leg + 1));
        double length = leg >= 0 ? sitting.itinerary().legs().get(leg).lengthMs() : 0;
        listen(Double.MAX_VALUE);
        double from = isGraded() ? 0 : -PracticePlan.earlyMs();
        List<Double> made = isGraded() ? List.copyOf(played) : follows ? hands.upTo(Double.MAX_VALUE) : List.of();
        if (follows) {
            made.stream().map(at -> at - length).filter(at -> at >= from).forEach(early::add);
            played.removeIf(at -> at >= length);
        }
        played.sort(null);
    }

    private static boolean followsAtOnce(Leg next) {
        return next.graded() && next.countInMs() == 0;
    }

    /**
     * Begins the next turn.
     *
     * @param pass how many passes were played before it in this sitting
     */
    void begin(int pass) {
        leg++;
        played.clear();
        if (isGraded()) {
            hands.begin(new Stretch(turn().turn().expected(), sitting.itinerary().legs().get(leg), turn().drill(), pass));
            played.addAll(early);
        }
        early.clear();
    }
}
