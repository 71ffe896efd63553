package wildflourish.formats.musicxml;

import java.math.BigInteger;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import org.audiveris.proxymusic.Credit;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Identification;
import org.audiveris.proxymusic.MiscellaneousField;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.ScoreTimewise;
import org.audiveris.proxymusic.TypedText;
import org.audiveris.proxymusic.Work;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.Field;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Tune;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.BookTune;
import wildflourish.formats.book.Findings;
import wildflourish.formats.book.TuneBook;

/**
 * Reads scores of MusicXML, plain or compressed, by parts or by measures. The melody is the first voice of the first part; the other
 * voices are kept beside it. Never throws for anything that a file may hold: what is wrong comes as findings.
 */
public final class MusicXmlReader {

    private static final int MOST_VOICES = 64;

    private final Findings findings = new Findings();
    private final GuardedXml xml = new GuardedXml();

    private MusicXmlReader() {}

    /** What is said of a score before its parts. */
    private record Front(@Nullable Work work, @Nullable String title, @Nullable String number, @Nullable Identification identification,
            List<Credit> credits) {}

    /** A measure of one part. */
    record Measured(Object source, @Nullable String number, boolean implicit, List<Object> content) {}

    /** Whether a file is one of XML or an archive of it, by how it begins. */
    public static boolean isOne(byte[] bytes) {
        if (Archive.isOne(bytes)) {
            return true;
        }
        int at = bytes.length >= 3 && (bytes[0] & 0xff) == 0xef ? 3 : bytes.length >= 2 && (bytes[0] & 0xff) >= 0xfe ? 2 : 0;
        while (at < bytes.length && (bytes[at] <= ' ' && bytes[at] >= 0)) {
            at++;
        }
        return at + 1 < bytes.length && bytes[at] == '<' && (bytes[at + 1] == '?' || bytes[at + 1] == '!' || bytes[at + 1] == 's' || bytes[at + 1] == 0);
    }

    /** Reads the bytes of a file. */
    public static TuneBook read(byte[] bytes) {
        return read(bytes, percent -> { });
    }

    /**
     * As above.
     *
     * @param percent told how far it is, in hundredths; ends the reading with a {@link java.util.concurrent.CancellationException}
     */
    public static TuneBook read(byte[] bytes, IntConsumer percent) {
        return new MusicXmlReader().book(bytes, percent);
    }

    private TuneBook book(byte[] bytes, IntConsumer percent) {
        try {
            Object root = xml.read(Archive.isOne(bytes) ? Archive.score(bytes, findings) : bytes, percent);
            Optional<Tune> tune = switch (root) {
                case ScorePartwise score -> tune(front(score), score.getPartList(), partwise(score));
                case ScoreTimewise score -> tune(front(score), score.getPartList(), timewise(score));
                default -> Optional.empty();
            };
            if (tune.isEmpty()) {
                findings.error(0, 0, "the score has no notes", "choose a score with a melody");
            }
            int lines = (int) Math.min(Integer.MAX_VALUE, new String(bytes, java.nio.charset.StandardCharsets.ISO_8859_1).lines().count());
            return new TuneBook(tune.stream().map(t -> new BookTune(t, Optional.empty(), List.of(), 1, Math.max(1, lines))).toList(), findings.list());
        } catch (Archive.Unreadable e) {
            findings.error(0, 0, e.what(), "save the score anew from the program that it comes from");
        } catch (GuardedXml.Broken e) {
            findings.error(e.place().line(), e.place().column(), e.what(), "save the score anew as MusicXML from the program that it comes from");
        } catch (ArithmeticException e) {
            findings.error(0, 0, "the lengths in this score are finer than any that are read", "save the score with a smaller <divisions>");
        }
        return new TuneBook(List.of(), findings.list());
    }

    // --- The score, by parts

    private static Front front(ScorePartwise score) {
        return new Front(score.getWork(), score.getMovementTitle(), score.getMovementNumber(), score.getIdentification(), score.getCredit());
    }

    private static Front front(ScoreTimewise score) {
        return new Front(score.getWork(), score.getMovementTitle(), score.getMovementNumber(), score.getIdentification(), score.getCredit());
    }

    private static Map<String, List<Measured>> partwise(ScorePartwise score) {
        Map<String, List<Measured>> parts = new LinkedHashMap<>();
        int unnamed = 0;
        for (ScorePartwise.Part part : score.getPart()) {
            String id = part.getId() instanceof ScorePart named ? named.getId() : "part " + ++unnamed;
            parts.computeIfAbsent(Objects.requireNonNullElse(id, ""), i -> new ArrayList<>()).addAll(part.getMeasure().stream()
                    .map(m -> new Measured(m, m.getNumber(), m.getImplicit() == org.audiveris.proxymusic.YesNo.YES, m.getNoteOrBackupOrForward())).toList());
        }
        return parts;
    }

    private static Map<String, List<Measured>> timewise(ScoreTimewise score) {
        Map<String, List<Measured>> parts = new LinkedHashMap<>();
        for (ScoreTimewise.Measure measure : score.getMeasure()) {
            for (ScoreTimewise.Measure.Part part : measure.getPart()) {
                String id = part.getId() instanceof ScorePart named ? named.getId() : "";
                parts.computeIfAbsent(Objects.requireNonNullElse(id, ""), i -> new ArrayList<>()).add(new Measured(measure, measure.getNumber(),
                        measure.getImplicit() == org.audiveris.proxymusic.YesNo.YES, part.getNoteOrBackupOrForward()));
            }
        }
        return parts;
    }

    private Optional<Tune> tune(Front front, @Nullable PartList list, Map<String, List<Measured>> parts) {
        Map<String, String> names = names(list);
        List<OtherVoices.Voice> voices = new ArrayList<>();
        Head head = head(front);
        List<String> leftOut = new ArrayList<>();
        for (Map.Entry<String, List<Measured>> part : parts.entrySet()) {
            String name = names.getOrDefault(part.getKey(), part.getKey());
            if (voices.size() >= MOST_VOICES) {
                leftOut.add(name);
            } else {
                new PartReader(findings, xml, name, head).voices(part.getValue()).stream().filter(v -> !v.tune().bars().isEmpty()).forEach(voices::add);
            }
        }
        if (voices.isEmpty()) {
            return Optional.empty();
        }
        if (!leftOut.isEmpty()) {
            findings.warning(0, 0, "the score has %d parts, more than the %d that are kept with a tune: %d were left out (%s)".formatted(parts.size(), MOST_VOICES, leftOut.size(),
                    Findings.brief(String.join(", ", leftOut))), "save the parts that you want by themselves in the program that the score comes from");
        }
        if (voices.size() > 1) {
            findings.warning(0, 0, "the score has %d voices: “%s” was taken as the melody".formatted(voices.size(), voices.getFirst().name()),
                    "the others are kept with the tune: %s; any of them can be made the melody".formatted(Findings.brief(
                            voices.stream().skip(1).map(OtherVoices.Voice::name).collect(Collectors.joining(", ")))));
        }
        return Optional.of(OtherVoices.beside(voices.getFirst().tune(), voices.getFirst().name(), voices.subList(1, voices.size())));
    }

    private static Map<String, String> names(@Nullable PartList list) {
        Map<String, String> names = new LinkedHashMap<>();
        if (list != null) {
            for (Object entry : list.getPartGroupOrScorePart()) {
                if (entry instanceof ScorePart part && part.getId() != null && part.getPartName() != null && part.getPartName().getValue() != null) {
                    String name = part.getPartName().getValue().strip().replaceAll("\\s+", " ");
                    names.put(part.getId(), name.isEmpty() ? part.getId() : Findings.brief(name));
                }
            }
        }
        return names;
    }

    // --- The head

    private static List<MiscellaneousField> more(Front front) {
        return front.identification() == null || front.identification().getMiscellaneous() == null ? List.of()
                : front.identification().getMiscellaneous().getMiscellaneousField();
    }

    private static Head head(Front front) {
        List<String> titles = new ArrayList<>();
        title(front).ifPresent(titles::add);
        List<String> composers = new ArrayList<>();
        if (front.identification() != null) {
            for (TypedText creator : front.identification().getCreator()) {
                if (creator.getValue() != null && (creator.getType() == null || creator.getType().equals("composer"))) {
                    composers.add(oneLine(creator.getValue()));
                }
            }
        }
        String rhythm = "";
        String order = "";
        Ratio unit = Ratio.of(1, 8);
        List<Field> fields = new ArrayList<>();
        for (MiscellaneousField field : more(front)) {
            String name = Objects.requireNonNullElse(field.getName(), "");
            String value = Objects.requireNonNullElse(field.getValue(), "");
            switch (name) {
                case MusicXmlWriter.TITLE -> titles.add(oneLine(value));
                case MusicXmlWriter.RHYTHM -> rhythm = oneLine(value);
                case MusicXmlWriter.ORDER -> order = oneLine(value);
                case MusicXmlWriter.UNIT -> unit = unit(value).orElse(unit);
                default -> {
                    if (name.matches(MusicXmlWriter.ABOUT + "[A-Za-z&&[^XTCRMLQKPVwms]]")) {
                        fields.add(new Field(name.charAt(name.length() - 1), oneLine(value)));
                    }
                }
            }
        }
        return new Head(number(front.number()), titles, composers, rhythm, Meter.COMMON, unit, Optional.empty(), Key.NONE, order, fields);
    }

    private static Optional<Ratio> unit(String text) {
        try {
            return Optional.of(Ratio.parse(text)).filter(Head::isUnit);
        } catch (IllegalArgumentException | ArithmeticException e) {
            return Optional.empty();
        }
    }

    private static int number(@Nullable String text) {
        return text != null && text.strip().matches("\\d{1,6}") ? Integer.parseInt(text.strip()) : 1;
    }

    /** The movement's title, else the work's, else what is printed first on the page. */
    private static Optional<String> title(Front front) {
        if (front.title() != null && !front.title().isBlank()) {
            return Optional.of(oneLine(front.title()));
        }
        if (front.work() != null && front.work().getWorkTitle() != null && !front.work().getWorkTitle().isBlank()) {
            return Optional.of(oneLine(front.work().getWorkTitle()));
        }
        return front.credits().stream().filter(c -> c.getPage() == null || c.getPage().equals(BigInteger.ONE))
                .flatMap(c -> c.getCreditTypeOrLinkOrBookmark().stream())
                .filter(e -> e.getName().getLocalPart().equals("credit-words") && e.getValue() instanceof FormattedTextId)
                .map(e -> ((FormattedTextId) e.getValue()).getValue()).filter(t -> t != null && !t.isBlank()).map(MusicXmlReader::oneLine).findFirst();
    }

    static String oneLine(String text) {
        return text.strip().replaceAll("[\\s\\p{Cntrl}]+", " ");
    }
}
