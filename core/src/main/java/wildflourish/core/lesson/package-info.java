/**
 * People who learn: what a student brings, where they stand with a tune, what to do next and why, the version that each can take, and the tempo at which a class is clean
 * together. No screen and no database; how passes are measured is {@code practice}, how a version comes over to other hands is {@code growth}.
 */
@NullMarked
package wildflourish.core.lesson;

import org.jspecify.annotations.NullMarked;
