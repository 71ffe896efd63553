package wildflourish.core.writing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;

/** What is said of a tune before its notes, put right. */
public final class Heading {

    private Heading() {}

    /** Another title; the other titles stay. */
    public static Tune titled(Tune tune, String title) {
        List<String> titles = new ArrayList<>(tune.head().titles());
        if (!titles.isEmpty()) {
            titles.removeFirst();
        }
        if (!title.isBlank()) {
            titles.addFirst(title.strip());
        }
        Head h = tune.head();
        return tune.withHead(new Head(h.number(), titles, h.composers(), h.rhythm(), h.meter(), h.unit(), h.tempo(), h.key(), h.order(), h.fields()));
    }

    /** Another kind of tune; while there are no notes it brings its meter. */
    public static Tune ofType(Tune tune, TuneType type, Optional<Meter> usual) {
        Head h = tune.head();
        Meter meter = tune.bars().isEmpty() ? usual.orElse(h.meter()) : h.meter();
        return tune.withHead(new Head(h.number(), h.titles(), h.composers(), type.id(), meter, h.unit(), h.tempo(), h.key(), h.order(), h.fields()));
    }

    /** Another tempo, or none of its own. */
    public static Tune at(Tune tune, Optional<Tempo> tempo) {
        Head h = tune.head();
        return tune.withHead(new Head(h.number(), h.titles(), h.composers(), h.rhythm(), h.meter(), h.unit(), tempo, h.key(), h.order(), h.fields()));
    }

    /** Another meter; the bars stay as they are. */
    public static Tune in(Tune tune, Meter meter) {
        Head h = tune.head();
        return tune.withHead(new Head(h.number(), h.titles(), h.composers(), h.rhythm(), meter, h.unit(), h.tempo(), h.key(), h.order(), h.fields()));
    }

    /** Another key: the notes stay on their lines, and those without an accidental of their own follow the signature. */
    public static Tune in(Tune tune, Key key) {
        List<Bar> bars = new ArrayList<>();
        boolean follows = true;
        for (Bar bar : tune.bars()) {
            List<Element> elements = new ArrayList<>();
            for (Element element : bar.elements()) {
                follows &= !(element instanceof Change change && change.key().isPresent());
                elements.add(follows && element instanceof Note note ? note.withPitches(note.pitches().stream().map(p -> moved(p, tune.head().key(), key)).toList()) : element);
            }
            bars.add(bar.withElements(elements));
        }
        Head h = tune.head();
        Head head = new Head(h.number(), h.titles(), h.composers(), h.rhythm(), h.meter(), h.unit(), h.tempo(), key, h.order(), h.fields());
        return new Tune(head, tune.opening(), bars);
    }

    private static Pitch moved(Pitch pitch, Key from, Key to) {
        return pitch.alter() == from.alterOf(pitch.step()) ? pitch.withAlter(Math.clamp(to.alterOf(pitch.step()), -2, 2)) : pitch;
    }
}
