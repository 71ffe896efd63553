/** The fit screen: in which key does it lie, on which instrument, and for all who play together? */
@NullMarked
package wildflourish.app.fit;

import org.jspecify.annotations.NullMarked;
