package wildflourish.app.paint;

import javafx.scene.paint.Color;
import wildflourish.score.display.Ink;

/** The colours of the score on the screen, in a light and a dark look. */
public enum Palette {
    LIGHT, DARK;

    /** The paper behind the notes. */
    public Color paper() {
        return this == LIGHT ? Color.web("#fffdf7") : Color.web("#1b1f1c");
    }

    /** The band behind the note in hand. */
    public Color inHand() {
        return this == LIGHT ? Color.web("#dfeccb") : Color.web("#38492b");
    }

    /** The band behind the rung in hand. */
    public Color rungInHand() {
        return this == LIGHT ? Color.web("#f4f3e4") : Color.web("#252b25");
    }

    /** The colour of an ink; each ink of notes and words keeps a contrast of 4.5:1 on the paper (WCAG 2.2). */
    public Color of(Ink ink) {
        return Color.web(this == LIGHT
                ? switch (ink) {
                    case MUSIC -> "#14171a";
                    case STAVE -> "#777c76";
                    case QUIET -> "#545c55";
                    case CLICK -> "#1a5a9e";
                    case ROLL -> "#9a3412";
                    case GLIDE -> "#2f6b1f";
                    case TONGUE -> "#6b2f8a";
                    case COMPANY -> "#8a5a00";
                    case BREATH -> "#0b6470";
                    case MISSING -> "#a01830";
                    case PAPER -> "#fffdf7";
                }
                : switch (ink) {
                    case MUSIC -> "#f3efe4";
                    case STAVE -> "#858b83";
                    case QUIET -> "#b3bab0";
                    case CLICK -> "#8cc0f5";
                    case ROLL -> "#f2a07c";
                    case GLIDE -> "#a3d68b";
                    case TONGUE -> "#d3a8ee";
                    case COMPANY -> "#e6c15a";
                    case BREATH -> "#7fd0da";
                    case MISSING -> "#ff95a5";
                    case PAPER -> "#1b1f1c";
                });
    }

    public Palette other() {
        return this == LIGHT ? DARK : LIGHT;
    }
}
