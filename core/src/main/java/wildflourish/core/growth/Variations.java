package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.Place;
import wildflourish.core.memory.Kept;
import wildflourish.core.ornament.Move;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Room;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;
import wildflourish.core.tune.Tuplet;

/** Finds the variations that fit a tune on an instrument, and the player's own licks where the melody allows them. */
public final class Variations {

    private static final Ratio SEMIQUAVER = Ratio.of(1, 16);
    private static final Ratio QUAVER = Ratio.of(1, 8);
    private static final Ratio CROTCHET = Ratio.of(1, 4);
    private static final Ratio DOTTED = Ratio.of(3, 8);
    private static final Ratio MINIM = Ratio.of(1, 2);

    private final Situation situation;
    private final Timeline tune;
    private final Tempo tempo;
    private final Speeds speeds;
    private final List<Phrase> phrases;
    private final List<Lick> licks;
    private final List<Set<Feature>> features;
    private final String playing;
    private final List<List<Offer>> byNote = new ArrayList<>();
    private final Phrase[] phraseOf;

    private static final Kept<Asked, Variations> FOUND = new Kept<>(16);

    private record Asked(Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases, List<Lick> licks) {}

    /** What stretches of an arrangement's plain tune can be varied to; found once. */
    public static Variations of(Arrangement arrangement, List<Lick> licks) {
        return FOUND.of(new Asked(arrangement.situation(), arrangement.tempo(), arrangement.speeds(), Phrases.of(arrangement), licks),
                a -> new Variations(a.situation, a.tempo, a.speeds, a.phrases, Feature.of(a.situation.tune(), a.phrases), a.licks));
    }

    /** Finds everything that fits. */
    public Variations(
            Situation situation, Tempo tempo, Speeds speeds, List<Phrase> phrases, List<Set<Feature>> features,
            List<Lick> licks) {
        this.situation = situation;
        this.tune = situation.tune();
        this.tempo = tempo;
        this.speeds = speeds;
        this.phrases = phrases;
        this.features = features;
        this.licks = licks;
        this.playing = situation.instrument().hasHands() ? Taste.wayOf(situation.instrument()) : "none";
        this.phraseOf = new Phrase[tune.size()];
        for (int n = 0; n < tune.size(); n++) {
            byNote.add(new ArrayList<>());
        }
        phrases.forEach(p -> java.util.Arrays.fill(phraseOf, p.fromNote(), p.toNote(), p));
        if (situation.instrument().hasHands()) {
            for (Phrase phrase : phrases) {
                of(phrase);
            }
            putRight();
        }
    }

    /** What fits a stretch that begins on a note, the best first. */
    public List<Offer> startingAt(int note) {
        return byNote.get(note);
    }

    /** What fits a stretch that holds a note, the best first. */
    public List<Offer> holding(int note) {
        return Optional.ofNullable(note < phraseOf.length ? phraseOf[note] : null).map(p -> {
            List<Offer> all = new ArrayList<>();
            for (int n = p.fromNote(); n <= note; n++) {
                byNote.get(n).stream().filter(o -> o.variation().holds(note)).forEach(all::add);
            }
            all.sort((a, b) -> Integer.compare(b.gain(), a.gain()));
            return all;
        }).orElse(List.of());
    }

    /** A variation of the teacher's own, which taste says nothing for. */
    Offer own(Variation variation) {
        return new Offer(variation, verdict(variation), 0, "the teacher's own choice");
    }

    private void of(Phrase phrase) {
        for (int n = phrase.fromNote(); n < phrase.toNote(); n++) {
            if (!isPlain(n)) {
                continue;
            }
            boolean end = n == phrase.lastNote();
            if (end) {
                gap(phrase, n);
            } else {
                held(n);
                pair(phrase, n);
            }
            dodge(n);
            for (Lick lick : licks) {
                lick.fittedTo(tune, n, phrase.toNote()).ifPresent(v -> offer(v, "fits"));
            }
        }
        octave(phrase, 1);
        octave(phrase, -1);
        byNote.subList(phrase.fromNote(), phrase.toNote()).forEach(l -> l.sort(
                (a, b) -> Integer.compare(b.gain(), a.gain())));
    }

    /** A note of its own: no chord, no tie, no tuplet, no graces. */
    private boolean isPlain(int n) {
        Stand stand = tune.note(n);
        Note note = stand.note();
        return !stand.heldOver() && !note.tied() && note.tuplet().isEmpty() && note.pitches().size() == 1
                && note.marks().graces().isEmpty();
    }

    private Pitch step(int n, Pitch pitch, int steps) {
        return tune.note(n).key().step(pitch, steps);
    }

    private static Note note(Pitch pitch, Ratio length) {
        return Note.of(pitch, length);
    }

    private void held(int n) {
        Stand stand = tune.note(n);
        Ratio length = stand.note().length();
        Pitch x = stand.pitch();
        if (length.equals(CROTCHET)) {
            offer(n, n + 1, "fill", note(x, QUAVER), note(x, QUAVER));
            offer(n, n + 1, "shuffle", note(x, QUAVER), note(x, SEMIQUAVER), note(x, SEMIQUAVER));
        } else if (length.equals(DOTTED)) {
            offer(n, n + 1, "fill", note(x, CROTCHET), note(x, QUAVER));
            offer(n, n + 1, "restate", note(x, QUAVER), note(step(n, x, 1), QUAVER), note(x, QUAVER));
        } else if (length.equals(MINIM)) {
            offer(n, n + 1, "fill", note(x, CROTCHET), note(x, CROTCHET));
            offer(n, n + 1, "shuffle", note(x, CROTCHET), note(x, QUAVER), note(x, QUAVER));
            offer(n, n + 1, "restate", note(x, QUAVER), note(step(n, x, -1), QUAVER), note(step(n, x, -2), QUAVER),
                    note(step(n, x, -1), QUAVER));
        }
        Optional<Stand> next = follows(n);
        if (next.isPresent() && (length.equals(CROTCHET) || length.equals(DOTTED) || length.equals(MINIM))) {
            int way = next.get().pitch().diatonic() - x.diatonic();
            if (Math.abs(way) == 2) {
                offer(n, n + 1, "connect", note(x, length.minus(QUAVER)), note(step(n, x, way / 2), QUAVER));
            }
        }
    }

    /** One of three notes in the time of two quavers. */
    private static Note triplet(Pitch pitch, int position) {
        return note(pitch, Ratio.of(1, 12)).withTuplet(Optional.of(new Tuplet(3, 2, position, 3)));
    }

    private Optional<Stand> follows(int n) {
        Stand stand = tune.note(n);
        return n + 1 < tune.size() && tune.note(n + 1).onset().equals(stand.onset().plus(stand.note().length()))
                ? Optional.of(tune.note(n + 1)) : Optional.empty();
    }

    /** Stretches of two notes or more. */
    private void pair(Phrase phrase, int n) {
        Stand a = tune.note(n);
        if (n + 1 >= phrase.toNote() || !isPlain(n + 1) || tune.note(n + 1).bar() != a.bar()) {
            return;
        }
        Stand b = tune.note(n + 1);
        boolean quavers = a.note().length().equals(QUAVER) && b.note().length().equals(QUAVER);
        if (quavers && a.strength() > 0 && !a.meter().isCompound() && a.pitch().midi() != b.pitch().midi()) {
            offer(n, n + 2, "double", note(a.pitch(), SEMIQUAVER), note(b.pitch(), SEMIQUAVER),
                    note(a.pitch(), SEMIQUAVER), note(b.pitch(), SEMIQUAVER));
        }
        int third = b.pitch().diatonic() - a.pitch().diatonic();
        if (quavers && a.strength() > 0 && Math.abs(third) == 2) {
            offer(n, n + 2, "triplet", triplet(a.pitch(), 0), triplet(step(n, a.pitch(), third / 2), 1), triplet(b.pitch(), 2));
        }
        if (a.note().length().equals(CROTCHET) && b.note().length().equals(CROTCHET) && a.strength() > 0
                && n + 1 < phrase.lastNote() && a.pitch().midi() != b.pitch().midi()) {
            offer(n, n + 2, "syncopate", "long pair", note(a.pitch(), QUAVER), note(b.pitch(), DOTTED));
        }
        if (n + 2 < phrase.toNote() && isPlain(n + 2) && tune.note(n + 2).bar() == a.bar() && quavers
                && tune.note(n + 2).note().length().equals(QUAVER)) {
            Stand c = tune.note(n + 2);
            if (!a.meter().isCompound() && a.strength() > 0 && b.pitch().midi() == c.pitch().midi()) {
                offer(n, n + 3, "syncopate", "repeated next", note(a.pitch(), QUAVER), note(b.pitch(), CROTCHET));
            }
            if (a.meter().isCompound() && a.strength() > 0 && a.pitch().midi() == c.pitch().midi()
                    && Math.abs(b.pitch().diatonic() - a.pitch().diatonic()) == 1) {
                offer(n, n + 3, "hold", note(a.pitch(), DOTTED));
            }
        }
    }

    /** The long note at the end of a phrase: a blue note, a link, an ending. */
    private void gap(Phrase phrase, int n) {
        Stand stand = tune.note(n);
        Ratio length = stand.note().length();
        Pitch x = stand.pitch();
        Key key = stand.key();
        if (length.isLess(CROTCHET) || key.open()) {
            return;
        }
        int degree = Math.floorMod(x.diatonic() - key.tonicPitch().diatonic(), 7);
        boolean major = key.mode() == Mode.MAJOR || key.mode() == Mode.MIXOLYDIAN;
        if (major && !length.isLess(DOTTED) && (degree == 0 || degree == 4)) {
            Pitch blue = degree == 0 ? flat(step(n, x, 2)) : flat(step(n, x, 2), key);
            offer(n, n + 1, "blue", note(x, length.minus(CROTCHET)), note(blue, QUAVER), note(x, QUAVER));
        }
        Optional<Stand> next = follows(n).filter(s -> n + 1 < tune.size() && !tune.tune().bars().get(stand.bar()).closing().closesSection());
        if (next.isPresent()) {
            int way = next.get().pitch().diatonic() - x.diatonic();
            int back = way > 0 ? -1 : 1;
            if (Math.abs(way) >= 2) {
                Pitch near = step(n, next.get().pitch(), back);
                if (Math.abs(way) >= 3 && !length.isLess(DOTTED)) {
                    offer(n, n + 1, "link", note(x, length.minus(CROTCHET)), note(step(n, near, back), QUAVER), note(near, QUAVER));
                } else {
                    offer(n, n + 1, "link", note(x, length.minus(QUAVER)), note(near, QUAVER));
                }
            }
        }
        boolean partEnds = tune.tune().bars().get(stand.bar()).closing().closesSection();
        if (partEnds && degree == 0 && !length.isLess(DOTTED)) {
            offer(n, n + 1, "ending", note(step(n, x, 4), QUAVER), note(step(n, x, 2), QUAVER), note(x, length.minus(CROTCHET)));
        }
    }

    private static Pitch flat(Pitch pitch) {
        return pitch.withAlter(Math.max(-1, pitch.alter() - 1));
    }

    /** The flattened seventh above the fifth, which a mixolydian tune has already. */
    private static Pitch flat(Pitch seventh, Key key) {
        return key.mode() == Mode.MAJOR ? flat(seventh) : seventh;
    }

    /** A note that the instrument finds awkward is dodged by the note before or by a chord note. */
    private void dodge(int n) {
        if (!isAwkward(situation.plan().at(n))) {
            return;
        }
        Ratio length = tune.note(n).note().length();
        List<Pitch> instead = new ArrayList<>();
        if (n > 0 && tune.note(n).strength() < 2) {
            instead.add(tune.note(n - 1).pitch());
        }
        Pitch x = tune.note(n).pitch();
        instead.addAll(List.of(step(n, x, 2), step(n, x, -2), x.octavesUp(1)));
        for (Pitch pitch : instead) {
            List<Place> places = situation.instrument().layout().places(pitch);
            if (pitch.midi() != x.midi() && !places.isEmpty() && !isAwkward(places.getFirst())) {
                offer(n, n + 1, "dodge", "awkward", note(pitch, length));
                return;
            }
        }
    }

    /** What puts the notes right that the instrument has not got. */
    private void putRight() {
        Folds folds = Folds.of(tune, situation.instrument(), phrases);
        for (int n : folds.missing()) {
            for (Folds.Fold fold : folds.at(n)) {
                Offer offer = new Offer(fold.variation(), verdict(fold.variation()), fold.gain(),
                        fold.because());
                List<Offer> there = byNote.get(fold.variation().from());
                if (there.stream().noneMatch(o -> o.variation().equals(fold.variation()))) {
                    there.add(offer);
                }
            }
        }
        byNote.forEach(l -> l.sort((a, b) -> Integer.compare(b.gain(), a.gain())));
    }

    /** Awkward for this instrument: up the neck means farther than its hand is at home. */
    private boolean isAwkward(Place place) {
        int home = situation.instrument().layout() instanceof Neck neck ? neck.roam() : 0;
        return place instanceof Place.Fingered f && (f.fingering().holes().hasHalf() || f.fingering().trial())
                || place instanceof Place.Stopped s && s.shift() > home;
    }

    private void octave(Phrase phrase, int octaves) {
        if (phrase.again() || phrase.toNote() - phrase.bodyNote() < 4) {
            return;
        }
        List<Element> notes = new ArrayList<>();
        for (int n = phrase.bodyNote(); n < phrase.toNote(); n++) {
            Note note = tune.note(n).note();
            if (!isPlain(n)) {
                return;
            }
            notes.add(note(note.pitch().octavesUp(octaves), note.length()));
        }
        offer(new Variation(phrase.bodyNote(), phrase.toNote(), octaves > 0 ? "octave-up" : "octave-down", notes), "whole phrase");
    }

    private void offer(int from, int to, String kind, Note... notes) {
        offer(from, to, kind, null, notes);
    }

    private void offer(int from, int to, String kind, @Nullable String place, Note... notes) {
        if (isUsed(kind) && Arrays.stream(notes).allMatch(x -> x.length().isPositive())) {
            offer(new Variation(from, to, kind, List.of(notes)), place);
        }
    }

    private boolean isUsed(String kind) {
        List<String> on = VariationKind.of(kind).on();
        return on.isEmpty() || on.contains(playing);
    }

    /** Offers a variation that the instrument can play; {@code place} names a place beside those of the first note. */
    private void offer(Variation variation, @Nullable String place) {
        if (!isUsed(variation.kind()) || !variation.fits(tune)
                || !variation.pitches().stream().allMatch(situation.instrument()::has)) {
            return;
        }
        int gain = 0;
        int strongest = 0;
        String because = "";
        Set<String> places = places(variation);
        if (place != null) {
            places.add(place);
        }
        for (Ornament.Suit suit : VariationKind.of(variation.kind()).suits()) {
            if (places.contains(suit.place())) {
                gain += suit.gain();
                if (suit.gain() > strongest) {
                    strongest = suit.gain();
                    because = suit.because();
                }
            }
        }
        byNote.get(variation.from()).add(new Offer(variation, verdict(variation), gain, because));
    }

    private Set<String> places(Variation variation) {
        Set<String> places = new HashSet<>();
        features.get(variation.from()).forEach(f -> places.add(f.word()));
        Phrase phrase = phraseOf[variation.from()];
        if (variation.holds(phrase.lastNote())) {
            places.add("phrase gap");
            if (tune.tune().bars().get(tune.note(phrase.lastNote()).bar()).closing().closesSection()) {
                places.add("part end");
            }
        }
        return places;
    }

    /** Whether the shortest of its notes carries its pitch at this tempo. */
    private Verdict verdict(Variation variation) {
        return verdict(variation, tempo, speeds);
    }

    /** As {@link #verdict(Variation)}. */
    static Verdict verdict(Variation variation, Tempo tempo, Speeds speeds) {
        Ratio shortest = variation.notes().stream().map(Element::length).min(Ratio::compareTo).orElseThrow();
        Speeds.Span span = speeds.of(Move.PASSING);
        Ratio has = tempo.millis(shortest);
        Ratio floor = Ratio.of(span.floor(), 1);
        Ratio needs = Ratio.of(span.comfortable(), 1);
        Tempo limit = tempo.atWhich(shortest, needs);
        Room room = new Room(needs, floor, has, "for its shortest note");
        Tempo fastest = tempo.atWhich(shortest, floor);
        return !has.isLess(needs) ? new Verdict.Clean(room, limit, fastest)
                : has.isLess(floor) ? new Verdict.TooFast(room, limit, fastest) : new Verdict.Tight(room, limit, fastest);
    }
}
