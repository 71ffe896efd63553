/** What was played, found in what was heard: notes, how they began, and what the fingers did on them. No audio type is known here. */
package wildflourish.core.hearing;
