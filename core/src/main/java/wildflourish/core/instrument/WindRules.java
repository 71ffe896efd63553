package wildflourish.core.instrument;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import wildflourish.core.tune.Pitch;

/** The rules that a wind instrument's chart must keep; common practice, none of them read from a chart. */
final class WindRules {

    private record Sounded(Pitch pitch, Fingering way) {}

    private static final int[] MAJOR_SCALE = {0, 2, 4, 5, 7, 9, 11};

    private WindRules() {}

    static List<String> faults(WindChart chart, Family family) {
        List<String> faults = new ArrayList<>();
        sameHoles(chart, family, faults);
        if (!faults.isEmpty()) {
            return faults;
        }
        openingNeverLowers(chart, faults);
        family.chartRule().ifPresent(rule -> {
            switch (rule) {
                case SCALE_FROM_BELOW -> scaleFromBelow(chart, faults);
                case FEW_FINGERS_UP -> fewFingersUp(chart, faults);
                case THUMB_STAYS_OPEN -> thumbStaysOpen(chart, faults);
            }
        });
        return faults;
    }

    private static void sameHoles(WindChart chart, Family family, List<String> faults) {
        if (family.hands() != Family.Held.HOLES) {
            faults.add("this family has no holes");
            return;
        }
        boolean thumb = family.thumb();
        int count = family.holes();
        for (Pitch pitch : chart.pitches()) {
            for (Fingering way : chart.ways(pitch)) {
                if (way.holes().hasThumb() != thumb || way.holes().count() != count) {
                    faults.add("%s (%s) does not show %s%d finger holes".formatted(
                            pitch, way.holes(), thumb ? "a thumb hole and " : "", count));
                }
                way.school().ifPresent(s -> {
                    String[] halves = s.split("=", 2);
                    if (halves.length < 2 || !School.values(s).stream().allMatch(v -> School.isKnown(halves[0], v))) {
                        faults.add("%s (%s) names the school '%s', which there is not".formatted(
                                pitch, way.holes(), s));
                    }
                });
            }
        }
    }

    /**
     * Opening a hole further never lowers the pitch within a register. Fingerings that have to be tried are left out, for the
     * topmost of them belong to a third register; so are those with a pinched thumb hole, which sound in two.
     */
    private static void openingNeverLowers(WindChart chart, List<String> faults) {
        List<Sounded> all = new ArrayList<>();
        for (Pitch pitch : chart.pitches()) {
            chart.ways(pitch).stream().filter(w -> !w.trial()).filter(w -> !isPinched(w)).forEach(w -> all.add(new Sounded(pitch, w)));
        }
        for (Sounded low : all) {
            for (Sounded high : all) {
                if (high.pitch().midi() < low.pitch().midi()
                        && low.way().breath() == high.way().breath()
                        && low.way().holes().isOpenedFurtherIn(high.way().holes())) {
                    faults.add("%s (%s) opens more than %s (%s) and cannot be lower".formatted(
                            high.pitch(), high.way().holes(), low.pitch(), low.way().holes()));
                }
            }
        }
        for (int i = 0; i < all.size(); i++) {
            for (Sounded other : all.subList(i + 1, all.size())) {
                if (other.pitch().midi() != all.get(i).pitch().midi()
                        && other.way().breath() == all.get(i).way().breath()
                        && other.way().holes().equals(all.get(i).way().holes())) {
                    faults.add("%s and %s have the same fingering %s".formatted(
                            all.get(i).pitch(), other.pitch(), other.way().holes()));
                }
            }
        }
    }

    private static boolean isPinched(Fingering way) {
        return way.holes().hasThumb() && way.holes().isHalf(0);
    }

    /** Opening the six holes from below plays one major scale: that of the note with all of them closed. */
    private static void scaleFromBelow(WindChart chart, List<String> faults) {
        Map<Integer, Integer> keys = new HashMap<>();
        forEachPlain(chart, (pitch, way) -> keys.merge(keyNote(pitch, way), 1, Integer::sum));
        int key = keys.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey).orElse(0);
        forEachPlain(chart, (pitch, way) -> {
            if (keyNote(pitch, way) != key) {
                faults.add(("%s (%s): opening the holes one by one from below plays the major scale, so this fingering "
                        + "cannot sound %s").formatted(pitch, way.holes(), pitch.spoken()));
            }
        });
    }

    private static void forEachPlain(WindChart chart, BiConsumer<Pitch, Fingering> check) {
        chart.pitches().forEach(pitch -> chart.ways(pitch).stream()
                .filter(w -> w.holes().pattern().matches("x*o*")).forEach(w -> check.accept(pitch, w)));
    }

    /** The note that all holes closed would sound, if a plain fingering sounds this pitch. */
    private static int keyNote(Pitch pitch, Fingering way) {
        int open = way.holes().count() - way.holes().lowestClosed();
        return pitch.midi() - MAJOR_SCALE[open] - (way.breath() == Breath.FIRM ? 12 : 0);
    }

    /** Above the lowest note the usual fingering of a closed chanter has one or two fingers up, no more. */
    private static void fewFingersUp(WindChart chart, List<String> faults) {
        Pitch lowest = chart.pitches().getFirst();
        for (Pitch pitch : chart.pitches()) {
            Holes holes = chart.ways(pitch).getFirst().holes();
            if (!pitch.equals(lowest) && !holes.hasHalf() && (holes.fingersUp() < 1 || holes.fingersUp() > 2)) {
                faults.add("%s (%s): the usual fingering of a closed chanter has one or two fingers up".formatted(
                        pitch, holes));
            }
        }
    }

    /** From low to high the thumb never closes again once it has opened. */
    private static void thumbStaysOpen(WindChart chart, List<String> faults) {
        Pitch opened = null;
        for (Pitch pitch : chart.pitches()) {
            Holes holes = chart.ways(pitch).getFirst().holes();
            if (opened != null && holes.isClosed(0)) {
                faults.add("%s (%s): the thumb opened on %s and cannot close again above it".formatted(
                        pitch, holes, opened));
            } else if (holes.isOpen(0)) {
                opened = pitch;
            }
        }
    }
}
