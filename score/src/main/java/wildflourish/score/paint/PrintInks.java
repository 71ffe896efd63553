package wildflourish.score.paint;

import wildflourish.score.display.Ink;

/** Colours on white paper; each keeps a contrast of 4.5:1 or more (WCAG 2.2), quiet lines apart. */
final class PrintInks {

    private PrintInks() {}

    /** The colour as 0xRRGGBB. */
    static int rgb(Ink ink) {
        return switch (ink) {
            case MUSIC -> 0x16181a;
            case STAVE -> 0x5b6062;
            case QUIET -> 0x55605a;
            case CLICK -> 0x1d5fa8;
            case ROLL -> 0x9a3412;
            case GLIDE -> 0x2f6b1f;
            case TONGUE -> 0x6b2f8a;
            case COMPANY -> 0x7d5200;
            case BREATH -> 0x0b6a72;
            case MISSING -> 0xa01830;
            case PAPER -> 0xffffff;
        };
    }
}
