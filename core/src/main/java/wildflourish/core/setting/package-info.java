/**
 * Decorated versions as values: placements on a tune, a setting of them, and the ladder of settings from bare to full.
 * Knows ornaments; does not know which of them a player would choose.
 */
package wildflourish.core.setting;
