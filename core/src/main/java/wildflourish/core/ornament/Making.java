package wildflourish.core.ornament;

/** The outcome of putting ornaments on a note: the gesture, or what stands in its way. */
public sealed interface Making {

    record Made(Gesture gesture) implements Making {}

    record Hindered(Obstacle obstacle) implements Making {}
}
