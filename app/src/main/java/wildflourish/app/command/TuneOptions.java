package wildflourish.app.command;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;
import wildflourish.app.work.Documents;
import wildflourish.core.finding.Finding;
import wildflourish.core.growth.Folds;
import wildflourish.core.growth.Translation;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;
import wildflourish.formats.door.TuneFiles;

/** The options that mean the same in every command that reads a tune. */
final class TuneOptions {

    @Option(names = "--instrument", paramLabel = "ID", description = "default: none, as written")
    private @Nullable String instrument;

    @Option(names = "--tempo", paramLabel = "1/4=120", description = "a note value and its count a minute")
    private @Nullable String tempo;

    @Option(names = "--rung", paramLabel = "N", description = "0 = bare")
    private @Nullable Integer rung;

    @Option(names = "--tune", paramLabel = "X", description = "the tune's X: number; default the first")
    private @Nullable Integer number;

    @Option(names = "--voice", paramLabel = "NAME", description = "which voice of several is the melody, by its name or its number from 1; default the first")
    private @Nullable String voice;

    @Option(names = "--school", paramLabel = "NAME=VALUE", description = "a choice of school; repeatable")
    private Map<String, String> schools = new TreeMap<>();

    @Option(names = "--level", paramLabel = "NAME", description = "learner, fluent or expert")
    private @Nullable String level;

    @Option(names = "--speed", paramLabel = "MOVEMENT=FLOOR/EASE",
            description = "one of the student's own speeds in milliseconds, like cut=45/70; repeatable")
    private Map<String, String> own = new TreeMap<>();

    @Option(names = "--capo", paramLabel = "N", description = "fret of the capo, on instruments that take one")
    private @Nullable Integer capo;

    /** A tune ready to work on, and whether its file had errors. */
    record Read(Arrangement arrangement, int rung, boolean hadErrors) {

        int status() {
            return hadErrors ? 1 : 0;
        }
    }

    /** What a command does when neither instrument nor rung is asked for. */
    enum Usual {
        /** The tune as written. */
        AS_WRITTEN,
        /** What the file has of its own, when it has a ladder; else the bare tune, no ladder grown for it. */
        UNGROWN,
        /** The file's own ladder, when it has one; else as written. */
        OWN_LADDER,
        /** The fullest rung of the file's own ladder, or of one grown for the instrument. */
        FULLEST
    }

    /** Reads the file, prints its findings, and makes the arrangement that the options ask for. */
    Read read(Path file, PrintWriter err, Usual usual) {
        TuneBook book = book(file, err);
        BookTune tune = book.tunes().stream()
                .filter(t -> number == null || t.tune().head().number() == number)
                .findFirst()
                .orElseThrow(() -> Refusal.input("%s:0:0: error: there is no tune with X:%d; choose one of %s"
                        .formatted(file, number, book.tunes().stream().map(t -> t.tune().head().number()).toList())));
        return read(book, voice == null ? tune : withMelody(tune, voice), usual);
    }

    /** The tune with another of its voices as the melody. */
    private static BookTune withMelody(BookTune tune, String voice) {
        List<String> names = OtherVoices.names(tune.tune());
        int index = voice.matches("\\d{1,3}") ? Integer.parseInt(voice) - 2 : names.indexOf(voice);
        if (voice.equals("1")) {
            return tune;
        }
        if (index < 0 || index >= names.size()) {
            throw Refusal.call(names.isEmpty() ? "the tune has one voice only" : "there is no voice '%s' beside the melody; choose one of %s, or a number from 2"
                    .formatted(voice, String.join(", ", names)));
        }
        return OtherVoices.madeMelody(tune.tune(), index).map(t -> new BookTune(t, Optional.empty(), List.of(), tune.line(), tune.lastLine()))
                .orElseThrow(() -> Refusal.input("the voice '%s' has no music that can be read".formatted(names.get(index))));
    }

    /** Makes the arrangement of one tune of a book that the options ask for. */
    Read read(TuneBook book, BookTune tune, Usual usual) {
        Arrangement arrangement = arrangement(tune, usual);
        int top = arrangement.ladder().size() - 1;
        int chosen = rung != null ? rung : usual == Usual.FULLEST ? top : 0;
        boolean bareOnly = arrangement.ladder().size() == 1;
        if (chosen < 0 || chosen > top || usual == Usual.FULLEST && bareOnly) {
            throw Refusal.call(bareOnly
                    ? "there is no rung above bare without hands: choose an instrument, as in --instrument whistle-d"
                    : "there is no rung %d: the ladder has rungs 0 to %d".formatted(chosen, top));
        }
        return new Read(arrangement, chosen, book.hasErrors(tune));
    }

    /** Whether one tune was asked for by its number. */
    boolean hasTune() {
        return number != null;
    }

    static TuneBook book(Path file, PrintWriter err) {
        byte[] bytes;
        try {
            if (Files.isDirectory(file)) {
                throw Refusal.input("%s:0:0: error: this is a folder; choose a file in it".formatted(file));
            }
            if (Files.exists(file) && Files.size(file) > TuneFiles.LARGEST) {
                throw Refusal.input("%s:0:0: error: the file is larger than 64 MB; divide it into several files"
                        .formatted(file));
            }
            bytes = Files.readAllBytes(file);
        } catch (IOException e) {
            throw Refusal.input("%s:0:0: error: the file cannot be read; check its name and whether you may read it"
                    .formatted(file));
        }
        TuneBook book = TuneFiles.read(bytes);
        for (Finding finding : book.findings()) {
            err.println(finding.inFile(file.toString()));
        }
        if (book.tunes().isEmpty()) {
            throw Refusal.input("%s: nothing could be read".formatted(file));
        }
        return book;
    }

    /** The file's own arrangement on the instrument asked for: its ladder there, or the one it has carried over. */
    private Arrangement carriedOver(Arrangement own) {
        if (!hasInstrument() || !own.instrument().hasHands() || own.instrument().id().equals(instrument().id())) {
            return own;
        }
        Instrument other = instrument();
        return own.on(other, own.ladderOn(other).orElseGet(() -> Translation.of(own, other).ladder()));
    }

    /** A tune with its ladder, as the options ask: its own where it has one for the instrument, else one grown for it. */
    Arrangement grown(BookTune tune) {
        return arrangement(tune, Usual.FULLEST);
    }

    private Arrangement arrangement(BookTune tune, Usual usual) {
        Optional<Tempo> asked = Optional.ofNullable(tempo).map(TuneOptions::tempo);
        Optional<Arrangement> own = tune.arrangement().map(this::carriedOver)
                .filter(a -> instrument != null ? a.instrument().id().equals(instrument().id()) && (capo == null || capo == a.instrument().capo())
                        : rung != null && rung > 0 || usual != Usual.AS_WRITTEN);
        try {
            if (own.isPresent()) {
                Arrangement changed = asked.map(own.get()::with).orElse(own.get());
                changed = level == null ? changed : changed.with(Speeds.level(level));
                changed = changed.with(speeds(changed.speeds()));
                for (Map.Entry<String, String> choice : schools.entrySet()) {
                    changed = changed.with(changed.school().with(choice.getKey(), choice.getValue()));
                }
                return changed;
            }
            School school = new School(schools);
            Speeds speeds = speeds(Speeds.level(level == null ? Speeds.USUAL : level));
            Tempo played = asked.orElseGet(() -> TuneType.tempoOf(tune.tune().head()));
            Arrangement made = usual == Usual.UNGROWN
                    ? new Arrangement(tune.tune(), instrument(), played, speeds, school, Ladder.bare())
                    : Documents.grown(tune.tune(), instrument(), played, speeds, school);
            if (usual == Usual.AS_WRITTEN && (rung == null || rung == 0)) {
                made = made.with(Folds.asWritten(made.ladder()));
            }
            return made.withUnread(tune.unread());
        } catch (IllegalArgumentException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }

    private Speeds speeds(Speeds level) {
        Speeds changed = level;
        for (Map.Entry<String, String> speed : own.entrySet()) {
            changed = changed.with(speed.getKey(), speed.getValue());
        }
        return changed;
    }

    /** Whether an instrument was asked for. */
    boolean hasInstrument() {
        return instrument != null && !instrument.equals("none");
    }

    /** The instrument asked for. */
    Instrument instrument() {
        return instrument(instrument == null ? "none" : instrument);
    }

    /** The instrument of an id, with the capo asked for; refuses one that there is not. */
    Instrument instrument(String id) {
        Instrument known = Instruments.byId(id).orElseThrow(() -> Refusal.call(
                "there is no instrument '%s'; see: flourish instruments".formatted(id)));
        try {
            return capo == null ? known : known.withCapo(capo);
        } catch (IllegalArgumentException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }

    private static Tempo tempo(String text) {
        try {
            Tempo tempo = Tempo.parse(text);
            if (!tempo.isPlayable()) {
                throw new IllegalArgumentException("no one plays at " + text);
            }
            return tempo;
        } catch (IllegalArgumentException | ArithmeticException e) {
            throw Refusal.call(String.valueOf(e.getMessage()));
        }
    }
}
