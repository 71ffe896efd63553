/** The class: who is where, what next? Students, what they learn, their own versions, and sheets for all of them. */
@NullMarked
package wildflourish.app.people;

import org.jspecify.annotations.NullMarked;
