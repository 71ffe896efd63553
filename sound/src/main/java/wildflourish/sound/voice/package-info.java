/**
 * Computed voices, one for each way in which an instrument sounds: no recordings. A voice takes cues and adds samples; it
 * allocates nothing while it does and knows nothing of tunes, threads or loudspeakers.
 */
package wildflourish.sound.voice;
