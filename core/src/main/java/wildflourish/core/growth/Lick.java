package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import wildflourish.core.data.DataFile;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * A turn of phrase that a player keeps, told in steps of the scale so that it can be moved to fit.
 *
 * @param name the player's own
 * @param notes what is played, as it was kept
 * @param key the key in which it was kept, which gives it its scale
 * @param offset where in the bar it begins, as time since the bar line
 * @param bar length of the bar it belongs in
 * @param entry the note of the plain tune on which it began: it fits where the melody has the same degree of the scale
 * @param leaves the note of the plain tune that followed it; empty where none did
 * @param source where it comes from, and what else is worth knowing; may be empty
 */
public record Lick(
        String name, List<Element> notes, Key key, Ratio offset, Ratio bar, Pitch entry, Optional<Pitch> leaves,
        String source) {

    public Lick {
        notes = List.copyOf(notes);
    }

    /**
     * The lick of a stretch of a tune as a setting plays it.
     *
     * @param plain the plain tune
     * @param from index of the first plain note
     * @param to index after the last plain note
     * @param played what is played over the stretch
     */
    public static Lick of(String name, Timeline plain, int from, int to, List<Element> played, String source) {
        Stand stand = plain.note(from);
        Optional<Pitch> leaves = to < plain.size() ? Optional.of(plain.note(to).pitch()) : Optional.empty();
        return new Lick(name, played, stand.key(), stand.offset(), stand.meter().barLength(), stand.pitch(), leaves, source);
    }

    /** A lick as its document holds it. */
    record File(
            String name, String notes, String tonic, String mode, String offset, String bar, String entry, @Nullable String leaves,
            String source) {}

    /** The text under which a library keeps it. The accidentals that a writer set beside the mode are not kept. */
    public String write() {
        return DataFile.write(new File(name, Variation.text(notes), key.tonicPitch().toString(), key.mode().word(), offset.toString(),
                bar.toString(), entry.toString(), leaves.map(Pitch::toString).orElse(null), source));
    }

    /** The inverse of {@link #write}; throws {@link IllegalArgumentException} or a fault of data for anything else. */
    public static Lick parse(String document) {
        File file = DataFile.parse("a lick", document, File.class);
        Pitch tonic = Pitch.parse(file.tonic());
        Mode mode = Mode.named(file.mode()).orElseThrow(() -> new IllegalArgumentException("'" + file.mode() + "' is no mode"));
        return new Lick(file.name(), Variation.parse(file.notes()), Key.of(tonic.step(), tonic.alter(), mode), Ratio.parse(file.offset()),
                Ratio.parse(file.bar()), Pitch.parse(file.entry()), Optional.ofNullable(file.leaves()).map(Pitch::parse), file.source());
    }

    public Ratio length() {
        Ratio sum = Ratio.ZERO;
        for (Element element : notes) {
            sum = sum.plus(element.length());
        }
        return sum;
    }

    /**
     * The lick moved to where a note of a tune begins, if it belongs there: the same place in a bar of the same length, the
     * same degree of the scale on entry, and after it a note to which it leads by the same step or by no more than a step
     * less or more; the mode must have the same third.
     *
     * @param end index after the last note it may replace
     */
    public Optional<Variation> fittedTo(Timeline tune, int note, int end) {
        Stand stand = tune.note(note);
        if (key.open() || stand.key().open() || !stand.offset().equals(offset) || !stand.meter().barLength().equals(bar)
                || degree(stand.key(), stand.pitch()) != degree(key, entry) || isMinor(key) != isMinor(stand.key())) {
            return Optional.empty();
        }
        int to = note;
        Ratio sum = Ratio.ZERO;
        while (to < end && sum.isLess(length())) {
            sum = sum.plus(tune.note(to++).note().length());
        }
        if (!sum.equals(length())) {
            return Optional.empty();
        }
        if (leaves.isPresent() && to < tune.size()) {
            int here = degree(stand.key(), tune.note(to).pitch());
            int there = degree(key, leaves.get());
            if (Math.min(Math.floorMod(here - there, 7), Math.floorMod(there - here, 7)) > 1) {
                return Optional.empty();
            }
        }
        int steps = stand.pitch().diatonic() - entry.diatonic();
        List<Element> moved = new ArrayList<>();
        for (Element element : notes) {
            moved.add(element instanceof Note n ? Note.of(moved(n.pitch(), steps, stand.key()), n.length()) : element instanceof Rest r
                    ? Rest.of(r.length()) : element);
        }
        Variation variation = new Variation(note, to, "lick:" + name.replaceAll("\\s+", "_"), moved);
        boolean same = true;
        for (int n = note; n < to && moved.size() == to - note; n++) {
            same &= moved.get(n - note) instanceof Note m && m.pitch().equals(tune.note(n).pitch())
                    && m.length().equals(tune.note(n).note().length());
        }
        boolean changes = moved.size() != to - note || !same;
        return changes && variation.fits(tune) ? Optional.of(variation) : Optional.empty();
    }

    /** A note moved by steps from one key to the other, what was altered against its key altered there as well. */
    private Pitch moved(Pitch pitch, int steps, Key to) {
        int altered = pitch.alter() - key.alterOf(pitch.step());
        Pitch plain = to.step(pitch, steps);
        int alter = plain.alter() + altered;
        return alter < -2 || alter > 2 ? plain : plain.withAlter(alter);
    }

    private static int degree(Key key, Pitch pitch) {
        return Math.floorMod(pitch.diatonic() - key.tonicPitch().diatonic(), 7);
    }

    private static boolean isMinor(Key key) {
        return key.step(key.tonicPitch(), 2).midi() - key.tonicPitch().midi() < 4;
    }
}
