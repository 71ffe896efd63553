package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import wildflourish.core.finding.Finding;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
import wildflourish.core.tune.BarNames;
import wildflourish.core.tune.Pitch;
import wildflourish.core.tune.Timeline;
import wildflourish.core.tune.Timeline.Stand;

/**
 * Checks fingerings entered by hand against the notes that they should sound.
 *
 * @param findings where they do not, with line and column of the text
 * @param right how many sound the written note
 */
public record HandCheck(List<Finding> findings, int right) {

    /** What it costs to take a place for another, and to take it as one too many or one too few. */
    private static final int WRONG = 3;
    private static final int COUNT = 2;

    /** One place of the text; what stands there twice is two of them. */
    private record Cell(String text, int line, int column) {

        boolean passes() {
            return text.equals("-");
        }
    }

    private static final Pattern REPEATED =
            Pattern.compile("(?i)^(.*\\S)\\s+(?:[x×]\\s?(\\d+)|(\\d+)\\s?(?:x|×|times)|(once|twice|thrice))$");

    /**
     * Checks a text: one place a line (or several on a line, parted by {@code |}), in the order of the notes that have a
     * start of their own; {@code -} passes a note over, {@code x2}, {@code twice} or {@code 2 times} behind a place repeats it, and
     * what follows a {@code %} is a remark. Text and tune are set beside one another so that they differ least (edit distance), so
     * that one wrong hole and one wrong count are two findings, each in its place.
     */
    public static HandCheck of(Timeline tune, Instrument instrument, String text) {
        List<Stand> notes = tune.notes().stream().filter(n -> !n.heldOver()).toList();
        List<Cell> cells = cells(text);
        int[][] cost = new int[cells.size() + 1][notes.size() + 1];
        boolean[][] right = new boolean[cells.size()][notes.size()];
        for (int c = cells.size(); c >= 0; c--) {
            for (int n = notes.size(); n >= 0; n--) {
                if (c == cells.size() || n == notes.size()) {
                    cost[c][n] = COUNT * (cells.size() - c + notes.size() - n);
                    continue;
                }
                right[c][n] = cells.get(c).passes() || sounds(notes.get(n), instrument, cells.get(c).text());
                cost[c][n] = Math.min(cost[c + 1][n + 1] + (right[c][n] ? 0 : WRONG), COUNT + Math.min(cost[c + 1][n], cost[c][n + 1]));
            }
        }
        return traced(notes, instrument, cells, cost, right);
    }

    private static HandCheck traced(List<Stand> notes, Instrument instrument, List<Cell> cells, int[][] cost, boolean[][] right) {
        List<Finding> findings = new ArrayList<>();
        int found = 0;
        int c = 0;
        int n = 0;
        while (c < cells.size() || n < notes.size()) {
            boolean both = c < cells.size() && n < notes.size();
            if (both && cost[c][n] == cost[c + 1][n + 1] + (right[c][n] ? 0 : WRONG)) {
                found += right[c][n] && !cells.get(c).passes() ? 1 : 0;
                if (!right[c][n]) {
                    check(notes.get(n), instrument, cells.get(c).text(), cells.get(c).line(), cells.get(c).column()).ifPresent(findings::add);
                }
                c++;
                n++;
            } else if (c < cells.size() && (n == notes.size() || cost[c][n] == COUNT + cost[c + 1][n])) {
                Cell cell = cells.get(c++);
                findings.add(Finding.error(cell.line(), cell.column(), n == notes.size() ? "the tune has no more notes"
                                : "%s is one too many before %s".formatted(cell.text(), where(notes.get(n))),
                        "leave it out, and count the repeated notes of the tune again: it has %d notes".formatted(notes.size())));
            } else {
                int last = n;
                while (last < notes.size() && cost[c][last] == COUNT + cost[c][last + 1]
                        && !(c < cells.size() && cost[c][last] == cost[c + 1][last + 1] + (right[c][last] ? 0 : WRONG))) {
                    last++;
                }
                Cell at = cells.isEmpty() ? new Cell("", 1, 1) : cells.get(Math.min(c, cells.size() - 1));
                boolean end = last == notes.size();
                String what = end ? last - n == 1 ? "the last note of the tune has no place"
                        : "the last %d notes of the tune have no place".formatted(last - n)
                        : last - n == 1 ? "%s has no place".formatted(where(notes.get(n)))
                        : "%d notes from %s on have no place".formatted(last - n, where(notes.get(n)));
                List<Place> places = instrument.layout().places(notes.get(n).pitch());
                findings.add(Finding.error(at.line(), at.column(), what, end
                        ? "go on from %s, or write - for a note to pass over".formatted(where(notes.get(n)))
                        : "write %s here as well, or - to pass it over".formatted(places.isEmpty() ? "its place" : places.getFirst().text())));
                n = last;
            }
        }
        return new HandCheck(findings, found);
    }

    private static List<Cell> cells(String text) {
        List<Cell> cells = new ArrayList<>();
        String[] lines = text.split("\\R", -1);
        for (int l = 0; l < lines.length; l++) {
            String line = lines[l].replaceFirst("%.*$", "");
            int column = 1;
            for (String cell : line.split("\\|", -1)) {
                int start = column + cell.length() - cell.stripLeading().length();
                column += cell.length() + 1;
                if (!cell.isBlank()) {
                    Matcher repeated = REPEATED.matcher(cell.strip());
                    int times = repeated.matches() ? times(repeated) : 1;
                    for (int t = 0; t < times; t++) {
                        cells.add(new Cell(repeated.matches() ? repeated.group(1) : cell.strip(), l + 1, start));
                    }
                }
            }
        }
        return cells;
    }

    private static int times(Matcher repeated) {
        String number = repeated.group(2) != null ? repeated.group(2) : repeated.group(3);
        if (number != null) {
            return number.length() > 3 ? 1 : Math.max(1, Integer.parseInt(number));
        }
        return switch (repeated.group(4).toLowerCase(java.util.Locale.ROOT)) {
            case "twice" -> 2;
            case "thrice" -> 3;
            default -> 1;
        };
    }

    /** Whether a place sounds a note; holes without a word on the breath sound it in whichever octave it is. */
    private static boolean sounds(Stand stand, Instrument instrument, String typed) {
        try {
            return instrument.layout().sounds(typed) == stand.pitch().midi() || instrument.layout().places(stand.pitch()).stream()
                    .anyMatch(p -> p instanceof Place.Fingered f && f.fingering().holes().toString().equals(typed.strip().toLowerCase(java.util.Locale.ROOT)));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static String where(Stand stand) {
        return stand.pitch().spoken() + " in " + BarNames.spoken(stand.barNumber());
    }

    /** Checks one place for one note; empty when it sounds the note. */
    public static Optional<Finding> check(Stand stand, Instrument instrument, String typed, int line, int column) {
        String where = where(stand);
        List<Place> places = instrument.layout().places(stand.pitch());
        String remedy = places.isEmpty() ? instrument.whyMissing(stand.pitch())
                : "play it with " + places.getFirst().inWords();
        try {
            int sounds = instrument.layout().sounds(typed);
            if (sounds == stand.pitch().midi()) {
                return Optional.empty();
            }
            Pitch heard = Pitch.ofMidi(sounds);
            String octave = Math.floorMod(sounds - stand.pitch().midi(), 12) == 0 ? " an octave away" : "";
            return Optional.of(Finding.error(line, column, "%s: %s sounds %s%s".formatted(
                    where, typed, heard.spoken(), octave), remedy));
        } catch (IllegalArgumentException e) {
            return Optional.of(Finding.error(line, column, where + ": " + e.getMessage(), remedy));
        }
    }
}
