package wildflourish.formats.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import org.audiveris.proxymusic.Articulations;
import org.audiveris.proxymusic.BreathMark;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.EmptyTrillSound;
import org.audiveris.proxymusic.Fermata;
import org.audiveris.proxymusic.HorizontalTurn;
import org.audiveris.proxymusic.Mordent;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Ornaments;
import org.audiveris.proxymusic.OtherPlacementText;
import org.audiveris.proxymusic.StrongAccent;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.Tremolo;
import org.audiveris.proxymusic.TremoloType;
import wildflourish.core.tune.Jumps;

/**
 * The decorations of notes (ABC standard 2.1, section 4.14) as notations of MusicXML and back. A sign that the format has no
 * element for is written by its name as an ornament of another kind, and read again from there.
 */
final class Signs {

    private static final ObjectFactory MAKE = new ObjectFactory();

    private static final Map<String, Supplier<JAXBElement<?>>> ORNAMENTS = Map.of(
            "trill", () -> MAKE.createOrnamentsTrillMark(new EmptyTrillSound()),
            "turn", () -> MAKE.createOrnamentsTurn(new HorizontalTurn()),
            "invertedturn", () -> MAKE.createOrnamentsInvertedTurn(new HorizontalTurn()),
            "lowermordent", () -> MAKE.createOrnamentsMordent(new Mordent()),
            "uppermordent", () -> MAKE.createOrnamentsInvertedMordent(new Mordent()));
    private static final Map<String, Supplier<JAXBElement<?>>> ARTICULATIONS = Map.of(
            "staccato", () -> MAKE.createArticulationsStaccato(new EmptyPlacement()),
            "tenuto", () -> MAKE.createArticulationsTenuto(new EmptyPlacement()),
            "accent", () -> MAKE.createArticulationsAccent(new EmptyPlacement()),
            "marcato", () -> MAKE.createArticulationsStrongAccent(new StrongAccent()),
            "wedge", () -> MAKE.createArticulationsStaccatissimo(new EmptyPlacement()),
            "breath", () -> MAKE.createArticulationsBreathMark(breath()));
    private static final Map<String, Supplier<JAXBElement<?>>> TECHNIQUES = Map.of(
            "upbow", () -> MAKE.createTechnicalUpBow(new EmptyPlacement()),
            "downbow", () -> MAKE.createTechnicalDownBow(new EmptyPlacement()),
            "open", () -> MAKE.createTechnicalOpenString(new EmptyPlacement()),
            "thumb", () -> MAKE.createTechnicalThumbPosition(new EmptyPlacement()),
            "snap", () -> MAKE.createTechnicalSnapPizzicato(new EmptyPlacement()));
    /** Elements' names, as the standard has them, to the decorations that they are. */
    private static final Map<String, String> READ = Map.ofEntries(
            Map.entry("trill-mark", "trill"), Map.entry("turn", "turn"), Map.entry("inverted-turn", "invertedturn"),
            Map.entry("delayed-turn", "turn"), Map.entry("mordent", "lowermordent"), Map.entry("inverted-mordent", "uppermordent"),
            Map.entry("staccato", "staccato"), Map.entry("tenuto", "tenuto"), Map.entry("accent", "accent"),
            Map.entry("strong-accent", "marcato"), Map.entry("staccatissimo", "wedge"), Map.entry("spiccato", "wedge"),
            Map.entry("breath-mark", "breath"), Map.entry("up-bow", "upbow"), Map.entry("down-bow", "downbow"),
            Map.entry("open-string", "open"), Map.entry("thumb-position", "thumb"), Map.entry("snap-pizzicato", "snap"),
            Map.entry("detached-legato", "tenuto"));
    /** What stands over the stave rather than on a note. */
    static final Set<String> DYNAMICS = Set.of("pppp", "ppp", "pp", "p", "mp", "mf", "f", "ff", "fff", "ffff", "sfz");

    private Signs() {}

    private static BreathMark breath() {
        BreathMark breath = new BreathMark();
        breath.setValue("comma");
        return breath;
    }

    private static Tremolo tremolo(int strokes) {
        Tremolo tremolo = new Tremolo();
        tremolo.setType(TremoloType.SINGLE);
        tremolo.setValue(strokes);
        return tremolo;
    }

    /** Puts the decorations of a note among its notations; those that stand over the stave are left out. */
    static void write(List<String> decorations, Notations notations) {
        Ornaments ornaments = new Ornaments();
        Articulations articulations = new Articulations();
        Technical technical = new Technical();
        List<Object> all = notations.getTiedOrSlurOrTuplet();
        for (String name : decorations) {
            if (isDirection(name)) {
                continue;
            }
            if (name.equals("fermata")) {
                all.add(new Fermata());
            } else if (ARTICULATIONS.containsKey(name)) {
                articulations.getAccentOrStrongAccentOrStaccato().add(ARTICULATIONS.get(name).get());
            } else if (TECHNIQUES.containsKey(name)) {
                technical.getUpBowOrDownBowOrHarmonic().add(TECHNIQUES.get(name).get());
            } else if (name.matches("/{1,4}")) {
                ornaments.getTrillMarkOrTurnOrDelayedTurn().add(MAKE.createOrnamentsTremolo(tremolo(name.length())));
            } else if (ORNAMENTS.containsKey(name)) {
                ornaments.getTrillMarkOrTurnOrDelayedTurn().add(ORNAMENTS.get(name).get());
            } else {
                OtherPlacementText other = new OtherPlacementText();
                other.setValue(name);
                ornaments.getTrillMarkOrTurnOrDelayedTurn().add(MAKE.createOrnamentsOtherOrnament(other));
            }
        }
        if (!ornaments.getTrillMarkOrTurnOrDelayedTurn().isEmpty()) {
            all.add(ornaments);
        }
        if (!technical.getUpBowOrDownBowOrHarmonic().isEmpty()) {
            all.add(technical);
        }
        if (!articulations.getAccentOrStrongAccentOrStaccato().isEmpty()) {
            all.add(articulations);
        }
    }

    /** Whether a decoration is written as a direction over the stave. */
    static boolean isDirection(String decoration) {
        return DYNAMICS.contains(decoration) || Jumps.isAtTheEnd(decoration) || decoration.equals("segno") || decoration.equals("coda");
    }

    /** The decorations among the notations of a note; what is not known by name is left out. */
    static List<String> read(List<Notations> notations) {
        List<String> names = new ArrayList<>();
        for (Notations all : notations) {
            for (Object one : all.getTiedOrSlurOrTuplet()) {
                switch (one) {
                    case Fermata fermata -> names.add("fermata");
                    case Ornaments ornaments -> ornaments.getTrillMarkOrTurnOrDelayedTurn().forEach(e -> add(e, names));
                    case Articulations articulations -> articulations.getAccentOrStrongAccentOrStaccato().forEach(e -> add(e, names));
                    case Technical technical -> technical.getUpBowOrDownBowOrHarmonic().forEach(e -> add(e, names));
                    default -> { }
                }
            }
        }
        return names;
    }

    private static void add(JAXBElement<?> element, List<String> names) {
        String known = READ.get(element.getName().getLocalPart());
        if (element.getValue() instanceof Tremolo tremolo && tremolo.getValue() >= 1 && tremolo.getValue() <= 4 && tremolo.getType() != TremoloType.START
                && tremolo.getType() != TremoloType.STOP) {
            names.add("/".repeat(tremolo.getValue()));
        } else if (known != null) {
            names.add(known);
        } else if (element.getValue() instanceof OtherPlacementText other && other.getValue() != null && other.getValue().matches("[\\w.<>()+-]{1,40}")) {
            names.add(other.getValue());
        }
    }
}
