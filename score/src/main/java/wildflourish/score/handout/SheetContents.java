package wildflourish.score.handout;

/**
 * What is on a take-home sheet.
 *
 * @param music the version on staves
 * @param bare the bare tune below it, beat under beat
 * @param strip the fingers under the notes
 * @param how how each ornament is done
 * @param practice the boxes to tick as the tempo rises
 * @param care the cautions
 * @param steps a step list for those who do not read music, behind how the instrument is held
 * @param fingers a page that is only fingers
 * @param large in large print: words of sixteen points and more
 */
public record SheetContents(boolean music, boolean bare, boolean strip, boolean how, boolean practice, boolean care, boolean steps,
        boolean fingers, boolean large, Paper paper) {

    /** What most take home: both versions with their fingers, how they are done, practice and care. */
    public static final SheetContents USUAL = new SheetContents(true, true, true, true, true, true, false, false, false, Paper.A4);

    /** For those who do not read music: how it is held, the steps, the fingers alone, practice and care. */
    public static final SheetContents BY_STEPS = new SheetContents(false, false, false, true, true, true, true, true, false, Paper.A4);

    public SheetContents withMusic(boolean on) {
        return new SheetContents(on, bare, strip, how, practice, care, steps, fingers, large, paper);
    }

    public SheetContents withBare(boolean on) {
        return new SheetContents(music, on, strip, how, practice, care, steps, fingers, large, paper);
    }

    public SheetContents withStrip(boolean on) {
        return new SheetContents(music, bare, on, how, practice, care, steps, fingers, large, paper);
    }

    public SheetContents withHow(boolean on) {
        return new SheetContents(music, bare, strip, on, practice, care, steps, fingers, large, paper);
    }

    public SheetContents withPractice(boolean on) {
        return new SheetContents(music, bare, strip, how, on, care, steps, fingers, large, paper);
    }

    public SheetContents withCare(boolean on) {
        return new SheetContents(music, bare, strip, how, practice, on, steps, fingers, large, paper);
    }

    public SheetContents withSteps(boolean on) {
        return new SheetContents(music, bare, strip, how, practice, care, on, fingers, large, paper);
    }

    public SheetContents withFingers(boolean on) {
        return new SheetContents(music, bare, strip, how, practice, care, steps, on, large, paper);
    }

    public SheetContents withLarge(boolean on) {
        return new SheetContents(music, bare, strip, how, practice, care, steps, fingers, on, paper);
    }

    public SheetContents with(Paper other) {
        return new SheetContents(music, bare, strip, how, practice, care, steps, fingers, large, other);
    }
}
