package wildflourish.core.tune;

/** What a bar holds, in order: notes, rests, and changes of key, meter or tempo between them. */
public sealed interface Element permits Note, Rest, Change {

    /** Sounding length; zero for a change. */
    Ratio length();
}
