package wildflourish.formats.musicxml;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.AboveBelow;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Coda;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Dynamics;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.Segno;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeSymbol;
import org.audiveris.proxymusic.YesNo;
import wildflourish.core.tune.Jumps;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Marks;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/** What stands in a measure besides its notes and lines: key, meter, tempo, words and signs over the stave. */
final class Directions {

    private static final Ratio CROTCHET = Ratio.of(1, 4);

    private final List<Object> now;

    Directions(List<Object> now) {
        this.now = now;
    }

    /** A key or a meter from here on; at the beginning into how many parts a crotchet is divided, too. */
    void attributes(Optional<Key> key, Optional<Meter> meter, Optional<Long> divisions) {
        Attributes attributes = new Attributes();
        divisions.ifPresent(d -> attributes.setDivisions(BigDecimal.valueOf(d)));
        key.ifPresent(k -> attributes.getKey().add(key(k)));
        meter.ifPresent(m -> attributes.getTime().add(time(m)));
        now.add(attributes);
    }

    private static org.audiveris.proxymusic.Key key(Key key) {
        org.audiveris.proxymusic.Key written = new org.audiveris.proxymusic.Key();
        if (key.explicit().isEmpty()) {
            written.setFifths(MusicXmlWriter.whole(key.fifths()));
            written.setMode(key.open() ? "none" : key.mode().word());
        } else {
            key.signature().forEach((step, alter) -> {
                written.getNonTraditionalKey().add(Step.fromValue(step.toString()));
                written.getNonTraditionalKey().add(BigDecimal.valueOf(alter));
            });
        }
        return written;
    }

    private static Time time(Meter meter) {
        Time time = new Time();
        if (meter.isFree()) {
            time.setSenzaMisura("");
            return time;
        }
        String beats = String.join("+", meter.groups().stream().map(String::valueOf).toList());
        time.getTimeSignature().add(MusicXmlWriter.make().createTimeBeats(beats));
        time.getTimeSignature().add(MusicXmlWriter.make().createTimeBeatType(String.valueOf(meter.unit())));
        if (meter.look() == Meter.Look.COMMON) {
            time.setSymbol(TimeSymbol.COMMON);
        } else if (meter.look() == Meter.Look.CUT) {
            time.setSymbol(TimeSymbol.CUT);
        }
        return time;
    }

    /** A tempo, as it is counted and as it sounds. */
    void tempo(Tempo tempo) {
        Tempo counted = NoteValues.of(tempo.beat()).isPresent() ? tempo : tempo.in(CROTCHET);
        NoteValues.Value beat = NoteValues.of(counted.beat()).orElseThrow();
        Metronome metronome = new Metronome();
        metronome.setBeatUnit(beat.name());
        for (int i = 0; i < beat.dots(); i++) {
            metronome.getBeatUnitDot().add(new Empty());
        }
        PerMinute count = new PerMinute();
        count.setValue(MusicXmlWriter.decimal(counted.perMinute()).toPlainString());
        metronome.setPerMinute(count);
        DirectionType type = new DirectionType();
        type.setMetronome(metronome);
        Direction direction = direction(type, AboveBelow.ABOVE);
        Sound sound = new Sound();
        sound.setTempo(MusicXmlWriter.decimal(tempo.in(CROTCHET).perMinute()));
        direction.setSound(sound);
    }

    // --- What stands over the stave

    private Direction direction(DirectionType type, AboveBelow placement) {
        Direction direction = new Direction();
        direction.setPlacement(placement);
        direction.getDirectionType().add(type);
        now.add(direction);
        return direction;
    }

    private static FormattedTextId text(String words) {
        FormattedTextId text = new FormattedTextId();
        text.setValue(words);
        return text;
    }

    /** The name of the part that begins here. */
    void part(String name) {
        DirectionType rehearsal = new DirectionType();
        rehearsal.getRehearsal().add(text(name));
        direction(rehearsal, AboveBelow.ABOVE);
    }

    /** Chord symbols, words and signs over the note that follows. */
    void over(Marks marks) {
        marks.chord().ifPresent(c -> ChordNames.harmony(c).ifPresentOrElse(h -> now.add(h), () -> {
            DirectionType said = new DirectionType();
            said.getWordsOrSymbol().add(text(c));
            direction(said, AboveBelow.ABOVE);
        }));
        for (String annotation : marks.annotations()) {
            DirectionType said = new DirectionType();
            said.getWordsOrSymbol().add(text(annotation.substring(1)));
            direction(said, annotation.startsWith("_") ? AboveBelow.BELOW : AboveBelow.ABOVE);
        }
        for (String decoration : marks.decorations()) {
            if (Signs.isDirection(decoration) && !Jumps.isAtTheEnd(decoration)) {
                DirectionType sign = new DirectionType();
                // The sign is what is seen; by its name the jump finds it.
                Sound named = new Sound();
                switch (decoration) {
                    case "segno" -> {
                        sign.getSegno().add(new Segno());
                        named.setSegno("segno");
                    }
                    case "coda" -> {
                        sign.getCoda().add(new Coda());
                        named.setCoda("coda");
                    }
                    default -> {
                        Dynamics dynamics = new Dynamics();
                        dynamics.getPOrPpOrPpp().add(MusicXmlWriter.element(decoration, Empty.class, new Empty()));
                        sign.getDynamics().add(dynamics);
                    }
                }
                Direction written = direction(sign, AboveBelow.ABOVE);
                if (named.getSegno() != null || named.getCoda() != null) {
                    written.setSound(named);
                }
            }
        }
    }

    /** The signs by which the tune is read on from elsewhere, behind the note that they end with. */
    void jumps(Marks marks) {
        for (String decoration : marks.decorations()) {
            if (Jumps.isAtTheEnd(decoration)) {
                DirectionType said = new DirectionType();
                Sound sound = new Sound();
                switch (decoration) {
                    case "fine" -> sound.setFine("yes");
                    case "dacoda", "tocoda" -> sound.setTocoda("coda");
                    default -> {
                        if (decoration.startsWith("D.S") || decoration.equals("dalsegno")) {
                            sound.setDalsegno("segno");
                        } else {
                            sound.setDacapo(YesNo.YES);
                        }
                    }
                }
                said.getWordsOrSymbol().add(text(decoration.equals("fine") ? "Fine" : decoration.endsWith("coda") && !decoration.startsWith("D") ? "To Coda" : decoration));
                direction(said, AboveBelow.ABOVE).setSound(sound);
            }
        }
    }
}
