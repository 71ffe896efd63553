/** The lesson: what do we do in the hour, and what became of it? Its plan, the plan in the room, and the record of lessons, workshops and jams. */
@NullMarked
package wildflourish.app.lesson;

import org.jspecify.annotations.NullMarked;
