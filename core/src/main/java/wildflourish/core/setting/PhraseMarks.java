package wildflourish.core.setting;

import java.util.Collections;
import java.util.Optional;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What a teacher has settled about the phrases of a tune by hand. Notes are named by their index; a phrase by its first note.
 *
 * @param starts notes on which a phrase begins, whatever is found
 * @param joined notes on which none begins
 * @param names names of phrases
 * @param remarks what the teacher wants to say about phrases
 */
public record PhraseMarks(
        SortedSet<Integer> starts, SortedSet<Integer> joined, SortedMap<Integer, String> names,
        SortedMap<Integer, String> remarks) {

    public static final PhraseMarks NONE =
            new PhraseMarks(new TreeSet<>(), new TreeSet<>(), new TreeMap<>(), new TreeMap<>());

    public PhraseMarks {
        starts = Collections.unmodifiableSortedSet(new TreeSet<>(starts));
        joined = Collections.unmodifiableSortedSet(new TreeSet<>(joined));
        names = Collections.unmodifiableSortedMap(new TreeMap<>(names));
        remarks = Collections.unmodifiableSortedMap(new TreeMap<>(remarks));
    }

    public boolean isEmpty() {
        return equals(NONE);
    }

    /** With a phrase that begins on a note. */
    public PhraseMarks starting(int note) {
        TreeSet<Integer> more = new TreeSet<>(starts);
        more.add(note);
        TreeSet<Integer> fewer = new TreeSet<>(joined);
        fewer.remove(note);
        return new PhraseMarks(more, fewer, names, remarks);
    }

    /** With no phrase that begins on a note; name and remark of one that did are dropped. */
    public PhraseMarks joining(int note) {
        TreeSet<Integer> fewer = new TreeSet<>(starts);
        fewer.remove(note);
        TreeSet<Integer> more = new TreeSet<>(joined);
        more.add(note);
        return new PhraseMarks(fewer, more, changed(names, note, Optional.empty()), changed(remarks, note, Optional.empty()));
    }

    /** With the start of a phrase moved to another note; its name and remark go with it. */
    public PhraseMarks moving(int from, int to) {
        Optional<String> name = Optional.ofNullable(names.get(from));
        Optional<String> remark = Optional.ofNullable(remarks.get(from));
        return joining(from).starting(to).naming(to, name).remarking(to, remark);
    }

    /** With a phrase renamed; empty for the name that it has by itself. */
    public PhraseMarks naming(int note, Optional<String> name) {
        return new PhraseMarks(starts, joined, changed(names, note, name), remarks);
    }

    /** With a remark on a phrase; empty for none. */
    public PhraseMarks remarking(int note, Optional<String> remark) {
        return new PhraseMarks(starts, joined, names, changed(remarks, note, remark));
    }

    /** A name or a remark on one line. */
    public static String tidy(String text) {
        return text.strip().replaceAll("\\s+", " ");
    }

    private static SortedMap<Integer, String> changed(SortedMap<Integer, String> map, int note, Optional<String> value) {
        TreeMap<Integer, String> changed = new TreeMap<>(map);
        changed.remove(note);
        value.map(PhraseMarks::tidy).filter(v -> !v.isEmpty()).ifPresent(v -> changed.put(note, v));
        return changed;
    }
}
