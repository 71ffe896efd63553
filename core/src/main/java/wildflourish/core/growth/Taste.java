package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Neck;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Density;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.TuneType;

/**
 * The rules of taste: what each rung of the ladder may hold, and what dulls a version; from its data file, for a way of
 * playing, and as a kind of tune changes it.
 *
 * @param rungs from bare to full
 * @param deductions what speaks against
 * @param tightOneIn of how many things in a phrase one may be tight, on rungs that allow it at all
 * @param smallGain an ornament worth less is not worth playing its note elsewhere for
 * @param separates whether equal notes run together on the instrument, so that what parts them counts against no budget
 * @param freely what a variation gains where the teacher lets the melody itself be moved
 * @param mostOnANote how many ornaments are stacked at most
 * @param liking what the kind of tune makes of an ornament
 */
public record Taste(
        String provenance, List<Level> rungs, Deductions deductions, int tightOneIn, int smallGain, boolean separates,
        int freely, int mostOnANote, Map<String, Liking> liking) {

    /**
     * What is taken off.
     *
     * @param tight for an ornament that speaks only without ease
     * @param alike when the decorated note before it in the phrase carried the same
     * @param alternating when not that one did but the one before it
     * @param neighbours how many times as dull {@code alike} is on two notes that follow one another
     * @param stacked for each further ornament on one note
     * @param busyEnd for an ornament other than a breath on the last note of a phrase
     * @param heavyEnd the same for a weighty one in place of the held sound
     * @param again for each treatment that a repeat of a phrase takes over on a rung whose repeats are varied
     * @param tooSlow for a gesture whose pulses would each last longer than its slowest pulse
     */
    public record Deductions(
            int tight, int alike, int alternating, int neighbours, int stacked, int busyEnd, int heavyEnd, int again, int tooSlow) {}

    /** Points that a kind of tune gives or takes for an ornament wherever taste speaks for it, and why. */
    public record Liking(int points, String because) {}

    /**
     * How some kinds of tune change the rules.
     *
     * @param leave ornaments they leave alone; {@code variation: } before kinds of variation
     * @param like points for ornaments by id
     * @param add what comes in addition, by the name of the rung
     * @param perPhrase by how much a phrase bears more
     * @param heavyPerPhrase by how many weighty ones more
     */
    record ForTypes(
            List<String> types, String because, List<String> leave, Map<String, Integer> like,
            Map<String, List<String>> add, int perPhrase, int heavyPerPhrase) {}

    /** A file as it stands. */
    record File(
            String provenance, List<Level> rungs, List<ForTypes> types, Deductions deductions, int tightOneIn, int smallGain,
            boolean separates, int freely, int mostOnANote) {

        Taste plain() {
            return new Taste(provenance, rungs, deductions, tightOneIn, smallGain, separates, freely, mostOnANote, Map.of());
        }

        /** As a kind of tune changes it; a type with a word of its own about its meter counts as the type. */
        Taste in(TuneType type) {
            return types.stream().filter(t -> t.types().stream().anyMatch(n -> type.id().equals(n) || type.id().startsWith(n + " in ")))
                    .findFirst().map(t -> plain().changed(t)).orElseGet(this::plain);
        }
    }

    private static final String VARIATION = "variation: ";

    private Taste changed(ForTypes type) {
        List<Level> levels = new ArrayList<>();
        for (Level level : rungs) {
            List<String> ornaments = new ArrayList<>(level.ornaments());
            type.add().getOrDefault(level.name(), List.of()).stream().filter(id -> !ornaments.contains(id)).forEach(ornaments::add);
            ornaments.removeAll(type.leave());
            List<String> variations = level.variations().stream().filter(v -> !type.leave().contains(VARIATION + v)).toList();
            boolean bare = level.perPhrase() == 0;
            levels.add(new Level(level.name(), ornaments, variations, level.free(), level.repeats(),
                    bare ? 0 : Math.max(1, level.perPhrase() + type.perPhrase()),
                    level.heavyPerPhrase() == 0 ? 0 : Math.max(0, level.heavyPerPhrase() + type.heavyPerPhrase()),
                    level.tightAllowed(), level.least()));
        }
        Map<String, Liking> points = new HashMap<>();
        type.like().forEach((id, p) -> points.put(id, new Liking(p, type.because())));
        return new Taste(provenance, levels, deductions, tightOneIn, smallGain, separates, freely, mostOnANote, points);
    }

    /**
     * What a rung may hold.
     *
     * @param ornaments ids that may be added on it; those of the rungs below are kept
     * @param variations kinds of variation that may be added on it
     * @param free kinds besides, where the teacher lets the melody itself be moved
     * @param repeats {@code alike} where phrases that are the same are treated the same, {@code varied} where their
     *     repeats are to differ
     * @param perPhrase how many ornaments a phrase bears
     * @param heavyPerPhrase how many weighty ones among them
     * @param tightAllowed whether it may hold what is tight at the tempo
     * @param least an ornament whose gain is less is not worth adding
     */
    public record Level(
            String name, List<String> ornaments, List<String> variations, List<String> free, String repeats, int perPhrase,
            int heavyPerPhrase, boolean tightAllowed, int least) {

        boolean variesRepeats() {
            return repeats.equals("varied");
        }

        /** The same with room for so much. */
        Level with(String otherName, int most, int mostHeavy) {
            return new Level(otherName, ornaments, variations, free, repeats, most, mostHeavy, tightAllowed, least);
        }
    }

    private static final Map<String, File> BY_NAME = new ConcurrentHashMap<>();

    private static File named(String name) {
        return BY_NAME.computeIfAbsent(name, n -> {
            File file = DataFile.read("ornaments/taste-" + n + ".json", File.class);
            checked(file.plain());
            TuneType.all().forEach(t -> checked(file.in(t)));
            return file;
        });
    }

    /** The rules for an instrument that somebody plays, in the usual schools, for no kind of tune in particular. */
    public static Taste of(Instrument instrument) {
        return named(wayOf(instrument)).plain();
    }

    /** The rules for a tune of this head on an instrument that somebody plays, in the schools chosen. */
    public static Taste of(Instrument instrument, School school, Head head) {
        TuneType type = TuneType.of(head);
        String way = wayOf(instrument);
        if (way.equals("plectrum")) {
            String plucking = instrument.school("plucking", school);
            boolean breakdown = plucking.equals("breakdown") || plucking.equals("by-tune") && type.id().equals("breakdown");
            way = breakdown ? "plectrum-breakdown" : way;
        }
        Taste taste = named(way).in(type);
        return instrument.school("triplet", school).equals("even") ? taste.withEvenTriplets() : taste;
    }

    /** With three even notes in the time of two where else the second note of the tune would keep its beat. */
    private Taste withEvenTriplets() {
        List<Level> levels = rungs.stream().map(l -> {
            if (!l.ornaments().contains(STEPWISE)) {
                return l;
            }
            List<String> variations = new ArrayList<>(l.variations());
            variations.add("triplet");
            return new Level(l.name(), l.ornaments().stream().filter(id -> !id.equals(STEPWISE)).toList(), variations, l.free(), l.repeats(),
                    l.perPhrase(), l.heavyPerPhrase(), l.tightAllowed(), l.least());
        }).toList();
        return new Taste(provenance, levels, deductions, tightOneIn, smallGain, separates, freely, mostOnANote, liking);
    }

    private static final String STEPWISE = "stepwise-triplet";

    /** As {@link #of(Instrument, School, Head)}, for an arrangement. */
    public static Taste of(Arrangement arrangement) {
        return of(arrangement.instrument(), arrangement.school(), arrangement.tune().head());
    }

    /** As {@link #of(Instrument, School, Head)}, for a situation. */
    public static Taste of(Situation situation) {
        return of(situation.instrument(), situation.school(), situation.tune().tune().head());
    }

    /** The way of playing that an instrument asks for: {@code bowed}, {@code plectrum}. */
    static String wayOf(Instrument instrument) {
        return instrument.family().taste().or(() -> Optional.of(instrument.layout()).filter(Neck.class::isInstance).map(n -> ((Neck) n).strokes()))
                .orElseThrow(() -> new IllegalArgumentException("nobody plays the tune as written"));
    }

    /** Each rung may hold at least what the one below it may, else the upper could not contain the lower. */
    static Taste checked(Taste taste) {
        for (int i = 1; i < taste.rungs.size(); i++) {
            Level low = taste.rungs.get(i - 1);
            Level high = taste.rungs.get(i);
            if (high.perPhrase < low.perPhrase || high.heavyPerPhrase < low.heavyPerPhrase
                    || low.tightAllowed && !high.tightAllowed) {
                throw new DataFault("taste: the rung '%s' may hold less than '%s' below it"
                        .formatted(high.name, low.name));
            }
        }
        return taste;
    }

    /**
     * Ids of ornaments and kinds of variation that may stand on a rung: those added on it and on the rungs below.
     *
     * @param free whether the melody itself may be moved
     */
    Set<String> allowed(int rung, boolean free) {
        Set<String> ids = new HashSet<>();
        for (int i = 0; i <= rung; i++) {
            ids.addAll(rungs.get(i).ornaments());
            ids.addAll(rungs.get(i).variations());
            if (free) {
                ids.addAll(rungs.get(i).free());
            }
            if (i + 1 == rungs.size()) {
                ids.add(LICK);
            }
        }
        return ids;
    }

    /** The kind of a player's own lick, which the fullest rung may always hold. */
    static final String LICK = "lick";

    /**
     * The rules for the rungs of a ladder: each rung that has the name of one of these has its rules, another those of the
     * highest of these below it; what the teacher has settled about its density counts before them. No rung may hold less
     * than the one below it.
     */
    public Taste forLadder(Ladder ladder) {
        List<Level> levels = new ArrayList<>();
        int at = 0;
        for (int r = 0; r < ladder.size(); r++) {
            Rung rung = ladder.rung(r);
            for (int i = 0; i < rungs.size(); i++) {
                if (rungs.get(i).name().equals(rung.name())) {
                    at = Math.max(at, i);
                }
            }
            at = r > 0 && at == 0 ? Math.min(1, rungs.size() - 1) : at;
            Level level = rungs.get(at);
            Level below = levels.isEmpty() ? null : levels.getLast();
            int most = rung.density().map(Density::perPhrase).orElse(level.perPhrase());
            int mostHeavy = rung.density().map(Density::heavyPerPhrase).orElse(level.heavyPerPhrase());
            levels.add(level.with(rung.name(), below == null ? most : Math.max(most, below.perPhrase()),
                    below == null ? mostHeavy : Math.max(mostHeavy, below.heavyPerPhrase())));
        }
        List<Level> added = new ArrayList<>();
        for (int r = 0; r < levels.size(); r++) {
            Level level = levels.get(r);
            // What a rung that was dropped would have added comes in with the next one above it.
            List<String> ornaments = new ArrayList<>();
            List<String> variations = new ArrayList<>();
            List<String> free = new ArrayList<>();
            int upTo = index(level);
            int from = r == 0 ? 0 : index(levels.get(r - 1)) + 1;
            for (int i = Math.min(from, upTo); i <= upTo; i++) {
                ornaments.addAll(rungs.get(i).ornaments());
                variations.addAll(rungs.get(i).variations());
                free.addAll(rungs.get(i).free());
            }
            added.add(new Level(level.name(), ornaments, variations, free, level.repeats(), level.perPhrase(),
                    level.heavyPerPhrase(), level.tightAllowed(), level.least()));
        }
        return new Taste(provenance, added, deductions, tightOneIn, smallGain, separates, freely, mostOnANote, liking);
    }

    /** Which of these rules a level of a ladder was made from. */
    private int index(Level level) {
        for (int i = rungs.size() - 1; i >= 0; i--) {
            if (rungs.get(i).ornaments().equals(level.ornaments()) && rungs.get(i).least() == level.least()) {
                return i;
            }
        }
        return 0;
    }
}
