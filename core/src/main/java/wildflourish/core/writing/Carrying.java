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
import java.util.function.BiFunction;
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
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/** Carries an arrangement over to the tune as it was put right. */
final class Carrying {

    private static final String GONE = "its note is gone";

    private final Arrangement before;
    private final Tune tune;
    private final Timeline old;
    private final Timeline now;
    private final Interval by;
    private final NoteMap map;
    private final List<Amendment.Left> left = new ArrayList<>();
    private final List<String> back = new ArrayList<>();
    private final List<Waiting> waiting = new ArrayList<>();

    Carrying(Arrangement before, Tune tune, Interval by, BiFunction<Timeline, Timeline, NoteMap> pairing) {
        this.before = before;
        this.tune = tune;
        this.old = before.version(0).tune();
        this.now = Timeline.of(tune);
        this.by = by;
        this.map = pairing.apply(old, now);
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
        left.sort(java.util.Comparator.comparingInt(Amendment.Left::note));
        List<String> kept = new ArrayList<>(here.unread());
        waiting.stream().distinct().map(Waiting::text).forEach(kept::add);
        return new Amendment(here.withUnread(kept), left.stream().distinct().toList(), back.stream().distinct().toList());
    }

    private void leave(int note, String what, String why) {
        left.add(new Amendment.Left(note, what + " on " + old.note(note).inWords(), why));
    }

    private static String name(String id, Instrument instrument) {
        return Vocabulary.of(instrument).byId(id).map(Ornament::name).orElse(id.replace('-', ' '));
    }

    /** A ladder with everything on the notes as they are now counted. */
    private Ladder moved(Ladder ladder, Instrument instrument) {
        Set<Integer> goneNotes = new LinkedHashSet<>();
        List<Rung> rungs = new ArrayList<>();
        for (int r = 0; r < ladder.size(); r++) {
            Rung rung = ladder.rung(r);
            int level = r;
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
                    () -> hold(instrument, level, v)));
            rungs.add(rung.with(new Setting(placed, varied)));
        }
        return new Ladder(rungs);
    }

    /** Keeps a variation until the notes that it replaces are there again. */
    private void hold(Instrument instrument, int rung, Variation variation) {
        left.add(new Amendment.Left(variation.from(), "variation from " + old.note(variation.from()).inWords(), "the notes that it replaces are others now"));
        List<Element> plain = new ArrayList<>();
        for (int note = variation.from(); note < variation.to(); note++) {
            plain.add(plain(old.note(note).note()));
        }
        map.ofOrAfter(variation.from()).ifPresent(n -> waiting.add(new Waiting.Varied(instrument.id(), rung, n, plain, variation.kind(), variation.notes())));
    }

    /** A note's pitch and time alone. */
    private static Note plain(Note note) {
        return Note.of(note.pitch(), note.length());
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
        Variation there = new Variation(from.get(), from.get() + variation.to() - variation.from(), variation.kind(), variation.notes().stream().map(this::moved).toList());
        return there.fits(now) ? Optional.of(there) : Optional.empty();
    }

    private Element moved(Element element) {
        return element instanceof Note note && !by.equals(Interval.NONE) ? note.withPitches(note.pitches().stream().map(p -> p.plus(by)).toList()) : element;
    }

    private boolean same(Note a, Note b) {
        return a.pitch().plus(by).equals(b.pitch()) && a.length().equals(b.length());
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
                waiting.add(new Waiting.Ornaments(arrangement.instrument().id(), rung, note, ids));
            }
        }
    }

    /** What has waited on an instrument, at the notes as they are now counted. */
    private <W extends Waiting> List<W> waited(String instrument, Class<W> kind) {
        List<W> all = new ArrayList<>();
        for (Waiting one : Waiting.among(before.unread())) {
            if (kind.isInstance(one) && one.instrument().equals(instrument) && one.note() < old.size()) {
                map.ofOrAfter(one.note()).ifPresent(n -> all.add(kind.cast(one.at(n))));
            }
        }
        return all;
    }

    /** Puts back what has waited for notes that can have it now, and on which nothing else stands; the rest waits on. */
    private Arrangement comeBack(Arrangement given) {
        Arrangement changed = given;
        for (Waiting.Varied one : waited(given.instrument().id(), Waiting.Varied.class)) {
            Optional<Arrangement> with = putBack(changed, one);
            if (with.isPresent()) {
                changed = with.get();
                back.add("variation from " + now.note(one.note()).inWords());
            } else {
                waiting.add(one);
            }
        }
        Map<Integer, List<Waiting.Ornaments>> byNote = new TreeMap<>();
        waited(given.instrument().id(), Waiting.Ornaments.class).forEach(w -> byNote.computeIfAbsent(w.note(), k -> new ArrayList<>()).add(w));
        for (Map.Entry<Integer, List<Waiting.Ornaments>> note : byNote.entrySet()) {
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

    private Optional<Arrangement> putBack(Arrangement arrangement, Waiting.Varied held) {
        Variation variation = held.variation();
        boolean there = held.rung() < arrangement.ladder().size() && variation.to() <= now.size() && variation.fits(now);
        for (int n = 0; there && n < held.plain().size(); n++) {
            there = plain(now.note(held.note() + n).note()).equals(held.plain().get(n));
        }
        if (!there || arrangement.ladder().setting(held.rung()).variations().values().stream().anyMatch(variation::overlaps)) {
            return Optional.empty();
        }
        List<Rung> rungs = new ArrayList<>(arrangement.ladder().rungs());
        Rung rung = rungs.get(held.rung());
        SortedMap<Integer, Variation> varied = new TreeMap<>(rung.setting().variations());
        varied.put(variation.from(), variation);
        rungs.set(held.rung(), rung.with(new Setting(rung.setting().byNote(), varied)));
        Arrangement with = arrangement.with(new Ladder(rungs));
        Version version = with.version(held.rung());
        for (int n = variation.from(); n < variation.to(); n++) {
            if (hindrance(version, n).isPresent()) {
                return Optional.empty();
            }
        }
        return Optional.of(with);
    }

    private static Optional<Arrangement> putBack(Arrangement arrangement, int note, List<Waiting.Ornaments> held) {
        Map<Integer, Waiting.Ornaments> byRung = new TreeMap<>();
        held.forEach(w -> byRung.put(w.rung(), w));
        List<Rung> rungs = new ArrayList<>();
        for (int r = 0; r < arrangement.ladder().size(); r++) {
            Rung rung = arrangement.ladder().rung(r);
            Optional<Waiting.Ornaments> here = Optional.ofNullable(byRung.get(r));
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

    /** Places chosen by hand stay with notes that have kept their pitch; the others wait for it. */
    private Choices choices() {
        before.choices().here().forEach((instrument, places) -> places.forEach((note, place) -> {
            if (note < old.size() && keptPitch(note).isEmpty()) {
                left.add(new Amendment.Left(note, "place %s chosen for %s".formatted(place, old.note(note).inWords()),
                        map.of(note).isEmpty() ? GONE : "the note has another pitch now"));
                map.of(note).ifPresent(n -> waiting.add(new Waiting.Place(instrument, n, old.note(note).pitch(), place)));
            }
        }));
        Choices kept = before.choices().renumbered(note -> keptPitch(note).orElse(-1));
        for (Waiting one : Waiting.among(before.unread())) {
            Optional<Instrument> instrument = Instruments.byId(one.instrument());
            Optional<Integer> there = one.note() < old.size() ? map.of(one.note()) : Optional.empty();
            if (!(one instanceof Waiting.Place place) || there.isEmpty()) {
                continue;
            }
            if (instrument.isPresent() && now.note(there.get()).pitch().equals(place.pitch()) && kept.at(instrument.get(), there.get()).isEmpty()) {
                kept = kept.with(instrument.get(), there.get(), Optional.of(place.place()));
                back.add("place %s chosen for %s".formatted(place.place(), now.note(there.get()).inWords()));
            } else {
                waiting.add(place.at(there.get()));
            }
        }
        return kept;
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
                () -> left.add(new Amendment.Left(note, "the name “%s” of a phrase".formatted(name), GONE))));
        marks.remarks().forEach((note, remark) -> map.ofOrAfter(note).ifPresentOrElse(n -> remarks.putIfAbsent(n, remark),
                () -> left.add(new Amendment.Left(note, "the remark “%s” on a phrase".formatted(remark), GONE))));
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
