/**
 * Where samples become audible: the mixing thread, the limiter, and the devices it may write to. One thread renders and writes;
 * everybody else hands it a course and asks where it is.
 */
package wildflourish.sound.engine;
