/** The one door by which tunes come in, whatever format they are in. */
@NullMarked
package wildflourish.formats.door;

import org.jspecify.annotations.NullMarked;
