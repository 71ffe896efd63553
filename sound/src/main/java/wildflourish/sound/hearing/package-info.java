/** What a recording holds: decoded, slowed and moved without harm. */
package wildflourish.sound.hearing;
