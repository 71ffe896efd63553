package wildflourish.formats.abc;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.formats.book.Findings;

/** Bytes to text, and the standard's ways of writing special letters in text strings (section 8.2). */
final class AbcText {

    private static final Map<String, String> PAIRS = Map.of(
            "aa", "å", "AA", "Å", "ae", "æ", "AE", "Æ", "oe", "œ", "OE", "Œ", "ss", "ß", "/o", "ø", "/O", "Ø");
    private static final Map<Character, Character> ACCENTS = Map.of(
            '\'', '\u0301', '`', '\u0300', '^', '\u0302', '"', '\u0308', '~', '\u0303',
            'c', '\u0327', 'v', '\u030c', 'u', '\u0306', '=', '\u0304', '.', '\u0307');
    private static final Map<String, String> ENTITIES = Map.of(
            "amp", "&", "quot", "\"", "copy", "©", "szlig", "ß", "aelig", "æ", "AElig", "Æ", "oslash", "ø",
            "Oslash", "Ø", "aring", "å", "Aring", "Å");
    private static final Map<String, Character> ENTITY_ACCENTS = Map.of(
            "acute", '\u0301', "grave", '\u0300', "circ", '\u0302', "uml", '\u0308', "tilde", '\u0303',
            "cedil", '\u0327', "caron", '\u030c', "breve", '\u0306');

    private AbcText() {}

    /**
     * The text of a file, or empty when it is not text. UTF-8 with or without a byte order mark; whatever is not valid
     * UTF-8 is taken as Latin-1 and reported.
     */
    static Optional<String> decode(byte[] bytes, Findings findings) {
        int from = bytes.length >= 3 && bytes[0] == (byte) 0xef && bytes[1] == (byte) 0xbb && bytes[2] == (byte) 0xbf
                ? 3 : 0;
        if (bytes.length >= 2 && (bytes[0] == (byte) 0xff && bytes[1] == (byte) 0xfe
                || bytes[0] == (byte) 0xfe && bytes[1] == (byte) 0xff)) {
            return Optional.of(new String(bytes, StandardCharsets.UTF_16));
        }
        int controls = 0;
        for (int i = from; i < Math.min(bytes.length, 100_000); i++) {
            if (bytes[i] == 0) {
                return Optional.empty();
            }
            controls += bytes[i] >= 0 && bytes[i] < 32 && bytes[i] != '\n' && bytes[i] != '\r' && bytes[i] != '\t'
                    ? 1 : 0;
        }
        if (controls * 20 > Math.min(bytes.length, 100_000)) {
            return Optional.empty();
        }
        try {
            return Optional.of(StandardCharsets.UTF_8.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes, from, bytes.length - from)).toString());
        } catch (CharacterCodingException e) {
            String latin = new String(bytes, from, bytes.length - from, StandardCharsets.ISO_8859_1);
            if (!latin.contains("abc-charset iso-8859-1")) {
                findings.warning(0, 0, "the file is not UTF-8 and was read as Latin-1",
                        "if letters with accents look wrong, save it as UTF-8");
            }
            return Optional.of(latin);
        }
    }

    /** A text string with its escapes resolved, in one line and without what no letter is. */
    static String unescape(String raw) {
        if (raw.indexOf('\\') < 0 && raw.indexOf('&') < 0) {
            return printable(raw);
        }
        StringBuilder out = new StringBuilder();
        int i = 0;
        while (i < raw.length()) {
            char c = raw.charAt(i);
            if (c == '\\' && i + 1 < raw.length()) {
                i = backslash(raw, i, out);
            } else if (c == '&' && raw.indexOf(';', i) > i + 1 && raw.indexOf(';', i) < i + 10) {
                int end = raw.indexOf(';', i);
                String resolved = entity(raw.substring(i + 1, end));
                out.append(resolved == null ? raw.substring(i, end + 1) : resolved);
                i = end + 1;
            } else {
                out.append(c);
                i++;
            }
        }
        return printable(Normalizer.normalize(out, Normalizer.Form.NFC));
    }

    /** Control signs become spaces; halves of letters and codes that never are letters, the sign for what cannot be shown. */
    static String printable(String text) {
        if (text.codePoints().noneMatch(c -> isControl(c) || isNoLetter(c))) {
            return text;
        }
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> out.appendCodePoint(isControl(c) ? ' ' : isNoLetter(c) ? '\ufffd' : c));
        return out.toString();
    }

    private static boolean isControl(int code) {
        return Character.isISOControl(code) || code == '\u2028' || code == '\u2029';
    }

    private static boolean isNoLetter(int code) {
        return code >= 0xd800 && code <= 0xdfff || (code & 0xfffe) == 0xfffe || code >= 0xfdd0 && code <= 0xfdef;
    }

    private static int backslash(String raw, int at, StringBuilder out) {
        char next = raw.charAt(at + 1);
        if (next == '\\' || next == '%' || next == '&') {
            out.append(next);
            return at + 2;
        }
        if (next == 'u' && at + 6 <= raw.length() && raw.substring(at + 2, at + 6).matches("[0-9a-fA-F]{4}")) {
            out.append((char) Integer.parseInt(raw.substring(at + 2, at + 6), 16));
            return at + 6;
        }
        if (at + 2 < raw.length()) {
            String pair = PAIRS.get(raw.substring(at + 1, at + 3));
            if (pair != null) {
                out.append(pair);
                return at + 3;
            }
            Character accent = ACCENTS.get(next);
            if (accent != null && Character.isLetter(raw.charAt(at + 2))) {
                out.append(raw.charAt(at + 2)).append(accent.charValue());
                return at + 3;
            }
        }
        out.append('\\');
        return at + 1;
    }

    private static @Nullable String entity(String name) {
        String plain = ENTITIES.get(name);
        if (plain != null) {
            return plain;
        }
        if (name.matches("#[0-9]{2,5}")) {
            return String.valueOf((char) Integer.parseInt(name.substring(1)));
        }
        @Nullable Character accent = name.length() > 3 ? ENTITY_ACCENTS.get(name.substring(1)) : null;
        return accent == null ? null : name.charAt(0) + String.valueOf(accent);
    }

    /** The inverse of {@link #unescape} for what a reader would take for an escape or a comment. */
    static String escape(String text) {
        return printable(text).replace("\\", "\\\\").replace("%", "\\%").replace("&", "\\&");
    }

    /** A text between quotation marks. */
    static String quoted(String text) {
        return '"' + escape(text).replace("\"", "&quot;") + '"';
    }

    /** The line without its comment. */
    static String withoutComment(String line) {
        int at = line.indexOf('%');
        while (at > 0 && line.charAt(at - 1) == '\\') {
            at = line.indexOf('%', at + 1);
        }
        return at < 0 ? line : line.substring(0, at);
    }
}
