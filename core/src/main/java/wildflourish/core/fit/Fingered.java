package wildflourish.core.fit;

import wildflourish.core.instrument.Instrument;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Key;

/**
 * The key that is heard, and the key that a player's fingers think in: on a B flat whistle E minor fingering sounds C minor, behind a capo at the second fret G
 * shapes sound in A (common practice).
 */
public record Fingered(Instrument instrument, Key sounding, Key fingered) {

    private static final int OCTAVE = 12;

    /** How an instrument is fingered in a key. */
    public static Fingered of(Key sounding, Instrument instrument) {
        return new Fingered(instrument, sounding, instrument.shapesBelow() % OCTAVE == 0 ? sounding : Moved.by(sounding, interval(sounding, instrument)));
    }

    /** How an arrangement's tune is fingered. */
    public static Fingered of(Arrangement arrangement) {
        return of(arrangement.tune().head().key(), arrangement.instrument());
    }

    private static Interval interval(Key sounding, Instrument instrument) {
        return Moved.interval(sounding, -instrument.shapesBelow());
    }

    /** Whether the two keys are different ones. */
    public boolean differs() {
        return !fingered.equals(sounding);
    }

    /** Both keys, the sounding one first: {@code C minor, E minor fingering}; one alone where they are the same. */
    public String inWords() {
        return !differs() ? sounding.spoken() : "%s, %s".formatted(sounding.spoken(), how());
    }

    /** How it is fingered: {@code E minor fingering}, {@code G major shapes, capo 2}. */
    public String how() {
        return instrument.capo() > 0 ? "%s shapes, capo %d".formatted(fingered.spoken(), instrument.capo()) : fingered.spoken() + " fingering";
    }

    /**
     * A version as its player reads it who reads what the fingers do: the same fingers, places and ornaments on notes that are written in the fingered key. It sounds as
     * before. The version itself where the two keys are the same.
     */
    public static Version read(Version version) {
        Arrangement heard = version.arrangement();
        Instrument instrument = heard.instrument();
        if (instrument.shapesBelow() == 0) {
            return version;
        }
        Interval by = interval(heard.tune().head().key(), instrument);
        return new Arrangement(Moved.by(heard.tune(), by), instrument.asFingered(), heard.tempo(), heard.speeds(), heard.school(), heard.choices(), heard.marks(),
                heard.wishes(), heard.rounds(), Moved.by(heard.ladder(), by), heard.elsewhere(), heard.unread()).version(version.rung());
    }
}
