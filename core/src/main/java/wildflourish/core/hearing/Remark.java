package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import wildflourish.core.data.DataFile;
import wildflourish.core.finding.Sentence;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;

/**
 * What there is to say of a note that was listened for.
 *
 * @param brief a few words or a number, for the score
 * @param words a full sentence
 */
public record Remark(Kind kind, String brief, String words) {

    /** What it is about, the gravest first. */
    public enum Kind {
        /** The note was not found. */
        NOT_HEARD,
        /** What was meant on it did not speak. */
        SILENT,
        /** Something else than what was meant came. */
        OTHER,
        /** What was meant came, its movements early or late. */
        DISPLACED,
        /** More came than was meant. */
        EXTRA,
        /** The note came early or late. */
        TIME,
        /** The note was too high or too low. */
        PITCH
    }

    /**
     * From where on something is told.
     *
     * @param lateMs a note before or behind its place, in milliseconds
     * @param cents a note above or below its pitch
     * @param displacedMs a movement before or behind its place in the note, in milliseconds
     * @param sure what is surer than this is told as it is
     */
    record Told(String provenance, double lateMs, double cents, double displacedMs, double sure) {}

    private static final Told TOLD = DataFile.read("hearing/remarks.json", Told.class);

    /** The remarks on a note, the gravest first; none where it came as it was meant. */
    public static List<Remark> of(HeardVersion.Note note, Vocabulary names) {
        List<Remark> all = new ArrayList<>();
        if (note.onsetMs().isEmpty()) {
            return List.of(new Remark(Kind.NOT_HEARD, "not heard", "This note was not heard."));
        }
        gesture(note, names).ifPresent(all::add);
        if (Math.abs(note.lateMs()) >= TOLD.lateMs) {
            String late = note.lateMs() > 0 ? "late" : "early";
            all.add(new Remark(Kind.TIME, "%.0f ms %s".formatted(Math.abs(note.lateMs()), late), "It came %.0f ms %s, against the notes around it.".formatted(Math.abs(note.lateMs()), late)));
        }
        if (Math.abs(note.cents()) >= TOLD.cents) {
            String sharp = note.cents() > 0 ? "sharp" : "flat";
            all.add(new Remark(Kind.PITCH, "%.0f c %s".formatted(Math.abs(note.cents()), sharp), "It was %.0f cents %s against the instrument's own tuning.".formatted(Math.abs(note.cents()), sharp)));
        }
        return all;
    }

    private static Optional<Remark> gesture(HeardVersion.Note note, Vocabulary names) {
        boolean meant = note.isOrnamented();
        List<String> how = hands(note);
        String hands = how.isEmpty() ? "" : " " + Sentence.full(Sentence.listed(how));
        if (note.gesture().equals(note.meant())) {
            return how.isEmpty() ? Optional.empty()
                    : Optional.of(meant ? new Remark(Kind.DISPLACED, shortly(note.meant(), names), "The %s came.%s".formatted(named(note.meant(), names), hands))
                    : new Remark(Kind.EXTRA, "?", "Nothing was meant here." + hands));
        }
        String doubt = note.confidence() < TOLD.sure ? " It cannot be told for certain." : "";
        if (note.gesture().equals(Expectations.NOTHING)) {
            return Optional.of(new Remark(Kind.SILENT, "no " + shortly(note.meant(), names), "The %s did not speak.%s%s".formatted(named(note.meant(), names), hands, doubt)));
        }
        return Optional.of(meant
                ? new Remark(Kind.OTHER, shortly(note.gesture(), names), "Meant was: %s; heard was: %s.%s%s".formatted(named(note.meant(), names), named(note.gesture(), names), hands, doubt))
                : new Remark(Kind.EXTRA, shortly(note.gesture(), names), "Nothing was meant here; heard was: %s.%s".formatted(named(note.gesture(), names), doubt)));
    }

    static String named(String ids, Vocabulary names) {
        return Sentence.listed(Arrays.stream(ids.split("\\+")).map(id -> names.byId(id).map(Ornament::name).orElse(id)).toList());
    }

    private static String shortly(String ids, Vocabulary names) {
        String first = ids.split("\\+")[0];
        return names.byId(first).map(Ornament::name).orElse(first) + (ids.contains("+") ? " +" : "");
    }

    /** What the fingers did otherwise than was meant: what came too early or too late, what was missing, what came beside. */
    private static List<String> hands(HeardVersion.Note note) {
        List<String> all = new ArrayList<>();
        for (Happening.Pair pair : Happening.pairs(note.happens(), note.expected())) {
            if (pair.heard().isPresent() && pair.meant().isPresent()) {
                double late = (pair.heard().get().at() - pair.meant().get().at()) * note.durationMs();
                if (Math.abs(late) >= TOLD.displacedMs) {
                    all.add("%s came %.0f ms %s%s".formatted(pair.meant().get().kind().words(), Math.abs(late), late > 0 ? "late" : "early", half(pair.heard().get(), pair.meant().get())));
                }
            } else {
                all.add(pair.meant().map(m -> "%s was not heard".formatted(m.kind().words()))
                        .orElseGet(() -> pair.heard().map(h -> "%s came that was not meant, in the %s half".formatted(h.kind().words(), h.at() < 0.5 ? "first" : "second")).orElse("")));
            }
        }
        return all;
    }

    private static String half(Happening heard, Happening meant) {
        return heard.at() < 0.5 && meant.at() >= 0.5 ? ", in the first half of the note" : heard.at() >= 0.5 && meant.at() < 0.5 ? ", in the second half of the note" : "";
    }
}
