/** The recording screen: what was played of the open tune, on the score; slower, higher, around and around. */
@NullMarked
package wildflourish.app.recording;

import org.jspecify.annotations.NullMarked;
