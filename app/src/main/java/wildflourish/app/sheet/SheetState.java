package wildflourish.app.sheet;

import wildflourish.core.setting.Version;
import wildflourish.score.handout.Handout;
import wildflourish.score.handout.SheetContents;

/**
 * A sheet as it will be printed.
 *
 * @param version the rung that is given out
 * @param printed its pages
 */
public record SheetState(Version version, SheetContents contents, Handout.Printed printed) {}
