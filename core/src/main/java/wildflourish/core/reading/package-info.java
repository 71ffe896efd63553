/** What a tune is made of, for teaching: its parts and phrases. Knows tunes only. */
package wildflourish.core.reading;
