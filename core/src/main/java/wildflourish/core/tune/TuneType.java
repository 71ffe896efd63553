package wildflourish.core.tune;

import java.util.List;
import java.util.Locale;
import wildflourish.core.data.DataFile;

/**
 * A kind of tune with what is customary for it.
 *
 * @param id its name in running text: {@code slip jig}
 * @param also other names it goes by
 * @param meter the meter it is written in
 * @param tempo its customary tempo, counted the way players count it; common practice
 */
public record TuneType(String id, List<String> also, String meter, String tempo) {

    /** The whole table as its file holds it. */
    record Table(String provenance, List<TuneType> types) {}

    private static final List<TuneType> ALL = DataFile.read("tune-types.json", Table.class).types();

    /** All types, in the order of the file. */
    public static List<TuneType> all() {
        return ALL;
    }

    /** The type that the tune's own word names, else the first one with its meter; a reel when nothing fits. */
    public static TuneType of(Head head) {
        String word = head.rhythm().toLowerCase(Locale.ROOT).strip();
        return ALL.stream()
                .filter(t -> t.id.equals(word) || t.also.contains(word))
                .findFirst()
                .or(() -> ALL.stream().filter(t -> t.meter.equals(head.meter().toString())).findFirst())
                .orElse(ALL.getFirst());
    }

    /** The tempo the tune itself gives, else the customary one of its type. */
    public static Tempo tempoOf(Head head) {
        return head.tempo().orElseGet(() -> of(head).customary());
    }

    public Tempo customary() {
        return Tempo.parse(tempo);
    }
}
