package wildflourish.sound.input;

import java.util.Optional;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Expected;
import wildflourish.sound.transport.Leg;

/**
 * A stretch that is to be played along.
 *
 * @param expected its onsets, in milliseconds since it begins
 * @param leg what it is of
 * @param drill that it is a pass of; empty where it is of a tune
 * @param pass counted from 0 over everything that is practised in a row
 */
public record Stretch(Expected expected, Leg leg, Optional<Drill> drill, int pass) {}
