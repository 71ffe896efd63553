package wildflourish.app.work;

import java.util.function.Consumer;

/** Work in the background that is over before anybody looks, for tests. */
public final class AtOnce {

    private AtOnce() {}

    public static Background background(Consumer<String> say) {
        return new Background(Runnable::run, Runnable::run, new Trouble(say));
    }
}
