package wildflourish.library;

import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jdbi.v3.core.Handle;
import wildflourish.core.lesson.Student;

/**
 * Students, what they learn, what they were given, and when they met. Each change is one transaction. Every method may throw {@link LibraryFault}.
 */
public final class People {

    private final Store store;
    private final Clock clock;

    People(Store store, Clock clock) {
        this.store = store;
        this.clock = clock;
    }

    /** Takes in a student; their id. */
    public long add(Student student) {
        return store.write(h -> h.createUpdate("INSERT INTO student (document, joined_at) VALUES (:document, :at)").bind("document", student.write())
                .bind("at", clock.instant().toString()).executeAndReturnGeneratedKeys("id").mapTo(Long.class).one());
    }

    /** Writes what is known of a student anew. */
    public void change(long id, Student student) {
        store.change(h -> h.createUpdate("UPDATE student SET document = :document WHERE id = :id").bind("document", student.write()).bind("id", id).execute());
    }

    /** The students, in the order in which they came. */
    public Rows<Person> all() {
        return store.read(h -> Reader.all(h, "student", "id, document, joined_at FROM student WHERE true",
                r -> new Person(r.getLong("id"), Student.read(text(r, "document")), Instant.parse(text(r, "joined_at")))));
    }

    /**
     * Deletes a student with everything that is known of them: passes, tunes, what was given, where they came, whose recordings are whose. Nothing of it is left in the file,
     * nor in back-ups made from now on; of those made before {@link Backups#takeOut} takes them out.
     */
    public void remove(long id) {
        store.alone(h -> h.execute("PRAGMA secure_delete = ON"), t -> Leaver.delete(t, id), h -> {
            h.execute("VACUUM");
            h.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        });
    }

    /** Puts a student on a rung of a tune; a word of the teacher's about what is next ends. */
    public void learn(long student, long tune, int rung) {
        store.change(h -> h.createUpdate("INSERT INTO learning (student_id, tune_id, rung, decided, since) VALUES (:student, :tune, :rung, '', :at)"
                        + " ON CONFLICT (student_id, tune_id) DO UPDATE SET rung = excluded.rung, decided = ''")
                .bind("student", student).bind("tune", tune).bind("rung", rung).bind("at", clock.instant().toString()).execute());
    }

    /** Keeps what is next by the teacher's own word; an empty one leaves it to be computed. */
    public void decide(long student, long tune, String what) {
        store.change(h -> h.createUpdate("UPDATE learning SET decided = :what WHERE student_id = :student AND tune_id = :tune")
                .bind("what", what).bind("student", student).bind("tune", tune).execute());
    }

    /** The student learns a tune no longer; what was practised and given stays. */
    public void leave(long student, long tune) {
        store.change(h -> h.createUpdate("DELETE FROM learning WHERE student_id = :student AND tune_id = :tune").bind("student", student).bind("tune", tune).execute());
    }

    /** What is learned by whom. */
    public Rows<Learning> learning() {
        return store.read(h -> Reader.all(h, "tune learned", "student_id, tune_id, rung, decided, since FROM learning WHERE true",
                r -> new Learning(r.getLong("student_id"), r.getLong("tune_id"), r.getInt("rung"), text(r, "decided"), Instant.parse(text(r, "since")))));
    }

    /** Writes down what was given out, all of it or nothing. */
    public void give(List<Given> all) {
        store.change(h -> all.forEach(g -> give(h, g)));
    }

    private static void give(Handle h, Given given) {
        h.createUpdate("INSERT INTO given (student_id, tune_id, edition_id, at, rung, tempo, what) VALUES (:student, :tune, :edition, :at, :rung, :tempo, :what)")
                .bind("student", given.student()).bind("tune", given.tune()).bind("edition", given.edition()).bind("at", given.at().toString())
                .bind("rung", given.rung()).bind("tempo", given.tempo()).bind("what", given.what()).execute();
    }

    /** What was given out, the first of it first. */
    public Rows<Given> given() {
        return store.read(h -> Reader.all(h, "thing given", "student_id, tune_id, edition_id, at, rung, tempo, what FROM given WHERE true",
                r -> new Given(r.getLong("student_id"), r.getLong("tune_id"), r.getLong("edition_id"), Instant.parse(text(r, "at")), text(r, "rung"), text(r, "tempo"),
                        text(r, "what"))));
    }

    /** Writes down a lesson, a workshop or a jam with those who came and the lines of its plan; its id. One that has an id already is written anew. */
    public long meet(Meeting meeting) {
        return store.write(h -> {
            long id = meeting.id();
            if (id == 0) {
                id = h.createUpdate("INSERT INTO meeting (at, minutes, kind, tunes, remark) VALUES (:at, :minutes, :kind, :tunes, :remark)").bind("at", meeting.at().toString())
                        .bind("minutes", meeting.minutes()).bind("kind", meeting.kind()).bind("tunes", meeting.tunes()).bind("remark", meeting.remark())
                        .executeAndReturnGeneratedKeys("id").mapTo(Long.class).one();
            } else {
                h.createUpdate("UPDATE meeting SET at = :at, minutes = :minutes, kind = :kind, tunes = :tunes, remark = :remark WHERE id = :id").bind("at", meeting.at().toString())
                        .bind("minutes", meeting.minutes()).bind("kind", meeting.kind()).bind("tunes", meeting.tunes()).bind("remark", meeting.remark()).bind("id", id).execute();
                forget(h, id);
            }
            for (long student : meeting.there()) {
                h.createUpdate("INSERT INTO attendance (meeting_id, student_id) VALUES (:meeting, :student)").bind("meeting", id).bind("student", student).execute();
            }
            for (int i = 0; i < meeting.lines().size(); i++) {
                Meeting.Line line = meeting.lines().get(i);
                h.createUpdate("INSERT INTO meeting_line (meeting_id, position, line, words, minutes, became) VALUES (:meeting, :position, :line, :words, :minutes, :became)")
                        .bind("meeting", id).bind("position", i).bind("line", line.line()).bind("words", line.words()).bind("minutes", line.minutes())
                        .bind("became", line.became().name()).execute();
            }
            return id;
        });
    }

    private static void forget(Handle h, long meeting) {
        for (String table : List.of("attendance", "meeting_line")) {
            h.createUpdate("DELETE FROM " + table + " WHERE meeting_id = :id").bind("id", meeting).execute();
        }
    }

    /** Keeps what became of one line of a lesson. */
    public void became(long meeting, int position, Meeting.Became became) {
        store.change(h -> h.createUpdate("UPDATE meeting_line SET became = :became WHERE meeting_id = :meeting AND position = :position").bind("became", became.name())
                .bind("meeting", meeting).bind("position", position).execute());
    }

    /** A meeting that was written down by mistake, or does not come about, is gone. */
    public void removeMeeting(long meeting) {
        store.change(h -> {
            forget(h, meeting);
            h.createUpdate("DELETE FROM meeting WHERE id = :id").bind("id", meeting).execute();
        });
    }

    /** The lessons, workshops and jams, in the order of their time. */
    public Rows<Meeting> meetings() {
        return store.read(h -> {
            Map<Long, List<Long>> there = new HashMap<>();
            Reader.all(h, "attendance", "meeting_id, student_id FROM attendance WHERE true", r -> Map.entry(r.getLong("meeting_id"), r.getLong("student_id"))).read()
                    .forEach(e -> there.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(e.getValue()));
            Map<Long, List<Meeting.Line>> lines = new HashMap<>();
            Reader.all(h, "line of a lesson", "meeting_id, line, words, minutes, became FROM meeting_line WHERE true",
                    r -> Map.entry(r.getLong("meeting_id"), new Meeting.Line(text(r, "line"), text(r, "words"), r.getInt("minutes"), Meeting.Became.valueOf(text(r, "became"))))).read()
                    .forEach(e -> lines.computeIfAbsent(e.getKey(), k -> new ArrayList<>()).add(e.getValue()));
            Rows<Meeting> all = Reader.all(h, "meeting", "id, at, minutes, kind, tunes, remark FROM meeting WHERE true", r -> new Meeting(r.getLong("id"), Instant.parse(text(r, "at")),
                    r.getInt("minutes"), text(r, "kind"), text(r, "tunes"), text(r, "remark"), there.getOrDefault(r.getLong("id"), List.of()), lines.getOrDefault(r.getLong("id"), List.of())));
            return new Rows<>(all.read().stream().sorted(Comparator.comparing(Meeting::at)).toList(), all.unread());
        });
    }

    /** Whose recordings are whose: students' ids by the recordings' names below their folder; those of nobody are not among them. */
    public Map<String, Long> recordings() {
        return store.read(h -> {
            Map<String, Long> whose = new HashMap<>();
            h.createQuery("SELECT file, student_id FROM recording WHERE student_id IS NOT NULL").map((r, c) -> whose.put(text(r, "file"), r.getLong("student_id"))).list();
            return whose;
        });
    }

    /** Says whose a recording of a tune is; empty where it is nobody's in particular. */
    public void own(String file, long tune, Optional<Long> student) {
        store.change(h -> {
            h.createUpdate("DELETE FROM recording WHERE file = :file").bind("file", file).execute();
            student.ifPresent(s -> h.createUpdate("INSERT INTO recording (file, tune_id, student_id) VALUES (:file, :tune, :student)").bind("file", file).bind("tune", tune)
                    .bind("student", s).execute());
        });
    }

    /** Keeps where a file was written that holds students' names. */
    public void wrote(List<WrittenFile> files) {
        store.change(h -> files.forEach(f -> h.createUpdate("INSERT OR REPLACE INTO written_file (path, kind, student_id, at) VALUES (:path, :kind, :student, :at)")
                .bind("path", f.path().toString()).bind("kind", f.kind()).bind("student", f.student().orElse(null)).bind("at", f.at().toString()).execute()));
    }

    /** The files that were written and hold students' names, in the order of their paths; they may have gone since. */
    public List<WrittenFile> written() {
        return store.read(h -> h.createQuery("SELECT path, kind, student_id, at FROM written_file ORDER BY path, kind").map((r, c) -> {
            long student = r.getLong("student_id");
            Optional<Long> whose = r.wasNull() ? Optional.empty() : Optional.of(student);
            return new WrittenFile(Path.of(text(r, "path")), text(r, "kind"), whose, Instant.parse(text(r, "at")));
        }).list());
    }

    /** Keeps no longer where a file was written that is gone. */
    public void forgetWritten(Path file) {
        store.change(h -> h.createUpdate("DELETE FROM written_file WHERE path = :path").bind("path", file.toAbsolutePath().normalize().toString()).execute());
    }

    private static String text(ResultSet row, String column) throws SQLException {
        return Objects.requireNonNull(row.getString(column));
    }
}
