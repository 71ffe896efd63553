/** Finding tunes by what is remembered of their notes. */
@NullMarked
package wildflourish.core.search;

import org.jspecify.annotations.NullMarked;
