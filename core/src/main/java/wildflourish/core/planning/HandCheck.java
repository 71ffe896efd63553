package wildflourish.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.finding.Finding;
import wildflourish.core.instrument.Instrument;
import wildflourish.core.instrument.Place;
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

    /**
     * Checks a text: one place a line (or several on a line, parted by {@code |}), in the order of the notes that have a
     * start of their own; {@code -} passes a note over, and what follows a {@code %} is a remark.
     */
    public static HandCheck of(Timeline tune, Instrument instrument, String text) {
        List<Stand> notes = tune.notes().stream().filter(n -> !n.heldOver()).toList();
        List<Finding> findings = new ArrayList<>();
        int right = 0;
        int at = 0;
        String[] lines = text.split("\\R", -1);
        for (int l = 0; l < lines.length; l++) {
            String line = lines[l].replaceFirst("%.*$", "");
            int column = 1;
            for (String cell : line.split("\\|", -1)) {
                int start = column + cell.length() - cell.stripLeading().length();
                column += cell.length() + 1;
                if (cell.isBlank()) {
                    continue;
                }
                if (at >= notes.size()) {
                    findings.add(Finding.error(l + 1, start, "the tune has no more notes",
                            "count the repeated notes again: it has %d".formatted(notes.size())));
                    return new HandCheck(findings, right);
                }
                Stand stand = notes.get(at++);
                Optional<Finding> fault = cell.strip().equals("-") ? Optional.empty()
                        : check(stand, instrument, cell.strip(), l + 1, start);
                fault.ifPresent(findings::add);
                right += fault.isEmpty() && !cell.strip().equals("-") ? 1 : 0;
            }
        }
        if (at < notes.size()) {
            findings.add(Finding.error(lines.length, 1, notes.size() - at == 1 ? "the last note of the tune has no place"
                            : "the last %d notes of the tune have no place".formatted(notes.size() - at),
                    "go on from %s, or write - for a note to pass over".formatted(where(notes.get(at)))));
        }
        return new HandCheck(findings, right);
    }

    private static String where(Stand stand) {
        return stand.pitch().spoken() + (stand.barNumber() == 0 ? " in the pickup" : " in bar " + stand.barNumber());
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
