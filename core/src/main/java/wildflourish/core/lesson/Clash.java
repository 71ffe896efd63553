package wildflourish.core.lesson;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import wildflourish.core.ornament.Realiser;
import wildflourish.core.ornament.Sound;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Tempo;

/**
 * Two who play their versions together and hold notes a second apart so long that it is heard as a wrong note, not as an ornament. How long that is stands with the rules of
 * a lesson, from memory.
 *
 * @param bar the printed number of the bar
 * @param semitones 1 or 2, octaves left out
 * @param ms the longest of them in this bar
 */
public record Clash(String one, String other, int bar, int semitones, double ms) {

    private static final int OCTAVE = 12;

    private record Playing(String name, List<Sound> held) {}

    /** The clashes of some versions at a tempo, the longest first; of one pair in one bar the longest alone. */
    public static List<Clash> of(List<OwnVersion> versions, Tempo tempo) {
        List<Playing> all = versions.parallelStream().map(v -> playing(v, tempo)).toList();
        Map<List<Object>, Clash> found = new LinkedHashMap<>();
        for (int i = 0; i < all.size(); i++) {
            for (int k = i + 1; k < all.size(); k++) {
                between(all.get(i), all.get(k)).forEach(c -> found.merge(List.of(c.one, c.other, c.bar), c, (a, b) -> a.ms >= b.ms ? a : b));
            }
        }
        return found.values().stream().sorted(Comparator.comparingDouble((Clash c) -> -c.ms).thenComparingInt(Clash::bar)).toList();
    }

    private static Playing playing(OwnVersion own, Tempo tempo) {
        Version version = own.arrangement().with(tempo).version(own.rung());
        List<Sound> sounds = Realiser.perform(version.hands(), version.played().placed(), tempo, own.arrangement().speeds()).sounds();
        return new Playing(own.student().name(), sounds.stream().filter(s -> s.forMs() >= LessonRule.USUAL.clashMs()).sorted(Comparator.comparingDouble(Sound::atMs)).toList());
    }

    private static List<Clash> between(Playing one, Playing other) {
        List<Clash> clashes = new ArrayList<>();
        int from = 0;
        for (Sound a : one.held) {
            while (from < other.held.size() && other.held.get(from).atMs() + other.held.get(from).forMs() <= a.atMs()) {
                from++;
            }
            for (int k = from; k < other.held.size() && other.held.get(k).atMs() < a.atMs() + a.forMs(); k++) {
                Sound b = other.held.get(k);
                double ms = Math.min(a.atMs() + a.forMs(), b.atMs() + b.forMs()) - Math.max(a.atMs(), b.atMs());
                int apart = Math.floorMod(a.midi() - b.midi(), OCTAVE);
                int second = Math.min(apart, OCTAVE - apart);
                if (ms >= LessonRule.USUAL.clashMs() && (second == 1 || second == 2)) {
                    clashes.add(new Clash(one.name, other.name, a.bar(), second, ms));
                }
            }
        }
        return clashes;
    }

    /** For reading, without a full stop. */
    public String inWords() {
        return "%s: %s and %s hold notes a %s apart".formatted(wildflourish.core.tune.BarNames.spoken(bar), one, other, semitones == 1 ? "semitone" : "whole tone");
    }
}
