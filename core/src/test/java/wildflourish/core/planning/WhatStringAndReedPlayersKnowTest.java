package wildflourish.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import wildflourish.core.SessionTune;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Bellows;
import wildflourish.core.instrument.ButtonBoard;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.Place;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Timeline;

/** What fiddlers, pickers and box players know of their places and strokes; common practice. */
class WhatStringAndReedPlayersKnowTest {

    static Stream<Instrument> boards() {
        return Instruments.all().stream().filter(i -> i.layout() instanceof ButtonBoard);
    }

    private static Situation on(String instrument, Key key, String text) {
        return Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), key, text)), Instruments.known(instrument), School.USUAL);
    }

    private static List<Place> places(Situation situation) {
        return situation.plan().places();
    }

    /** One pair of notes is told one thing: to slur it or to change the bow in it, and never to slur what is slurred. */
    @ParameterizedTest
    @EnumSource(SessionTune.class)
    void adviceOnTheBowNeverContradictsItself(SessionTune tune) {
        Timeline time = Timeline.of(tune.tune());
        Strokes strokes = Strokes.of(time, Instruments.known("fiddle"), School.USUAL);
        for (int n = 0; n < time.size(); n++) {
            Optional<Stroke> stroke = strokes.at(n);
            if (stroke.isPresent() && stroke.get().advice().isPresent()) {
                assertThat(stroke.get().advice().get().startsWith("slur")).as("note %d", n).isEqualTo(stroke.get().joined());
            }
        }
    }

    /** A note and its treble are four strokes: what comes after them has its bow from there. */
    @Test
    void theStrokesOfAnOrnamentAreCounted() {
        Timeline tune = Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.d(), "D4:3 E4 F#4:2 G4:2 | A4:8"));
        Instrument fiddle = Instruments.known("fiddle");
        Strokes.Asked treble = new Strokes.Asked() {
            @Override
            public boolean joins(int note) {
                return false;
            }

            @Override
            public int strokes(int note) {
                return note == 0 ? 4 : 1;
            }
        };
        Strokes plain = Strokes.of(tune, fiddle, School.USUAL);
        Strokes with = Strokes.of(tune, fiddle, School.USUAL, treble);
        assertThat(plain.at(0).orElseThrow().down()).isTrue();
        assertThat(with.at(0).orElseThrow().down()).isTrue();
        // Four strokes end with an up-bow, so the next single bow is down again; one stroke leaves it up.
        boolean joined = with.at(1).orElseThrow().joined();
        assertThat(joined ? "joined" : with.at(1).orElseThrow().down() ? "down" : "up").isEqualTo("down");
        assertThat(with.at(4).orElseThrow().down()).isTrue();
    }

    /** The picking hand's thumb, index and middle finger are named for each note, and none plucks two quavers running. */
    @ParameterizedTest
    @EnumSource(value = SessionTune.class, names = {"REEL", "SECOND_REEL", "BREAKDOWN", "JIG"})
    void theFivestringNamesThumbIndexAndMiddle(SessionTune tune) {
        Situation situation = Situation.of(Timeline.of(tune.tune()), Instruments.known("banjo-five-string"), School.USUAL);
        Strokes strokes = situation.strokes();
        List<String> fingers = new ArrayList<>();
        for (int n = 0; n < situation.tune().size(); n++) {
            fingers.add(strokes.finger(n).orElse(""));
        }
        assertThat(fingers).contains("thumb", "index").isSubsetOf("thumb", "index", "middle", "");
        for (int n = 1; n < fingers.size(); n++) {
            if (fingers.get(n).isEmpty() || fingers.get(n - 1).isEmpty()) {
                assertThat(List.of(places(situation).get(n - 1), places(situation).get(n))).anyMatch(p -> p instanceof Place.Missing);
                continue;
            }
            boolean quaver = !wildflourish.core.tune.Ratio.of(1, 8).isLess(situation.tune().note(n - 1).sounding());
            boolean sameString = ((Place.Stopped) places(situation).get(n)).index() == ((Place.Stopped) places(situation).get(n - 1)).index();
            if (quaver && !sameString) {
                assertThat(fingers.get(n)).as("note %d", n).isNotEqualTo(fingers.get(n - 1));
            }
        }
    }

    /** Fret 7 is under the little finger of the everyday hand: no shift for it. */
    @ParameterizedTest
    @ValueSource(strings = {"tenor-banjo", "mandolin"})
    void theSeventhFretIsTheLittleFingers(String instrument) {
        Situation situation = on(instrument, Tunes.g(), "F#5:1 G5 A5 B5 | A5 G5 F#5:2");
        int top = 3;
        Place.Stopped place = (Place.Stopped) places(situation).get(top);
        assertThat(place.above()).isEqualTo(7);
        assertThat(place.finger()).isEqualTo(4);
        assertThat(places(situation)).extracting(p -> ((Place.Stopped) p).shift()).containsOnly(place.shift());
    }

    /** A slide of half a minute in one direction has to be broken by turns, where the board has its notes both ways. */
    @ParameterizedTest
    @CsvSource({"anglo-cg, along", "melodeon-dg, along", "melodeon-dg, across", "accordion-bc, along", "anglo-cg, across"})
    void theBellowsStayWithinTheirTravel(String instrument, String rows) {
        String bars = String.join(" | ", java.util.Collections.nCopies(12, "G4:2 A4 B4 D5:2 B4 A4"));
        Situation situation = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), bars)), Instruments.known(instrument),
                School.USUAL.with("rows", rows)).at(wildflourish.core.tune.Tempo.parse("1/2=88"));
        double travel = ((ButtonBoard) situation.instrument().layout()).travelSeconds().orElseThrow();
        double worst = 0;
        double sum = 0;
        for (int n = 0; n < situation.tune().size(); n++) {
            double seconds = situation.tune().note(n).sounding().toDouble() * 2 * 60 / 88;
            sum += situation.plan().bellows(n).orElseThrow() == Bellows.PULL ? seconds : -seconds;
            worst = Math.max(worst, Math.abs(sum));
        }
        assertThat(worst).as("%s seconds from where they began, of %s", worst, travel).isLessThanOrEqualTo(travel);
    }

    /** Along the row nothing is lost by turning the bellows; the row is left only for what it has not got. */
    @Test
    void alongTheRowStaysOnTheRow() {
        Situation situation = on("melodeon-dg", Tunes.g(), "G4 A4 B4 C5 D5 E5 F#5 G5 | G5 F#5 E5 D5 C5 B4 A4 G4");
        assertThat(places(situation)).allMatch(p -> p.text().startsWith("G row"));
        assertThat(IntStream.range(1, 16).filter(n -> !situation.plan().bellows(n).equals(situation.plan().bellows(n - 1))).count())
                .isGreaterThan(6);
        Weights along = Weights.of(Instruments.known("melodeon-dg"), School.USUAL.with("rows", "along"));
        assertThat(along.of(Term.BELLOWS_KEPT)).isZero();
        assertThat(along.of(Term.CROSSED_FINGERS)).isBetween(6, 10);
    }

    /** Where the bellows begin is told in words that a student can do, and near their middle where nothing speaks against it. */
    @ParameterizedTest
    @MethodSource("boards")
    void whereTheBellowsBeginIsSaidInWords(Instrument instrument) {
        assumeTrue(((ButtonBoard) instrument.layout()).travelSeconds().isPresent());
        for (SessionTune tune : SessionTune.values()) {
            Situation situation = Situation.of(Timeline.of(tune.tune()), instrument, School.USUAL);
            Air.of(situation.tune(), situation.plan(), wildflourish.core.tune.TuneType.of(tune.tune().head()).customary())
                    .ifPresent(air -> assertThat(air.startInWords()).doesNotContain("%").doesNotContainPattern("\\d"));
        }
        Situation even = Situation.of(Timeline.of(Tunes.of(Meter.of(4, 4), Tunes.g(), "G4 A4 G4 A4 G4 A4 G4 A4")), instrument, School.USUAL);
        Air.of(even.tune(), even.plan(), wildflourish.core.tune.Tempo.parse("1/4=120"))
                .ifPresent(air -> assertThat(air.startsOpen()).isBetween(0.25, 0.75));
    }

    /** An everyday open string is not awkward, nor is the home position of a banjo: no dodge is offered for it. */
    @ParameterizedTest
    @ValueSource(strings = {"tenor-banjo", "mandolin", "fiddle"})
    void nothingIsAwkwardInTheHandsHome(String instrument) {
        Situation situation = on(instrument, Key.of(Step.D, 0, Mode.MAJOR), "D4 E4 F#4 G4 A4 B4 C#5 D5 | D5 C#5 B4 A4 G4 F#4 E4 D4");
        var phrases = wildflourish.core.reading.Phrases.of(situation.tune());
        var variations = new wildflourish.core.growth.Variations(situation, wildflourish.core.tune.Tempo.parse("1/4=180"),
                wildflourish.core.ornament.Speeds.level("fluent"), phrases,
                wildflourish.core.growth.Feature.of(situation.tune(), phrases), List.of());
        for (int n = 0; n < situation.tune().size(); n++) {
            assertThat(variations.startingAt(n)).noneMatch(o -> o.variation().kind().equals("dodge"));
        }
    }
}
