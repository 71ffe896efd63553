package wildflourish.formats;

/** How many of the like a test tries: fewer in every build, all with {@code -Dflourish.thorough=true}, as before a release. */
public final class Thorough {

    private Thorough() {}

    public static int of(int everyBuild, int all) {
        return Boolean.getBoolean("flourish.thorough") ? all : everyBuild;
    }
}
