/**
 * Edits of the tune itself, and what follows them: which note of the old tune is which of the new one, and what of a ladder, its
 * locks, phrases and chosen places goes along. What is placed on notes belongs to the settings; how a tune is read to the reading.
 */
package wildflourish.core.writing;
