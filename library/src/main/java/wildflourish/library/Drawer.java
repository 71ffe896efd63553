package wildflourish.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Objects;
import java.util.Optional;

/**
 * The drawer of a teacher's own things: instruments, licks, habits, and whatever else is remembered under a name, all as texts.
 * Every method may throw {@link LibraryFault}.
 */
public final class Drawer {

    private final Store store;

    Drawer(Store store) {
        this.store = store;
    }

    /** Keeps a value under a name, over the one kept before. */
    public void remember(String name, String value) {
        store.change(h -> h.createUpdate("INSERT INTO remembered (name, value) VALUES (:name, :value)"
                        + " ON CONFLICT (name) DO UPDATE SET value = excluded.value")
                .bind("name", name).bind("value", value).execute());
    }

    /** The value kept under a name. */
    public Optional<String> remembered(String name) {
        return store.read(h -> h.createQuery("SELECT value FROM remembered WHERE name = :name").bind("name", name)
                .mapTo(String.class).findOne());
    }

    /** Keeps the text of an instrument's file under its id, over the one kept before. */
    public void keepInstrument(String id, String document) {
        store.change(h -> h.createUpdate("INSERT INTO own_instrument (id, document) VALUES (:id, :document)"
                        + " ON CONFLICT (id) DO UPDATE SET document = excluded.document")
                .bind("id", id).bind("document", document).execute());
    }

    /** Keeps an instrument no longer. */
    public void forgetInstrument(String id) {
        store.change(h -> h.createUpdate("DELETE FROM own_instrument WHERE id = :id").bind("id", id).execute());
    }

    /** The texts of the instruments kept, in the order in which they came. */
    public Rows<String> instruments() {
        return store.read(h -> Reader.all(h, "instrument", "document FROM own_instrument WHERE true", r -> text(r, 2)));
    }

    /** Keeps the text of a lick under its name, over the one kept before. */
    public void keepLick(String name, String document) {
        store.change(h -> h.createUpdate("INSERT INTO lick (name, document) VALUES (:name, :document)"
                        + " ON CONFLICT (name) DO UPDATE SET document = excluded.document")
                .bind("name", name).bind("document", document).execute());
    }

    /** Keeps a lick no longer. */
    public void forgetLick(String name) {
        store.change(h -> h.createUpdate("DELETE FROM lick WHERE name = :name").bind("name", name).execute());
    }

    /** The texts of the licks kept, in the order in which they came. */
    public Rows<String> licks() {
        return store.read(h -> Reader.all(h, "lick", "document FROM lick WHERE true", r -> text(r, 2)));
    }

    /** Keeps where a pitch is played on an instrument. */
    public void keepHabit(Habit habit) {
        store.change(h -> h.createUpdate("INSERT INTO habit (instrument, pitch, place) VALUES (:instrument, :pitch, :place)"
                        + " ON CONFLICT (instrument, pitch) DO UPDATE SET place = excluded.place")
                .bind("instrument", habit.instrument()).bind("pitch", habit.pitch()).bind("place", habit.place())
                .execute());
    }

    /** Ends a habit; its place does not matter. */
    public void endHabit(Habit habit) {
        store.change(h -> h.createUpdate("DELETE FROM habit WHERE instrument = :instrument AND pitch = :pitch")
                .bind("instrument", habit.instrument()).bind("pitch", habit.pitch()).execute());
    }

    /** Every habit kept. */
    public Rows<Habit> habits() {
        return store.read(h -> Reader.all(h, "habit", "instrument, pitch, place FROM habit WHERE true",
                r -> new Habit(text(r, 2), text(r, 3), text(r, 4))));
    }

    private static String text(ResultSet row, int column) throws SQLException {
        return Objects.requireNonNull(row.getString(column));
    }
}
