package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntUnaryOperator;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Calibration;
import wildflourish.core.practice.CountIn;
import wildflourish.core.practice.Drill;
import wildflourish.core.practice.Expected;
import wildflourish.core.practice.Lilt;
import wildflourish.core.practice.LoggedPass;
import wildflourish.core.practice.PracticePlan;
import wildflourish.core.practice.Restruck;
import wildflourish.core.reading.Lesson;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.formats.abc.AbcReader;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/**
 * What is heard and played before somebody decides again: one pass of a plan in steps, the whole of the others.
 *
 * @param turns one for each leg
 */
record Sitting(Itinerary itinerary, List<Planned> turns) {

    /**
     * A leg as a turn.
     *
     * @param what how the log tells it; empty for what is only heard
     * @param drill that it is a pass of; empty where it is of a tune
     */
    record Planned(PracticeState.Turn turn, Optional<LoggedPass.Practised> what, Optional<Drill> drill) {

        Planned(PracticeState.Turn turn, Optional<LoggedPass.Practised> what) {
            this(turn, what, Optional.empty());
        }
    }

    /** How often a part is gone around with its first ending. */
    private static final int LOOPS = 3;
    private static final Backing CLICK = Backing.USUAL.withMetronome(true);

    /** What a tune is practised with. */
    record Tune(long id, Arrangement arrangement, PracticeState.Choice choice, Passage passage) {}

    /** One pass at a tempo, counted in. */
    static Sitting pass(Tune tune, Tempo tempo) {
        Piece piece = piece(tune, tune.choice().rung(), tempo);
        PlayedOut.Span span = span(piece, tune.passage().fromNote(), tune.passage().toNote());
        Builder all = new Builder(tune);
        all.played(piece, span, true, tune.choice().along(), tune.passage().name(), tune.choice().rung());
        return all.done();
    }

    /** Every stage heard, then played along. */
    static Sitting stages(Tune tune) {
        Builder all = new Builder(tune);
        for (PracticePlan.Stage stage : tune.choice().plan().stages()) {
            Tempo tempo = tune.arrangement().tempo().percent(stage.percent());
            int rung = stage.bare() ? 0 : tune.choice().rung();
            Piece piece = piece(tune, rung, tempo);
            PlayedOut.Span span = span(piece, tune.passage().fromNote(), tune.passage().toNote());
            all.heard(piece, span, true, stage.words());
            all.played(piece, span, true, tune.choice().along(), tune.passage().name(), rung);
        }
        return all.done();
    }

    /** Each phrase heard, then left empty. */
    static Sitting calls(Tune tune) {
        Tempo tempo = tune.arrangement().tempo().percent(tune.choice().percent());
        Piece piece = piece(tune, tune.choice().rung(), tempo);
        List<Phrase> phrases = Phrases.of(tune.arrangement());
        Builder all = new Builder(tune);
        for (PracticePlan.Call call : PracticePlan.calls(phrases, tune.passage().fromNote(), tune.passage().toNote())) {
            PlayedOut.Span span = span(piece, call.fromNote(), call.toNote());
            String name = phrases.stream().filter(p -> p.holds(call.fromNote())).map(Phrase::name).findFirst().orElse(tune.passage().name());
            all.heard(piece, span, all.isEmpty(), name);
            all.played(piece, span, false, false, name, tune.choice().rung());
        }
        return all.done();
    }

    /** A plan that is gone through as a whole. */
    static Sitting of(Tune tune) {
        return switch (tune.choice().plan().way()) {
            case STEPS -> pass(tune, tune.arrangement().tempo());
            case STAGES -> stages(tune);
            case RESPONSE -> calls(tune);
            case SILENT -> silent(tune);
            case JOINS -> joins(tune);
            case ENDINGS -> endings(tune);
            case RESTRUCK -> restruck(tune);
        };
    }

    /** Every stage heard twice; the second time the fingers go along without a sound. */
    private static Sitting silent(Tune tune) {
        Builder all = new Builder(tune);
        for (PracticePlan.Stage stage : tune.choice().plan().stages()) {
            Piece piece = piece(tune, stage.bare() ? 0 : tune.choice().rung(), tune.arrangement().tempo().percent(stage.percent()));
            PlayedOut.Span span = span(piece, tune.passage().fromNote(), tune.passage().toNote());
            all.heard(piece, span, true, stage.words() + ": listen");
            all.heard(piece, span, false, stage.words() + ": along");
        }
        return all.done();
    }

    private static Tempo set(Tune tune) {
        return tune.arrangement().tempo().percent(tune.choice().percent());
    }

    /** Each step of the teaching order that lies in the stretch, heard and played; at the end the whole stretch. */
    private static Sitting joins(Tune tune) {
        Piece piece = piece(tune, tune.choice().rung(), set(tune));
        Builder all = new Builder(tune);
        String last = "";
        for (Lesson.Step step : Reading.of(tune.arrangement()).lesson().steps()) {
            int from = step.phrases().getFirst().fromNote();
            int to = step.phrases().stream().filter(p -> !p.again() || step.phrases().size() == 1).mapToInt(Phrase::toNote).max().orElse(from);
            if (from >= tune.passage().fromNote() && to <= tune.passage().toNote() && from < to) {
                PlayedOut.Span span = span(piece, from, to);
                all.heard(piece, span, true, step.name());
                all.played(piece, span, true, tune.choice().along(), step.name(), tune.choice().rung());
                last = step.name();
            }
        }
        if (!last.equals(tune.passage().name())) {
            PlayedOut.Span span = span(piece, tune.passage().fromNote(), tune.passage().toNote());
            all.played(piece, span, true, tune.choice().along(), tune.passage().name(), tune.choice().rung());
        }
        return all.done();
    }

    /** Each part that the stretch touches: with its first ending again and again, then all its times through as they are written. */
    private static Sitting endings(Tune tune) {
        Piece piece = piece(tune, tune.choice().rung(), set(tune));
        Builder all = new Builder(tune);
        for (Part part : Reading.of(tune.arrangement()).parts()) {
            if (part.fromNote() < tune.passage().toNote() && part.toNote() > tune.passage().fromNote()) {
                PlayedOut.Span once = span(piece, part.fromNote(), part.toNote());
                for (int time = 0; time < LOOPS; time++) {
                    all.played(piece, once, time == 0, true, "part " + part.name() + ", first ending", tune.choice().rung());
                }
                all.played(piece, new PlayedOut.Span(once.from(), end(piece, part, once)), true, true, "part " + part.name(), tune.choice().rung());
            }
        }
        return all.done();
    }

    /** Where the last time through a part ends. */
    private static Ratio end(Piece piece, Part part, PlayedOut.Span once) {
        Ratio end = once.to();
        List<Phrase> again = part.phrases().stream().filter(Phrase::again).toList();
        if (again.isEmpty() && part.times() > 1) {
            again = List.of(part.phrases().getLast());
        }
        for (Phrase phrase : again) {
            int size = piece.version().varied().now().size();
            int to = phrase.toNote() >= size ? piece.played().tune().size() : piece.version().varied().now(phrase.toNote());
            end = piece.played().span(piece.version().varied().now(phrase.fromNote()), to, end).map(PlayedOut.Span::to).orElse(end);
        }
        return end;
    }

    /** Bare, each held note struck again on each beat; then held. */
    private static Sitting restruck(Tune tune) {
        Arrangement of = tune.arrangement();
        var plain = of.tune();
        Ratio beat = Timeline.of(plain).note(0).meter().beats().getFirst();
        Restruck restruck = Restruck.of(plain, beat);
        Arrangement struck = new Arrangement(restruck.tune(), of.instrument(), of.tempo(), of.speeds(), of.school(), Ladder.bare());
        Piece again = Piece.of(struck, 0, set(tune), tune.choice().lilt());
        int to = tune.passage().toNote() >= restruck.now().size() ? again.played().tune().size() : restruck.now().get(tune.passage().toNote());
        PlayedOut.Span span = again.played().span(restruck.now().get(tune.passage().fromNote()), to, Ratio.ZERO).orElse(again.whole());
        Builder all = new Builder(tune);
        all.counting(n -> Math.max(0, (int) restruck.now().stream().filter(now -> now <= n).count() - 1));
        all.heard(again, span, true, "struck again on each beat");
        all.played(again, span, true, tune.choice().along(), tune.passage().name() + ", struck again", 0);
        all.counting(n -> n);
        Piece held = piece(tune, 0, set(tune));
        PlayedOut.Span whole = span(held, tune.passage().fromNote(), tune.passage().toNote());
        all.heard(held, whole, true, "held");
        all.played(held, whole, true, tune.choice().along(), tune.passage().name(), 0);
        return all.done();
    }

    private static Piece piece(Tune tune, int rung, Tempo tempo) {
        return Piece.of(tune.arrangement(), rung, tempo, tune.choice().lilt());
    }

    /** Where written notes are heard first; positions are the same whatever is varied, since variations keep their length. */
    private static PlayedOut.Span span(Piece piece, int fromNote, int toNote) {
        var varied = piece.version().varied();
        int size = piece.played().tune().size();
        int from = varied.now(fromNote);
        int to = toNote >= varied.now().size() ? size : varied.now(toNote);
        return piece.played().span(from, to, Ratio.ZERO).orElse(piece.whole());
    }

    /** A drill at a length of its part: heard twice, then played. */
    static Sitting drill(Drill drill, Instrument instrument, int lengthMs, String hands) {
        int pulses = (int) Math.round(drill.gaps().stream().mapToDouble(Double::doubleValue).sum());
        Expected expected = drill.expected(lengthMs);
        int times = expected.size() / drill.gaps().size();
        StringBuilder bar = new StringBuilder();
        drill.gaps().forEach(g -> bar.append('A').append(Math.round(g)));
        Piece piece = pattern("M:%d/8\nL:1/8\nK:D\n%s".formatted(pulses, (bar + "|").repeat(times)), instrument,
                new Tempo(Ratio.of(1, 8), Ratio.of(60_000, lengthMs)));
        Expected first = drill.heard(lengthMs);
        Ratio length = Ratio.of(pulses, 8).times(first.size() / drill.gaps().size());
        Leg heard = Leg.heard(piece, new PlayedOut.Span(Ratio.ZERO, length))
                .countedIn(CountIn.of(piece.version().arrangement().tune().head(), piece.played(), Ratio.ZERO));
        Leg own = Leg.heard(piece, piece.whole()).unheard().measured();
        String words = "%d ms".formatted(lengthMs);
        List<Planned> turns = List.of(
                new Planned(turn(heard, first, words), Optional.empty()),
                new Planned(turn(own, expected, words), Optional.of(new LoggedPass.Practised(Optional.empty(), drill.name(), "", instrument.id(), "",
                        hands, Optional.empty(), lengthMs)), Optional.of(drill)));
        return new Sitting(Itinerary.once(List.of(heard, own), CLICK), turns);
    }

    /** Even clicks to tap along with. */
    static Sitting calibration(Instrument instrument) {
        Piece piece = pattern("M:4/4\nL:1/4\nK:D\n" + "AAAA|".repeat(Calibration.WAY.clicks() / 4), instrument,
                new Tempo(Ratio.of(1, 4), Ratio.of(60_000, Calibration.WAY.everyMs())));
        Leg leg = Leg.heard(piece, piece.whole()).unheard().measured()
                .countedIn(CountIn.of(piece.version().arrangement().tune().head(), piece.played(), Ratio.ZERO));
        return new Sitting(Itinerary.once(List.of(leg), CLICK), List.of(new Planned(turn(leg,
                Expected.of(piece.performance(), piece.played(), piece.whole(), Lilt.STRAIGHT), "clicks"), Optional.empty())));
    }

    private static Piece pattern(String music, Instrument instrument, Tempo tempo) {
        var tune = AbcReader.read("X:1\nT:pattern\n" + music + "\n").tunes().getFirst().tune();
        Ladder bare = new Ladder(List.of(new Rung("bare", Setting.BARE)));
        return Piece.of(new Arrangement(tune, instrument, tempo, Speeds.level("expert"), School.USUAL, bare), 0, tempo, Lilt.STRAIGHT);
    }

    private static PracticeState.Turn turn(Leg leg, Expected expected, String words) {
        return turn(leg, expected, words, n -> n);
    }

    /** {@code plain} tells which note of the tune one of the piece's stands for. */
    private static PracticeState.Turn turn(Leg leg, Expected expected, String words, IntUnaryOperator plain) {
        double start = leg.piece().played().msAt(leg.span().from());
        List<Double> beats = new ArrayList<>();
        List<Double> bars = new ArrayList<>();
        for (PlayedOut.Beat beat : leg.piece().played().beats()) {
            if (!beat.position().isLess(leg.span().from()) && beat.position().isLess(leg.span().to())) {
                beats.add(beat.atMs() - start);
                if (beat.strength() == 3) {
                    bars.add(beat.atMs() - start);
                }
            }
        }
        var varied = leg.piece().version().varied();
        int size = leg.piece().played().tune().size();
        List<Integer> notes = expected.onsets().stream().map(o -> plain.applyAsInt(o.note() < size ? varied.plain(o.note()) : o.note())).toList();
        return new PracticeState.Turn(expected, List.copyOf(beats), List.copyOf(bars), notes, words, Optional.empty(), Optional.empty());
    }

    private static final class Builder {
        private final Tune tune;
        private final List<Leg> legs = new ArrayList<>();
        private final List<Planned> turns = new ArrayList<>();
        private IntUnaryOperator plain = n -> n;

        Builder(Tune tune) {
            this.tune = tune;
        }

        /** Which note of the tune one of the pieces from here on stands for. */
        void counting(IntUnaryOperator other) {
            plain = other;
        }

        boolean isEmpty() {
            return legs.isEmpty();
        }

        private Leg counted(Leg leg, boolean counted) {
            return counted ? leg.countedIn(CountIn.of(tune.arrangement().tune().head(), leg.piece().played(), leg.span().from())) : leg;
        }

        void heard(Piece piece, PlayedOut.Span span, boolean counted, String words) {
            Leg leg = counted(Leg.heard(piece, span), counted);
            legs.add(leg);
            turns.add(new Planned(turn(leg, Expected.of(piece.performance(), piece.played(), span, piece.lilt()), words, plain), Optional.empty()));
        }

        void played(Piece piece, PlayedOut.Span span, boolean counted, boolean sounding, String name, int rung) {
            Leg leg = counted(Leg.heard(piece, span), counted).measured();
            legs.add(sounding ? leg : leg.unheard());
            Tempo tempo = piece.version().arrangement().tempo();
            Arrangement of = tune.arrangement();
            turns.add(new Planned(
                    turn(leg, Expected.of(piece.performance(), piece.played(), span, piece.lilt()), name + ", " + tempo.spoken(), plain),
                    Optional.of(new LoggedPass.Practised(Optional.of(tune.id()), of.tune().title(), name, of.instrument().id(),
                            of.ladder().rung(rung).name(), tune.choice().hands().id(),
                            Optional.of(tempo), 0))));
        }

        Sitting done() {
            return new Sitting(Itinerary.once(legs, CLICK), List.copyOf(turns));
        }
    }
}
