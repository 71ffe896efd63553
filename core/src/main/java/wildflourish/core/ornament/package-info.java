/**
 * Ornaments as gestures of the hands: the vocabulary as data, what each needs of the fingers, whether it fits, how it
 * is played out in time, how it is written down and put into words. Knows instruments and tunes; does not know which
 * ornament a player would choose.
 */
package wildflourish.core.ornament;
