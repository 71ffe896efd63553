/**
 * Where each note of a tune is played: the cheapest plan of fingerings, strings or buttons with its reasons, the strokes of
 * bow and plectrum, breath and bellows, and the check of places entered by hand. Costs are data. Knows no ornaments.
 */
package wildflourish.core.planning;
