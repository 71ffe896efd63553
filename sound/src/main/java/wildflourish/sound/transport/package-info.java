/**
 * What is played in which order, and where in it one is: pieces, legs, itineraries and their course in samples. A model without
 * threads or devices; every position is exact to the sample.
 */
package wildflourish.sound.transport;
