/**
 * What is played each time through: passes through parts, intros and tags, shuffling within taste, and the whole written out as
 * one tune. How a tune is played once belongs to the settings; how it sounds to the performance.
 */
package wildflourish.core.rounds;
