/** What would be heard, as a file of samples. */
package wildflourish.sound.wave;
