package wildflourish.app.trellis;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import wildflourish.core.growth.Candidate;
import wildflourish.core.growth.Candidates;
import wildflourish.core.growth.Grown;
import wildflourish.core.growth.Lick;
import wildflourish.core.growth.Offer;
import wildflourish.core.growth.Relief;
import wildflourish.core.growth.RunnerUp;
import wildflourish.core.growth.Taste;
import wildflourish.core.growth.Variations;
import wildflourish.core.instrument.Place;
import wildflourish.core.ornament.Gesture;
import wildflourish.core.ornament.Ornament;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Unfolding;
import wildflourish.core.ornament.Verdict;
import wildflourish.core.practice.PlayingAdvice;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Setting;
import wildflourish.core.setting.Variation;
import wildflourish.core.setting.Varied;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Timeline;

/**
 * What the trellis shows: a version, and where the teacher is in it. Whatever else is shown follows from that and is worked out
 * when it is asked for, once.
 *
 * @param tune id of the tune in the library
 * @param version the rung in hand
 * @param note the note in hand, counted in the plain tune
 * @param licks the player's own
 * @param chosen id of the ornament that the teacher looks at, if one has been chosen
 * @param compared the rung that the one in hand is compared with
 * @param instead what would be chosen without something, where that has been asked
 */
public record TrellisState(
        long tune, Version version, int note, List<Lick> licks, Optional<String> chosen, Optional<Integer> compared,
        Optional<Instead> instead, boolean canUndo, boolean canRedo) {

    /**
     * What would be chosen on a rung without something that stands there.
     *
     * @param id the ornament or kind of variation that is left out
     */
    public record Instead(Arrangement arrangement, int rung, int note, String id, RunnerUp other) {}

    /** Works out what the screens show, which may take some milliseconds; for any thread. */
    public TrellisState workedOut() {
        version.on(0).hands();
        advice();
        inSight();
        offers();
        return this;
    }

    public Arrangement arrangement() {
        return version.arrangement();
    }

    public int rung() {
        return version.rung();
    }

    /** The plain tune. */
    public Timeline plain() {
        return version.tune();
    }

    /** The plain tune in the hands of the instrument, its places planned bare. */
    public Situation situation() {
        return version.bare();
    }

    /** The notes of the rung in hand, its variations among them, with places planned for what stands on them. */
    public Situation hands() {
        return version.hands();
    }

    /** How those notes answer to the notes of the plain tune. */
    public Varied varied() {
        return version.varied();
    }

    /** Strokes, breath and air of the rung in hand. */
    public PlayingAdvice advice() {
        return PlayingAdvice.of(version);
    }

    /** What the notes of the rung in hand can take, by their index in {@link #hands}. */
    public Candidates candidates() {
        return Candidates.of(version);
    }

    /** Why the note in hand cannot be played at all, as a sentence without its full stop; empty where it can. */
    public Optional<String> missing() {
        return plain().size() > 0 && variation().isEmpty() && hands().plan().at(handsNote()) instanceof Place.Missing
                ? Optional.of(arrangement().instrument().whyMissing(plain().note(note).pitch())) : Optional.empty();
    }

    /** What the note in hand can take, the best first; nothing where a variation stands in its place, or the instrument has not got it. */
    public List<Candidate> ranked() {
        return plain().size() == 0 || variation().isPresent() || missing().isPresent() ? List.of() : candidates().ranked(handsNote(), varied().setting());
    }

    /** Id of the ornament that is looked at: what was chosen, else what stands on the note, else the best that it can take. */
    public Optional<String> looking() {
        return chosen.isPresent() ? chosen : looking(ranked());
    }

    private Optional<String> looking(List<Candidate> ranked) {
        List<String> standing = setting().at(note);
        List<String> ids = ranked.stream().map(c -> c.ornament().id()).toList();
        return chosen.or(() -> ids.stream().filter(standing::contains).findFirst()).or(() -> ids.stream().findFirst());
    }

    /** Whether the rung in hand and the one it is compared with differ on a note. */
    public boolean differsAt(int at) {
        return compared.filter(r -> r < arrangement().ladder().size()).map(arrangement().ladder()::setting)
                .filter(other -> !other.at(at).equals(setting().at(at)) || !other.variationAt(at).equals(setting().variationAt(at)))
                .isPresent();
    }

    /** Whether an ornament stands on the note in hand on the rung in hand. */
    public boolean stands(String ornament) {
        return arrangement().ladder().setting(rung()).has(note, ornament);
    }

    /** The index of the note in hand among the notes of the rung in hand. */
    public int handsNote() {
        return varied().now(note);
    }

    /** The variation that is played in place of the note in hand, so that nothing stands on it. */
    public Optional<Variation> variation() {
        return setting().variationAt(note).filter(v -> !v.isStandIn());
    }

    /** The stretch in which other notes stand in for the note in hand and what is around it. */
    public Optional<Variation> standIn() {
        return setting().variationAt(note).filter(Variation::isStandIn);
    }

    /** What the stretch around the note in hand can be varied to, the best first. */
    public List<Offer> offers() {
        return Variations.of(arrangement(), licks).holding(note);
    }

    /** The setting of the rung in hand. */
    public Setting setting() {
        return arrangement().ladder().setting(rung());
    }

    /** The candidate that is looked at. */
    public Optional<Candidate> inSight() {
        List<Candidate> ranked = ranked();
        return looking(ranked).flatMap(id -> ranked.stream().filter(c -> c.ornament().id().equals(id)).findFirst());
    }

    /** What to do about the note in hand, where its ornaments together are not clean. */
    public Optional<Relief> relief() {
        return hands().tune().size() == 0 ? Optional.empty()
                : Relief.of(hands(), handsNote(), varied().setting(), arrangement().tempo(), arrangement().speeds());
    }

    /** The gesture that an ornament makes here together with what stands beside it; empty where hands cannot do it. */
    public Optional<Gesture> gesture(Candidate candidate) {
        return candidates().gesture(handsNote(), candidate.ornament(), varied().setting());
    }

    /** What taste weighs for and against it, together with what stands beside it on the note; empty where it says nothing. */
    public Optional<String> weighed(Candidate candidate) {
        List<Ornament> stack = new ArrayList<>(varied().setting().ornaments(handsNote(), hands().vocabulary()));
        if (!stack.contains(candidate.ornament())) {
            stack.add(candidate.ornament());
        }
        List<Grown.Weighed> terms = candidates().weighed(handsNote(), stack, candidate.verdict() instanceof Verdict.Tight,
                Taste.of(arrangement()));
        return terms.isEmpty() ? Optional.empty() : Optional.of(Grown.Weighed.inWords(terms));
    }

    /** The same unfolded in time. */
    public Optional<Unfolding> unfolding(Candidate candidate) {
        return gesture(candidate).map(g -> Unfolding.of(g, hands().tune().note(handsNote()).pitch(), arrangement().tempo(),
                arrangement().speeds(), hands().strokes().at(handsNote())));
    }
}
