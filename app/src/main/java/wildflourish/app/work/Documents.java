package wildflourish.app.work;

import wildflourish.core.growth.Grower;
import wildflourish.core.growth.Taste;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Ladder;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;
import wildflourish.core.tune.TuneType;
import wildflourish.formats.abc.AbcReader;
import wildflourish.formats.abc.AbcWriter;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.TuneBook;

/** Arrangements as the text that the library keeps, and new ladders. */
public final class Documents {

    private Documents() {}

    /** The text of an arrangement: ABC with its ladder, the bare tune on the notes. */
    public static String write(Arrangement arrangement) {
        return AbcWriter.write(arrangement, 0);
    }

    /** The tune of a document that this program wrote. */
    public static BookTune read(String document) {
        TuneBook book = AbcReader.read(document);
        if (book.tunes().isEmpty()) {
            throw new IllegalStateException("a document of the library holds no tune");
        }
        return book.tunes().getFirst();
    }

    /** Whether there is a tune in a document. */
    public static boolean canRead(String document) {
        return !AbcReader.read(document).tunes().isEmpty();
    }

    /** A ladder grown for an instrument; on no instrument it has its ground only. */
    public static Arrangement grown(Tune tune, Instrument instrument, Tempo tempo, Speeds speeds, School school) {
        Arrangement bare = new Arrangement(tune, instrument, tempo, speeds, school, Ladder.bare());
        if (Vocabulary.of(instrument).all().isEmpty()) {
            return bare;
        }
        Situation situation = bare.situation();
        return bare.with(new Grower(situation, tempo, speeds, Taste.of(situation)).grow().ladder());
    }

    /** A ladder for a tune that has none, with what its document says besides. */
    public static Arrangement grown(BookTune tune, Instrument instrument) {
        return grown(tune.tune(), instrument).withUnread(tune.unread());
    }

    /** As {@link #grown(Tune, Instrument, Tempo, Speeds, School)} at the tune's own tempo, level and school as usual. */
    public static Arrangement grown(Tune tune, Instrument instrument) {
        return grown(tune, instrument, TuneType.tempoOf(tune.head()), Speeds.level(Speeds.USUAL), School.USUAL);
    }
}
