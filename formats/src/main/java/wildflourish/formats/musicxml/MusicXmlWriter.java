package wildflourish.formats.musicxml;

import jakarta.xml.bind.JAXBElement;
import jakarta.xml.bind.JAXBException;
import jakarta.xml.bind.Marshaller;
import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.audiveris.proxymusic.Encoding;
import org.audiveris.proxymusic.Identification;
import org.audiveris.proxymusic.Miscellaneous;
import org.audiveris.proxymusic.MiscellaneousField;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.TypedText;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.OtherVoices;

/** Writes a tune as it stands on the page as MusicXML 4.0. What the format has no element for stands in its miscellaneous fields. */
public final class MusicXmlWriter {

    /** Names of the miscellaneous fields that this program writes and reads. */
    static final String RHYTHM = "rhythm";
    static final String UNIT = "unit";
    static final String ORDER = "parts";
    static final String TITLE = "title";
    static final String ABOUT = "abc ";

    private static final String PROLOGUE = """
            <?xml version="1.0" encoding="UTF-8" standalone="no"?>
            <!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">
            """;
    private static final ObjectFactory MAKE = new ObjectFactory();

    private MusicXmlWriter() {}

    /** The bytes of a {@code .musicxml} file. */
    public static byte[] write(Tune tune) {
        return bytes(score(tune));
    }

    /** The bytes of a {@code .mxl} file: the same, compressed. */
    public static byte[] compressed(Tune tune) {
        return Archive.of(write(tune));
    }

    private static byte[] bytes(ScorePartwise score) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            out.writeBytes(PROLOGUE.getBytes(StandardCharsets.UTF_8));
            Marshaller marshaller = GuardedXml.binding().createMarshaller();
            marshaller.setProperty(Marshaller.JAXB_FORMATTED_OUTPUT, true);
            marshaller.setProperty(Marshaller.JAXB_FRAGMENT, true);
            marshaller.marshal(score, out);
            out.write('\n');
            return out.toByteArray();
        } catch (JAXBException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ScorePartwise score(Tune tune) {
        Head head = tune.head();
        ScorePartwise score = MAKE.createScorePartwise();
        score.setVersion("4.0");
        score.setMovementNumber(String.valueOf(head.number()));
        if (!head.titles().isEmpty()) {
            score.setMovementTitle(head.titles().getFirst());
        }
        score.setIdentification(identification(head));
        PartList list = new PartList();
        score.setPartList(list);
        List<OtherVoices.Voice> others = OtherVoices.voices(tune);
        add(score, others.isEmpty() ? "Melody" : OtherVoices.melodyName(tune), tune);
        others.forEach(v -> add(score, v.name(), v.tune()));
        return score;
    }

    private static void add(ScorePartwise score, String words, Tune tune) {
        ScorePart named = new ScorePart();
        named.setId("P" + (score.getPart().size() + 1));
        PartName name = new PartName();
        name.setValue(words);
        named.setPartName(name);
        score.getPartList().getPartGroupOrScorePart().add(named);
        ScorePartwise.Part part = MAKE.createScorePartwisePart();
        part.setId(named);
        part.getMeasure().addAll(new PartWriter(tune).measures());
        score.getPart().add(part);
    }

    private static Identification identification(Head head) {
        Identification identification = new Identification();
        for (String composer : head.composers()) {
            TypedText creator = new TypedText();
            creator.setType("composer");
            creator.setValue(composer);
            identification.getCreator().add(creator);
        }
        Encoding encoding = new Encoding();
        encoding.getEncodingDateOrEncoderOrSoftware().add(MAKE.createEncodingSoftware("Wild Flourish"));
        identification.setEncoding(encoding);
        Miscellaneous more = new Miscellaneous();
        head.titles().stream().skip(1).forEach(t -> put(more, TITLE, t));
        put(more, RHYTHM, head.rhythm());
        put(more, UNIT, head.unit().toString());
        put(more, ORDER, head.order());
        for (Field field : head.fields()) {
            if (field.letter() != 'w' && field.letter() != 'V' && (field.letter() != '%' || field.after() == 0)) {
                put(more, ABOUT + field.letter(), field.text());
            }
        }
        identification.setMiscellaneous(more);
        return identification;
    }

    private static void put(Miscellaneous more, String name, String value) {
        if (!value.isEmpty()) {
            MiscellaneousField field = new MiscellaneousField();
            field.setName(name);
            field.setValue(value);
            more.getMiscellaneousField().add(field);
        }
    }

    /** A ratio as a decimal of the format, where it has to be one. */
    static BigDecimal decimal(Ratio ratio) {
        return new BigDecimal(ratio.numerator()).divide(new BigDecimal(ratio.denominator()), 6, RoundingMode.HALF_UP).stripTrailingZeros();
    }

    static BigInteger whole(long number) {
        return BigInteger.valueOf(number);
    }

    static ObjectFactory make() {
        return MAKE;
    }

    /** An element without a type of its own. */
    static <T> JAXBElement<T> element(String name, Class<T> type, T value) {
        return new JAXBElement<>(new javax.xml.namespace.QName(name), type, value);
    }
}
