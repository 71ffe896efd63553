/** What is wrong with a user's input, as a value: where, what, and what to do about it. */
package wildflourish.core.finding;
