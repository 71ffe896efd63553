package wildflourish.core.lesson;

import java.util.List;
import java.util.function.Supplier;

/**
 * A stretch of a lesson in which one thing is done.
 *
 * @param id the same for the same thing whenever the lesson is planned anew; by it a teacher leaves it away, and what happened is kept
 * @param tune its title; empty where it belongs to none
 * @param words what is done, for reading, without a full stop
 * @param why without a full stop; empty where it goes without saying
 * @param worth what it adds to the lesson, in thousandths of a tune
 * @param obligatory whether it comes with its tune, or with the lesson's length, and is not weighed
 * @param parts what each of the players does meanwhile, worked out when asked for
 */
record Piece(Doing doing, String id, String tune, int minutes, String words, String why, int worth, boolean obligatory, Supplier<List<LessonPlan.Part>> parts) {}
