package wildflourish.app.guide;

/** What the guide may do in the window that it stands in. For the interface's thread. */
public interface Doing {

    /** Presses a key, written as the list of keys writes it; whether anything can be done by it here and now. */
    boolean press(String key);

    /** Whether words can be read on the window beside the guide, in capitals or not. */
    boolean isSeen(String words);

    /** Tells the teacher something. */
    void say(String words);
}
