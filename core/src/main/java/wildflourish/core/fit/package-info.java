/**
 * In which key, on which instrument, for whom: how a tune lies in the hands, key by key and instrument by instrument, and how hard it is. Here a tune is
 * moved and weighed; where its notes lie is planned in {@code planning}, its ornaments are carried over in {@code growth}.
 */
@NullMarked
package wildflourish.core.fit;

import org.jspecify.annotations.NullMarked;
