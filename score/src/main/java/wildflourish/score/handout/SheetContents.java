package wildflourish.score.handout;

import java.util.EnumSet;
import java.util.Set;

/**
 * What is on a take-home sheet, and how it is printed.
 *
 * @param large in large print: words of sixteen points and more
 */
public record SheetContents(Set<SheetItem> items, boolean large, Paper paper) {

    /** What most take home: both versions with their fingers, how they are done, practice and care. */
    public static final SheetContents USUAL = new SheetContents(
            Set.of(SheetItem.MUSIC, SheetItem.BARE, SheetItem.STRIP, SheetItem.HOW, SheetItem.PRACTICE, SheetItem.CARE), false, Paper.A4);

    /** For those who do not read music: how it is held, the steps, the fingers alone, practice and care. */
    public static final SheetContents BY_STEPS = new SheetContents(
            Set.of(SheetItem.STEPS, SheetItem.FINGERS, SheetItem.HOW, SheetItem.PRACTICE, SheetItem.CARE), false, Paper.A4);

    public SheetContents {
        items = Set.copyOf(items);
    }

    public boolean has(SheetItem item) {
        return items.contains(item);
    }

    /** The same with something on it, or without. */
    public SheetContents with(SheetItem item, boolean on) {
        EnumSet<SheetItem> changed = EnumSet.noneOf(SheetItem.class);
        changed.addAll(items);
        if (on) {
            changed.add(item);
        } else {
            changed.remove(item);
        }
        return new SheetContents(changed, large, paper);
    }

    /** What another one has on it, printed as this one is. */
    public SheetContents like(SheetContents other) {
        return new SheetContents(other.items, large, paper);
    }

    public SheetContents withLarge(boolean on) {
        return new SheetContents(items, on, paper);
    }

    public SheetContents with(Paper other) {
        return new SheetContents(items, large, other);
    }
}
