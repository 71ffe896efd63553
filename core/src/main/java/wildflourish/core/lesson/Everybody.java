package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import wildflourish.core.finding.Sentence;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.lesson.LessonPlan.Part;
import wildflourish.core.lesson.LessonTune.Taker;
import wildflourish.core.planning.Trap;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Traps;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/** What each of those who come does while one thing is done with a tune; those who do the same are named together. */
final class Everybody {

    private final LessonTune tune;
    private final List<Taker> takers;
    private final Map<Instrument, List<Trap>> traps = new HashMap<>();

    Everybody(LessonTune tune) {
        this.tune = tune;
        this.takers = tune.takers();
    }

    static String names(List<Taker> takers) {
        return Sentence.listed(takers.stream().map(Taker::name).toList());
    }

    /** Those who do the same, together, in the order in which they came; where most do the same, they are the rest. */
    private static List<Part> parts(List<Taker> takers, Function<Taker, String> does) {
        Map<String, List<Taker>> by = new LinkedHashMap<>();
        takers.forEach(t -> by.computeIfAbsent(does.apply(t), k -> new ArrayList<>()).add(t));
        if (by.size() == 1 && takers.size() > 1) {
            return List.of(new Part("everybody", by.keySet().iterator().next()));
        }
        Optional<String> usual = by.entrySet().stream().filter(e -> e.getValue().size() > 2 && e.getValue().size() * 2 > takers.size()).map(Map.Entry::getKey).findFirst();
        List<Part> parts = new ArrayList<>();
        by.forEach((what, who) -> {
            if (usual.filter(what::equals).isEmpty()) {
                parts.add(new Part(names(who), what));
            }
        });
        usual.ifPresent(what -> parts.add(new Part("everybody else", what)));
        return parts;
    }

    List<Part> listening(boolean first) {
        return parts(takers, t -> first && t.isNew() ? "listen; the foot keeps the beat" : first ? "the fingers along, without a sound" : "as they know it");
    }

    /** Where a phrase begins and ends under each one's fingers, with the gravest trap that has not been told to all. */
    List<Part> starting(Phrase phrase, List<Trap> told) {
        return parts(takers, t -> "from %s to %s%s%s".formatted(place(t, phrase.bodyNote()), place(t, phrase.lastNote()), t.isNew() ? "" : "; knows it: softly along",
                traps(t).stream().filter(x -> phrase.holds(x.note()) && told.stream().noneMatch(o -> o.note() == x.note() && o.kind().equals(x.kind()))).findFirst()
                        .map(x -> "; mind: " + x.text().replaceFirst("; the same at .*", "")).orElse("")));
    }

    private static String place(Taker taker, int note) {
        Version bare = taker.own().arrangement().version(0);
        int now = bare.varied().now().get(note);
        Place place = bare.hands().plan().at(now);
        return "%s (%s)".formatted(bare.varied().tune().note(now).pitch().spoken(), place.inWords());
    }

    List<Part> joining() {
        return parts(takers, t -> t.isNew() ? "bare, as slowly as it wants" : "their own version, softly");
    }

    List<Part> unsticking(List<Taker> whom, String passage) {
        return parts(takers, t -> whom.contains(t) ? "%s on the rung “%s”".formatted(passage, t.own().arrangement().ladder().rung(t.rung()).name()) : "the same, fingers only, without a sound");
    }

    List<Part> together(Tempo tempo) {
        return parts(takers, t -> "“%s”%s".formatted(t.own().arrangement().ladder().rung(t.rung()).name(),
                t.standing().reached().filter(r -> r.perMinute().isLess(tempo.perMinute())).map(r -> "; even up to %s so far".formatted(r.spoken())).orElse("")));
    }

    /** What each goes on with; {@code known} is what of it was taught so far, empty for none of it. */
    List<Part> takingHome(String known) {
        return parts(takers, t -> t.isNew() && t.next() instanceof NextStep.Begin && !known.isEmpty() ? known + ", bare and slow" : t.next().inWords());
    }

    /** On how many instruments a thing has to be shown. */
    long instruments() {
        return takers.stream().map(t -> t.own().student().plays()).distinct().count();
    }

    /** Who has a trap under their fingers; the others have not to mind it. */
    List<Part> warned(Trap trap) {
        List<Taker> caught = takers.stream().filter(t -> catches(t, trap)).toList();
        return List.of(new Part(caught.size() == takers.size() ? "everybody" : names(caught), "mind it"));
    }

    /** How many of those who come it catches, 0 to 1. */
    double share(Trap trap) {
        return takers.stream().filter(t -> catches(t, trap)).count() / (double) takers.size();
    }

    private boolean catches(Taker taker, Trap trap) {
        return traps(taker).stream().anyMatch(own -> own.note() == trap.note() && own.kind().equals(trap.kind()));
    }

    private List<Trap> traps(Taker taker) {
        return traps.computeIfAbsent(taker.own().student().plays(), i -> Traps.worthTelling(tune.reading(), taker.own().arrangement().version(0).hands()));
    }

    /** The traps on any instrument that is there, each once; first those that catch most. */
    List<Trap> traps() {
        Set<List<Object>> known = new HashSet<>();
        List<Trap> all = new ArrayList<>();
        takers.forEach(t -> traps(t).stream().filter(x -> known.add(List.of(x.note(), x.kind()))).forEach(all::add));
        return all.stream().sorted(Comparator.comparingLong((Trap x) -> -takers.stream().filter(t -> catches(t, x)).count()).thenComparingInt(Trap::note)).toList();
    }

    List<Part> showing(ShownOrnament shown) {
        return parts(takers, t -> shown.whom().contains(t) ? shown.how().isEmpty() ? shown.words() : shown.how() : t.isNew() ? "listen, and rest the hands" : "the bare tune, softly, so that it has its place");
    }
}
