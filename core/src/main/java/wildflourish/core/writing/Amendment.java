package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.ornament.Gestures;
import wildflourish.core.ornament.Making;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.planning.Choices;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.PhraseMarks;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Version;
import wildflourish.core.setting.Wishes;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/**
 * A tune put right, with its ladders, locks, phrases and chosen places on the notes that they stood on.
 *
 * @param left what could not go along, in the order of the notes; the edition before still has it
 * @param back what could not go along earlier and is in its place again, for reading
 */
public record Amendment(Arrangement arrangement, List<Left> left, List<String> back) {

    /**
     * Something that could not go along.
     *
     * @param note index of its note in the old tune
     * @param what {@code roll on F sharp in bar 3}
     * @param why without a full stop
     */
    public record Left(int note, String what, String why) {

        /** For reading. */
        public String inWords() {
            return what + ": " + why;
        }
    }

    private static final String GONE = "its note is gone";

    public Amendment {
        left = List.copyOf(left);
        back = List.copyOf(back);
    }

    /** An arrangement for a tune that was put right. */
    public static Amendment of(Arrangement before, Tune tune) {
        return new Carrying(before, tune).carried();
    }

    private static final class Carrying {

        private final Arrangement before;
        private final Tune tune;
        private final Timeline old;
        private final Timeline now;
        private final NoteMap map;
        private final List<Left> left = new ArrayList<>();
        private final List<String> back = new ArrayList<>();
        private final List<Waiting> waiting = new ArrayList<>();

        Carrying(Arrangement before, Tune tune) {
            this.before = before;
            this.tune = tune;
            this.old = before.version(0).tune();
            this.now = Timeline.of(tune);
            this.map = NoteMap.between(old, now);
        }

        Amendment carried() {
            boolean ownTempo = before.tempo().equals(TuneType.tempoOf(before.tune().head()));
            Arrangement bare = new Arrangement(tune, before.instrument(), ownTempo ? TuneType.tempoOf(tune.head()) : before.tempo(),
                    before.speeds(), before.school(), choices(), marks(), wishes(), before.rounds(), Ladder.bare(), Map.of(), Waiting.others(before.unread()));
            Arrangement here = comeBack(playable(before, bare.with(moved(before.ladder(), before.instrument()))));
            for (Map.Entry<String, Ladder> other : before.elsewhere().entrySet()) {
                Optional<Instrument> instrument = Instruments.byId(other.getKey());
                Ladder ladder = moved(other.getValue(), instrument.orElse(before.instrument()));
                here = here.keeping(other.getKey(), instrument.map(i -> comeBack(playable(before.with(i).with(other.getValue()), bare.with(i).with(ladder))).ladder())
                        .orElse(ladder));
            }
            left.sort(java.util.Comparator.comparingInt(Left::note));
            List<String> kept = new ArrayList<>(here.unread());
            waiting.stream().distinct().map(Waiting::text).forEach(kept::add);
            return new Amendment(here.withUnread(kept), left.stream().distinct().toList(), back.stream().distinct().toList());
        }

        private void leave(int note, String what, String why) {
            left.add(new Left(note, what + " on " + old.note(note).inWords(), why));
        }

        private static String name(String id, Instrument instrument) {
            return Vocabulary.of(instrument).byId(id).map(Ornament::name).orElse(id.replace('-', ' '));
        }

        /** A ladder with everything on the notes as they are now counted. */
        private Ladder moved(Ladder ladder, Instrument instrument) {
            Set<Integer> goneNotes = new LinkedHashSet<>();
            List<Rung> rungs = new ArrayList<>();
            for (Rung rung : ladder.rungs()) {
                SortedMap<Integer, List<String>> placed = new TreeMap<>();
                rung.setting().byNote().forEach((note, ids) -> {
                    Optional<Integer> there = map.of(note);
                    there.ifPresent(n -> placed.put(n, ids));
                    if (there.isEmpty() && goneNotes.add(note)) {
                        ids.forEach(id -> leave(note, name(id, instrument), GONE));
                    }
                });
                SortedMap<Integer, Variation> varied = new TreeMap<>();
                rung.setting().variations().values().forEach(v -> moved(v).ifPresentOrElse(to -> varied.put(to.from(), to),
                        () -> left.add(new Left(v.from(), "variation from " + old.note(v.from()).inWords(), "the notes that it replaces are others now"))));
                rungs.add(rung.with(new Setting(placed, varied)));
            }
            return new Ladder(rungs);
        }

        /** A variation where the notes that it replaces now stand, as long as these are unchanged. */
        private Optional<Variation> moved(Variation variation) {
            Optional<Integer> from = map.of(variation.from());
            if (from.isEmpty()) {
                return Optional.empty();
            }
            for (int note = variation.from(); note < variation.to(); note++) {
                int there = from.get() + note - variation.from();
                if (!map.of(note).equals(Optional.of(there)) || !same(old.note(note).note(), now.note(there).note())) {
                    return Optional.empty();
                }
            }
            Variation there = new Variation(from.get(), from.get() + variation.to() - variation.from(), variation.kind(), variation.notes());
            return there.fits(now) ? Optional.of(there) : Optional.empty();
        }

        private static boolean same(Note a, Note b) {
            return a.pitch().equals(b.pitch()) && a.length().equals(b.length());
        }

        /** Without the ornaments that the hands could make before and cannot make now, on any rung. */
        private Arrangement playable(Arrangement then, Arrangement given) {
            Arrangement changed = given;
            for (int rung = 0; rung < changed.ladder().size(); rung++) {
                Version was = then.version(rung);
                for (int note = 0; note < map.now().size(); note++) {
                    Optional<Integer> there = map.of(note);
                    Version is = changed.version(rung);
                    if (there.isEmpty() || is.setting().at(there.get()).isEmpty() || hindrance(was, note).isPresent()) {
                        continue;
                    }
                    Optional<String> why = hindrance(is, there.get());
                    if (why.isPresent()) {
                        for (String id : is.setting().at(there.get())) {
                            leave(note, name(id, changed.instrument()), why.get());
                        }
                        hold(changed, there.get());
                        changed = changed.with(cleared(changed.ladder(), there.get()));
                    }
                }
            }
            return changed;
        }

        /** Keeps what stands on a note, rung by rung, until the note can have it. */
        private void hold(Arrangement arrangement, int note) {
            for (int rung = 1; rung < arrangement.ladder().size(); rung++) {
                List<String> ids = arrangement.ladder().setting(rung).at(note);
                if (!ids.isEmpty()) {
                    waiting.add(new Waiting(arrangement.instrument().id(), rung, note, ids));
                }
            }
        }

        /** Puts back what has waited for a note that can have it now, and on which nothing else stands; the rest waits on. */
        private Arrangement comeBack(Arrangement given) {
            Map<Integer, List<Waiting>> byNote = new TreeMap<>();
            for (Waiting one : Waiting.among(before.unread())) {
                if (one.instrument().equals(given.instrument().id()) && one.note() < old.size()) {
                    map.of(one.note()).ifPresent(n -> byNote.computeIfAbsent(n, k -> new ArrayList<>()).add(new Waiting(one.instrument(), one.rung(), n, one.ornaments())));
                }
            }
            Arrangement changed = given;
            for (Map.Entry<Integer, List<Waiting>> note : byNote.entrySet()) {
                Optional<Arrangement> with = putBack(changed, note.getKey(), note.getValue());
                if (with.isPresent()) {
                    changed = with.get();
                    String on = now.note(note.getKey()).inWords();
                    note.getValue().getLast().ornaments().forEach(id -> back.add("%s on %s".formatted(name(id, given.instrument()), on)));
                } else {
                    waiting.addAll(note.getValue());
                }
            }
            return changed;
        }

        private static Optional<Arrangement> putBack(Arrangement arrangement, int note, List<Waiting> held) {
            Map<Integer, Waiting> byRung = new TreeMap<>();
            held.forEach(w -> byRung.put(w.rung(), w));
            List<Rung> rungs = new ArrayList<>();
            for (int r = 0; r < arrangement.ladder().size(); r++) {
                Rung rung = arrangement.ladder().rung(r);
                Optional<Waiting> here = Optional.ofNullable(byRung.get(r));
                if (!rung.setting().at(note).isEmpty() || here.filter(w -> !w.ornaments().stream().allMatch(id -> Vocabulary.of(arrangement.instrument()).byId(id).isPresent())).isPresent()) {
                    return Optional.empty();
                }
                SortedMap<Integer, List<String>> placed = new TreeMap<>(rung.setting().byNote());
                here.ifPresent(w -> placed.put(note, w.ornaments()));
                rungs.add(rung.with(new Setting(placed, rung.setting().variations())));
            }
            Arrangement with = arrangement.with(new Ladder(rungs));
            for (int r = 1; r < with.ladder().size(); r++) {
                if (hindrance(with.version(r), note).isPresent()) {
                    return Optional.empty();
                }
            }
            return Optional.of(with);
        }

        private static Optional<String> hindrance(Version version, int note) {
            int played = version.varied().now(note);
            List<Ornament> ornaments = version.varied().setting().ornaments(played, version.hands().vocabulary());
            return !ornaments.isEmpty() && Gestures.make(version.hands(), played, ornaments) instanceof Making.Hindered(var obstacle)
                    ? Optional.of(obstacle.inWords()) : Optional.empty();
        }

        private static Ladder cleared(Ladder ladder, int note) {
            return new Ladder(ladder.rungs().stream().map(r -> {
                SortedMap<Integer, List<String>> placed = new TreeMap<>(r.setting().byNote());
                placed.remove(note);
                return r.with(new Setting(placed, r.setting().variations()));
            }).toList());
        }

        /** Places chosen by hand stay with notes that have kept their pitch. */
        private Choices choices() {
            before.choices().here().forEach((instrument, places) -> places.forEach((note, place) -> {
                if (note < old.size() && keptPitch(note).isEmpty()) {
                    left.add(new Left(note, "place %s chosen for %s".formatted(place, old.note(note).inWords()),
                            map.of(note).isEmpty() ? GONE : "the note has another pitch now"));
                }
            }));
            return before.choices().renumbered(note -> keptPitch(note).orElse(-1));
        }

        private Optional<Integer> keptPitch(int note) {
            return note >= old.size() ? Optional.empty()
                    : map.of(note).filter(n -> now.note(n).pitch().equals(old.note(note).pitch()));
        }

        /** Phrases begin where their first note now is, or the next that is left. */
        private PhraseMarks marks() {
            PhraseMarks marks = before.marks();
            SortedMap<Integer, String> names = new TreeMap<>();
            SortedMap<Integer, String> remarks = new TreeMap<>();
            marks.names().forEach((note, name) -> map.ofOrAfter(note).ifPresentOrElse(n -> names.putIfAbsent(n, name),
                    () -> left.add(new Left(note, "the name “%s” of a phrase".formatted(name), GONE))));
            marks.remarks().forEach((note, remark) -> map.ofOrAfter(note).ifPresentOrElse(n -> remarks.putIfAbsent(n, remark),
                    () -> left.add(new Left(note, "the remark “%s” on a phrase".formatted(remark), GONE))));
            return new PhraseMarks(moved(marks.starts()), moved(marks.joined()), names, remarks);
        }

        private SortedSet<Integer> moved(SortedSet<Integer> notes) {
            SortedSet<Integer> there = new TreeSet<>();
            notes.forEach(n -> map.ofOrAfter(n).ifPresent(there::add));
            return there;
        }

        private Wishes wishes() {
            SortedSet<Integer> locked = new TreeSet<>();
            before.wishes().locked().forEach(n -> map.of(n).ifPresentOrElse(locked::add, () -> leave(n, "the lock", GONE)));
            SortedMap<Integer, SortedSet<String>> forbidden = new TreeMap<>();
            before.wishes().forbidden().forEach((n, ids) -> map.of(n).ifPresentOrElse(to -> forbidden.put(to, ids),
                    () -> ids.forEach(id -> leave(n, "the wish for no " + id.replace('-', ' '), GONE))));
            return new Wishes(locked, forbidden, before.wishes().free());
        }
    }
}
