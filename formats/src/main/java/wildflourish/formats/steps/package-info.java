/** Lists of fingerings, as those write them who do not read music. */
@NullMarked
package wildflourish.formats.steps;

import org.jspecify.annotations.NullMarked;
