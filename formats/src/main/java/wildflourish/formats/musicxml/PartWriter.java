package wildflourish.formats.musicxml;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.audiveris.proxymusic.Beam;
import org.audiveris.proxymusic.BeamValue;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.Print;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.YesNo;
import wildflourish.core.tune.Bar;
import wildflourish.core.tune.Change;
import wildflourish.core.tune.Element;
import wildflourish.core.tune.Lyrics;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Note;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Rest;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.Tuplet;

/** The measures of a tune. */
final class PartWriter {

    private static final Ratio QUAVER = Ratio.of(1, 8);
    private static final Ratio CROTCHET = Ratio.of(1, 4);

    private final Tune tune;
    private final Lyrics words;
    private final long divisions;
    private final Set<Integer> implied;
    private List<Object> now = new ArrayList<>();
    private int note;
    private boolean tieOpen;
    private boolean beamOpen;
    private int slurs;

    PartWriter(Tune tune) {
        this.tune = tune;
        this.words = Lyrics.of(Timeline.of(tune));
        this.divisions = divisions(tune);
        this.implied = MeasureLines.implied(tune);
    }

    /** Into how many parts a crotchet is divided so that every length is a whole number of them. */
    private static long divisions(Tune tune) {
        long divisions = 1;
        for (Bar bar : tune.bars()) {
            for (Element element : bar.elements()) {
                long denominator = element.length().dividedBy(CROTCHET).denominator();
                long shared = Math.multiplyExact(divisions / gcd(divisions, denominator), denominator);
                divisions = shared > 1_000_000 ? divisions : shared;
            }
        }
        return divisions;
    }

    private static long gcd(long a, long b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    List<ScorePartwise.Part.Measure> measures() {
        List<ScorePartwise.Part.Measure> measures = new ArrayList<>();
        for (int b = 0; b < tune.bars().size(); b++) {
            ScorePartwise.Part.Measure measure = new ScorePartwise.Part.Measure();
            now = measure.getNoteOrBackupOrForward();
            Bar bar = tune.bars().get(b);
            boolean again = b > 0 && tune.bars().get(b - 1).number() == bar.number();
            measure.setNumber(again ? "X" + b : String.valueOf(bar.number()));
            if (bar.number() == 0 || again) {
                measure.setImplicit(YesNo.YES);
            }
            measure(b, bar);
            measures.add(measure);
        }
        return measures;
    }

    private void measure(int b, Bar bar) {
        if (b > 0 && tune.bars().get(b - 1).endsSystem()) {
            Print print = new Print();
            print.setNewSystem(YesNo.YES);
            now.add(print);
        }
        if (b == 0) {
            directions().attributes(Optional.of(tune.head().key()), Optional.of(tune.head().meter()), Optional.of(divisions));
        }
        MeasureLines lines = new MeasureLines(tune, implied, b, now);
        lines.left();
        if (b == 0) {
            tune.head().tempo().ifPresent(directions()::tempo);
        }
        bar.part().ifPresent(directions()::part);
        List<Element> elements = bar.elements();
        for (int i = 0; i < elements.size(); i++) {
            switch (elements.get(i)) {
                case Note note -> note(note, elements.subList(i + 1, elements.size()));
                case Rest rest -> rest(rest);
                case Change change -> {
                    if (change.key().isPresent() || change.meter().isPresent()) {
                        directions().attributes(change.key(), change.meter(), Optional.empty());
                    }
                    change.tempo().ifPresent(directions()::tempo);
                }
            }
        }
        beamOpen = false;
        lines.right();
    }

    private Directions directions() {
        return new Directions(now);
    }

    // --- Notes and rests

    private void rest(Rest rest) {
        directions().over(rest.marks());
        org.audiveris.proxymusic.Rest silence = new org.audiveris.proxymusic.Rest();
        if (rest.wholeBar()) {
            silence.setMeasure(YesNo.YES);
            org.audiveris.proxymusic.Note written = timed(rest.length(), rest.length(), Optional.empty());
            written.setType(null);
            written.getDot().clear();
            finish(written, silence, rest);
        } else {
            for (Ratio part : NoteValues.parts(rest.writtenLength())) {
                finish(timed(part, sounding(part, rest.tuplet()), rest.tuplet()), silence, rest);
            }
        }
        tieOpen = false;
        beamOpen = false;
    }

    private void finish(org.audiveris.proxymusic.Note written, org.audiveris.proxymusic.Rest silence, Rest rest) {
        written.setRest(silence);
        if (!rest.visible()) {
            written.setPrintObject(YesNo.NO);
        }
        Notations notations = new Notations();
        rest.tuplet().ifPresent(t -> tuplet(t, true, true, notations));
        Signs.write(rest.marks().decorations(), notations);
        if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
            written.getNotations().add(notations);
        }
        now.add(written);
    }

    private static Ratio sounding(Ratio written, Optional<Tuplet> tuplet) {
        return tuplet.map(t -> written.times(t.factor())).orElse(written);
    }

    private void note(Note note, List<Element> following) {
        directions().over(note.marks());
        graces(note.marks());
        List<Ratio> parts = NoteValues.parts(note.writtenLength());
        for (int p = 0; p < parts.size(); p++) {
            boolean first = p == 0;
            boolean last = p == parts.size() - 1;
            Ratio sounding = sounding(parts.get(p), note.tuplet());
            Optional<BeamValue> beam = parts.size() == 1 ? beam(note, following) : Optional.empty();
            for (int i = 0; i < note.pitches().size(); i++) {
                org.audiveris.proxymusic.Note written = timed(parts.get(p), sounding, note.tuplet());
                if (i > 0) {
                    written.setChord(new Empty());
                }
                written.setPitch(pitch(note.pitches().get(i)));
                Notations notations = new Notations();
                ties(written, notations, first ? tieOpen : true, !last || note.tied());
                if (i == 0) {
                    around(note, first, last, notations);
                    beam.ifPresent(b -> {
                        Beam one = new Beam();
                        one.setNumber(1);
                        one.setValue(b);
                        written.getBeam().add(one);
                    });
                    if (first) {
                        SungWriter.write(words, this.note, written.getLyric());
                    }
                }
                if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
                    written.getNotations().add(notations);
                }
                now.add(written);
            }
        }
        directions().jumps(note.marks());
        tieOpen = note.tied();
        this.note++;
    }

    /** Slurs, tuplets and signs of one written note. */
    private void around(Note note, boolean first, boolean last, Notations notations) {
        if (last) {
            for (int s = 0; s < note.slursClosing() && slurs > 0; s++) {
                slur(StartStopContinue.STOP, slurs--, notations);
            }
        }
        if (first) {
            for (int s = 0; s < note.slursOpening(); s++) {
                slur(StartStopContinue.START, ++slurs, notations);
            }
        }
        note.tuplet().ifPresent(t -> tuplet(t, first, last, notations));
        if (first) {
            Signs.write(note.marks().decorations(), notations);
        }
    }

    private static void slur(StartStopContinue type, int number, Notations notations) {
        Slur slur = new Slur();
        slur.setType(type);
        slur.setNumber(Math.min(16, number));
        notations.getTiedOrSlurOrTuplet().add(slur);
    }

    private static void tuplet(Tuplet tuplet, boolean first, boolean last, Notations notations) {
        if (tuplet.isFirst() && first) {
            tuplet(StartStop.START, notations);
        }
        if (tuplet.isLast() && last) {
            tuplet(StartStop.STOP, notations);
        }
    }

    private static void tuplet(StartStop type, Notations notations) {
        org.audiveris.proxymusic.Tuplet sign = new org.audiveris.proxymusic.Tuplet();
        sign.setType(type);
        notations.getTiedOrSlurOrTuplet().add(sign);
    }

    private static void ties(org.audiveris.proxymusic.Note written, Notations notations, boolean from, boolean to) {
        if (from) {
            tie(written, notations, StartStop.STOP, TiedType.STOP);
        }
        if (to) {
            tie(written, notations, StartStop.START, TiedType.START);
        }
    }

    private static void tie(org.audiveris.proxymusic.Note written, Notations notations, StartStop heard, TiedType seen) {
        Tie tie = new Tie();
        tie.setType(heard);
        written.getTie().add(tie);
        Tied tied = new Tied();
        tied.setType(seen);
        notations.getTiedOrSlurOrTuplet().add(tied);
    }

    /** Where a note stands under its first beam: the writer's spaces end beams. */
    private Optional<BeamValue> beam(Note note, List<Element> following) {
        boolean beamed = !QUAVER.isLess(note.writtenLength()) || NoteValues.of(note.writtenLength()).map(v -> v.name().equals("eighth")).orElse(false);
        boolean goesOn = beamed && !note.gapAfter() && !following.isEmpty() && following.getFirst() instanceof Note next
                && next.writtenLength().isLess(CROTCHET);
        boolean wasOpen = beamOpen;
        beamOpen = goesOn;
        return goesOn ? Optional.of(wasOpen ? BeamValue.CONTINUE : BeamValue.BEGIN) : wasOpen ? Optional.of(BeamValue.END) : Optional.empty();
    }

    private void graces(Marks marks) {
        for (Pitch grace : marks.graces()) {
            org.audiveris.proxymusic.Note written = new org.audiveris.proxymusic.Note();
            Grace sign = new Grace();
            if (marks.slashed()) {
                sign.setSlash(YesNo.YES);
            }
            written.setGrace(sign);
            written.setPitch(pitch(grace));
            written.setVoice("1");
            NoteType type = new NoteType();
            type.setValue(marks.graces().size() == 1 ? "eighth" : "16th");
            written.setType(type);
            now.add(written);
        }
    }

    private static org.audiveris.proxymusic.Pitch pitch(Pitch pitch) {
        org.audiveris.proxymusic.Pitch written = new org.audiveris.proxymusic.Pitch();
        written.setStep(Step.fromValue(pitch.step().toString()));
        if (pitch.alter() != 0) {
            written.setAlter(BigDecimal.valueOf(pitch.alter()));
        }
        written.setOctave(pitch.octave());
        return written;
    }

    private org.audiveris.proxymusic.Note timed(Ratio value, Ratio sounding, Optional<Tuplet> tuplet) {
        org.audiveris.proxymusic.Note written = new org.audiveris.proxymusic.Note();
        written.setDuration(MusicXmlWriter.decimal(sounding.dividedBy(CROTCHET).times(Ratio.of(divisions, 1))));
        written.setVoice("1");
        NoteValues.of(value).ifPresent(v -> {
            NoteType type = new NoteType();
            type.setValue(v.name());
            written.setType(type);
            for (int i = 0; i < v.dots(); i++) {
                written.getDot().add(new EmptyPlacement());
            }
        });
        tuplet.ifPresent(t -> {
            TimeModification modification = new TimeModification();
            modification.setActualNotes(MusicXmlWriter.whole(t.actual()));
            modification.setNormalNotes(MusicXmlWriter.whole(t.normal()));
            written.setTimeModification(modification);
        });
        return written;
    }
}
