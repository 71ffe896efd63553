package wildflourish.app.desk;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.BooleanSupplier;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;
import javax.imageio.ImageIO;
import wildflourish.app.across.AcrossModel;
import wildflourish.app.across.AcrossScreen;
import wildflourish.app.fit.FitModel;
import wildflourish.app.fit.FitScreen;
import wildflourish.app.guide.Guide;
import wildflourish.app.guide.Page;
import wildflourish.app.lesson.LessonModel;
import wildflourish.app.lesson.LessonScreen;
import wildflourish.app.lesson.LessonState;
import wildflourish.app.paint.Palette;
import wildflourish.app.people.PeopleModel;
import wildflourish.app.people.PeopleScreen;
import wildflourish.app.practice.HandsChoice;
import wildflourish.app.practice.PracticeModel;
import wildflourish.app.practice.PracticeScreen;
import wildflourish.app.practice.PracticeState;
import wildflourish.app.reading.ReadingModel;
import wildflourish.app.reading.ReadingScreen;
import wildflourish.app.recording.RecordingScreen;
import wildflourish.app.rounds.RoundsModel;
import wildflourish.app.rounds.RoundsScreen;
import wildflourish.app.sheet.SheetScreen;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.app.trellis.TrellisScreen;
import wildflourish.app.trellis.TrellisView;
import wildflourish.app.writing.WritingModel;
import wildflourish.app.writing.WritingScreen;
import wildflourish.core.practice.SimulatedStudent;
import wildflourish.core.writing.Pen;

/** Walks the main views without a display and writes a picture of each. */
final class Tour {

    /**
     * A view: how to come there, and when it has come so far that the picture can be taken.
     *
     * @param name of the picture; empty for none
     * @param what is said when it does not come
     */
    private record Stop(String name, String what, Runnable arrive, BooleanSupplier ready) {

        Stop(String name, Runnable arrive) {
            this(name, arrive, () -> true);
        }

        Stop(String name, Runnable arrive, BooleanSupplier ready) {
            this(name, name, arrive, ready);
        }
    }

    /** A view that has not come after so many looks, four a second, does not come. */
    private static final int MOST_TRIES = 240;

    private final DeskModel model;
    private final DeskView view;
    private final DeskPlan.Pictures pictures;
    private final Deque<Stop> stops = new ArrayDeque<>();

    Tour(DeskModel model, DeskView view, DeskPlan.Pictures pictures) {
        this.model = model;
        this.view = view;
        this.pictures = pictures;
        if (Boolean.getBoolean("flourish.training")) {
            shortWalk();
        } else {
            wholeWalk();
        }
    }

    /** Once through what is used every day, without pictures: what the start cache is made from. */
    private void shortWalk() {
        TrellisModel trellis = model.trellis();
        stops.add(new Stop("", () -> trellis.select(4, 19)));
        stops.add(new Stop("", () -> trellis.ornaments().toggle("cut")));
        stops.add(new Stop("", () -> on("fiddle", 4, 9)));
        for (String screen : List.of("reading", "rounds", "practice", "sheet", "chart", "shelf", "trellis")) {
            stops.add(new Stop("", () -> model.show(screen)));
        }
    }

    private void wholeWalk() {
        TrellisModel trellis = model.trellis();
        // First: the guide is written for a window that has just been opened.
        Guide.shipped().pages().forEach(this::follow);
        stops.add(new Stop("trellis", () -> {
            view.guide().close();
            takeBack();
            model.show("trellis");
            trellisView().toggleLadder();
            trellis.select(4, 2);
            model.say("");
            model.listening().setStretch(wildflourish.app.listening.ListeningState.Extent.TUNE);
        }));
        stops.add(new Stop("playing", () -> {
            trellis.select(5, 0);
            model.listening().setStretch(wildflourish.app.listening.ListeningState.Extent.PHRASE);
            model.listening().toggle();
        }, () -> model.listening().lit().get().filter(l -> l.note() >= 9).isPresent()));
        stops.add(new Stop("note-in-hand", () -> {
            model.listening().stop();
            model.listening().setStretch(wildflourish.app.listening.ListeningState.Extent.TUNE);
            trellis.select(5, 56);
        }));
        stops.add(new Stop("trellis-dark", () -> {
            trellis.select(4, 19);
            look(Palette.DARK);
        }));
        stops.add(new Stop("reading", () -> {
            look(Palette.LIGHT);
            model.show("reading");
            reading().select(6);
        }));
        stops.add(new Stop("", () -> model.show(WritingScreen.ID), () -> writing().state().get() != null));
        stops.add(new Stop("", () -> writing().type(writing().typed().replace("d2 cd|", "d3 cd|").replace("G2 BG eGBG", "^C2 BG eGBG")),
                () -> writing().state().get().changed()));
        stops.add(new Stop("writing", () -> writing().stroke(p -> p.take(20).move(2, true)), () -> writing().pen().get().filter(Pen::holds).isPresent()));
        stops.add(new Stop("", () -> writing().goBack()));
        stops.add(new Stop("", () -> model.show("rounds"), () -> rounds().state().get() != null));
        stops.add(new Stop("rounds", () -> {
            rounds().shuffle(java.util.Optional.of(7L));
            rounds().setIntro(wildflourish.core.setting.Rounds.Intro.COUNT_IN);
            rounds().select(2, 2);
            rounds().setKind(java.util.Optional.of("link"));
            model.screen(RoundsScreen.class).follow(model.shelf().tunes().get(3).id());
            model.hear();
        }, () -> rounds().sounding().get().isPresent() && !rounds().state().get().set().isEmpty()));
        stops.add(new Stop("", () -> {
            look(Palette.LIGHT);
            model.show("fit");
        }, () -> fit().state().get() != null && fit().state().get().whole()));
        stops.add(new Stop("fit", () -> {
            fit().togglePlaying();
            fit().select(wildflourish.core.instrument.Instruments.known("whistle-bb"), 0);
            fit().togglePlaying();
            fit().select(wildflourish.core.instrument.Instruments.known("fiddle"), 3);
            fit().togglePlaying();
            model.screen(FitScreen.class).view().toggleScore();
        }, () -> fit().state().get().looked().flatMap(l -> l.score()).isPresent()));
        stops.add(new Stop("", () -> {
            model.show("recording");
            model.screen(RecordingScreen.class).commands().stream().filter(c -> c.id().equals("recording-made-up")).forEach(c -> c.run().accept(""));
        }, () -> model.screen(RecordingScreen.class).model().state().get().listened().isPresent()));
        stops.add(new Stop("recording", () -> model.screen(RecordingScreen.class).commands().stream().filter(c -> c.id().equals("recording-next-remark")).forEach(c -> c.run().accept(""))));
        stops.add(new Stop("", () -> model.show("class"), () -> !people().state().get().together().isEmpty()));
        stops.add(new Stop("class", () -> people().select(people().state().get().book().people().get(3).id(), people().state().get().book().tunes().get(4).id()),
                () -> people().state().get().line().flatMap(l -> l.known()).isPresent()));
        stops.add(new Stop("leaving", () -> model.screen(PeopleScreen.class).commands().stream().filter(c -> c.id().equals("class-leave")).forEach(c -> c.run().accept("")),
                () -> view.lookup("#leaving-cancel") != null));
        stops.add(new Stop("backups", () -> {
            ((javafx.scene.control.Button) view.lookup("#leaving-cancel")).fire();
            view.backups();
        }, () -> !model.backups().state().get().copies().isEmpty()));
        stops.add(new Stop("", () -> {
            view.closeCards();
            model.show("lesson");
        }, () -> lesson().state().get().plan().isPresent()));
        stops.add(new Stop("lesson", () -> lesson().select(5)));
        stops.add(new Stop("", lesson()::begin, () -> lesson().state().get().mode() == LessonState.Mode.ROOM));
        stops.add(new Stop("room", () -> lesson().select(3)));
        stops.add(new Stop("across", () -> {
            lesson().end();
            look(Palette.LIGHT);
            model.show("across");
        }));
        stops.add(new Stop("fiddle", () -> {
            across().select(13);
            model.show("trellis");
            on("fiddle", 5, 56);
        }));
        stops.add(new Stop("ladder", () -> {
            trellis.variations().keep("the way home", 15, 15, "");
            trellis.select(4, 56);
            trellis.compare(java.util.Optional.of(3));
            trellisView().toggleLadder();
        }));
        stops.add(new Stop("variation", () -> {
            trellisView().toggleLadder();
            trellis.compare(java.util.Optional.empty());
            trellis.select(5, 2);
            trellis.now().offers().stream().limit(1).forEach(trellis.variations()::toggle);
            trellis.select(5, 17);
            trellis.now().offers().stream().limit(1).forEach(trellis.variations()::toggle);
        }));
        stops.add(new Stop("concertina", () -> on("anglo-cg", 5, 56)));
        stops.add(new Stop("banjo", () -> on("tenor-banjo", 5, 56)));
        stops.add(new Stop("pipes", () -> on("pipes-bellows-d", 5, 56)));
        stops.add(new Stop("melodeon", () -> on("melodeon-dg", 4, 9)));
        stops.add(new Stop("player", () -> trellisView().togglePlayer()));
        stops.add(new Stop("earlier", () -> {
            trellis.undo();
            on("whistle-d", 3, 2);
            trellisView().toggleEarlier();
        }));
        stops.add(new Stop("", () -> {
            trellisView().toggleEarlier();
            on("whistle-d", 3, 2);
            model.show("practice");
        }, () -> practice().state().get() != null));
        stops.add(new Stop("practice", () -> {
            practice().setHands(heard("uneven"));
            practice().start();
        }, () -> practice().state().get().phase() == PracticeState.Phase.BETWEEN));
        stops.add(new Stop("history", () -> {
            practice().stop();
            model.screen(PracticeScreen.class).view().openHistory("part A of The Lamp at Half Tide");
        }));
        stops.add(new Stop("chart", () -> {
            look(Palette.LIGHT);
            model.show("chart");
        }));
        stops.add(new Stop("sheet", () -> {
            trellis.select(4, 2);
            model.show("sheet");
        }, () -> model.screen(SheetScreen.class).model().state().get() != null));
        stops.add(new Stop("find", () -> {
            model.show("trellis");
            view.find();
            view.lookup("#find").fireEvent(typed("s"));
            view.lookup("#find").fireEvent(typed("h"));
        }));
        stops.add(new Stop("shelf", () -> {
            view.closeCards();
            takeBack();
            model.show("shelf");
        }));
    }

    /** Does what a page of the guide says, step by step: each waits until what the page says is seen. */
    private void follow(Page page) {
        stops.add(new Stop("", () -> view.guide().open(page.id())));
        int last = page.steps().size();
        for (int i = 0; i < last; i++) {
            int index = i;
            String name = i == last - 1 ? "guide-" + page.id() : "";
            stops.add(new Stop(name, page.id() + ", step " + (index + 1), () -> view.guide().pane().act(index), () -> view.guide().pane().isDone(index)));
        }
    }

    private void takeBack() {
        while (model.trellis().now().canUndo()) {
            model.trellis().undo();
        }
    }

    private void look(Palette palette) {
        model.look().set(model.look().get().with(palette));
    }

    private TrellisView trellisView() {
        return model.screen(TrellisScreen.class).view();
    }

    private ReadingModel reading() {
        return model.screen(ReadingScreen.class).model();
    }

    private WritingModel writing() {
        return model.screen(WritingScreen.class).model();
    }

    private RoundsModel rounds() {
        return model.screen(RoundsScreen.class).model();
    }

    private PeopleModel people() {
        return model.screen(PeopleScreen.class).model();
    }

    private LessonModel lesson() {
        return model.screen(LessonScreen.class).model();
    }

    private FitModel fit() {
        return model.screen(FitScreen.class).model();
    }

    private AcrossModel across() {
        return model.screen(AcrossScreen.class).model();
    }

    private PracticeModel practice() {
        return model.screen(PracticeScreen.class).model();
    }

    private static HandsChoice heard(String id) {
        return HandsChoice.heard(SimulatedStudent.byId(id));
    }

    private static KeyEvent typed(String letter) {
        return new KeyEvent(KeyEvent.KEY_TYPED, letter, "", KeyCode.UNDEFINED, false, false, false, false);
    }

    private void on(String instrument, int rung, int note) {
        model.trellis().player().setInstrument(instrument);
        model.trellis().select(rung, note);
    }

    void start() {
        model.trellis().state().addListener((o, before, now) -> {
            if (before == null) {
                Platform.runLater(this::next);
            }
        });
    }

    private void next() {
        if (stops.isEmpty()) {
            Platform.exit();
            return;
        }
        Stop stop = stops.poll();
        stop.arrive().run();
        settle(stop);
    }

    private void settle(Stop stop) {
        settle(stop, MOST_TRIES);
    }

    private void settle(Stop stop, int tries) {
        // Two pulses of the toolkit, so that layout and canvas have settled before the picture is taken.
        PauseTransition settle = new PauseTransition(Duration.millis(250));
        settle.setOnFinished(e -> {
            if (across().working().get() || !model.trellis().isSettled() || !stop.ready().getAsBoolean()) {
                if (tries == 0) {
                    pictures.out().println("the tour ends here: what it waits for has not come (" + stop.what() + "); the window says: " + model.message().get());
                    pictures.out().flush();
                    Platform.exit();
                } else {
                    settle(stop, tries - 1);
                }
            } else {
                if (!stop.name().isEmpty()) {
                    picture(stop.name());
                }
                next();
            }
        });
        settle.play();
    }

    private void picture(String name) {
        WritableImage image = view.getScene().snapshot(null);
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                picture.setRGB(x, y, image.getPixelReader().getArgb(x, y));
            }
        }
        Path file = pictures.folder().resolve(name + ".png");
        try {
            ImageIO.write(picture, "png", file.toFile());
            pictures.out().println(file);
            pictures.out().flush();
        } catch (IOException e) {
            pictures.out().println(file + " could not be written: " + e.getMessage());
        }
    }
}
