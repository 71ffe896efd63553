package wildflourish.formats.fuzz;

import java.nio.charset.StandardCharsets;
import wildflourish.formats.abc.AbcReader;

/** Text as the program's own lines in a tune: no exception, and what is not understood is kept. */
public final class InstructionsTarget {

    private static final String TUNE = "X:1\nT:Fuzz\nR:reel\nM:4/4\nL:1/8\n%sK:D\n|:D|FAdf afdA|G2BG eGBG|FAdf gfec|1 d4 d3:|2 d8|]\n";

    private InstructionsTarget() {}

    /** One input. */
    public static void fuzzerTestOneInput(byte[] bytes) {
        StringBuilder lines = new StringBuilder();
        new String(bytes, StandardCharsets.UTF_8).lines().limit(60).forEach(l -> lines.append("I:flourish ").append(l).append('\n'));
        AbcReader.read(TUNE.formatted(lines.toString().replace("%", "%%"))).tunes().forEach(AbcTarget::readsBackEqual);
    }
}
