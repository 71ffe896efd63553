package wildflourish.library;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.Spoken;
import wildflourish.core.tune.Tempo;

/** The practice log: passes as they were measured, none ever changed. Every method may throw {@link LibraryFault}. */
public final class Log {

    private final Store store;

    Log(Store store) {
        this.store = store;
    }

    /** Writes one pass into the practice log. */
    public void add(LoggedPass pass) {
        add(List.of(pass));
    }

    /** Writes several passes into the log, all of them or none. */
    public void add(List<LoggedPass> passes) {
        store.change(h -> passes.forEach(p -> insert(h, p)));
    }

    private static void insert(Handle h, LoggedPass pass) {
        h.createUpdate("INSERT INTO practice_pass (at, seconds, tune_id, subject, passage, instrument, rung, hands, tempo,"
                        + " part_ms, even, variation, drift, offset_ms, expected, missed, extra, ornaments_meant, ornaments_came, student_id) VALUES (:at, :seconds, :tune, :subject,"
                        + " :passage, :instrument, :rung, :hands, :tempo, :part, :even, :variation, :drift, :offset, :expected, :missed, :extra, :meant, :came, :student)")
                .bind("at", pass.at().toString()).bind("seconds", pass.seconds()).bind("tune", pass.tune().orElse(null))
                .bind("subject", pass.subject()).bind("passage", pass.passage()).bind("instrument", pass.instrument())
                .bind("rung", pass.rung()).bind("hands", pass.hands()).bind("tempo", pass.tempo().map(Tempo::toString).orElse(null))
                .bind("part", pass.partMs()).bind("even", pass.even()).bind("variation", pass.variation()).bind("drift", pass.drift())
                .bind("offset", pass.offsetMs()).bind("expected", pass.expected()).bind("missed", pass.missed()).bind("extra", pass.extra())
                .bind("meant", pass.spoken().meant()).bind("came", pass.spoken().came()).bind("student", pass.student().orElse(null))
                .execute();
    }

    /** The practice log, the oldest pass first. */
    public Rows<LoggedPass> passes() {
        return store.read(h -> Reader.all(h, "practised pass", "* FROM practice_pass WHERE true", Log::pass));
    }

    private static LoggedPass pass(ResultSet r) throws SQLException {
        long tune = r.getLong("tune_id");
        Optional<Long> known = r.wasNull() ? Optional.empty() : Optional.of(tune);
        long student = r.getLong("student_id");
        Optional<Long> who = r.wasNull() ? Optional.empty() : Optional.of(student);
        return new LoggedPass(Instant.parse(r.getString("at")), r.getDouble("seconds"), known, r.getString("subject"), r.getString("passage"),
                r.getString("instrument"), r.getString("rung"), r.getString("hands"), Optional.ofNullable(r.getString("tempo")).map(Tempo::parse),
                r.getInt("part_ms"), r.getBoolean("even"), r.getDouble("variation"), r.getDouble("drift"), r.getDouble("offset_ms"),
                r.getInt("expected"), r.getInt("missed"), r.getInt("extra"),
                new Spoken(r.getInt("ornaments_came"), r.getInt("ornaments_meant")), who);
    }
}
