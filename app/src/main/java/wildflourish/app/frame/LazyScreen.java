package wildflourish.app.frame;

import javafx.scene.Node;
import org.jspecify.annotations.Nullable;
import wildflourish.app.paint.Look;

/** A screen whose view is made when it is first wanted, and dressed as the window is by then. */
public abstract class LazyScreen<V extends Node> implements Screen {

    private final Plate plate;
    private Look look = Look.USUAL;
    private @Nullable V view;

    /** A screen whose door says so. */
    protected LazyScreen(Plate plate) {
        this.plate = plate;
    }

    @Override
    public final String id() {
        return plate.id();
    }

    @Override
    public final String words() {
        return plate.words();
    }

    @Override
    public final String question() {
        return plate.question();
    }

    @Override
    public final String key() {
        return plate.key();
    }

    @Override
    public final String drawing() {
        return plate.drawing();
    }

    /** Makes the view. */
    protected abstract V make();

    /** Puts a look on the view. */
    protected abstract void dress(V dressed, Look newLook);

    /** The view, made now if it was not. */
    public final V view() {
        V there = view;
        if (there == null) {
            there = make();
            view = there;
            dress(there, look);
        }
        return there;
    }

    @Override
    public final Node node() {
        return view();
    }

    /** Whether the view has been made. */
    protected final boolean isMade() {
        return view != null;
    }

    @Override
    public final void dress(Look newLook) {
        look = newLook;
        if (view != null) {
            dress(view, newLook);
        }
    }
}
