package wildflourish.formats.abc;

import wildflourish.core.tune.Field;

/**
 * A line of a file without its comment, or a line that is one.
 *
 * @param number from 1
 */
record AbcLine(int number, String text) {

    /** Whether it is an information field: a letter (or plus sign) and a colon. */
    boolean isField() {
        return text.length() >= 2 && text.charAt(1) == ':'
                && (Character.isLetter(text.charAt(0)) || text.charAt(0) == '+')
                && !isBarLineAt(text, 2);
    }

    /** Whether it is a comment, or a direction for the page ({@code %%}). */
    boolean isRemark() {
        return text.startsWith("%");
    }

    /**
     * A comment or direction as it is kept.
     *
     * @param after how many bars go before it
     */
    Field remark(int after) {
        return new Field('%', AbcText.printable(text.substring(1)).stripTrailing(), after);
    }

    /** Whether a bar line is written there. */
    static boolean isBarLineAt(String text, int at) {
        return text.startsWith("|", at) || text.startsWith(":", at) || text.startsWith("[|", at) || text.startsWith(".|", at);
    }

    char letter() {
        return text.charAt(0);
    }

    /** What follows the colon, without the spaces around it. */
    String value() {
        return text.substring(2).strip();
    }
}
