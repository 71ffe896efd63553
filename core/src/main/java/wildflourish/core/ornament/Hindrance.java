package wildflourish.core.ornament;

/** Leaves the building of a gesture at the first obstacle; never seen outside this package. */
final class Hindrance extends RuntimeException {

    private static final long serialVersionUID = 1L;
    private final transient Obstacle obstacle;

    Hindrance(Obstacle obstacle) {
        super(null, null, false, false);
        this.obstacle = obstacle;
    }

    Obstacle obstacle() {
        return obstacle;
    }
}
