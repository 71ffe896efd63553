package wildflourish.sound;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.practice.Lilt;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.AbcReader;
import wildflourish.sound.transport.Backing;
import wildflourish.sound.transport.Course;
import wildflourish.sound.transport.Itinerary;
import wildflourish.sound.transport.Leg;
import wildflourish.sound.transport.Piece;
import wildflourish.sound.wave.Wav;

/** Small pieces for tests, from ABC. */
public final class Pieces {

    private Pieces() {}

    public static Tune tune(String header, String music) {
        return AbcReader.read("X:1\nT:Test\n" + header + "\n" + music + "\n").tunes().getFirst().tune();
    }

    /** A tune in 4/4 and D at crotchet = 120. */
    public static Piece on(String instrument, String music) {
        return on(instrument, music, Map.of());
    }

    /** The same with ornaments on some notes. */
    public static Piece on(String instrument, String music, Map<Integer, List<String>> ornaments) {
        return on(instrument, "M:4/4\nL:1/8\nK:D", music, "1/4=120", ornaments);
    }

    public static Piece on(String instrument, String header, String music, String tempo, Map<Integer, List<String>> ornaments) {
        return Piece.of(arrangement(instrument, header, music, tempo, ornaments), 1, Tempo.parse(tempo), Lilt.STRAIGHT);
    }

    public static Arrangement arrangement(String instrument, String header, String music, String tempo, Map<Integer, List<String>> ornaments) {
        Ladder ladder = new Ladder(List.of(new Rung("bare", Setting.BARE), new Rung("full", new Setting(new TreeMap<>(ornaments)))));
        return new Arrangement(tune(header, music), Instruments.known(instrument), Tempo.parse(tempo), Speeds.level("expert"), School.USUAL, ladder);
    }

    public static float[] samples(Piece piece) {
        return samples(piece, Backing.NONE);
    }

    public static float[] samples(Piece piece, Backing backing) {
        return Wav.samples(Course.of(Itinerary.once(List.of(Leg.heard(piece, piece.whole())), backing)));
    }
}
