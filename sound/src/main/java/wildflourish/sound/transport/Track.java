package wildflourish.sound.transport;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import wildflourish.sound.cue.Cue;
import wildflourish.sound.voice.Voice;

/**
 * A leg in samples: what is done at which of them.
 *
 * @param lead samples that are counted in
 * @param frames samples of everything, the lead among them
 * @param frameOf the sample of each event, in order
 * @param cues what is done then
 * @param parts who does it: 0 for the piece, from 1 on for those beside it, {@link #UNDER} or {@link #CLICK}
 */
record Track(long lead, long frames, long[] frameOf, Cue[] cues, int[] parts) {

    static final int UNDER = -1;
    static final int CLICK = -2;

    private record Event(double ms, int part, Cue cue) {}

    /**
     * The whole leg, or what is left of it.
     *
     * @param fromMs entered so late, in milliseconds of its stretch; below 0 within the count-in
     */
    static Track of(Leg leg, Backing backing, double fromMs) {
        double countIn = leg.countInMs();
        double skipped = countIn + fromMs;
        double length = leg.lengthMs();
        List<Event> events = new ArrayList<>();
        if (leg.sounding()) {
            double entered = Math.max(0, fromMs);
            double offset = countIn + entered - skipped;
            plays(events, 0, leg.piece(), leg, entered, offset);
            for (int i = 0; i < leg.beside().size(); i++) {
                plays(events, i + 1, leg.beside().get(i).piece(), leg, entered, offset);
            }
            Underneath.of(leg, backing.under()).between(entered, length)
                    .forEach(c -> events.add(new Event(offset + c.atMs(), UNDER, c)));
        }
        leg.knocks(backing.metronome()).forEach(k -> click(events, k.atMs() - skipped, k.strength()));
        events.sort(Comparator.comparingDouble(Event::ms));
        long lead = frames(Math.max(0, -fromMs));
        return new Track(Math.min(lead, frames(countIn)), frames(countIn + length - skipped), events.stream().mapToLong(e -> frames(e.ms())).toArray(),
                events.stream().map(Event::cue).toArray(Cue[]::new), events.stream().mapToInt(Event::part).toArray());
    }

    /** What one of them does from {@code entered} on, in milliseconds of the stretch. */
    private static void plays(List<Event> events, int part, Piece piece, Leg leg, double entered, double offset) {
        double start = piece.played().msAt(leg.span().from());
        double end = piece.played().msAt(leg.span().to());
        if (!piece.voice().drones().isEmpty()) {
            events.add(new Event(offset, part, new Cue(0, Cue.Kind.ATTACK, Cue.DRONES, 0, 0, 1)));
        }
        piece.cues().between(start + entered, end).forEach(c -> events.add(new Event(offset + c.atMs(), part, c)));
    }

    private static void click(List<Event> events, double ms, int strength) {
        if (ms > -0.5) {
            events.add(new Event(Math.max(0, ms), CLICK, new Cue(0, Cue.Kind.ATTACK, 0, strength, 0, strength == 0 ? 0.4 : 0.8)));
        }
    }

    static long frames(double ms) {
        return Math.round(ms / 1000 * Voice.RATE);
    }
}
