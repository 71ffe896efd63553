/** The music font and the text fonts: measurements, outlines and files. */
package wildflourish.score.font;
