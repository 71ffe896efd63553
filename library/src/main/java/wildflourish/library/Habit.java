package wildflourish.library;

/** Where a pitch is usually played on an instrument, as texts. */
public record Habit(String instrument, String pitch, String place) {}
