package wildflourish.app.trellis;

import javafx.scene.Node;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;

/** A screen about the open tune: its edits are those of the trellis, and are taken back there. */
public abstract class TuneScreen<V extends Node> extends LazyScreen<V> {

    private final TrellisModel trellis;

    /** A screen over the open tune. */
    protected TuneScreen(Plate plate, TrellisModel trellis) {
        super(plate);
        this.trellis = trellis;
    }

    /** The open tune. */
    protected final TrellisModel trellis() {
        return trellis;
    }

    @Override
    public boolean canUndo() {
        return trellis.isOpen() && trellis.now().canUndo();
    }

    @Override
    public boolean undo() {
        if (trellis.isOpen()) {
            trellis.undo();
        }
        return trellis.isOpen();
    }

    @Override
    public boolean redo() {
        if (trellis.isOpen()) {
            trellis.redo();
        }
        return trellis.isOpen();
    }
}
