package wildflourish.core.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import wildflourish.core.ornament.Performance;
import wildflourish.core.ornament.Sound;
import wildflourish.core.tune.PlayedOut;

/**
 * The onsets that a player is expected to make, in order.
 *
 * @param onsets strictly ascending in time
 * @param lengthMs from the first moment to the end of the last onset's time
 */
public record Expected(List<Onset> onsets, double lengthMs) {

    /**
     * One onset.
     *
     * @param atMs milliseconds since the beginning
     * @param pulse which pulse of its beat it falls on, from 1; 0 when on none
     * @param pulses how many pulses its beat has
     * @param note index of the written note; for patterns without a tune, the number of the onset from 0
     */
    public record Onset(double atMs, int pulse, int pulses, int note) {}

    public Expected {
        onsets = List.copyOf(onsets);
        for (int i = 1; i < onsets.size(); i++) {
            if (onsets.get(i).atMs() <= onsets.get(i - 1).atMs()) {
                throw new IllegalArgumentException("onsets follow one another in time");
            }
        }
    }

    /**
     * The onsets of the notes of a tune, which stand where they are whatever ornaments are placed on them.
     *
     * @param span what is played, its start being moment 0
     */
    public static Expected of(Performance performance, PlayedOut tune, PlayedOut.Span span, Lilt lilt) {
        double from = tune.msAt(span.from());
        double to = tune.msAt(span.to());
        var played = lilt.over(tune);
        List<PlayedOut.Beat> beats = tune.beats();
        List<Onset> onsets = new ArrayList<>();
        List<Sound> melody = performance.melody().stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList();
        int beat = 0;
        for (Sound sound : melody) {
            boolean inside = sound.atMs() > from - 0.5 && sound.atMs() < to - 0.5;
            boolean fresh = onsets.isEmpty() || played.applyAsDouble(sound.atMs()) - from > onsets.getLast().atMs() + 0.5;
            if (inside && fresh) {
                while (beat + 1 < beats.size() && beats.get(beat + 1).atMs() < sound.atMs() + 0.5) {
                    beat++;
                }
                int pulses = beats.isEmpty() ? 1 : pulses(beats.get(beat));
                onsets.add(new Onset(Math.max(0, played.applyAsDouble(sound.atMs()) - from),
                        pulse(tune, beats, beat, sound.atMs()), pulses, sound.note()));
            }
        }
        return new Expected(onsets, to - from);
    }

    private static int pulse(PlayedOut tune, List<PlayedOut.Beat> beats, int beat, double ms) {
        if (beats.isEmpty() || ms < beats.get(beat).atMs() - 0.5) {
            return 0;
        }
        PlayedOut.Beat in = beats.get(beat);
        double length = tune.msAt(in.position().plus(in.length())) - in.atMs();
        int pulses = pulses(in);
        double share = (ms - in.atMs()) / length * pulses;
        return Math.abs(share - Math.round(share)) < 0.02 && Math.round(share) < pulses ? (int) Math.round(share) + 1 : 0;
    }

    private static int pulses(PlayedOut.Beat beat) {
        return beat.length().numerator() % 3 == 0 ? 3 : 2;
    }

    /**
     * A pattern of gaps played over and over, without a tune; the last gap leads to the first onset of the next time.
     *
     * @param gapsMs each above 0
     */
    public static Expected pattern(List<Double> gapsMs, int times) {
        List<Onset> onsets = new ArrayList<>();
        double at = 0;
        for (int t = 0; t < times; t++) {
            for (int g = 0; g < gapsMs.size(); g++) {
                onsets.add(new Onset(at, g + 1, gapsMs.size(), onsets.size()));
                at += gapsMs.get(g);
            }
        }
        return new Expected(onsets, at);
    }

    public int size() {
        return onsets.size();
    }
}
