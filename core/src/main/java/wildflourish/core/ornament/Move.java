package wildflourish.core.ornament;

/** The elementary parts that gestures are made of. The kinds are few and in code; how long each takes is data. */
public enum Move {
    /** A finger above is lifted and put back at once: a click upward. */
    CUT("cut", Kind.CLICK),
    /** A cut on a note with no open hole below, by fingers in turn. */
    CRAN_CUT("cran cut", Kind.CLICK),
    /** A finger below hits its hole and bounces off: a dip. */
    TAP("tap", Kind.CLICK),
    /** The note itself, heard for an instant between two quick movements. */
    TOUCH("note between", Kind.INSTANT),
    /** A finger is drawn along or off its place so that the pitch glides into the note. */
    SLIDE("slide", Kind.GLIDE),
    /** The note itself, sounding on. */
    SOUND("sounding note", Kind.TONE),
    /** The note itself, started by the tongue. */
    TONGUE("tongued note", Kind.TONE),
    /** Another note that takes the place of this one, without a start of its own. */
    PASSING("passing note", Kind.TONE),
    /** A finger leaves its hole for an instant as the others land. */
    POP("pop", Kind.CLICK),
    /** Silence to breathe in. */
    BREATH("breath", Kind.SILENCE),
    /** Another note for an instant: a finger that touches a string or a button and leaves it. */
    GRACE("grace note", Kind.CLICK),
    /** A note started afresh by bow, plectrum, finger or button. */
    STROKE("stroke", Kind.TONE),
    /** A lower note for an instant, from which a finger falls on the ringing string. */
    HAMMER("hammered start", Kind.CLICK),
    /** Another note that a finger sounds as it leaves the string. */
    PULL("pulled-off note", Kind.TONE),
    /** Two fingers strike their holes together and bounce off. */
    SLAP("pair slap", Kind.CLICK),
    /** Fingers overlap on purpose on the way to the next note. */
    OVERLAP("crossing blip", Kind.CLICK),
    /** The chanter is closed for an instant: silence inside the note or at its end. */
    CLOSE("closing", Kind.SILENCE),
    /** A string is pushed aside so that its pitch rises. */
    BEND("bend", Kind.GLIDE),
    /** The pitch slides away downward as the note ends. */
    FALL("fall", Kind.GLIDE),
    /** The note itself with its pitch waving. */
    WAVER("vibrato", Kind.TONE),
    /** The note itself with its loudness swelling or pulsing. */
    SWELL("swell", Kind.TONE),
    /** Another note that sounds along with this one. */
    COMPANY("second note", Kind.ALONG),
    /** The note is joined to the one before: no start of its own. */
    SLUR("slur", Kind.ALONG);

    private enum Kind { CLICK, INSTANT, GLIDE, TONE, SILENCE, ALONG }

    private final String words;
    private final Kind kind;

    Move(String words, Kind kind) {
        this.words = words;
        this.kind = kind;
    }

    /** For reading. */
    public String words() {
        return words;
    }

    /** A click or dip in a sound that goes on. */
    public boolean isBlip() {
        return kind == Kind.CLICK;
    }

    /** A stretch in which a pitch is heard. */
    public boolean isTone() {
        return kind == Kind.TONE;
    }

    /** A pitch that glides. */
    public boolean isGlide() {
        return kind == Kind.GLIDE;
    }

    /** A stretch in which nothing is heard. */
    public boolean isSilence() {
        return kind == Kind.SILENCE;
    }

    /** Something that goes on while other parts follow one another, and takes no time from them. */
    public boolean runsAlong() {
        return kind == Kind.ALONG;
    }

    /** Whether it starts the sound afresh. */
    public boolean isStart() {
        return this == TONGUE || this == STROKE;
    }
}
