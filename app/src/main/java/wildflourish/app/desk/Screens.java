package wildflourish.app.desk;

import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import wildflourish.app.across.AcrossModel;
import wildflourish.app.across.AcrossScreen;
import wildflourish.app.chart.ChartModel;
import wildflourish.app.chart.ChartScreen;
import wildflourish.app.fit.FitModel;
import wildflourish.app.fit.FitScreen;
import wildflourish.app.frame.Screen;
import wildflourish.app.lesson.LessonModel;
import wildflourish.app.lesson.LessonScreen;
import wildflourish.app.listening.TakeHome;
import wildflourish.app.people.PeopleModel;
import wildflourish.app.people.PeopleScreen;
import wildflourish.app.practice.PracticeModel;
import wildflourish.app.practice.PracticeScreen;
import wildflourish.app.practice.Practising;
import wildflourish.app.reading.ReadingModel;
import wildflourish.app.reading.ReadingScreen;
import wildflourish.app.reading.Recollection;
import wildflourish.app.recording.Owners;
import wildflourish.app.recording.RecordingModel;
import wildflourish.app.recording.RecordingScreen;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.rounds.RoundsScreen;
import wildflourish.app.sheet.Printers;
import wildflourish.app.sheet.SheetModel;
import wildflourish.app.sheet.SheetScreen;
import wildflourish.app.shelf.Incipits;
import wildflourish.app.shelf.ShelfScreen;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.work.Background;
import wildflourish.app.work.ClassBook;
import wildflourish.app.work.Recordings;
import wildflourish.app.writing.WritingModel;
import wildflourish.app.writing.WritingScreen;
import wildflourish.core.lesson.Standing;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.LoggedPass;
import wildflourish.library.Library;
import wildflourish.library.Person;
import wildflourish.library.TuneEntry;
import wildflourish.sound.microphone.ComputerMicrophone;

/** The screens there are, in the order of the work. A new one is a line here and a class in its own package. */
final class Screens {

    private static final Background.Words NOT_RECOLLECTED = Background.Words.silent("the other tunes could not be read; this one is as it was");

    private final Tools t;
    private final TakeHome takeHome;
    private final WritingModel writing;
    private final PeopleModel people;
    private final SheetModel sheet;
    private final PracticeScreen practice;

    private Screens(Tools tools) {
        this.t = tools;
        this.takeHome = new TakeHome(tools.listening(), tools.production());
        this.writing = new WritingModel(tools.trellis(), tools.background(), tools.shelfWork()::putUp,
                draft -> tools.keeper().remember(Kept.DRAFT, () -> draft), tools.site()::say);
        this.people = new PeopleModel(tools.keeper(), tools.trellis(), tools.listening(), tools.background(), tools.production(), tools.site()::say, tools.opening()::open, Clock.systemUTC());
        this.sheet = new SheetModel(tools.trellis(), contents -> tools.keeper().remember(Kept.SHEET, () -> contents), tools.background(), tools.production(),
                new Printers(), tools.site()::say);
        this.practice = makePractice();
        tools.opening().whenRestored(kept -> kept.draft().ifPresent(writing::recall));
    }

    /** All of them, made from what there is. */
    static List<Screen> of(Tools tools) {
        Screens make = new Screens(tools);
        return List.of(make.shelf(), make.writing(), make.reading(), make.trellis(), make.across(), make.fit(), make.rounds(), make.practice, make.recording(), make.people(), make.lesson(), make.sheet(), make.chart());
    }

    private Screen shelf() {
        Incipits incipits = new Incipits(tune -> t.keeper().ask(l -> l.tunes().current(tune).document()), t.background(),
                () -> t.look().get().palette());
        return new ShelfScreen(t.shelf(), incipits, t.opening()::open, t.opening()::hear, t.shelfWork()::growAll, () -> {
            writing.startNew();
            t.site().show(WritingScreen.ID);
        }, t.shelfWork()::bringInDemo, t.bringIn(), new ShelfScreen.Deeds() {
            @Override
            public void takeOff(long tune) {
                t.shelfWork().takeOff(tune);
            }

            @Override
            public void putBack(TuneEntry tune) {
                t.shelfWork().putBack(tune);
            }

            @Override
            public void index() {
                t.shelfWork().index();
            }

            @Override
            public void tag(long tune, List<String> words) {
                t.shelfWork().tag(tune, words);
            }

            @Override
            public boolean listen(IntConsumer keys) {
                return t.shelfWork().listen(keys);
            }

            @Override
            public void listenNoMore() {
                t.shelfWork().listenNoMore();
            }
        });
    }

    private Screen writing() {
        return new WritingScreen(writing, t.trellis(), t.listening(), t.player(), t.background(), t.site());
    }

    private Screen reading() {
        return new ReadingScreen(new ReadingModel(t.trellis(), t.background(), t.site()::say), t.trellis(), t.listening(),
                then -> t.background().run(NOT_RECOLLECTED, job -> t.keeper().ask(Recollection::of), then), t.site());
    }

    private Screen trellis() {
        TrellisScreen.Sound sound = new TrellisScreen.Sound() {
            @Override
            public void toggle() {
                t.listening().toggle();
            }

            @Override
            public void write(Path file) {
                takeHome.rung(file, t.trellis().arrangement(), t.trellis().rung());
            }
        };
        TrellisScreen screen = new TrellisScreen(t.trellis(), sound, zoom -> t.memory().change(m -> m.zoomed(zoom)), t.site());
        t.opening().whenRestored(kept -> screen.recall(kept.memory().size()));
        return screen;
    }

    private Screen across() {
        return new AcrossScreen(new AcrossModel(t.trellis(), t.background(), t.site()::say), t.trellis(), t.listening(), t.site());
    }

    private Screen fit() {
        return new FitScreen(new FitModel(t.trellis(), t.background(), t.site()::say), t.trellis(), t.listening(), t.site());
    }

    private Screen rounds() {
        Sets sets = new Sets(t.keeper(), t.trellis(), t.background());
        return new RoundsScreen(new RoundsModel(t.trellis(), sets, t.background(), t.site()::say), t.trellis(), t.listening(), takeHome, sets,
                t.shelf().tunes(), t.site());
    }

    private Screen recording() {
        Recordings recordings = new Recordings(t.keeper().ask(l -> l.folder(Library.RECORDINGS)));
        Owners.Keeping owners = new Owners.Keeping() {
            @Override
            public Owners read() {
                return Owners.of(t.keeper());
            }

            @Override
            public void own(String recording, long tune, Optional<Long> student) {
                t.keeper().people("whose a recording is", p -> p.own(recording, tune, student));
            }

            @Override
            public Optional<Long> followed() {
                return people.chosen();
            }
        };
        return new RecordingScreen(new RecordingModel(t.trellis(), t.player(), recordings, owners, ComputerMicrophone::line, t.background(), t.site()::say), t.trellis(), t.site());
    }

    private Screen people() {
        t.opening().whenRestored(kept -> {
            people.recall(kept.memory().followed());
            people.state().addListener((o, before, now) -> {
                if (!now.book().equals(ClassBook.EMPTY)) {
                    t.memory().change(m -> m.following(people.chosen()));
                }
            });
        });
        return new PeopleScreen(people, t.trellis(), () -> sheet.contents(), new PeopleScreen.Onward() {
            @Override
            public void practise() {
                t.site().show(PracticeScreen.ID);
            }

            @Override
            public void history(String title) {
                t.site().show(PracticeScreen.ID);
                practice.view().openHistory(Standing.WHOLE + " of " + title);
            }

            @Override
            public void sheet() {
                t.site().show(SheetScreen.ID);
            }
        }, t.site());
    }

    private Screen lesson() {
        return new LessonScreen(new LessonModel(t.keeper(), t.trellis(), t.background(), t.production(), t.site()::say, Clock.systemUTC()), t.site());
    }

    private PracticeScreen makePractice() {
        PracticeModel model = new PracticeModel(t.trellis(), t.player(), new PracticeModel.Keeping() {
            @Override
            public void log(LoggedPass pass) {
                t.keeper().log(pass);
            }

            @Override
            public void measured(Speeds speeds) {
                people.measured(speeds);
            }

            @Override
            public void remember(Practising how) {
                t.memory().change(m -> m.with(how));
            }
        }, t.background(), t.site()::say, Clock.systemUTC(), t.betweenPasses());
        t.opening().whenRestored(kept -> model.recall(kept.passes(), kept.memory().practising()));
        people.state().addListener((o, before, now) -> model.setWho(now.follows().map(Person::id), now.follows().map(p -> p.student().name()).orElse("")));
        return new PracticeScreen(model, t.trellis(), t.shelf().tunes(), tune -> t.opening().openFor(tune, PracticeScreen.ID), t.production(), t.site());
    }

    private Screen sheet() {
        t.opening().whenRestored(kept -> sheet.recall(kept.sheet()));
        return new SheetScreen(sheet, t.trellis(), t.site());
    }

    private Screen chart() {
        ChartModel model = new ChartModel(t.own(), () -> t.trellis().isOpen() ? Optional.of(t.trellis().arrangement().tune()) : Optional.empty(),
                t.site()::say);
        return new ChartScreen(model, t.trellis(), t.production(), t.site());
    }
}
