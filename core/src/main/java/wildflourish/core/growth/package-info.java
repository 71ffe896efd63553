/**
 * Which ornaments a player would choose: where each belongs and why, the rules of taste, and the exact choice of a whole
 * ladder, grown from bare or pruned from full. Decides nothing about whether the hands can do it.
 */
package wildflourish.core.growth;
