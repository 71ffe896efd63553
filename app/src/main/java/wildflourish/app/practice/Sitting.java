package wildflourish.app.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import wildflourish.core.reading.Phrase;
import wildflourish.core.reading.Phrases;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
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
     */
    record Planned(PracticeState.Turn turn, Optional<LoggedPass.Practised> what) {}

    private static final Backing CLICK = Backing.NONE.withMetronome(true);

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
                        hands, Optional.empty(), lengthMs))));
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
        List<Integer> notes = expected.onsets().stream().map(o -> o.note() < size ? varied.plain(o.note()) : o.note()).toList();
        return new PracticeState.Turn(expected, List.copyOf(beats), List.copyOf(bars), notes, words, Optional.empty());
    }

    private static final class Builder {
        private final Tune tune;
        private final List<Leg> legs = new ArrayList<>();
        private final List<Planned> turns = new ArrayList<>();

        Builder(Tune tune) {
            this.tune = tune;
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
            turns.add(new Planned(turn(leg, Expected.of(piece.performance(), piece.played(), span, piece.lilt()), words), Optional.empty()));
        }

        void played(Piece piece, PlayedOut.Span span, boolean counted, boolean sounding, String name, int rung) {
            Leg leg = counted(Leg.heard(piece, span), counted).measured();
            legs.add(sounding ? leg : leg.unheard());
            Tempo tempo = piece.version().arrangement().tempo();
            Arrangement of = tune.arrangement();
            turns.add(new Planned(
                    turn(leg, Expected.of(piece.performance(), piece.played(), span, piece.lilt()), name + ", " + tempo.spoken()),
                    Optional.of(new LoggedPass.Practised(Optional.of(tune.id()), of.tune().title(), name, of.instrument().id(),
                            of.ladder().rung(rung).name(), tune.choice().hands().id(),
                            Optional.of(tempo), 0))));
        }

        Sitting done() {
            return new Sitting(Itinerary.once(legs, CLICK), List.copyOf(turns));
        }
    }
}
