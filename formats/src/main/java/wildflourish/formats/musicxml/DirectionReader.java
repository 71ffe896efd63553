package wildflourish.formats.musicxml;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.audiveris.proxymusic.AboveBelow;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.YesNo;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tempo;

/** The words, tempi, dynamics and signs of a direction. */
final class DirectionReader {

    private static final Ratio CROTCHET = Ratio.of(1, 4);

    private final Direction direction;
    private final Ratio onset;
    private final Measure measure;

    private DirectionReader(Direction direction, Ratio onset, Measure measure) {
        this.direction = direction;
        this.onset = onset;
        this.measure = measure;
    }

    /** Puts what a direction says into its measure. */
    static void read(Direction direction, Ratio onset, Measure measure) {
        new DirectionReader(direction, onset, measure).read();
    }

    private void read() {
        boolean counted = false;
        for (DirectionType type : direction.getDirectionType()) {
            if (type.getMetronome() != null) {
                Optional<Tempo> tempo = tempo(type.getMetronome());
                tempo.ifPresent(t -> measure.tempi.add(new Measure.At<>(onset, t)));
                counted |= tempo.isPresent();
            }
            words(type);
            type.getSegno().forEach(s -> sign("segno"));
            type.getCoda().forEach(c -> sign("coda"));
            type.getDynamics().forEach(d -> d.getPOrPpOrPpp().stream().map(e -> e.getName().getLocalPart()).filter(Signs.DYNAMICS::contains).forEach(this::sign));
        }
        Sound sound = direction.getSound();
        if (sound != null) {
            jumps(sound).forEach(this::sign);
            if (!counted && sound.getTempo() != null) {
                tempo(sound.getTempo()).ifPresent(t -> measure.tempi.add(new Measure.At<>(onset, t)));
            }
        }
    }

    private void words(DirectionType type) {
        for (FormattedTextId rehearsal : type.getRehearsal()) {
            if (rehearsal.getValue() != null && !rehearsal.getValue().isBlank()) {
                measure.name = Optional.of(MusicXmlReader.oneLine(rehearsal.getValue()));
            }
        }
        // The words of a jump say what its sound does: the sign is written for both.
        boolean jumps = direction.getSound() != null && !jumps(direction.getSound()).isEmpty();
        for (Object words : type.getWordsOrSymbol()) {
            if (!jumps && words instanceof FormattedTextId text && text.getValue() != null && !text.getValue().isBlank()) {
                over(new Over.What.Text((direction.getPlacement() == AboveBelow.BELOW ? "_" : "^") + MusicXmlReader.oneLine(text.getValue())));
            }
        }
    }

    /** The signs by which a tune is read on from elsewhere. */
    private static List<String> jumps(Sound sound) {
        List<String> signs = new ArrayList<>();
        if (sound.getDacapo() == YesNo.YES) {
            signs.add("D.C.");
        }
        if (sound.getDalsegno() != null) {
            signs.add("D.S.");
        }
        if (sound.getFine() != null) {
            signs.add("fine");
        }
        if (sound.getTocoda() != null) {
            signs.add("dacoda");
        }
        return signs;
    }

    private void sign(String name) {
        over(new Over.What.Sign(name));
    }

    private void over(Over.What what) {
        int stave = direction.getStaff() == null ? 0 : direction.getStaff().intValue();
        String voice = direction.getVoice() == null ? "" : MusicXmlReader.oneLine(direction.getVoice());
        measure.over.add(new Over(onset, what, stave, voice));
    }

    private static Optional<Tempo> tempo(Metronome metronome) {
        if (metronome.getBeatUnit() == null || metronome.getPerMinute() == null || metronome.getPerMinute().getValue() == null) {
            return Optional.empty();
        }
        try {
            Ratio beat = new NoteValues.Value(metronome.getBeatUnit(), metronome.getBeatUnitDot().size()).length().orElseThrow(IllegalArgumentException::new);
            Tempo tempo = Tempo.parse(beat + "=" + metronome.getPerMinute().getValue().strip());
            return tempo.isPlayable() ? Optional.of(tempo) : Optional.empty();
        } catch (IllegalArgumentException | ArithmeticException e) {
            return Optional.empty();
        }
    }

    private static Optional<Tempo> tempo(BigDecimal crotchets) {
        if (crotchets.signum() <= 0 || crotchets.precision() > 9 || crotchets.scale() > 6) {
            return Optional.empty();
        }
        Tempo tempo = new Tempo(CROTCHET, PartReader.ratio(crotchets));
        return tempo.isPlayable() ? Optional.of(tempo) : Optional.empty();
    }
}
