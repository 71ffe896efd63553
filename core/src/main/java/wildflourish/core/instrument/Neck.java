package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.tune.Pitch;

/** Strings over a fingerboard, under a bow or plucked. Pitches are as written; a capo has raised them already. */
public final class Neck implements Layout {

    /** The file as it stands; {@code from} is the fret at which a string begins, 0 for the nut. */
    record File(
            List<StringRow> strings, boolean fretted, int frets, boolean capo, String strokes, int roam,
            List<Position> positions, List<Hand> hand) {}

    record StringRow(String name, String open, int from) {}

    /**
     * A position of the hand.
     *
     * @param shift semitones by which the hand has gone up the neck from the first
     */
    public record Position(String name, int shift) {}

    /**
     * What a finger reaches.
     *
     * @param above semitones above the open string, in the first position
     * @param shape {@code "low "} or {@code "high "} where a finger has two places; else empty
     * @param strain how far the finger reaches out of its place
     */
    record Hand(int above, int finger, String shape, int strain) {}

    /**
     * A string.
     *
     * @param open its pitch when it is not stopped, as written, the capo included
     * @param from the fret at which it begins: 0 for the nut, 5 for a short fifth string
     */
    public record OpenString(String name, Pitch open, int from) {

        public boolean isShort() {
            return from > 0;
        }
    }

    /** How the shape of a short string's open note is named, which the thumb has to itself. */
    public static final String SHORT = "short";

    private final File file;
    private final int capo;
    private final List<OpenString> strings;
    private final TreeMap<Integer, List<Place>> byMidi = new TreeMap<>();
    private final List<Pitch> pitches;

    Neck(File file) {
        this(file, 0);
    }

    private Neck(File file, int capo) {
        this.file = file;
        this.capo = capo;
        this.strings = file.strings().stream()
                .map(s -> new OpenString(s.name(), raised(Pitch.parse(s.open()), capo), s.from())).toList();
        for (int s = 0; s < strings.size(); s++) {
            reach(s);
        }
        byMidi.values().forEach(places -> places.sort(java.util.Comparator.comparingInt(Neck::awayFromUsual)));
        this.pitches = byMidi.keySet().stream().map(Pitch::ofMidi).toList();
    }

    private static Pitch raised(Pitch pitch, int semitones) {
        return semitones == 0 ? pitch : Pitch.ofMidi(pitch.midi() + semitones);
    }

    private void reach(int s) {
        OpenString string = strings.get(s);
        for (Position position : file.positions()) {
            put(string.open().midi(), new Place.Stopped(
                    string.name(), s, 0, 0, string.isShort() ? SHORT : "", 0, position.name(), position.shift(), file.fretted()));
            for (Hand hand : file.hand()) {
                int above = hand.above() + position.shift();
                if (!string.isShort() && above <= file.frets() - capo) {
                    put(string.open().midi() + above, new Place.Stopped(string.name(), s, above, hand.finger(),
                            hand.shape().strip(), hand.strain(), position.name(), position.shift(), file.fretted()));
                }
            }
        }
    }

    private void put(int midi, Place place) {
        byMidi.computeIfAbsent(midi, m -> new ArrayList<>()).add(place);
    }

    private static int awayFromUsual(Place place) {
        Place.Stopped stopped = (Place.Stopped) place;
        return stopped.shift() * 4 + stopped.strain() * 2 + (stopped.finger() == 4 ? 1 : 0);
    }

    boolean takesCapo() {
        return file.capo();
    }

    Neck withCapo(int fret) {
        if (fret < 0 || fret > file.frets() / 2) {
            throw new IllegalArgumentException("a capo goes on a fret from 1 to " + file.frets() / 2);
        }
        return new Neck(file, fret);
    }

    /** This neck with a string tuned to another open pitch. */
    Neck tuned(int index, Pitch open) {
        List<StringRow> rows = new ArrayList<>(file.strings());
        StringRow row = rows.get(index);
        rows.set(index, new StringRow(row.name(), open.toString(), row.from()));
        return new Neck(new File(rows, file.fretted(), file.frets(), file.capo(), file.strokes(), file.roam(),
                file.positions(), file.hand()), capo);
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Neck neck && file.equals(neck.file) && capo == neck.capo;
    }

    @Override
    public int hashCode() {
        return 31 * file.hashCode() + capo;
    }

    File file() {
        return file;
    }

    /** The strings, the one farthest from the first string first. */
    public List<OpenString> strings() {
        return strings;
    }

    public boolean isFretted() {
        return file.fretted();
    }

    /** What sounds the strings: {@code bow}, {@code plectrum} or {@code fingers}. */
    public String strokes() {
        return file.strokes();
    }

    public List<Position> positions() {
        return file.positions();
    }

    /** How far up the neck, in semitones, the hand goes without being asked to by a note that lies higher. */
    public int roam() {
        return file.roam();
    }

    /** The topmost semitone above the open string that a finger reaches. */
    public int reach() {
        return Math.min(file.frets() - capo, file.positions().stream().mapToInt(Position::shift).max().orElse(0)
                + file.hand().stream().mapToInt(Hand::above).max().orElse(0));
    }

    @Override
    public List<Place> places(Pitch pitch) {
        return byMidi.getOrDefault(pitch.midi(), List.of());
    }

    @Override
    public List<Pitch> pitches() {
        return pitches;
    }

    @Override
    public int sounds(String typed) {
        String[] words = typed.strip().split("[\\s:,]+");
        String first = words.length == 0 ? "" : words[0];
        OpenString string = strings.stream().filter(s -> s.name().equalsIgnoreCase(first)).findFirst()
                .orElseThrow(() -> new IllegalArgumentException("'%s' names no string; there are %s".formatted(
                        first, String.join(" ", strings.stream().map(OpenString::name).toList()))));
        String rest = typed.strip().substring(first.length()).replaceAll("[:,]", " ").strip()
                .toLowerCase(Locale.ROOT);
        int at = rest.indexOf(" at ");
        int shift = at < 0 ? 0 : number(rest.substring(at + 4));
        rest = at < 0 ? rest : rest.substring(0, at);
        if (file.fretted()) {
            String fret = rest.replaceFirst("^fret\\s+", "").replaceFirst("\\s*finger.*$", "").strip();
            int above = number(fret);
            if (above < 0 || above > file.frets() - capo || above > 0 && string.isShort()) {
                throw new IllegalArgumentException("the %s string has no fret %d here".formatted(string.name(), above));
            }
            return string.open().midi() + above;
        }
        if (rest.equals("0") || rest.equals("open")) {
            return string.open().midi();
        }
        String wanted = rest;
        Optional<Hand> hand = file.hand().stream()
                .filter(h -> (h.shape() + h.finger()).equals(wanted)
                        || h.finger() == 2 && wanted.equals("2") && h.shape().equals("high "))
                .findFirst();
        return string.open().midi() + shift + hand.orElseThrow(() -> new IllegalArgumentException(
                "'%s' names no finger; write it like %s".formatted(wanted, example()))).above();
    }

    private int number(String text) {
        try {
            return Integer.parseInt(text.strip());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("'%s' is not a number; write it like %s".formatted(
                    text.strip(), example()));
        }
    }

    @Override
    public String example() {
        return file.fretted() ? strings.get(strings.size() / 2).name() + " fret 2"
                : strings.get(strings.size() / 2).name() + " low 2";
    }

    @Override
    public List<String> faults(Family family) {
        List<String> faults = new ArrayList<>();
        if (family.hands() != Family.Held.STRINGS || family.frets() != file.fretted()) {
            faults.add("strings %s frets belong to another family".formatted(file.fretted() ? "over" : "without"));
        }
        if (strings.stream().map(OpenString::name).distinct().count() != strings.size()) {
            faults.add("two strings have the same name");
        }
        for (Hand hand : file.hand()) {
            if (hand.finger() < 1 || hand.finger() > 4 || hand.above() < 1) {
                faults.add("a hand has fingers 1 to 4, each above the open string");
            }
        }
        for (int i = 1; i < strings.size(); i++) {
            OpenString below = strings.get(i - 1);
            if (!below.isShort() && strings.get(i).open().midi() <= below.open().midi()) {
                faults.add("the strings rise from one to the next: %s cannot follow %s".formatted(
                        strings.get(i).open(), below.open()));
            }
        }
        return faults;
    }
}
