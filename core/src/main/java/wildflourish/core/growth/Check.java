package wildflourish.core.growth;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.IntFunction;
import wildflourish.core.instrument.Family;
import wildflourish.core.ornament.Equivalents;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Playability;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;

/**
 * The verdict on one placement of a setting, together with what stands beside it on its note.
 *
 * @param bar printed number of the bar
 * @param instead for a placement that is not clean, the nearest simpler ornament that is
 */
public record Check(int bar, int note, Ornament ornament, Verdict verdict, Optional<Ornament> instead) {

    /** Every placement of a setting, in the order of the notes. */
    public static List<Check> all(Situation given, Setting setting, Tempo tempo, Speeds speeds) {
        Situation situation = given.playing(setting.ornaments(given.vocabulary()));
        List<Check> all = new ArrayList<>();
        setting.byNote().keySet().forEach(note -> {
            List<Ornament> stack = setting.ornaments(note, situation.vocabulary());
            IntFunction<List<Ornament>> others = n -> setting.ornaments(n, situation.vocabulary());
            Verdict verdict = Playability.of(situation, note, stack, others, tempo, speeds);
            for (Ornament ornament : stack) {
                Optional<Ornament> instead = verdict instanceof Verdict.Clean
                        ? Optional.empty() : easier(situation, note, ornament, stack, others, tempo, speeds);
                all.add(new Check(situation.tune().note(note).barNumber(), note, ornament, verdict, instead));
            }
        });
        return all;
    }

    /**
     * A placement of an ornament that the instrument has not got.
     *
     * @param ornament its id, as the file has it
     * @param instead what says the same on the instrument, if anything does
     */
    public record Unknown(int bar, int note, String ornament, Optional<Ornament> instead) {

        /** As a sentence without its full stop. */
        public String inWords(Situation situation) {
            return "the %s has no %s".formatted(situation.instrument().name(), ornament.replace('-', ' '));
        }
    }

    /** The placements of a setting that the instrument has not got, in the order of the notes. */
    public static List<Unknown> unknown(Situation situation, Setting setting) {
        List<Unknown> all = new ArrayList<>();
        setting.byNote().forEach((note, ids) -> ids.stream().filter(id -> situation.vocabulary().byId(id).isEmpty()).forEach(id -> {
            Optional<Ornament> instead = Family.all().stream()
                    .filter(f -> Vocabulary.of(f).byId(id).isPresent())
                    .flatMap(f -> Equivalents.of(Vocabulary.of(f).known(id), f, situation.vocabulary(), situation.instrument().family()).stream())
                    .findFirst();
            all.add(new Unknown(situation.tune().note(note).barNumber(), note, id, instead));
        }));
        return all;
    }

    /** The first of an ornament's easier relatives that is clean in its place. */
    public static Optional<Ornament> easier(
            Situation situation, int note, Ornament ornament, List<Ornament> stack, IntFunction<List<Ornament>> others,
            Tempo tempo, Speeds speeds) {
        for (String id : ornament.easier()) {
            Ornament simpler = situation.vocabulary().known(id);
            List<Ornament> changed = new ArrayList<>(stack);
            changed.remove(ornament);
            changed.removeIf(o -> o.givesWayTo(simpler));
            if (!changed.contains(simpler)) {
                changed.add(simpler);
            }
            if (Playability.of(situation, note, changed, others, tempo, speeds) instanceof Verdict.Clean) {
                return Optional.of(simpler);
            }
        }
        return Optional.empty();
    }
}
