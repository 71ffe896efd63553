package wildflourish.app.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.UnaryOperator;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.Keys;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Interval;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tune;
import wildflourish.core.writing.BarStrokes;
import wildflourish.core.writing.Pen;
import wildflourish.core.writing.Words;

/** The keys of the pen. They are the stave's own: they work while it has the keyboard. */
final class PenKeys {

    private static final String GROUP = "Writing on the stave";

    private final WritingModel model;
    private final BooleanSupplier hasKeyboard;
    private final Question question;
    private final Consumer<Arrangement> heard;
    private final PlayingIn playingIn;

    /** Asks for a few words. */
    interface Question {
        void ask(String words, String now, Consumer<String> then);
    }

    /**
     * The keys over a text.
     *
     * @param heard lets a note be heard
     */
    PenKeys(WritingModel model, BooleanSupplier hasKeyboard, Question question, Consumer<Arrangement> heard, PlayingIn playingIn) {
        this.playingIn = playingIn;
        this.model = model;
        this.hasKeyboard = hasKeyboard;
        this.question = question;
        this.heard = heard;
    }

    List<Command> commands() {
        List<Command> all = new ArrayList<>(List.of(
                typed("pen-note", "A note", new Letters("A to G", "abcdefgABCDEFG").keys(), t -> letter(Step.valueOf(t.toUpperCase(Locale.ROOT)))),
                typed("pen-length", "So many quavers long (units of the tune)", Keys.number("1 to 9"), t -> model.stroke(p -> p.units(Integer.parseInt(t)))),
                sign("pen-halve", "Half as long", "/", Pen::halve),
                sign("pen-dot", "Half as long again", ".", Pen::dot),
                letter("pen-keep-length", "New notes as long as this one", "lL", Pen::keepLength),
                letter("pen-rest", "A rest", "zZ", Pen::rest),
                heardSign("pen-sharp", "Sharp", "^#", p -> p.accidental(1)),
                heardSign("pen-natural", "Natural", "=", p -> p.accidental(0)),
                heardSign("pen-flat", "Flat", "_", p -> p.accidental(-1)),
                heardSign("pen-octave-up", "An octave up", "'", p -> p.octaves(1)),
                heardSign("pen-octave-down", "An octave down", ",", p -> p.octaves(-1)),
                moved("pen-step-up", "A step up", "↑", p -> p.steps(1)),
                moved("pen-step-down", "A step down", "↓", p -> p.steps(-1)),
                heardKey("pen-semitone-up", "A semitone up", "Alt+↑", p -> p.transpose(semitone(1))),
                heardKey("pen-semitone-down", "A semitone down", "Alt+↓", p -> p.transpose(semitone(-1))),
                sign("pen-tie", "Tie to the next note", "-", Pen::tie),
                letter("pen-slur", "Slur over the notes in hand", "sS", Pen::slur),
                letter("pen-triplet", "Triplet of the last three notes", "tT", Pen::triplet),
                sign("pen-bar", "Bar line", "|", BarStrokes::line),
                sign("pen-repeat", "Repeat the part that ends here", ":", BarStrokes::repeat),
                sign("pen-ending", "First ending, second ending, none", "[", BarStrokes::ending)));
        all.addAll(List.of(
                ask("pen-chord", "Chord symbol over this note", Keys.sign("\""), () -> question.ask("chord symbol", chord(), c -> model.stroke(p -> p.chordSymbol(said(c))))),
                ask("pen-words", "Words to sing from this note on", Keys.signs("wW", "W"), () -> question.ask("words: a space ends a word, - parts syllables, _ holds one, * leaves a note out",
                        model.pen().get().map(Words::at).orElse(""), t -> model.stroke(p -> Words.from(p, t)))),
                ask("pen-part", "Name of the part that begins with this bar", Keys.sign("pP"), () -> question.ask("name of the part", "", n -> model.stroke(p -> BarStrokes.part(p, said(n))))),
                walk("pen-left", "Back a note", "←", p -> p.move(-1, false)),
                walk("pen-right", "On a note", "→", p -> p.move(1, false)),
                walk("pen-hold-left", "Take the note before in hand", "Shift+←", p -> p.move(-1, true)),
                walk("pen-hold-right", "Take the next note in hand", "Shift+→", p -> p.move(1, true)),
                walk("pen-bar-left", "Back a bar", "Ctrl+←", p -> p.moveBar(-1, false)),
                walk("pen-bar-right", "On a bar", "Ctrl+→", p -> p.moveBar(1, false)),
                walk("pen-hold-bar-left", "Take the bar before in hand", "Ctrl+Shift+←", p -> p.moveBar(-1, true)),
                walk("pen-hold-bar-right", "Take the bar in hand", "Ctrl+Shift+→", p -> p.moveBar(1, true)),
                walk("pen-home", "To the beginning", "Home", p -> p.go(0, false)),
                walk("pen-end", "To the end", "End", p -> p.go(p.size(), false)),
                walk("pen-erase", "Take the note away", "Backspace", Pen::erase),
                walk("pen-erase-ahead", "Take the next note away", "Delete", Pen::eraseAhead),
                key("pen-all", "Take everything in hand", "Ctrl+A", () -> model.stroke(Pen::takeAll)),
                key("pen-copy", "Copy what is in hand", "Ctrl+C", model::copy),
                key("pen-cut", "Cut what is in hand", "Ctrl+X", () -> {
                    model.copy();
                    model.stroke(p -> p.holds() ? p.erase() : p);
                }),
                key("pen-paste", "Paste", "Ctrl+V", model::paste),
                Command.of("pen-lines", "Lines of four bars", GROUP, () -> model.stroke(BarStrokes::newLines))));
        return all;
    }

    /** Some letters, however they are typed. */
    private record Letters(String words, String letters) {

        Keys keys() {
            return Keys.signs(letters, words);
        }
    }

    /** A letter writes a note, or plays it where it is played in to a click. */
    private void letter(Step step) {
        if (playingIn.isTimed()) {
            int alter = model.pen().get().map(p -> p.tune().head().key().alterOf(step)).orElse(0);
            playingIn.key(playingIn.nearest(step.semitones() + alter));
        } else {
            sounding(p -> p.note(step));
        }
    }

    private static Interval semitone(int by) {
        return new Interval(0, by);
    }

    private static Optional<String> said(String words) {
        return words.isBlank() ? Optional.empty() : Optional.of(words.strip());
    }

    private String chord() {
        return model.pen().get().filter(p -> !p.inHand().isEmpty()).map(p -> p.element(p.inHand().getFirst())).flatMap(e -> e instanceof Note n ? n.marks().chord()
                : e instanceof Rest r ? r.marks().chord() : Optional.empty()).orElse("");
    }

    // --- Commands of each kind

    private Command typed(String id, String words, Keys keys, Consumer<String> run) {
        return Command.typed(id, words, GROUP, keys, run).when(hasKeyboard);
    }

    private Command sign(String id, String words, String signs, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> model.stroke(stroke)).key(Keys.sign(signs)).when(hasKeyboard);
    }

    private Command heardSign(String id, String words, String signs, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> sounding(stroke)).key(Keys.sign(signs)).when(hasKeyboard);
    }

    private Command letter(String id, String words, String letters, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> model.stroke(stroke)).key(Keys.signs(letters, letters.substring(1))).when(hasKeyboard);
    }

    private Command ask(String id, String words, Keys keys, Runnable run) {
        return Command.of(id, words, GROUP, run).key(keys).when(hasKeyboard);
    }

    private Command walk(String id, String words, String keys, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> model.stroke(stroke)).keys(keys).when(hasKeyboard).byKeyAlone();
    }

    private Command moved(String id, String words, String keys, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> sounding(stroke)).keys(keys).when(hasKeyboard).byKeyAlone();
    }

    private Command heardKey(String id, String words, String keys, UnaryOperator<Pen> stroke) {
        return Command.of(id, words, GROUP, () -> sounding(stroke)).keys(keys).when(hasKeyboard);
    }

    private Command key(String id, String words, String keys, Runnable run) {
        return Command.of(id, words, GROUP, run).keys(keys).when(hasKeyboard);
    }

    /** A stroke whose note is heard. */
    private void sounding(UnaryOperator<Pen> stroke) {
        if (model.stroke(stroke)) {
            model.pen().get().filter(p -> !p.inHand().isEmpty()).ifPresent(p -> {
                if (p.element(p.inHand().getLast()) instanceof Note note) {
                    Note alone = Note.of(note.pitch(), note.length());
                    Tune one = p.tune().withBars(List.of(new Bar(1, List.of(alone), BarLine.NONE, Optional.empty(), Optional.empty(), true)));
                    heard.accept(Arrangement.bare(one, Instruments.known("none")));
                }
            });
        }
    }
}
