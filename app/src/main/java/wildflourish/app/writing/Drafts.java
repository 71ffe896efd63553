package wildflourish.app.writing;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Texts that were typed and are no edits yet, each with the tune that it belongs to. */
final class Drafts {

    /** Stands for the tune that is being written anew. */
    static final long NEW = -1;

    private final Map<Long, String> texts = new LinkedHashMap<>();

    /** The text that belongs to a tune. */
    Optional<String> of(long tune) {
        return Optional.ofNullable(texts.get(tune));
    }

    void put(long tune, String text) {
        texts.put(tune, text);
    }

    void remove(long tune) {
        texts.remove(tune);
    }

    /** Takes in what {@link #kept} gave when the window closed; what is no draft is passed over. */
    void recall(String kept) {
        int at = 0;
        while (at < kept.length()) {
            int end = kept.indexOf('\n', at);
            String[] head = kept.substring(at, Math.max(at, end)).split(":");
            try {
                long tune = Long.parseLong(head[0]);
                int length = head.length > 1 ? Integer.parseInt(head[1]) : kept.length() - end - 1;
                texts.putIfAbsent(tune, kept.substring(end + 1, end + 1 + length));
                at = end + 1 + length;
            } catch (NumberFormatException | IndexOutOfBoundsException e) {
                return;
            }
        }
    }

    /** All of them as one text; empty where there are none. */
    String kept() {
        StringBuilder all = new StringBuilder();
        texts.forEach((tune, text) -> all.append(tune).append(':').append(text.length()).append('\n').append(text));
        return all.toString();
    }
}
