package wildflourish.library;

/** Told how far something is that may take long; ends it by throwing what it likes, and nothing is changed then. */
public interface Progress {

    /** For work that nobody watches. */
    Progress NONE = (done, all) -> { };

    /** So many bytes of all are done. */
    void at(long done, long all);
}
