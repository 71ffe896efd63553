package wildflourish.library;

import java.time.Instant;
import wildflourish.core.lesson.Student;

/** A student in the library. */
public record Person(long id, Student student, Instant joined) {}
