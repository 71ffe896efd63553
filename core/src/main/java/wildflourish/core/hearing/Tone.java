package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A note that was heard, of no tune in particular.
 *
 * @param fromMs since the recording begins
 * @param midi sounding MIDI note number
 */
public record Tone(double fromMs, double toMs, int midi) {

    private static final int LOWEST = 36;
    private static final int HIGHEST = 104;
    private static final int PITCHES = HIGHEST - LOWEST + 1;
    private static final int REST = PITCHES;
    private static final float FAR = Float.MAX_VALUE / 4;

    /**
     * The notes of what was heard, graces left out: the cheapest way of giving every frame a pitch or silence, each change and each new start at its price. Exact, by dynamic
     * programming over frames and pitches.
     */
    static List<Tone> of(Heard heard, ByEar.Weights weights) {
        int frames = heard.size();
        if (frames == 0) {
            return List.of();
        }
        double tuning = heard.tuning();
        byte[][] from = new byte[frames][];
        boolean[][] anew = new boolean[frames][];
        float[] cost = new float[PITCHES + 1];
        for (int p = 0; p <= REST; p++) {
            cost[p] = away(heard, 0, p, tuning);
        }
        for (int f = 1; f < frames; f++) {
            float[] before = cost;
            cost = new float[PITCHES + 1];
            byte[] back = new byte[PITCHES + 1];
            boolean[] starts = new boolean[PITCHES + 1];
            int best = 0;
            int second = 1;
            for (int p = 0; p <= REST; p++) {
                if (before[p] < before[best]) {
                    second = best;
                    best = p;
                } else if (p != best && (before[p] < before[second] || second == best)) {
                    second = p;
                }
            }
            float attack = heard.attack()[f];
            for (int p = 0; p <= REST; p++) {
                int other = p == best ? second : best;
                float stays = before[p];
                float changes = before[other] + (float) (weights.change() - weights.attackSaves() * attack);
                float again = p == REST ? FAR : before[p] + (float) (weights.again() - weights.attackBegins() * attack);
                float least = Math.min(stays, Math.min(changes, again));
                cost[p] = least + away(heard, f, p, tuning);
                back[p] = (byte) (least == changes && changes < stays ? other : p);
                starts[p] = least == again && again < stays || least == changes && changes < stays;
            }
            from[f] = back;
            anew[f] = starts;
        }
        int state = 0;
        for (int p = 0; p <= REST; p++) {
            state = cost[p] < cost[state] ? p : state;
        }
        return merged(traced(heard, from, anew, state), weights.shortestMs());
    }

    private static List<Tone> traced(Heard heard, byte[][] from, boolean[][] anew, int last) {
        List<Tone> tones = new ArrayList<>();
        int state = last;
        int end = heard.size();
        for (int f = heard.size() - 1; f >= 0; f--) {
            boolean starts = f == 0 || anew[f][state];
            if (starts) {
                if (state != REST) {
                    tones.addFirst(new Tone(heard.ms(f), heard.ms(end), state + LOWEST));
                }
                end = f;
                state = f == 0 ? state : from[f][state];
            }
        }
        return tones;
    }

    /** What is too short to be a note belongs to the one behind it, or else before it. */
    private static List<Tone> merged(List<Tone> tones, double shortestMs) {
        List<Tone> merged = new ArrayList<>();
        double begun = Double.NaN;
        for (int i = 0; i < tones.size(); i++) {
            Tone tone = tones.get(i);
            boolean touches = i + 1 < tones.size() && tones.get(i + 1).fromMs() - tone.toMs() < 1;
            double from = Double.isNaN(begun) ? tone.fromMs() : begun;
            if (tone.toMs() - tone.fromMs() < shortestMs && touches) {
                begun = from;
            } else {
                if (tone.toMs() - from >= shortestMs) {
                    merged.add(new Tone(from, tone.toMs(), tone.midi()));
                }
                begun = Double.NaN;
            }
        }
        return merged;
    }

    private static float away(Heard heard, int frame, int pitch, double tuning) {
        float midi = heard.midi()[frame];
        if (pitch == REST) {
            return Float.isNaN(midi) ? 0 : 0.9f;
        }
        if (Float.isNaN(midi)) {
            return 0.5f;
        }
        double from = midi - tuning - pitch - LOWEST;
        double far = Math.abs(from);
        return far < 0.5 ? 0 : far < 1 ? (float) (2 * far - 1) : Happening.isTogether(from) ? 0.6f : 1;
    }
}
