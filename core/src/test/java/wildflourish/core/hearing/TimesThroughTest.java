package wildflourish.core.hearing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import wildflourish.core.Tunes;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.setting.Arrangement;
import wildflourish.core.setting.Version;
import wildflourish.core.tune.Meter;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.Tune;

/** Tunes are played over and over, without their repeats, broken off and begun anew: each note is found where it was played. */
class TimesThroughTest {

    private static final double HOP = 5;

    private static final Tune TUNE = Tunes.of(Meter.of(4, 4), Tunes.d(),
            "|: F#5:2 A5 B5 A5 F#5 E5 D5 | B4:2 E5 D5 B4 A4 F#4 A4 | D5:2 F#5 E5 D5 B4 A4 F#4 | E4:2 A4 G4 F#4 D4:3 :|"
                    + "|: A5:2 F#5 A5 B5 A5 F#5 A5 | G5:2 B5 G5 E5 F#5 G5 E5 | D5:3 F#5 A5:2 F#5 D5 | C#5 E5 A4 C#5 D5:4 :|");

    private static Version version() {
        return Arrangement.bare(TUNE, Instruments.known("whistle-d")).with(Tempo.parse("1/4=120")).version(0);
    }

    /** What was played: stretches of the performance, in notes of one time through, with a pause in front of each. */
    private record Bit(int from, int to, double pauseMs) {}

    /** Perfect ears hear it, at some share of the tempo; {@code sloppy} frames of a hundred have no pitch or a wrong one. */
    private static Heard heard(List<Bit> bits, double tempo, int sloppy) {
        Version version = version();
        Heard ideal = Ideal.of(Expectations.perform(version, Map.of()), HOP);
        List<Wanted> once = new Expectations(version, HOP).wanted();
        List<Float> midi = new ArrayList<>();
        List<Float> attack = new ArrayList<>();
        Random random = new Random(7);
        for (Bit bit : bits) {
            for (int f = 0; f < bit.pauseMs() / HOP; f++) {
                midi.add(Float.NaN);
                attack.add(0f);
            }
            double from = once.get(bit.from()).atMs();
            double to = bit.to() < once.size() ? once.get(bit.to()).atMs() : once.getLast().atMs() + once.getLast().forMs();
            int frames = (int) ((to - from) / tempo / HOP);
            for (int f = 0; f < frames; f++) {
                int there = ideal.frame(from + f * HOP * tempo);
                midi.add(random.nextInt(100) < sloppy ? (random.nextBoolean() ? Float.NaN : 60 + random.nextInt(30)) : ideal.midi()[there]);
                float hit = ideal.attack()[there];
                attack.add(tempo < 1 && there == ideal.frame(from + (f - 1) * HOP * tempo) ? 0 : hit);
            }
        }
        float[] pitches = new float[midi.size()];
        float[] attacks = new float[midi.size()];
        for (int i = 0; i < pitches.length; i++) {
            pitches[i] = midi.get(i);
            attacks[i] = attack.get(i);
        }
        float[] level = new float[pitches.length];
        Arrays.fill(level, -20);
        return new Heard(HOP, pitches, level, attacks);
    }

    /** Where in one time through the k-th time of a part begins. */
    private static int size() {
        return new Expectations(version(), HOP).wanted().size();
    }

    private static int startOf(int written, int pass) {
        List<Wanted> once = new Expectations(version(), HOP).wanted();
        return java.util.stream.IntStream.range(0, once.size()).filter(i -> once.get(i).note() == written && once.get(i).pass() == pass).findFirst().orElseThrow();
    }

    private static int a1() {
        return startOf(0, 1);
    }

    private static int a2() {
        return startOf(0, 2);
    }

    private static int b1() {
        return startOf(secondPart(), 1);
    }

    private static int b2() {
        return startOf(secondPart(), 2);
    }

    /** The first note of the second part. */
    private static int secondPart() {
        List<Wanted> once = new Expectations(version(), HOP).wanted();
        int written = 0;
        for (int i = 1; i < once.size(); i++) {
            if (once.get(i).note() < once.get(i - 1).note()) {
                written = once.get(i).note();
            }
        }
        return written;
    }

    private static void assertFound(List<Bit> bits, Heard heard, double tempo, double within) {
        HeardVersion played = HeardVersion.of(version(), heard);
        List<Wanted> once = new Expectations(version(), HOP).wanted();
        List<Double> onsets = new ArrayList<>();
        List<Integer> written = new ArrayList<>();
        double at = 0;
        for (Bit bit : bits) {
            at += bit.pauseMs();
            for (int i = bit.from(); i < bit.to(); i++) {
                onsets.add(at + (once.get(i).atMs() - once.get(bit.from()).atMs()) / tempo);
                written.add(once.get(i).note());
            }
            double to = bit.to() < once.size() ? once.get(bit.to()).atMs() : once.getLast().atMs() + once.getLast().forMs();
            at += (to - once.get(bit.from()).atMs()) / tempo;
        }
        assertThat(played.notes().stream().map(n -> n.wanted().note()).toList()).isEqualTo(written);
        for (int i = 0; i < onsets.size(); i++) {
            assertThat(played.notes().get(i).onsetMs()).as("note %d of those played", i).isPresent();
            assertThat(played.notes().get(i).onsetMs().orElseThrow()).as("note %d of those played", i).isCloseTo(onsets.get(i), within(within));
        }
        assertThat(played.tempo()).isCloseTo(tempo, within(0.02));
        assertThat(played.evenness().variation()).isLessThan(0.08);
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "0.6, 12", "1.3, 0"})
    void oneTimeThroughIsOne(double tempo, int sloppy) {
        HeardVersion played = HeardVersion.of(version(), heard(List.of(new Bit(0, size(), 300)), tempo, sloppy));
        assertThat(played.order()).isEmpty();
        assertThat(played.notes()).hasSize(size()).allMatch(n -> n.onsetMs().isPresent());
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "0.6, 12", "1.3, 0"})
    void repeatsAreLeftAway(double tempo, int sloppy) {
        List<Bit> bits = List.of(new Bit(0, a2(), 300), new Bit(b1(), b2(), 0));
        Heard heard = heard(bits, tempo, sloppy);
        assertFound(bits, heard, tempo, 40);
        assertThat(HeardVersion.of(version(), heard).order()).isEqualTo(Optional.of(new HeardVersion.Order("A B", "A A B B")));
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "0.7, 12"})
    void threeTimesThroughWithAPauseAreAllFollowed(double tempo, int sloppy) {
        List<Bit> bits = List.of(new Bit(0, size(), 300), new Bit(0, size(), 0), new Bit(0, size(), 2_500));
        Heard heard = heard(bits, tempo, sloppy);
        assertFound(bits, heard, tempo, 40);
        assertThat(HeardVersion.of(version(), heard).order()).isEqualTo(Optional.of(new HeardVersion.Order("A A B B A A B B A A B B", "A A B B")));
    }

    @ParameterizedTest
    @CsvSource({"1, 0", "0.7, 12"})
    void aTuneThatIsBrokenOffAndBegunAnewIsFollowed(double tempo, int sloppy) {
        List<Bit> bits = List.of(new Bit(0, a1() + 19, 300), new Bit(0, size(), 1_500));
        Heard heard = heard(bits, tempo, sloppy);
        assertFound(bits, heard, tempo, 40);
        assertThat(HeardVersion.of(version(), heard).order()).isEqualTo(Optional.of(new HeardVersion.Order("A (broken off) A A B B", "A A B B")));
    }

    /** Where a part's first note sounds at once, the time through before it is not rushed through. */
    @Test
    void withoutAMomentOfSilenceRepeatsAreLeftAwayToo() {
        List<Bit> bits = List.of(new Bit(0, a2(), 0), new Bit(b1(), b2(), 0));
        assertFound(bits, heard(bits, 1, 0), 1, 40);
    }

    @Test
    void aPartByItselfIsNoTuneOfWhichHalfIsMissing() {
        List<Bit> bits = List.of(new Bit(b1(), size(), 300));
        assertFound(bits, heard(bits, 1, 8), 1, 40);
        assertThat(HeardVersion.of(version(), heard(bits, 1, 8)).order()).isEqualTo(Optional.of(new HeardVersion.Order("B B", "A A B B")));
    }

    /** Only the bare pitches of a wrong tune: nothing is made up. */
    @Test
    void silenceIsOneTimeThroughOfWhichNothingWasHeard() {
        float[] nothing = new float[1000];
        Arrays.fill(nothing, Float.NaN);
        HeardVersion played = HeardVersion.of(version(), new Heard(HOP, nothing, new float[1000], new float[1000]));
        assertThat(played.order()).isEmpty();
        assertThat(played.notes()).hasSize(size()).allMatch(n -> n.onsetMs().isEmpty());
    }

    /** Where it is long, notes are looked for near where they are about: what is found is what the whole search finds. */
    @Test
    void lookingNearFindsWhatLookingEverywhereFinds() {
        Heard heard = heard(List.of(new Bit(0, size(), 300), new Bit(0, size(), 1_000)), 0.8, 10);
        List<Wanted> once = new Expectations(version(), HOP).wanted();
        TimesThrough times = TimesThrough.of(once, java.util.Set.of(0, secondPart()), heard);
        List<Wanted> wanted = times.notes(once);
        assertThat(times.aboutMs()).hasSameSizeAs(wanted);
        double higher = Alignment.higher(wanted, heard);
        Alignment.Search everywhere = new Alignment.Search(wanted, heard, higher, new double[0], Alignment.Near.all(wanted.size(), heard));
        Alignment.Search near = new Alignment.Search(wanted, heard, higher, new double[0], Alignment.Near.of(times.aboutMs(), heard));
        assertThat(near.placed()).isEqualTo(everywhere.placed());
        assertThat(near.least()).isEqualTo(everywhere.least());
    }

    /** Ten minutes of one tune are too much to look everywhere, and are followed. */
    @Test
    void tenMinutesOfOneTuneAreFollowed() {
        List<Bit> bits = new ArrayList<>();
        bits.add(new Bit(0, size(), 300));
        for (int i = 0; i < 9; i++) {
            bits.add(new Bit(0, size(), 0));
        }
        Heard heard = heard(bits, 0.5, 5);
        HeardVersion played = HeardVersion.of(version(), heard);
        assertThat((long) heard.size() * played.notes().size()).isGreaterThan(Alignment.MOST);
        assertThat(played.notes()).hasSize(10 * size()).allMatch(n -> n.onsetMs().isPresent());
    }
}
