package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Tune;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.Findings;
import wildflourish.formats.book.TuneBook;

/** Reads files of ABC notation. Never throws for anything that a file may hold: what is wrong comes as findings. */
public final class AbcReader {

    /** Files larger than this are not read, in bytes. */
    public static final int LARGEST = 64 * 1024 * 1024;

    private static final Pattern NOTE = Pattern.compile("[A-Ga-gz]");
    private static final Pattern MUSIC = Pattern.compile("[A-Ga-gzxuvTHLMOPSZX0-9|:\\[\\]/ ,'^_=~().<>{}&$\\\\-]+");

    private AbcReader() {}

    /** Reads a tune book from the bytes of a file, in whatever encoding it is. */
    public static TuneBook read(byte[] bytes) {
        Findings findings = new Findings();
        if (bytes.length > LARGEST) {
            findings.error(0, 0, "the file is larger than 64 MB", "divide it into several files");
            return new TuneBook(List.of(), findings.list());
        }
        Optional<String> text = AbcText.decode(bytes, findings);
        if (text.isEmpty()) {
            findings.error(0, 0, "this is not a text file", "choose a file of ABC notation");
            return new TuneBook(List.of(), findings.list());
        }
        return read(text.get(), findings);
    }

    /** Reads a tune book from text. */
    public static TuneBook read(String text) {
        return read(text, new Findings());
    }

    private static TuneBook read(String text, Findings findings) {
        if (text.isBlank()) {
            findings.error(0, 0, "the file is empty", "choose a file with at least one tune");
            return new TuneBook(List.of(), findings.list());
        }
        List<BookTune> tunes = new ArrayList<>();
        List<AbcLine> fileHead = new ArrayList<>();
        List<AbcLine> block = new ArrayList<>();
        boolean inTune = false;
        boolean inText = false;
        boolean notesTold = false;
        int number = 0;
        int from = 0;
        while (from <= text.length()) {
            int end = endOfLine(text, from);
            String raw = text.substring(from, end);
            number++;
            from = end + (end < text.length() - 1 && text.charAt(end) == '\r' && text.charAt(end + 1) == '\n' ? 2 : 1);
            if (raw.startsWith("%%begintext")) {
                inText = text.indexOf("%%endtext", from) >= 0;
                if (!inText) {
                    findings.warning(number, 1, "%%begintext is never closed", "what follows was read as music; close it with %%endtext");
                }
            } else if (raw.startsWith("%%endtext")) {
                inText = false;
            }
            if (inText || raw.startsWith("%")) {
                // Each line of a text is a direction of its own, so that nothing can get between.
                if (inTune && !(raw.startsWith("%%begintext") && inText) && !raw.startsWith("%%endtext")) {
                    block.add(new AbcLine(number, raw.startsWith("%") ? raw : "%%text " + raw));
                }
                continue;
            }
            AbcLine line = new AbcLine(number, AbcText.withoutComment(raw));
            if (inTune && !notesTold && line.text().length() < raw.length()) {
                findings.warning(number, 1, "a comment behind a line (%) is not kept", "give it a line of its own");
                notesTold = true;
            }
            boolean starts = line.isField() && line.letter() == 'X';
            boolean noNumber = !inTune && line.isField() && line.letter() == 'T';
            if (starts || noNumber) {
                if (inTune) {
                    finish(block, fileHead, tunes, findings);
                }
                if (noNumber) {
                    findings.warning(number, 1, "a tune begins without its X: line", "start it with X: and a number");
                }
                block = new ArrayList<>(List.of(line));
                inTune = true;
            } else if (raw.isBlank() && inTune) {
                finish(block, fileHead, tunes, findings);
                block = new ArrayList<>();
                inTune = false;
            } else if (inTune) {
                block.add(line);
            } else if (tunes.isEmpty() && line.isField()) {
                fileHead.add(line);
            } else if (looksLikeLostMusic(line)) {
                findings.warning(number, 1, "a line of music stands outside any tune",
                        "remove the empty line before it, or start a tune with X:");
            }
        }
        if (inTune) {
            finish(block, fileHead, tunes, findings);
        }
        if (tunes.isEmpty()) {
            findings.error(0, 0, "no tune was found", "a tune begins with X:, T: and K: lines and then its music");
        }
        return new TuneBook(tunes, findings.list());
    }

    private static int endOfLine(String text, int from) {
        for (int i = from; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\n' || c == '\r') {
                return i;
            }
        }
        return text.length();
    }

    private static boolean looksLikeLostMusic(AbcLine line) {
        String bare = line.text().replaceAll("\"[^\"]*\"|![^!]*!", "");
        return bare.indexOf('|') >= 0 && NOTE.matcher(bare).find() && MUSIC.matcher(bare).matches();
    }

    private static void finish(
            List<AbcLine> block, List<AbcLine> fileHead, List<BookTune> tunes, Findings findings) {
        TuneReader reader = new TuneReader(findings, fileHead);
        Tune tune = reader.read(block);
        if (tune.bars().isEmpty()) {
            return;
        }
        int line = block.getFirst().number();
        Instructions.Read read = Instructions.read(tune, reader.instructions(), findings);
        tunes.add(new BookTune(read.arrangement().map(Arrangement::tune).orElse(tune), read.arrangement(), read.unread(), line,
                block.getLast().number()));
    }
}
