package wildflourish.formats.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.audiveris.proxymusic.AboveBelow;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Backup;
import org.audiveris.proxymusic.BackwardForward;
import org.audiveris.proxymusic.Barline;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.Print;
import org.audiveris.proxymusic.RightLeftMiddle;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StartStopDiscontinue;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.TimeSymbol;
import org.audiveris.proxymusic.Transpose;
import org.audiveris.proxymusic.YesNo;
import org.jspecify.annotations.Nullable;
import wildflourish.core.tune.BarLine;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.core.writing.KeyFinder;
import wildflourish.formats.abc.OtherVoices;
import wildflourish.formats.book.Findings;

/** The voices of one part of a score. */
final class PartReader {

    private static final Ratio CROTCHET = Ratio.of(1, 4);

    private final Findings findings;
    private final GuardedXml xml;
    private final String part;
    private final Head head;
    private final List<Measure> measures = new ArrayList<>();
    private final Set<String> told = new HashSet<>();
    private Ratio divisions = Ratio.ONE;
    private List<Integer> ending = List.of();
    private boolean endsHere;
    private boolean transposes;

    PartReader(Findings findings, GuardedXml xml, String part, Head head) {
        this.findings = findings;
        this.xml = xml;
        this.part = part;
        this.head = head;
    }

    List<OtherVoices.Voice> voices(List<MusicXmlReader.Measured> all) {
        for (MusicXmlReader.Measured measured : all) {
            Measure measure = new Measure(measured.source());
            measures.add(measure);
            read(measured.content(), measure);
        }
        joinAcrossStaves();
        Set<Measure.VoiceId> ids = new java.util.TreeSet<>();
        measures.forEach(m -> m.notes.forEach((id, notes) -> {
            if (notes.stream().anyMatch(n -> n.note().getPitch() != null)) {
                ids.add(id);
            }
        }));
        List<OtherVoices.Voice> voices = new ArrayList<>();
        for (Measure.VoiceId id : ids) {
            String name = ids.size() == 1 ? part : part + (id.staff() > 1 ? " stave " + id.staff() : "") + " voice " + id.voice();
            voices.add(new OtherVoices.Voice(name, new VoiceReader(findings, xml, part, id, List.copyOf(ids)).tune(measures, head)));
        }
        if (transposes && !voices.isEmpty()) {
            findings.warning(0, 0, "the part “%s” sounds at another pitch than it is written".formatted(part), "it was read as it is written");
        }
        return voices;
    }

    /** A voice that wanders from stave to stave and is never on two at once is one voice, of the stave where it begins. */
    private void joinAcrossStaves() {
        Map<String, Set<Measure.VoiceId>> byName = new TreeMap<>();
        measures.forEach(m -> m.notes.keySet().forEach(id -> byName.computeIfAbsent(id.voice(), n -> new LinkedHashSet<>()).add(id)));
        for (Set<Measure.VoiceId> staves : byName.values()) {
            if (staves.size() > 1 && measures.stream().noneMatch(m -> overlap(m, staves))) {
                Measure.VoiceId home = staves.iterator().next();
                measures.forEach(m -> m.join(staves, home));
            }
        }
    }

    private static boolean overlap(Measure measure, Set<Measure.VoiceId> staves) {
        List<Measure.Written> all = staves.stream().flatMap(id -> measure.notes.getOrDefault(id, List.of()).stream())
                .filter(w -> w.note().getChord() == null && w.note().getGrace() == null).sorted(Comparator.comparing(Measure.Written::onset)).toList();
        for (int i = 1; i < all.size(); i++) {
            if (all.get(i).onset().isLess(all.get(i - 1).onset().plus(all.get(i - 1).length()))) {
                return true;
            }
        }
        return false;
    }

    private void read(List<Object> content, Measure measure) {
        Ratio at = Ratio.ZERO;
        Ratio chordAt = Ratio.ZERO;
        Measure.VoiceId chordOf = null;
        for (Object thing : content) {
            switch (thing) {
                case Note note -> {
                    Ratio length = note.getGrace() != null ? Ratio.ZERO : length(note.getDuration(), note, measure);
                    boolean joins = note.getChord() != null;
                    Ratio onset = joins ? chordAt : at;
                    if (note.getCue() == null) {
                        // A chord that is spread over two staves is the voice's of its first note.
                        Measure.VoiceId id = joins && chordOf != null ? chordOf : new Measure.VoiceId(note.getStaff() == null ? 1 : note.getStaff().intValue(),
                                note.getVoice() == null ? "1" : MusicXmlReader.oneLine(note.getVoice()));
                        chordOf = id;
                        measure.notes.computeIfAbsent(id, i -> new ArrayList<>()).add(new Measure.Written(onset, length, note));
                    }
                    if (!joins) {
                        chordAt = at;
                        at = at.plus(length);
                    }
                }
                case Backup backup -> {
                    Ratio back = length(backup.getDuration(), null, measure);
                    at = at.isLess(back) ? Ratio.ZERO : at.minus(back);
                }
                case Forward forward -> at = at.plus(length(forward.getDuration(), null, measure));
                case Attributes attributes -> attributes(attributes, at, measure);
                case Direction direction -> DirectionReader.read(direction, at, measure);
                case Harmony harmony -> {
                    Ratio when = at;
                    ChordNames.symbol(harmony).ifPresent(s -> measure.over.add(new Over(when, new Over.What.Chord(s), harmony.getStaff() == null ? 0 : harmony.getStaff().intValue(), "")));
                }
                case Barline line -> line(line, measure);
                case Print print -> measure.newSystem |= print.getNewSystem() == YesNo.YES || print.getNewPage() == YesNo.YES;
                default -> { }
            }
            measure.length = measure.length.isLess(at) ? at : measure.length;
        }
        if (!ending.isEmpty() && measure.ending.isEmpty()) {
            measure.ending = ending;
        }
        if (endsHere) {
            ending = List.of();
            endsHere = false;
        }
    }

    private Ratio length(@Nullable BigDecimal duration, @Nullable Note note, Measure measure) {
        if (duration == null || duration.signum() < 0 || duration.precision() > 12 || duration.scale() > 9) {
            if (duration == null && note != null) {
                return VoiceReader.written(note).orElse(Ratio.ZERO);
            }
            tell(measure, note, "a length here is no length", "it was taken as nothing; see to the <duration> in the score");
            return Ratio.ZERO;
        }
        return ratio(duration).dividedBy(divisions).times(CROTCHET);
    }

    static Ratio ratio(BigDecimal number) {
        BigDecimal plain = number.stripTrailingZeros();
        return plain.scale() <= 0 ? Ratio.of(plain.longValueExact(), 1)
                : Ratio.of(plain.unscaledValue().longValueExact(), BigDecimal.TEN.pow(plain.scale()).longValueExact());
    }

    private void tell(Measure measure, @Nullable Object thing, String what, String remedy) {
        if (told.add(what)) {
            GuardedXml.Place place = xml.place(thing != null ? thing : measure.source);
            findings.warning(place.line(), place.column(), "part “%s”, measure %d: %s".formatted(part, measures.size(), what), remedy);
        }
    }

    // --- Key, meter, tempo

    private void attributes(Attributes attributes, Ratio at, Measure measure) {
        BigDecimal divided = attributes.getDivisions();
        if (divided != null) {
            if (divided.signum() > 0 && divided.precision() <= 9 && divided.scale() <= 6) {
                divisions = ratio(divided);
            } else {
                tell(measure, null, "<divisions> is not a number above 0", "the last one that was given is used");
            }
        }
        attributes.getKey().stream().filter(k -> k.getNumber() == null || k.getNumber().intValue() == 1).findFirst()
                .ifPresent(k -> measure.keys.add(new Measure.At<>(at, signature(k))));
        attributes.getTime().stream().filter(t -> t.getNumber() == null || t.getNumber().intValue() == 1).findFirst()
                .ifPresent(t -> meter(t, measure).ifPresent(m -> measure.meters.add(new Measure.At<>(at, m))));
        for (Transpose transpose : attributes.getTranspose()) {
            transposes |= transpose.getChromatic() != null && transpose.getChromatic().signum() != 0;
        }
    }

    private static Measure.Signature signature(org.audiveris.proxymusic.Key key) {
        if (key.getFifths() == null) {
            Map<Step, Integer> explicit = new EnumMap<>(Step.class);
            Step step = null;
            for (Object part : key.getNonTraditionalKey()) {
                if (part instanceof org.audiveris.proxymusic.Step letter) {
                    step = Step.valueOf(letter.value());
                } else if (part instanceof BigDecimal alter && step != null) {
                    explicit.put(step, Math.clamp(alter.intValue(), -2, 2));
                }
            }
            return new Measure.Signature(0, Optional.empty(), Optional.of(new Key(Step.C, 0, Mode.MAJOR, explicit, true)));
        }
        int fifths = Math.clamp(key.getFifths().intValue(), -7, 7);
        String mode = key.getMode() == null ? "" : key.getMode().strip().toLowerCase(java.util.Locale.ROOT);
        if (mode.equals("none")) {
            return new Measure.Signature(0, Optional.empty(), Optional.of(Key.NONE));
        }
        return new Measure.Signature(fifths, mode.isEmpty() ? Optional.empty() : Mode.named(mode), Optional.empty());
    }

    private Optional<Meter> meter(Time time, Measure measure) {
        if (time.getSenzaMisura() != null) {
            return Optional.of(Meter.NONE);
        }
        String beats = "";
        String unit = "";
        for (JAXBElement<String> element : time.getTimeSignature()) {
            if (element.getName().getLocalPart().equals("beats") && beats.isEmpty()) {
                beats = element.getValue().strip();
            } else if (element.getName().getLocalPart().equals("beat-type") && unit.isEmpty()) {
                unit = element.getValue().strip();
            }
        }
        try {
            List<Integer> groups = new ArrayList<>();
            for (String group : beats.split("\\+")) {
                groups.add(Integer.parseInt(group.strip()));
            }
            Meter.Look look = time.getSymbol() == TimeSymbol.COMMON ? Meter.Look.COMMON : time.getSymbol() == TimeSymbol.CUT ? Meter.Look.CUT : Meter.Look.NUMBERS;
            Meter meter = new Meter(groups, Integer.parseInt(unit), Meter.Look.NUMBERS);
            boolean fits = look == Meter.Look.COMMON && meter.equals(Meter.of(4, 4)) || look == Meter.Look.CUT && meter.equals(Meter.of(2, 2));
            return Optional.of(fits ? new Meter(groups, meter.unit(), look) : meter);
        } catch (IllegalArgumentException e) {
            tell(measure, null, "'%s/%s' is no time signature".formatted(Findings.brief(beats), Findings.brief(unit)), "the one before goes on");
            return Optional.empty();
        }
    }

    // --- Bar lines

    private void line(Barline line, Measure measure) {
        boolean left = line.getLocation() == RightLeftMiddle.LEFT;
        int before = 0;
        int after = 0;
        boolean implied = line.getId() != null && line.getId().startsWith(MeasureLines.IMPLIED);
        if (line.getRepeat() != null && !implied) {
            boolean back = line.getRepeat().getDirection() == BackwardForward.BACKWARD;
            int times = line.getRepeat().getTimes() == null ? 2 : Math.clamp(line.getRepeat().getTimes().intValue(), 2, 9);
            before = back ? times - 1 : 0;
            after = back ? 0 : 1;
        }
        BarLine.Style style = implied || line.getBarStyle() == null || line.getBarStyle().getValue() == null ? left ? BarLine.Style.NONE : BarLine.Style.THIN
                : switch (line.getBarStyle().getValue()) {
                    case LIGHT_LIGHT -> BarLine.Style.DOUBLE;
                    case LIGHT_HEAVY, HEAVY_HEAVY, HEAVY -> BarLine.Style.FINAL;
                    case HEAVY_LIGHT -> BarLine.Style.OPENING;
                    case DOTTED, DASHED -> BarLine.Style.DOTTED;
                    case NONE -> BarLine.Style.NONE;
                    default -> BarLine.Style.THIN;
                };
        BarLine read = new BarLine(before + after > 0 ? BarLine.Style.THIN : style, before, after);
        if (left) {
            measure.left = read;
        } else if (line.getLocation() != RightLeftMiddle.MIDDLE) {
            measure.right = read;
        }
        if (line.getEnding() != null && line.getEnding().getType() != null) {
            if (line.getEnding().getType() == StartStopDiscontinue.START) {
                ending = times(line.getEnding().getNumber());
                measure.ending = ending;
                measure.endingStarts = !ending.isEmpty();
                endsHere = false;
            } else {
                endsHere = true;
            }
        }
    }

    private static List<Integer> times(@Nullable String numbers) {
        List<Integer> times = new ArrayList<>();
        for (String number : (numbers == null ? "" : numbers).split("[^0-9]+")) {
            if (number.matches("[1-9]\\d?")) {
                times.add(Integer.parseInt(number));
            }
        }
        times.sort(null);
        return times.stream().distinct().toList();
    }
}
