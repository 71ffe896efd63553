package wildflourish.app.people;

import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import wildflourish.app.frame.Command;
import wildflourish.app.frame.GuideLink;
import wildflourish.app.frame.LazyScreen;
import wildflourish.app.frame.Plate;
import wildflourish.app.frame.Site;
import wildflourish.app.paint.Look;
import wildflourish.app.trellis.TrellisModel;
import wildflourish.score.handout.SheetContents;

/** Class: who is where, what next? */
public final class PeopleScreen extends LazyScreen<PeopleView> {

    private static final String GROUP = "Class";
    private static final Plate PLATE = new Plate("class", "Class", "Who is where, and what next?", "Ctrl+Shift+C",
            "M6 9.5a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0-5 0M3.5 19.5c0-3.5 2-5.5 5-5.5s5 2 5 5.5M14 7.5a2 2 0 1 0 4 0a2 2 0 1 0-4 0M15 12.6c3.2-.6 5.5 1.2 5.5 4.9");

    private final PeopleModel model;
    private final TrellisModel trellis;
    private final Supplier<SheetContents> contents;
    private final Site site;
    private final List<Command> commands;

    /** Where one goes on as the student in hand, with their tune open. */
    public interface Onward {

        /** To practise. */
        void practise();

        /** To how it has gone, in a tune of this title. */
        void history(String title);

        /** To the sheet. */
        void sheet();
    }

    /** The screen of a class; {@code contents} says what is on a sheet. */
    public PeopleScreen(PeopleModel model, TrellisModel trellis, Supplier<SheetContents> contents, Onward onward, Site site) {
        super(PLATE);
        this.model = model;
        this.trellis = trellis;
        this.contents = contents;
        this.site = site;
        this.commands = List.of(
                Command.of("class-work", "Everything follows the student in hand: instrument, speeds, log", GROUP, model::work).keys("Enter"),
                Command.of("class-nobody", "Nobody is followed any more", GROUP, model::workAsNobody),
                Command.of("class-up", "The student in hand takes the next rung", GROUP, () -> model.step(1)).keys("R"),
                Command.of("class-down", "The student in hand goes a rung back", GROUP, () -> model.step(-1)).keys("Shift+R"),
                Command.of("class-take-up", "The student in hand takes up the open tune", GROUP, model::takeUp).keys("T"),
                Command.of("class-decide", "Say yourself what is next", GROUP, () -> view().askNext()).keys("D"),
                Command.of("class-new", "Take in a student", GROUP, () -> view().askNew()).keys("N"),
                Command.of("class-change", "Change what is known of the student in hand", GROUP, () -> view().askChange()).keys("C"),
                Command.of("class-sheets", "Write everybody's sheet of the open tune", GROUP, this::askSheets).keys("Ctrl+Shift+P"),
                Command.of("class-leave", "The student in hand leaves: delete everything about them", GROUP, () -> view().askLeave()),
                Command.of("class-hear", "Hear the class together in the open tune, or stop", GROUP, model::hear).keys("H"),
                Command.of("class-solo", "Hear the student in hand alone, or everybody again", GROUP, model::solo).keys("S"),
                Command.of("class-loudness", "The student in hand plays softly with the others, not at all, or fully again", GROUP, model::loudness).keys("L"),
                Command.of("class-other", "The student in hand takes up the next of their instruments", GROUP, model::otherInstrument).keys("I"),
                Command.of("class-practise", "Practise as the student in hand", GROUP, () -> model.work(onward::practise)).keys("P"),
                Command.of("class-history", "How it has gone with the student in hand", GROUP, () -> model.work(() -> model.state().get().line().ifPresent(l -> onward.history(l.tune().title())))).keys("G"),
                Command.of("class-sheet", "The sheet of the student in hand", GROUP, () -> model.work(onward::sheet)).keys("E"),
                Command.of("class-year", "Write the year of the student in hand on a page", GROUP, this::askYear).keys("Y"),
                Command.of("class-file", "Write what is known of the student in hand to a file", GROUP, this::askFile));
    }

    public PeopleModel model() {
        return model;
    }

    @Override
    public boolean needsTune() {
        return false;
    }

    @Override
    protected PeopleView make() {
        return new PeopleView(model, commands, new GuideLink(site, "what is next for a student", "thursdays-class.md#what-is-next-for-somebody"));
    }

    @Override
    public void enter() {
        model.setShown(true);
    }

    @Override
    public void leave() {
        model.setShown(false);
    }

    @Override
    public void focus() {
        view().focusTable();
    }

    @Override
    public List<Command> commands() {
        return commands;
    }

    @Override
    public Optional<Runnable> hear() {
        return Optional.of(model::hear);
    }

    @Override
    public Optional<Runnable> write() {
        return Optional.of(this::askFile);
    }

    private void askSheets() {
        if (trellis.isOpen()) {
            site.askWhere("Into which folder? A sheet for everybody, and all of them as one", "sheets", folder -> model.writeSheets(folder, contents.get()));
        } else {
            site.say("open a tune on the shelf first");
        }
    }

    private void askYear() {
        model.state().get().person().ifPresentOrElse(p -> site.askWhere("Where to? Their year on a page (.pdf)", p.student().name() + ".pdf", model::writeYear), () -> site.say("choose a student first"));
    }

    private void askFile() {
        model.state().get().person().ifPresentOrElse(p -> site.askWhere("Where to? Everything that is known of them (.json)", p.student().name() + ".json", model::writeStudent),
                () -> site.say("choose a student first"));
    }

    @Override
    protected void dress(PeopleView view, Look look) {
        view.dress(look);
    }
}
