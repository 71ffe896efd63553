package wildflourish.formats.musicxml;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.audiveris.proxymusic.Bass;
import org.audiveris.proxymusic.BassStep;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.HarmonyAlter;
import org.audiveris.proxymusic.Kind;
import org.audiveris.proxymusic.KindValue;
import org.audiveris.proxymusic.Root;
import org.audiveris.proxymusic.RootStep;
import org.audiveris.proxymusic.Step;

/** Chord symbols as harmonies and back; the symbol's own spelling of its kind is kept in the harmony's text. */
final class ChordNames {

    private static final Pattern SYMBOL = Pattern.compile("([A-G])(#{1,2}|b{1,2}|♯|♭)?([^/]*)(?:/([A-G])(#|b|♯|♭)?)?");
    /** Suffixes that players write, with the kinds of the standard (MusicXML 4.0, kind-value). */
    private static final Map<String, KindValue> KINDS = kinds();

    private ChordNames() {}

    private static Map<String, KindValue> kinds() {
        Map<String, KindValue> kinds = new LinkedHashMap<>();
        kinds.put("", KindValue.MAJOR);
        kinds.put("m", KindValue.MINOR);
        kinds.put("min", KindValue.MINOR);
        kinds.put("-", KindValue.MINOR);
        kinds.put("7", KindValue.DOMINANT);
        kinds.put("m7", KindValue.MINOR_SEVENTH);
        kinds.put("min7", KindValue.MINOR_SEVENTH);
        kinds.put("maj7", KindValue.MAJOR_SEVENTH);
        kinds.put("M7", KindValue.MAJOR_SEVENTH);
        kinds.put("dim", KindValue.DIMINISHED);
        kinds.put("dim7", KindValue.DIMINISHED_SEVENTH);
        kinds.put("aug", KindValue.AUGMENTED);
        kinds.put("+", KindValue.AUGMENTED);
        kinds.put("6", KindValue.MAJOR_SIXTH);
        kinds.put("m6", KindValue.MINOR_SIXTH);
        kinds.put("9", KindValue.DOMINANT_NINTH);
        kinds.put("m9", KindValue.MINOR_NINTH);
        kinds.put("maj9", KindValue.MAJOR_NINTH);
        kinds.put("11", KindValue.DOMINANT_11_TH);
        kinds.put("13", KindValue.DOMINANT_13_TH);
        kinds.put("sus", KindValue.SUSPENDED_FOURTH);
        kinds.put("sus4", KindValue.SUSPENDED_FOURTH);
        kinds.put("sus2", KindValue.SUSPENDED_SECOND);
        kinds.put("m7b5", KindValue.HALF_DIMINISHED);
        kinds.put("5", KindValue.POWER);
        return kinds;
    }

    /** The harmony of a symbol; empty for a text that names no chord. */
    static Optional<Harmony> harmony(String symbol) {
        Matcher read = SYMBOL.matcher(symbol);
        if (!read.matches()) {
            return Optional.empty();
        }
        Harmony harmony = new Harmony();
        RootStep rootStep = new RootStep();
        rootStep.setValue(Step.fromValue(read.group(1)));
        Root root = new Root();
        root.setRootStep(rootStep);
        alter(read.group(2)).ifPresent(root::setRootAlter);
        harmony.getHarmonyChord().add(root);
        Kind kind = new Kind();
        String suffix = read.group(3);
        kind.setValue(KINDS.getOrDefault(suffix, KindValue.OTHER));
        kind.setText(suffix);
        harmony.getHarmonyChord().add(kind);
        if (read.group(4) != null) {
            BassStep bassStep = new BassStep();
            bassStep.setValue(Step.fromValue(read.group(4)));
            Bass bass = new Bass();
            bass.setBassStep(bassStep);
            alter(read.group(5)).ifPresent(bass::setBassAlter);
            harmony.getHarmonyChord().add(bass);
        }
        return Optional.of(harmony);
    }

    private static Optional<HarmonyAlter> alter(String sign) {
        if (sign == null || sign.isEmpty()) {
            return Optional.empty();
        }
        HarmonyAlter alter = new HarmonyAlter();
        alter.setValue(BigDecimal.valueOf((sign.charAt(0) == '#' || sign.charAt(0) == '♯' ? 1 : -1) * sign.length()));
        return Optional.of(alter);
    }

    /** The symbol of a harmony; empty where it names no root. */
    static Optional<String> symbol(Harmony harmony) {
        StringBuilder symbol = new StringBuilder();
        for (Object part : harmony.getHarmonyChord()) {
            switch (part) {
                case Root root when root.getRootStep() != null && root.getRootStep().getValue() != null ->
                    symbol.append(root.getRootStep().getValue().value()).append(sign(root.getRootAlter()));
                case Kind kind when !symbol.isEmpty() -> symbol.append(kind.getText() != null ? kind.getText() : suffix(kind.getValue()));
                case Bass bass when !symbol.isEmpty() && bass.getBassStep() != null && bass.getBassStep().getValue() != null ->
                    symbol.append('/').append(bass.getBassStep().getValue().value()).append(sign(bass.getBassAlter()));
                default -> { }
            }
        }
        return symbol.isEmpty() ? Optional.empty() : Optional.of(symbol.toString());
    }

    private static String sign(HarmonyAlter alter) {
        int by = alter == null || alter.getValue() == null ? 0 : alter.getValue().intValue();
        return by > 0 ? "#".repeat(Math.min(2, by)) : "b".repeat(Math.min(2, -by));
    }

    private static String suffix(KindValue kind) {
        return KINDS.entrySet().stream().filter(e -> e.getValue() == kind).map(Map.Entry::getKey).findFirst().orElse("");
    }
}
