package wildflourish.core.instrument;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Step;

/** The rules that the rows of a free-reed instrument must keep; common practice, none of them read from a layout. */
final class ReedRules {

    /** Semitones above the key note that a push button of a keyed row sounds: its common chord. */
    private static final Set<Integer> PUSH = Set.of(0, 4, 7);
    /** The other four degrees of the major scale. */
    private static final Set<Integer> PULL = Set.of(2, 5, 9, 11);
    /** At the low end of a row a pull button may give the fifth. */
    private static final int FIFTH = 7;
    private static final int LOW_BUTTONS = 2;

    private ReedRules() {}

    static void faults(ButtonBoard.File file, List<String> faults) {
        Map<String, Integer> lowestOfRow = new HashMap<>();
        for (ButtonBoard.Side side : file.sides()) {
            for (ButtonBoard.Row row : side.rows()) {
                boolean first = lowestOfRow.putIfAbsent(row.name(), 1) == null;
                row(side, row, file.twoWay(), first, faults);
            }
        }
    }

    private static void row(
            ButtonBoard.Side side, ButtonBoard.Row row, boolean twoWay, boolean first, List<String> faults) {
        int lastPush = Integer.MIN_VALUE;
        int lastPull = Integer.MIN_VALUE;
        for (int b = 0; b < row.buttons().size(); b++) {
            String[] notes = row.buttons().get(b).split("/");
            Pitch push = Pitch.parse(notes[0].strip());
            Pitch pull = Pitch.parse(notes[notes.length - 1].strip());
            String where = "row %s, button %d (%s)".formatted(row.name(), b + 1, row.buttons().get(b));
            boolean keyed = row.key() != null;
            if (push.midi() < lastPush && (keyed || !twoWay) || pull.midi() < lastPull && (keyed || !twoWay)) {
                faults.add(where + ": along the row the pitch never falls in either direction of the bellows");
            }
            lastPush = push.midi();
            lastPull = pull.midi();
            if (keyed) {
                keyed(row.key(), push, pull, first && b < LOW_BUTTONS, where, faults);
            }
            if (!twoWay) {
                stave(side, push, where, faults);
            }
        }
    }

    private static void keyed(String key, Pitch push, Pitch pull, boolean low, String where, List<String> faults) {
        int tonic = Pitch.parse(key + "4").midi();
        int pushDegree = Math.floorMod(push.midi() - tonic, 12);
        int pullDegree = Math.floorMod(pull.midi() - tonic, 12);
        if (!PUSH.contains(pushDegree)) {
            faults.add("%s: pushing a button of the %s row sounds its first, third or fifth, not %s".formatted(
                    where, key, push.spoken()));
        }
        if (!PULL.contains(pullDegree) && !(low && pullDegree == FIFTH)) {
            faults.add("%s: pulling a button of the %s row sounds its second, fourth, sixth or seventh, not %s".formatted(
                    where, key, pull.spoken()));
        }
    }

    /** Lines of the stave on the left hand, spaces on the right: an English system alternates hands step by step. */
    private static void stave(ButtonBoard.Side side, Pitch pitch, String where, List<String> faults) {
        int bottomLine = new Pitch(Step.E, 0, 4).diatonic();
        boolean line = Math.floorMod(pitch.diatonic() - bottomLine, 2) == 0;
        if (pitch.alter() == 0 && line != "left".equals(side.side())) {
            faults.add("%s: a note on a line of the stave is for the left hand, one in a space for the right".formatted(
                    where));
        }
    }
}
