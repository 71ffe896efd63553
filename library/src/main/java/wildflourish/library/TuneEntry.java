package wildflourish.library;

/** A tune on the shelf, without its music. */
public record TuneEntry(long id, String title, String type, String key, String meter) {}
