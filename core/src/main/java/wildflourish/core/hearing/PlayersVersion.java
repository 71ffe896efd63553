package wildflourish.core.hearing;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import wildflourish.core.ornament.Vocabulary;
import wildflourish.core.setting.Ladder;
import wildflourish.core.setting.Rung;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Version;

/** A player's own version of a tune, taken down from a recording: what was heard on each note, oftener than anything else where the note comes again. */
public final class PlayersVersion {

    private PlayersVersion() {}

    /** What was heard, with the variations that were meant. */
    public static Setting setting(Version version, HeardVersion played) {
        Vocabulary names = version.hands().vocabulary();
        Map<Integer, Map<String, Integer>> heard = new TreeMap<>();
        for (HeardVersion.Note note : played.notes()) {
            int plain = version.varied().plain(note.wanted().note());
            if (note.onsetMs().isPresent() && version.varied().now(plain) == note.wanted().note()) {
                heard.computeIfAbsent(plain, p -> new HashMap<>()).merge(note.gesture(), 1, Integer::sum);
            }
        }
        Setting setting = new Setting(new TreeMap<>(), version.setting().variations());
        for (Map.Entry<Integer, Map<String, Integer>> note : heard.entrySet()) {
            String most = note.getValue().entrySet().stream().max(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey())).orElseThrow().getKey();
            for (String id : Arrays.stream(most.split("\\+")).filter(one -> names.byId(one).isPresent()).toList()) {
                setting = setting.with(note.getKey(), id);
            }
        }
        return setting;
    }

    /** A ladder up to what was heard: what the player left out is left out of the rungs below too, and those that do not differ any more fall away. */
    public static Ladder ladder(Version version, HeardVersion played, String name) {
        Setting top = setting(version, played);
        List<Rung> rungs = new ArrayList<>();
        for (Rung rung : version.arrangement().ladder().rungs().subList(0, version.rung() + 1)) {
            TreeMap<Integer, List<String>> both = new TreeMap<>();
            rung.setting().byNote().forEach((note, ids) -> {
                List<String> kept = ids.stream().filter(id -> top.has(note, id)).toList();
                if (!kept.isEmpty()) {
                    both.put(note, kept);
                }
            });
            Setting lower = new Setting(both, rung.setting().variations());
            if (!lower.equals(top) && (rungs.isEmpty() || !lower.equals(rungs.getLast().setting()))) {
                rungs.add(rung.with(lower));
            }
        }
        rungs.add(new Rung(name, top));
        return new Ladder(rungs);
    }
}
