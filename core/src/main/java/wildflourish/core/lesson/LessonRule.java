package wildflourish.core.lesson;

import java.util.List;
import java.util.Map;
import wildflourish.core.data.DataFault;
import wildflourish.core.data.DataFile;
import wildflourish.core.instrument.Family;

/**
 * What a teacher spends the time of a lesson on, and what it is worth there. Worth counts in hundredths of a tune: a whole tune taught to everybody is 100.
 *
 * @param tuneUp minutes until everybody is in tune
 * @param inTune what that is worth
 * @param takeHome minutes for what each takes home of a tune
 * @param rest minutes of a rest
 * @param restAfter minutes after which there is one
 * @param longest no lesson is longer, in minutes
 * @param brief in a lesson of at most so many minutes a tune need be heard neither whole nor slowly before something of it is taught
 * @param slowPercent of a tune's tempo at which it is taught
 * @param minutesPerNewBar by the level of the slowest who learns it
 * @param minutesPerPhrase for saying what a phrase is, and that one that holds nothing new comes again
 * @param minutesPerInstrument for showing where a phrase lies on each further instrument
 * @param timesJoined how often phrases are played through when they are joined
 * @param briskMinutes of a phrase's minutes, in per cent, when it is taught briskly
 * @param briskWorth of its worth, in per cent, then
 * @param teachFrom a tune is taught where it is new to so many per cent of those who learn it
 * @param trap what telling the first, the second, … trap of a phrase is worth
 * @param whole what hearing a known tune whole is worth
 * @param drop what bringing a known tune into the lesson at all is worth
 * @param stuckMinutes how long a passage that is stuck is taken apart, shorter or longer
 * @param stuck what that is worth where it concerns everybody
 * @param ornamentMinutes how long one ornament is shown
 * @param ornament what that is worth where it concerns everybody
 * @param together what the first, the second, … time through all together adds
 * @param fading what the first of them adds where it fades for everybody
 * @param clashMs milliseconds from which two notes a second apart are heard as a wrong one
 * @param muchMinutes from so many minutes in a week on, a sudden rise is told
 * @param suddenly so many times the week before is a sudden rise
 * @param families what a teacher calls the players of each family
 */
public record LessonRule(
        String provenance, int tuneUp, int inTune, int takeHome, int rest, int restAfter, int longest, int brief, int slowPercent, Map<String, Double> minutesPerNewBar, double minutesPerPhrase, double minutesPerInstrument,
        int timesJoined, int briskMinutes, int briskWorth, int teachFrom, int whole, int join, int trapMinutes, List<Integer> trap, int drop,
        List<Integer> stuckMinutes, List<Integer> stuck, int mostStuck, List<Integer> ornamentMinutes, List<Integer> ornament, int mostOrnaments, List<Integer> together, int fading, int clashMs, int muchMinutes, int suddenly,
        Map<String, String> families) {

    /** The rule as its data file has it. */
    public static final LessonRule USUAL = DataFile.read("lesson/lesson.json", LessonRule.class);

    public LessonRule {
        if (stuckMinutes.size() != stuck.size() || ornamentMinutes.size() != ornament.size() || together.isEmpty() || longest < 1 || restAfter < 1) {
            throw new DataFault("lesson/lesson.json: each length has its worth, and there are lessons");
        }
        minutesPerNewBar = Map.copyOf(minutesPerNewBar);
        trap = List.copyOf(trap);
        stuckMinutes = List.copyOf(stuckMinutes);
        stuck = List.copyOf(stuck);
        ornamentMinutes = List.copyOf(ornamentMinutes);
        ornament = List.copyOf(ornament);
        together = List.copyOf(together);
        families = Map.copyOf(families);
    }

    /** What a teacher calls the players of a family. */
    String players(Family family) {
        return families.getOrDefault(family.id(), family.id().replace('-', ' '));
    }
}
