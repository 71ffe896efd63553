package wildflourish.core.setting;

/** A version of a tune and the name a teacher gives it. */
public record Rung(String name, Setting setting) {}
