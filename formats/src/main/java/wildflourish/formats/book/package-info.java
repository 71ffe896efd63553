/** What is read from a file of any format: its tunes, and what its owner should know. */
@NullMarked
package wildflourish.formats.book;

import org.jspecify.annotations.NullMarked;
