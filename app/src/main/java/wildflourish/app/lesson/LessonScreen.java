package wildflourish.app.lesson;

import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.lesson.LessonState.Mode;
import wildflourish.app.paint.Look;
import wildflourish.library.Meeting;

/** Lesson: what do we do in the hour, and what became of it? */
public final class LessonScreen extends LazyScreen<LessonView> {

    private static final String GROUP = "Lesson";
    private static final Plate PLATE = new Plate("lesson", "Lesson", "What do we do in the hour, and what became of it?", "Ctrl+Shift+L",
            "M5 5h14M5 9.5h9M5 14h14M5 18.5h6M17 9.5l1.2 1.4l2.3-2.9M14.5 18.5l1.2 1.4l2.3-2.9");

    private final LessonModel model;
    private final Site site;
    private final List<Command> commands;

    /** The screen of lessons. */
    public LessonScreen(LessonModel model, Site site) {
        super(PLATE);
        this.model = model;
        this.site = site;
        BooleanSupplier planned = in(Mode.PLAN);
        BooleanSupplier room = in(Mode.ROOM);
        BooleanSupplier record = in(Mode.RECORD);
        this.commands = List.of(
                Command.of("lesson-begin", "Begin the lesson in the room, or go on with it", GROUP, this::begin).keys("B").when(planned),
                Command.of("lesson-page", "Write the lesson's page", GROUP, this::askPage).when(planned),
                Command.of("lesson-away", "Leave the line in hand away; its time goes to something else", GROUP, model::leaveAway).keys("Delete").when(planned),
                Command.of("lesson-all", "All lines of the lesson again", GROUP, model::allAgain).keys("A").when(planned),
                Command.of("lesson-done", "In the room: done, and on", GROUP, () -> model.became(Meeting.Became.DONE)).keys("Enter").when(room),
                Command.of("lesson-partly", "In the room: done in part, and on", GROUP, () -> model.became(Meeting.Became.PARTLY)).keys("P").when(room),
                Command.of("lesson-left", "In the room: left for next time, and on", GROUP, () -> model.became(Meeting.Became.LEFT)).keys("L").when(room),
                Command.of("lesson-back", "In the room: back to the line before", GROUP, model::back).keys("Backspace").when(room),
                Command.of("lesson-leave", "Out of the room; the lesson goes on when you come back", GROUP, this::leaveRoom).keys("Escape").when(room),
                Command.of("lesson-end", "The lesson is over", GROUP, this::end).when(() -> model.state().get().held() != 0),
                Command.of("lesson-plan", "The lesson's plan", GROUP, () -> show(Mode.PLAN)).keys("Shift+P"),
                Command.of("lesson-record", "The record of lessons, workshops and jams", GROUP, () -> show(Mode.RECORD)).keys("R").when(() -> !room.getAsBoolean()),
                Command.of("record-new", "Write down a lesson, a workshop or a jam", GROUP, () -> inRecord(LessonView::record).askNew()).keys("N").when(() -> !room.getAsBoolean()),
                Command.of("record-done", "In the record: this line was done", GROUP, () -> mark(Meeting.Became.DONE)).keys("D").when(record),
                Command.of("record-partly", "In the record: this line was done in part", GROUP, () -> mark(Meeting.Became.PARTLY)).keys("I").when(record),
                Command.of("record-left", "In the record: this line was left for next time", GROUP, () -> mark(Meeting.Became.LEFT)).keys("X").when(record),
                Command.of("record-remark", "A remark on the meeting in hand", GROUP, () -> inRecord(LessonView::record).askRemark()).keys("M").when(record),
                Command.of("record-delete", "Take the meeting in hand out of the record", GROUP, () -> inRecord(LessonView::record).askDelete()).when(record),
                Command.of("record-file", "Write the record to a file: a calendar (.ics) or a table (.csv)", GROUP, this::askRecord));
    }

    private BooleanSupplier in(Mode mode) {
        return () -> model.state().get().mode() == mode;
    }

    public LessonModel model() {
        return model;
    }

    @Override
    public boolean needsTune() {
        return false;
    }

    @Override
    protected LessonView make() {
        return new LessonView(model, commands, new GuideLink(site, "how an hour is planned", "thursdays-class.md#the-hour"));
    }

    @Override
    public void enter() {
        model.refresh();
    }

    @Override
    public void focus() {
        view().focusWork();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> write() {
        return Optional.of(model.state().get().mode() == Mode.RECORD ? this::askRecord : this::askPage);
    }

    @Override
    protected void dress(LessonView view, Look look) {
        // Everything in it is words, whose size the window sets.
    }

    private void show(Mode mode) {
        model.show(mode);
        view().focusWork();
    }

    private <T> T inRecord(Function<LessonView, T> what) {
        show(Mode.RECORD);
        return what.apply(view());
    }

    private void begin() {
        model.begin();
        view().focusWork();
    }

    private void leaveRoom() {
        model.leaveRoom();
        view().focusWork();
    }

    private void end() {
        model.end();
        view().focusWork();
    }

    private void mark(Meeting.Became became) {
        model.mark(view().record().line(), became);
        view().record().next();
    }

    private void askPage() {
        if (model.state().get().plan().isPresent()) {
            site.askWhere("Where to? The lesson on one page (.pdf)", "lesson.pdf", model::writePage);
        } else {
            site.say("tick who comes and a tune first");
        }
    }

    private void askRecord() {
        site.askWhere("Where to? A calendar (.ics) or a table (.csv)", "lessons.ics", model::writeRecord);
    }
}
