/**
 * The engraver: a tune with the rungs of its ladder becomes a display list. Spacing, breaking into systems, beams,
 * stems, signs, the folded rungs and the fingering strip. Knows no colour and no screen.
 */
package wildflourish.score.engrave;
