/** Sitting with a student: passes that are measured, drills of single gestures, and what the log tells. */
package wildflourish.app.practice;
