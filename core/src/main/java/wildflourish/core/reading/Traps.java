package wildflourish.core.reading;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Situation;
import wildflourish.core.planning.Trap;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/** What catches students out in a tune, by itself and on an instrument. The words are data. */
public final class Traps {

    /** {@code gravity} tells which is told first where there is no time for all. */
    record Words(String kind, int gravity, String text, String advice) {}

    /** {@code barsForOne}: of how many bars one trap is worth a teacher's minute. */
    record Table(String provenance, int barsForOne, List<Words> traps) {}

    private static final Table TABLE = DataFile.read("reading/traps.json", Table.class);
    private static final Map<String, Words> WORDS = new LinkedHashMap<>();

    static {
        TABLE.traps().forEach(w -> WORDS.put(w.kind(), w));
    }

    private static final int USUAL_MULTIPLE = 2;
    /** A leap of a minor sixth or more, in semitones. */
    private static final int JUMP = 8;

    private final Reading reading;
    private final Timeline tune;
    private final Situation situation;
    private final List<Trap> found = new ArrayList<>();

    private Traps(Reading reading, Situation situation) {
        this.reading = reading;
        this.tune = reading.timeline();
        this.situation = situation;
    }

    /** The traps of a tune in somebody's hands, in the order of the notes; the same trap is told once, with all its bars. */
    public static List<Trap> of(Reading reading, Situation situation) {
        Traps traps = new Traps(reading, situation);
        traps.ofTheTune();
        traps.missing();
        switch (situation.instrument().family().hands()) {
            case NONE -> { }
            case HOLES -> traps.ofHoles();
            case STRINGS -> traps.ofStrings();
            case BUTTONS -> traps.ofBellows();
        }
        traps.found.sort(Comparator.comparingInt(Trap::note));
        return List.copyOf(traps.found);
    }

    /**
     * The traps that are worth a teacher's minute: about one for every four bars, the gravest first chosen, like ones told in one
     * line; in the order of the notes.
     */
    public static List<Trap> worthTelling(Reading reading, Situation situation) {
        Map<String, List<Trap>> byKind = new LinkedHashMap<>();
        of(reading, situation).forEach(t -> byKind.computeIfAbsent(t.kind(), k -> new ArrayList<>()).add(t));
        int most = Math.max(2, (int) Math.ceil((double) reading.timeline().tune().bars().size() / TABLE.barsForOne()));
        return byKind.values().stream()
                .sorted(Comparator.comparingInt((List<Trap> l) -> -Objects.requireNonNull(WORDS.get(l.getFirst().kind())).gravity())
                        .thenComparingInt(l -> l.getFirst().note()))
                .limit(most).map(l -> together(reading.timeline(), l))
                .sorted(Comparator.comparingInt(Trap::note)).toList();
    }

    private static Trap together(Timeline tune, List<Trap> like) {
        Trap first = like.getFirst();
        if (like.size() == 1) {
            return first;
        }
        List<String> others = like.subList(1, like.size()).stream().limit(4).map(t -> tune.note(t.note()).inWords()).distinct().toList();
        return new Trap(first.note(), first.kind(), "%s; the same at %s%s".formatted(first.text(),
                String.join(", ", others), like.size() > 5 ? " and more" : ""), first.advice());
    }

    private void add(int note, String kind, String... values) {
        Words words = WORDS.get(kind);
        if (words == null) {
            throw new DataFault("reading/traps.json has no words for '" + kind + "'");
        }
        Map<String, String> filled = new TreeMap<>();
        filled.put("note", tune.note(note).pitch().spoken());
        for (int i = 0; i < values.length; i += 2) {
            filled.put(values[i], values[i + 1]);
        }
        Trap trap = new Trap(note, kind, filled(words.text(), filled), filled(words.advice(), filled));
        boolean told = found.stream().anyMatch(t -> t.kind().equals(kind) && t.text().equals(trap.text()));
        if (!told) {
            found.add(trap);
        }
    }

    private static String filled(String text, Map<String, String> values) {
        String result = text;
        for (Map.Entry<String, String> value : values.entrySet()) {
            result = result.replace("{" + value.getKey() + "}", value.getValue());
        }
        return result;
    }

    private void ofTheTune() {
        reading.tonality().outside().forEach((name, notes) -> add(notes.getFirst(), "outside-key",
                "note", name + elsewhere(notes), "key", reading.tonality().key().map(k -> k.spoken()).orElse("the key")));
        if (tune.size() > 0) {
            Stand first = tune.note(0);
            Ratio beat = first.meter().beats().getFirst();
            if (first.offset().isPositive() && first.strength() > 0 && !first.sounding().isLess(beat)) {
                add(0, "entry", "beat", String.valueOf(first.beat()));
            }
        }
        reading.secondTimes().forEach(s -> add(s.note(), "second-time", "text", s.text()));
        for (Part part : reading.parts()) {
            List<Phrase> phrases = part.phrases().stream().filter(p -> !p.again()).toList();
            int bars = phrases.stream().mapToInt(Phrase::bars).sum();
            if (bars % USUAL_MULTIPLE != 0 && bars > 2) {
                Phrase odd = phrases.stream().filter(p -> p.bars() % USUAL_MULTIPLE != 0).findFirst().orElseThrow();
                add(odd.bodyNote(), "odd-length", "part", part.name(), "bars", String.valueOf(bars), "usual",
                        String.valueOf(bars < 8 || bars == 9 ? 8 : bars - 1), "phrase", odd.name(), "phrasebars",
                        odd.bars() == 1 ? "one bar" : odd.bars() + " bars");
            }
        }
    }

    /** {@code  (bars 3 and 7 too)}, or nothing. */
    private String elsewhere(List<Integer> notes) {
        TreeSet<Integer> bars = new TreeSet<>(reading.bars(notes));
        bars.remove(tune.note(notes.getFirst()).barNumber());
        List<String> few = bars.stream().limit(6).map(b -> b == 0 ? "the pickup" : String.valueOf(b)).toList();
        return few.isEmpty() ? "" : " (%s %s too)".formatted(bars.size() == 1 ? "bar" : "bars",
                String.join(", ", few) + (bars.size() > few.size() ? " …" : ""));
    }

    /** Tells a trap once for each of its names, at the first note that has it. */
    private void once(Map<String, List<Integer>> byName, String kind) {
        byName.forEach((name, notes) -> add(notes.getFirst(), kind, "note",
                tune.note(notes.getFirst()).pitch().spoken() + elsewhere(notes), "place", name, "before",
                notes.getFirst() > 0 ? tune.note(notes.getFirst() - 1).pitch().spoken() : ""));
    }

    private interface Catch {
        /** A name under which the trap is told once; empty where there is none. */
        String name(int note, Place place);
    }

    private void each(String kind, Catch trap) {
        Map<String, List<Integer>> byName = new LinkedHashMap<>();
        for (int n = 0; n < tune.size(); n++) {
            if (!tune.note(n).heldOver()) {
                String name = trap.name(n, situation.plan().at(n));
                if (!name.isEmpty()) {
                    byName.computeIfAbsent(name, k -> new ArrayList<>()).add(n);
                }
            }
        }
        once(byName, kind);
    }

    private void missing() {
        each("missing", (n, place) -> place instanceof Place.Missing ? tune.note(n).pitch().toString() : "");
    }

    private void ofHoles() {
        each("half-hole", (n, place) -> place instanceof Place.Fingered f && f.fingering().holes().hasHalf()
                && !isThumbPinch(f) ? f.inWords() : "");
        each("fork", (n, place) -> place instanceof Place.Fingered f && f.fingering().holes().isFork()
                && !f.fingering().holes().hasHalf() && forksMatter() ? f.inWords() : "");
        each("register-jump", (n, place) -> {
            if (n == 0 || !(place instanceof Place.Fingered here)
                    || !(situation.plan().at(n - 1) instanceof Place.Fingered before)) {
                return "";
            }
            int leap = tune.note(n).pitch().midi() - tune.note(n - 1).pitch().midi();
            boolean breaks = here.fingering().breath() != before.fingering().breath();
            return breaks && Math.abs(leap) >= JUMP ? tune.note(n - 1).pitch() + " " + tune.note(n).pitch() : "";
        });
    }

    /** On a recorder the thumb is pinched through the whole upper register, which is no trap of one note. */
    private boolean isThumbPinch(Place.Fingered place) {
        return situation.instrument().family().pinches() && place.fingering().holes().pattern().indexOf('h') < 0;
    }

    private boolean forksMatter() {
        return situation.instrument().family().overblows();
    }

    private void ofStrings() {
        Map<Integer, List<Integer>> byString = new TreeMap<>();
        for (int n = 0; n < tune.size(); n++) {
            if (situation.plan().at(n) instanceof Place.Stopped stopped && !tune.note(n).heldOver()) {
                byString.computeIfAbsent(stopped.index(), s -> new ArrayList<>()).add(n);
            }
        }
        for (List<Integer> notes : byString.values()) {
            boolean onePitch = notes.stream().map(n -> tune.note(n).pitch().midi()).distinct().count() == 1;
            if (onePitch && byString.size() > 1) {
                int note = notes.getFirst();
                add(note, "only-on-string", "string", ((Place.Stopped) situation.plan().at(note)).string(), "before",
                        tune.note(Math.max(0, note - 1)).pitch().spoken());
            }
        }
        each("fourth-finger", (n, place) -> place instanceof Place.Stopped s && s.finger() == 4 ? s.inWords() : "");
        each("two-string-leap", (n, place) -> n > 0 && place instanceof Place.Stopped here
                && situation.plan().at(n - 1) instanceof Place.Stopped before && Math.abs(here.index() - before.index()) > 1
                ? tune.note(n - 1).pitch() + " " + tune.note(n).pitch() : "");
        if (!situation.instrument().family().frets()) {
            each("narrow-semitone", (n, place) -> isNarrow(n, place)
                    ? lower(n) + " " + Math.min(tune.note(n).pitch().midi(), tune.note(n - 1).pitch().midi()) : "");
        }
        sameFingers();
    }

    private boolean isNarrow(int n, Place place) {
        return n > 0 && place instanceof Place.Stopped here && situation.plan().at(n - 1) instanceof Place.Stopped before
                && here.index() == before.index() && here.finger() != before.finger() && !here.isOpen() && !before.isOpen()
                && Math.abs(tune.note(n).pitch().midi() - tune.note(n - 1).pitch().midi()) == 1;
    }

    private Pitch lower(int n) {
        return tune.note(n).pitch().midi() < tune.note(n - 1).pitch().midi() ? tune.note(n).pitch() : tune.note(n - 1).pitch();
    }

    /** Bars whose fingers are those of the bar or phrase before, on another string. */
    private void sameFingers() {
        int bars = tune.tune().bars().size();
        for (int bar = 1; bar < bars; bar++) {
            for (int back = 1; back <= 2 && back <= bar; back++) {
                int other = bar - back;
                int from = tune.barStarts().get(bar);
                int otherFrom = tune.barStarts().get(other);
                int size = Section.noteAt(tune, bar + 1) - from;
                if (size >= 4 && size == Section.noteAt(tune, other + 1) - otherFrom && isMoved(from, otherFrom, size)) {
                    add(from, "same-fingers", "other", String.valueOf(tune.tune().bars().get(other).number()), "string",
                            ((Place.Stopped) situation.plan().at(from)).string());
                    break;
                }
            }
        }
    }

    private boolean isMoved(int from, int otherFrom, int size) {
        int apart = 0;
        for (int i = 0; i < size; i++) {
            if (!(situation.plan().at(from + i) instanceof Place.Stopped here)
                    || !(situation.plan().at(otherFrom + i) instanceof Place.Stopped there)
                    || here.above() != there.above() || here.finger() != there.finger()) {
                return false;
            }
            int strings = here.index() - there.index();
            if (i > 0 && strings != apart) {
                return false;
            }
            apart = strings;
        }
        return apart != 0;
    }

    private void ofBellows() {
        if (situation.instrument().school("rows", situation.school()).equals("along")) {
            // Turns along the row are what that school is for.
            return;
        }
        for (Trap trap : situation.plan().traps()) {
            add(trap.note(), trap.kind(), "text", trap.text(), "advice", trap.advice());
        }
    }
}
