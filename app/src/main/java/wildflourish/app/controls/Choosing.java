package wildflourish.app.controls;

import java.util.function.Function;
import javafx.util.StringConverter;

/** How the entries of a box that is chosen from, and not typed into, are called. */
public final class Choosing {

    private Choosing() {}

    public static <T> StringConverter<T> by(Function<T, String> name) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : name.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new IllegalStateException("these boxes are not typed into");
            }
        };
    }
}
