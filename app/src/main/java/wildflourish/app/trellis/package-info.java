/** The trellis: the rungs of a tune above each other, and the note in hand beside them. */
package wildflourish.app.trellis;
