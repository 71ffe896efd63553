package wildflourish.app.people;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import wildflourish.app.listening.ListeningModel;
import wildflourish.app.people.PeopleState.Loudness;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.work.Background;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.ClassSheets;
import wildflourish.app.work.Keeper;
import wildflourish.app.work.Leaving;
import wildflourish.app.work.Production;
import wildflourish.app.work.StudentFile;
import wildflourish.app.work.StudentPages;
import wildflourish.core.lesson.Clash;
import wildflourish.core.lesson.OwnVersion;
import wildflourish.core.lesson.PersonalCare;
import wildflourish.core.lesson.Student;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Arrangement;
import wildflourish.library.Given;
import wildflourish.library.Person;
import wildflourish.library.PrivateFiles;
import wildflourish.library.WrittenFile;
import wildflourish.score.handout.SheetContents;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.transport.Together;

/** The students and what they learn. What is computed of them comes from the background; what is changed is kept at once. */
public final class PeopleModel {

    private static final Background.Words NOT_READ = Background.Words.silent("the class could not be read; what is in the library is as it was");
    private static final Background.Words NOT_COMPUTED = Background.Words.silent("not everybody's version could be worked out; the tune is as it was");

    /** Opens a tune on the trellis. */
    public interface Opens {

        /** Unless it is open already; {@code then} runs when it can be seen. */
        void open(long tune, Runnable then);
    }

    private final Keeper keeper;
    private final TrellisModel trellis;
    private final ListeningModel listening;
    private final Background background;
    private final Production production;
    private final Consumer<String> say;
    private final Opens open;
    private final Clock clock;
    private final ReadOnlyObjectWrapper<PeopleState> state = new ReadOnlyObjectWrapper<>(
            new PeopleState(ClassBook.EMPTY, -1, -1, -1, "", List.of(), List.of(), Map.of(), 0));
    private boolean shown;

    /** A model over a library; {@code open} opens a tune on the trellis. */
    public PeopleModel(Keeper keeper, TrellisModel trellis, ListeningModel listening, Background background, Production production, Consumer<String> say, Opens open, Clock clock) {
        this.keeper = keeper;
        this.trellis = trellis;
        this.listening = listening;
        this.background = background;
        this.production = production;
        this.say = say;
        this.open = open;
        this.clock = clock;
        trellis.state().addListener((o, before, now) -> {
            if (before != null && before.tune() != now.tune()) {
                state.get().follows().ifPresent(p -> trellis.player().setStudent(p.student()));
            }
        });
    }

    /** A student whom everything followed when the window was closed is followed again; the open tune stays as it was left. */
    public void recall(Optional<Long> who) {
        who.ifPresent(id -> {
            state.set(state.get().following(id));
            refresh();
        });
    }

    /** What is shown. */
    public ReadOnlyObjectProperty<PeopleState> state() {
        return state.getReadOnlyProperty();
    }

    /** The id of the student whom everything follows, if there is one. */
    public Optional<Long> chosen() {
        return state.get().follows().map(Person::id);
    }

    /** Follows the library while it is shown. */
    public void setShown(boolean now) {
        shown = now;
        if (now) {
            refresh();
        }
    }

    /** Reads the class anew, and works out everybody's version of the open tune. */
    void refresh() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
        background.latest(this, NOT_READ, job -> keeper.ask(l -> ClassBook.of(l, today, ZoneId.systemDefault(), job::stopped)), book -> book.ifPresent(b -> {
            state.set(state.get().with(b));
            state.get().follows().ifPresent(p -> trellis.player().recallStudent(p.student()));
            next();
            together();
        }), () -> { });
    }

    /** Works out what is next for the student in hand in every tune, and for everybody in the tune in hand. */
    private void next() {
        PeopleState now = state.get();
        List<ClassBook.Line> wanted = now.book().lines().stream().filter(l -> l.person().id() == now.student() || l.tune().id() == now.tune()).filter(l -> l.known().isEmpty()).toList();
        if (!wanted.isEmpty()) {
            background.latest("class-next", NOT_COMPUTED, job -> wanted.parallelStream().filter(l -> !job.stopped()).map(ClassBook.Line::next).toList(),
                    known -> state.set(state.get().workedOut()), () -> { });
        }
    }

    private void together() {
        if (!trellis.isOpen() || state.get().book().people().isEmpty()) {
            return;
        }
        Arrangement arrangement = trellis.arrangement();
        List<Person> people = state.get().book().people();
        background.latest("class-together", NOT_COMPUTED, job -> people.parallelStream().map(p -> OwnVersion.of(p.student(), arrangement, arrangement.tempo())).toList(),
                versions -> {
                    state.set(state.get().with(arrangement.tune().title(), versions));
                    state.get().heardAt().ifPresent(tempo -> background.latest("class-clashes", NOT_COMPUTED, job -> Clash.of(versions, tempo), found -> state.set(state.get().with(found)), () -> { }));
                }, () -> { });
    }

    /** Everybody's version of the open tune at once, or nothing any more. */
    void hear() {
        if (listening.state().get().playing()) {
            listening.stop();
        } else if (state.get().together().isEmpty()) {
            say.accept("open a tune, and take in a student first");
        } else {
            play();
        }
    }

    private void play() {
        PeopleState now = state.get();
        now.heardAt().ifPresent(tempo -> listening.playTogether(() -> Together.of(now.together().parallelStream()
                .map(v -> new Together.Player(Piece.of(v.arrangement(), v.rung(), tempo, listening.state().get().manner().lilt()), now.loud(v.student().name()).share())).toList(), Backing.NONE.withRoom(listening.state().get().manner().backing().room())), 0));
    }

    /** The student in hand alone, or everybody again. */
    void solo() {
        state.get().person().map(p -> p.student().name()).ifPresent(name -> {
            boolean alone = state.get().together().stream().map(v -> v.student().name()).allMatch(n -> state.get().loud(n) == (n.equals(name) ? Loudness.FULL : Loudness.SILENT));
            Map<String, Loudness> loud = new HashMap<>();
            if (!alone) {
                state.get().together().stream().map(v -> v.student().name()).filter(n -> !n.equals(name)).forEach(n -> loud.put(n, Loudness.SILENT));
            }
            set(loud, alone ? "everybody is heard" : name + " is heard alone");
        });
    }

    /** The student in hand plays softly with the others, not at all, or as loud as they are again. */
    void loudness() {
        state.get().person().map(p -> p.student().name()).ifPresent(name -> {
            Map<String, Loudness> loud = new HashMap<>(state.get().loud());
            Loudness next = state.get().loud(name).next();
            loud.put(name, next);
            set(loud, "%s is heard %s".formatted(name, switch (next) {
                case FULL -> "as loud as the others";
                case SOFT -> "softly";
                case SILENT -> "not at all";
            }));
        });
    }

    private void set(Map<String, Loudness> loud, String words) {
        state.set(state.get().with(loud));
        say.accept(words);
        if (listening.state().get().playing()) {
            play();
        }
    }

    /** Takes a student and a tune in hand; −1 for no tune. */
    public void select(long student, long tune) {
        if (student != state.get().student() || tune != state.get().tune()) {
            state.set(state.get().selecting(student, tune));
            next();
        }
    }

    /** Everything follows the student in hand from now on: instrument, capo, speeds and schools of the open tune, and the log. The tune in hand is opened. */
    public void work() {
        work(() -> { });
    }

    /** As above; {@code then} runs when the tune in hand is open. */
    public void work(Runnable then) {
        Optional<Person> person = state.get().person();
        if (person.isEmpty()) {
            say.accept("choose a student first");
            return;
        }
        state.set(state.get().following(person.get().id()));
        long tune = state.get().line().map(l -> l.tune().id()).orElse(-1L);
        if (tune >= 0 && (!trellis.isOpen() || trellis.now().tune() != tune)) {
            open.open(tune, () -> {
                trellis.player().setStudent(person.get().student());
                then.run();
            });
        } else if (trellis.isOpen()) {
            trellis.player().setStudent(person.get().student());
            if (tune >= 0) {
                open.open(tune, then);
            }
        }
        say.accept("everything follows %s now; choose “nobody” to end that".formatted(person.get().student().name()));
    }

    /** Nobody is followed any more; the open tune stays as it is. */
    public void workAsNobody() {
        state.set(state.get().following(-1));
        trellis.player().setNobody();
        say.accept("nobody is followed any more");
    }

    /** Takes in a student, or changes one there is. */
    void keep(Optional<Person> before, Student student) {
        if (before.isPresent()) {
            keeper.people("what is known of " + student.name(), p -> p.change(before.get().id(), student));
            refresh();
        } else {
            background.run(NOT_READ, job -> keeper.add(student), id -> {
                state.set(state.get().selecting(id, -1));
                refresh();
            });
        }
        say.accept("%s is kept".formatted(student.name()));
    }

    /** The student in hand takes up the next of their instruments: whatever is computed of them is of that one from now on. */
    void otherInstrument() {
        state.get().person().ifPresent(p -> {
            Student then = p.student().onTheirNext();
            if (then.equals(p.student())) {
                say.accept("%s plays one instrument; C writes down what else".formatted(then.name()));
                return;
            }
            keeper.people("what %s plays".formatted(then.name()), all -> all.change(p.id(), then));
            if (state.get().follows().filter(p::equals).isPresent() && trellis.isOpen()) {
                trellis.player().setStudent(then);
            }
            refresh();
            say.accept("%s plays the %s now".formatted(then.name(), then.plays().spoken()));
        });
    }

    /** A drill has found how fast the hands of the student are whom everything follows: that is theirs, in every tune. */
    public void measured(Speeds speeds) {
        state.get().follows().filter(p -> !p.student().hands().equals(speeds)).ifPresent(p -> {
            Student known = p.student().with(speeds);
            keeper.people("how fast %s is".formatted(known.name()), all -> all.change(p.id(), known));
            refresh();
        });
    }

    /** Looks for everything that there is of the student in hand, to be shown before they are deleted. */
    void leaving(Consumer<Leaving> then) {
        state.get().person().ifPresent(p -> background.run(new Background.Words("looking for what there is of " + p.student().name(),
                "not everything could be looked through; nothing was deleted"), job -> keeper.ask(l -> Leaving.of(l, p)), then));
    }

    /** Deletes a student with everything that is known of them, and does what was chosen about files. */
    void remove(Leaving leaving, List<Leaving.Trace> chosen) {
        String name = leaving.person().student().name();
        background.run(new Background.Words("deleting " + name, name + " could not be deleted whole: try again"), job -> keeper.ask(l -> leaving.delete(l, chosen)), left -> {
            List<Leaving.Trace> kept = leaving.traces().stream().filter(t -> !chosen.contains(t)).toList();
            String still = kept.isEmpty() ? "" : "; still in %s".formatted(kept.stream().map(t -> t.file().toString()).collect(Collectors.joining(", ")));
            say.accept("%s is deleted, with every pass, tune, sheet and recording%s%s".formatted(name, still, left.isEmpty() ? "" : "; " + String.join("; ", left)));
            refresh();
        });
    }

    /** The student in hand takes up the open tune, bare. */
    void takeUp() {
        Optional<Person> person = state.get().person();
        if (person.isEmpty() || !trellis.isOpen()) {
            say.accept("open a tune and choose a student first");
            return;
        }
        long tune = trellis.now().tune();
        if (state.get().book().line(person.get().id(), tune).isPresent()) {
            say.accept("%s learns it already".formatted(person.get().student().name()));
            return;
        }
        keeper.people("what %s learns".formatted(person.get().student().name()), p -> p.learn(person.get().id(), tune, 0));
        state.set(state.get().selecting(person.get().id(), tune));
        say.accept("%s learns “%s” now".formatted(person.get().student().name(), trellis.arrangement().tune().title()));
        refresh();
    }

    /** Puts the student in hand so many rungs higher in the tune in hand. */
    void step(int by) {
        state.get().line().ifPresentOrElse(l -> {
            int rung = Math.clamp(l.standing().rung() + by, 0, l.rungs() - 1);
            if (rung != l.standing().rung()) {
                keeper.people("the rung of " + l.person().student().name(), p -> p.learn(l.person().id(), l.tune().id(), rung));
                refresh();
            } else {
                say.accept(by > 0 ? "this is the top rung" : "this is the ground");
            }
        }, () -> say.accept("choose a tune that this student learns"));
    }

    /** What is next by the teacher's own word; an empty one leaves it to be computed. */
    void decide(String what) {
        state.get().line().ifPresentOrElse(l -> {
            keeper.people("what is next for " + l.person().student().name(), p -> p.decide(l.person().id(), l.tune().id(), what.strip()));
            refresh();
        }, () -> say.accept("choose a tune that this student learns"));
    }

    /** Writes everybody's sheet of the open tune into a folder, and all of them as one document; what was given to whom is written down. */
    public void writeSheets(Path folder, SheetContents usual) {
        if (!trellis.isOpen() || state.get().book().people().isEmpty()) {
            say.accept("open a tune, and take in a student first");
            return;
        }
        Arrangement arrangement = trellis.arrangement();
        long tune = trellis.now().tune();
        List<Person> people = state.get().book().people();
        background.run(new Background.Words("making %d sheets".formatted(people.size()), "the sheets could not be written; nothing was written down about them"), job -> {
            ClassSheets sheets = ClassSheets.of(arrangement, people, usual, done -> job.tell("making the sheets: %d of %d".formatted(done, people.size())), job::stopped);
            if (job.stopped()) {
                return "stopped; no sheet was written";
            }
            try {
                PrivateFiles.createFolders(folder);
                List<ClassSheets.Written> files = sheets.write(folder, arrangement.tune().title());
                keeper.people("where the sheets are", p -> p.wrote(ClassSheets.noted(files, clock.instant())));
                long edition = keeper.ask(l -> l.tunes().current(tune).id());
                List<Given> given = sheets.given(tune, edition, clock.instant());
                keeper.people("what was given out", p -> p.give(given));
                return "%d sheets are in %s; all of them as one are %s".formatted(files.size() - 1, folder, files.getLast().file().getFileName());
            } catch (IOException e) {
                return "the sheets could not be written to %s; choose another folder".formatted(folder);
            }
        }, words -> {
            say.accept(words);
            if (shown) {
                refresh();
            }
        });
    }

    /** Writes everything that is known of the student in hand into a file. */
    void writeStudent(Path file) {
        state.get().person().ifPresent(p -> production.personal(new WrittenFile(file, "what is known of them", Optional.of(p.id()), clock.instant()), "what is known of " + p.student().name(), keeper, job -> keeper.ask(l -> StudentFile.of(l, p))));
    }

    /** Writes the year of the student in hand as a page. */
    public void writeYear(Path file) {
        ClassBook book = state.get().book();
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
        state.get().person().ifPresent(p -> production.personal(new WrittenFile(file, "their year", Optional.of(p.id()), clock.instant()), "the year of " + p.student().name(), keeper, job -> StudentPages.year(book, p, today, ZoneId.systemDefault())));
    }

    /** What the hands of the student in hand ask for. */
    List<String> care() {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.systemDefault());
        return state.get().person().map(p -> PersonalCare.of(p.student(), state.get().book().practised(p.id()), today, ZoneId.systemDefault())).orElse(List.of());
    }
}
