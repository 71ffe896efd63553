package wildflourish.app.command;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import wildflourish.core.instrument.Place;

/** A place as the command line's JSON documents have it. */
final class PlaceDocument {

    private PlaceDocument() {}

    /** Puts the fields {@code place} and {@code finger}. */
    static void put(ObjectNode note, Place place) {
        switch (place) {
            case Place.AsWritten w -> note.putNull("place").putNull("finger");
            case Place.Missing m -> note.putNull("place").putNull("finger");
            case Place.Fingered f -> {
                note.putObject("place").put("holes", f.fingering().holes().toString())
                        .put("breath", f.fingering().breath().name().toLowerCase(Locale.ROOT));
                note.putNull("finger");
            }
            case Place.Stopped s -> {
                ObjectNode at = note.putObject("place").put("string", s.string()).put("finger", s.fingerName());
                s.fret().ifPresentOrElse(f -> at.put("fret", f), () -> at.putNull("fret"));
                if (s.shift() > 0) {
                    at.put("position", s.position());
                }
                note.put("finger", s.fingerName());
            }
            case Place.Pressed p -> {
                note.putObject("place").put("side", p.button().side().orElse(null)).put("row", p.button().row())
                        .put("button", p.button().number());
                note.put("finger", String.valueOf(p.finger()));
            }
        }
    }
}
