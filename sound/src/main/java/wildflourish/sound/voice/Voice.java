package wildflourish.sound.voice;

import wildflourish.sound.cue.Cue;

/** A sounding instrument. For one thread; after it is made nothing allocates. */
public interface Voice {

    /** Samples a second of everything that sounds here. */
    int RATE = 48_000;

    /** Does what a cue says, from the next sample on. Cues of kinds that the instrument has no means for are passed over. */
    void take(Cue cue);

    /** Adds its samples to {@code into[from]} to {@code into[to - 1]}; an ordinary start peaks below 1. */
    void render(float[] into, int from, int to);

    /** Whether nothing would be heard from it without another start. */
    boolean isSilent();
}
