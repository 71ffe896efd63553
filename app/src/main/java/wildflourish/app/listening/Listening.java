package wildflourish.app.listening;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import wildflourish.core.practice.CountIn;
import wildflourish.core.reading.Part;
import wildflourish.core.reading.Reading;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.tune.PlayedOut;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Timeline;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;

/**
 * What is to be heard of a tune, ready to be played.
 *
 * @param rungs the rung that each leg of the itinerary is of
 */
record Listening(Itinerary itinerary, List<Integer> rungs) {

    /** Where the listener stands. */
    record Stand(Arrangement arrangement, int rung, int note, Optional<String> ornament) {}

    private static final Rung BARE = new Rung("bare", Setting.BARE);

    /** What the state asks for at a place; takes some milliseconds. */
    static Listening of(ListeningState state, Stand place) {
        Arrangement arrangement = place.arrangement();
        Tempo tempo = arrangement.tempo().percent(state.manner().percent());
        PlayedOut plain = PlayedOut.of(Timeline.of(arrangement.tune()), tempo);
        boolean alone = state.stretch() == ListeningState.Extent.ORNAMENT;
        PlayedOut.Span span = span(state, place, plain);
        List<Leg> legs = new ArrayList<>();
        List<Integer> rungs = new ArrayList<>();
        if (alone) {
            Arrangement one = alone(arrangement, place);
            legs.add(Leg.heard(Piece.of(one, 0, tempo, state.manner().lilt()), span));
            legs.add(Leg.heard(Piece.of(one, 1, tempo, state.manner().lilt()), span));
            rungs.add(0);
            rungs.add(place.rung());
        } else {
            legs.add(Leg.heard(Piece.of(arrangement, place.rung(), tempo, state.manner().lilt()), span));
            rungs.add(place.rung());
            state.against().filter(r -> r < arrangement.ladder().size() && r != place.rung()).ifPresent(r -> {
                legs.add(Leg.heard(Piece.of(arrangement, r, tempo, state.manner().lilt()), span));
                rungs.add(r);
            });
        }
        if (state.manner().counted()) {
            legs.set(0, legs.getFirst().countedIn(CountIn.of(arrangement.tune().head(), plain, span.from())));
        }
        boolean again = state.again() || legs.size() > 1;
        return new Listening(again ? Itinerary.loop(legs, state.manner().backing()) : Itinerary.once(legs, state.manner().backing()), rungs);
    }

    /** The note's own ornaments and no others; or the one that is looked at, where that does not stand there. */
    private static Arrangement alone(Arrangement arrangement, Stand place) {
        Setting setting = arrangement.ladder().setting(place.rung());
        Setting only;
        if (setting.variationAt(place.note()).filter(v -> !v.isStandIn()).isPresent()) {
            only = new Setting(new TreeMap<>()).with(setting.variationAt(place.note()).get());
        } else {
            List<String> standing = setting.at(place.note());
            List<String> heard = place.ornament().filter(o -> !standing.contains(o)).map(List::of).orElse(standing);
            only = heard.isEmpty() ? Setting.BARE : new Setting(new TreeMap<>(Map.of(place.note(), heard)));
        }
        Ladder ladder = new Ladder(List.of(BARE, new Rung("only this", only)));
        for (Variation standIn : setting.standIns()) {
            ladder = ladder.vary(0, standIn);
        }
        return arrangement.with(ladder);
    }

    private static PlayedOut.Span span(ListeningState state, Stand place, PlayedOut played) {
        int size = played.tune().size();
        int note = place.note();
        PlayedOut.Span whole = new PlayedOut.Span(Ratio.ZERO, played.length());
        return switch (state.stretch()) {
            // Around again it is the whole tune, wherever it was begun.
            case TUNE -> state.again() ? whole
                    : played.span(note, note + 1, Ratio.ZERO).map(s -> new PlayedOut.Span(s.from(), played.length())).orElse(whole);
            case PART -> part(place, played).flatMap(p -> played.span(p.fromNote(), p.toNote(), Ratio.ZERO)).orElse(whole);
            case PHRASE -> Reading.of(place.arrangement()).at(note)
                    .flatMap(p -> played.span(p.phrase().fromNote(), p.phrase().toNote(), Ratio.ZERO)).orElse(whole);
            case BAR -> bar(played, note).orElse(whole);
            case MARKED -> {
                int from = Math.min(state.from().orElse(0), size - 1);
                int to = Math.min(state.to().orElse(size - 1), size - 1);
                yield played.span(Math.min(from, to), Math.max(from, to) + 1, Ratio.ZERO).orElse(whole);
            }
            case ORNAMENT -> played.span(Math.max(0, note - 1), Math.min(size, note + 2), Ratio.ZERO)
                    .or(() -> played.span(note, note + 1, Ratio.ZERO)).orElse(whole);
        };
    }

    private static Optional<Part> part(Stand place, PlayedOut played) {
        Reading reading = Reading.of(place.arrangement());
        return reading.parts().stream().filter(p -> p.phrases().stream().anyMatch(f -> f.holds(place.note()))).findFirst();
    }

    private static Optional<PlayedOut.Span> bar(PlayedOut played, int note) {
        int bar = played.tune().note(note).bar();
        return played.bars().stream().filter(b -> b.bar() == bar).findFirst()
                .map(b -> new PlayedOut.Span(b.start(), b.start().plus(b.length())));
    }
}
