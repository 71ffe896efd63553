/** Practising: what to do in which order, and how not to get hurt. */
package wildflourish.core.practice;
