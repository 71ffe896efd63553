/** Listening to somebody who plays along: microphones, real and made up. */
package wildflourish.sound.microphone;
