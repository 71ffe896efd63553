package wildflourish.formats.abc;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.tune.Head;
import wildflourish.core.tune.Key;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Mode;
import wildflourish.core.tune.Ratio;
import wildflourish.core.tune.Step;
import wildflourish.core.tune.Tempo;
import wildflourish.formats.book.Findings;

/** Reads the values of the fields that music is computed from: K, M, L and Q. */
final class AbcFields {

    private static final Pattern FRACTION = Pattern.compile("(\\d{1,4})\\s*/\\s*(\\d{1,4})");
    private static final Pattern SUM = Pattern.compile("\\(?\\s*(\\d{1,3}(?:\\s*\\+\\s*\\d{1,3})*)\\s*\\)?\\s*/\\s*(\\d{1,3})");
    private static final int LONGEST_METER = 80;
    private static final Pattern TONIC = Pattern.compile("([A-G])([#b]?)(.*)", Pattern.DOTALL);
    private static final Pattern MOVED = Pattern.compile("transpose\\s*=|\\bt=");
    private static final Pattern ACCIDENTAL = Pattern.compile("(\\^\\^|\\^|__|_|=)([A-Ga-g])");

    private final Findings findings;

    AbcFields(Findings findings) {
        this.findings = findings;
    }

    Meter meter(String value, int line, int column, Meter otherwise) {
        String text = value.strip();
        if (text.isEmpty() || text.equalsIgnoreCase("none")) {
            return Meter.NONE;
        }
        if (text.equals("C")) {
            return Meter.COMMON;
        }
        if (text.equals("C|")) {
            return Meter.CUT;
        }
        Matcher match = SUM.matcher(text);
        if (text.length() <= LONGEST_METER && match.matches()) {
            try {
                List<Integer> groups = new ArrayList<>();
                for (String group : match.group(1).split("\\+")) {
                    groups.add(Integer.parseInt(group.strip()));
                }
                return new Meter(groups, Integer.parseInt(match.group(2)), Meter.Look.NUMBERS);
            } catch (IllegalArgumentException e) {
                findings.error(line, column, "the meter " + text + " cannot be: " + e.getMessage(),
                        "write a meter such as M:4/4, M:6/8, M:C or M:none");
                return otherwise;
            }
        }
        findings.error(line, column, "'" + Findings.brief(text) + "' is not a meter",
                "write a meter such as M:4/4, M:6/8, M:C or M:none");
        return otherwise;
    }

    Optional<Ratio> unit(String value, int line, int column) {
        Matcher match = FRACTION.matcher(value.strip());
        if (value.strip().equals("1")) {
            return Optional.of(Ratio.ONE);
        }
        if (match.matches()) {
            int over = Integer.parseInt(match.group(2));
            Optional<Ratio> unit = over == 0 ? Optional.empty() : Optional.of(Ratio.of(Integer.parseInt(match.group(1)), over));
            if (unit.filter(Head::isUnit).isPresent()) {
                return unit;
            }
        }
        findings.error(line, column, "'" + value + "' is not a unit of length", "write a unit such as L:1/8 or L:1/4");
        return Optional.empty();
    }

    /** The standard's rule: a quaver in meters of three quarters or more, else a semiquaver (section 3.1.7). */
    static Ratio unitFor(Meter meter) {
        return meter.isFree() || !meter.barLength().isLess(Ratio.of(3, 4)) ? Ratio.of(1, 8) : Ratio.of(1, 16);
    }

    Optional<Tempo> tempo(String value, Ratio unit, int line, int column) {
        String text = value.replaceAll("\"[^\"]*\"?", " ").strip();
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            int equals = text.indexOf('=');
            if (equals < 0) {
                findings.warning(line, column, "the tempo names no note value",
                        "it was counted in the unit of length; write for example Q:1/4=" + text);
                return played(Tempo.parse(unit + "=" + text), text, line, column);
            }
            Ratio beat = Ratio.ZERO;
            for (String part : text.substring(0, equals).strip().split("\\s+")) {
                beat = beat.plus(part.startsWith("C") ? unit : Ratio.parse(part));
            }
            String count = text.substring(equals + 1).strip().split("[\\s-]")[0];
            return played(Tempo.parse(beat + "=" + count), text, line, column);
        } catch (IllegalArgumentException | ArithmeticException e) {
            findings.error(line, column, "'" + value + "' is not a tempo", "write a tempo such as Q:1/4=120");
            return Optional.empty();
        }
    }

    private Optional<Tempo> played(Tempo tempo, String text, int line, int column) {
        if (!tempo.isPlayable()) {
            findings.error(line, column, "no one plays at the tempo " + text, "write a tempo such as Q:1/4=120");
            return Optional.empty();
        }
        return Optional.of(tempo);
    }

    Key key(String value, int line, int column) {
        String text = value.strip();
        if (text.isEmpty() || text.toLowerCase(Locale.ROOT).startsWith("none")) {
            Map<Step, Integer> explicit = accidentals(text);
            return explicit.isEmpty() ? Key.NONE : new Key(Step.C, 0, Mode.MAJOR, explicit, true);
        }
        if (text.startsWith("HP") || text.startsWith("Hp")) {
            return new Key(Step.A, 0, Mode.MIXOLYDIAN, Map.of(), false);
        }
        Matcher match = TONIC.matcher(text);
        if (!match.matches()) {
            if (text.contains("clef") || text.matches("(treble|bass|alto|tenor|perc).*")) {
                return Key.NONE;
            }
            findings.error(line, column, "'" + text + "' is not a key",
                    "write a key such as K:D, K:Edor, K:Am or K:none");
            return Key.NONE;
        }
        if (MOVED.matcher(text).find()) {
            findings.warning(line, column, "what moves the notes of '%s' is not read".formatted(text),
                    "the notes are taken as they are written; write them where they sound");
        }
        Step tonic = Step.valueOf(match.group(1));
        int alter = match.group(2).equals("#") ? 1 : match.group(2).equals("b") ? -1 : 0;
        String[] words = match.group(3).strip().split("\\s+");
        Optional<Mode> mode = Mode.named(words[0]);
        boolean onlyExplicit = List.of(words).contains("exp");
        if (mode.isEmpty() && !words[0].equals("exp") && !words[0].contains("=") && !words[0].matches("[_^=].*")
                && !words[0].matches("(treble|bass|alto|tenor|perc|none).*")) {
            findings.warning(line, column, "'" + words[0] + "' is not a mode",
                    "the key was read as major; write major, minor, dorian, mixolydian, phrygian, lydian or locrian");
        }
        return new Key(tonic, alter, mode.orElse(Mode.MAJOR), accidentals(match.group(3), onlyExplicit), false);
    }

    private static Map<Step, Integer> accidentals(String text) {
        return accidentals(text, false);
    }

    private static Map<Step, Integer> accidentals(String text, boolean only) {
        Map<Step, Integer> found = new EnumMap<>(Step.class);
        if (only) {
            for (Step step : Step.values()) {
                found.put(step, 0);
            }
        }
        for (String word : text.strip().split("\\s+")) {
            if (word.matches("(\\^\\^|\\^|__|_|=)[A-Ga-g].*")) {
                Matcher match = ACCIDENTAL.matcher(word);
                while (match.find()) {
                    found.put(Step.valueOf(match.group(2).toUpperCase(Locale.ROOT)), alter(match.group(1)));
                }
            }
        }
        return found;
    }

    /** Semitones of an accidental as ABC writes it. */
    static int alter(String sign) {
        return switch (sign) {
            case "^^" -> 2;
            case "^" -> 1;
            case "_" -> -1;
            case "__" -> -2;
            default -> 0;
        };
    }
}
