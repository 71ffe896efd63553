package wildflourish.core.ornament;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** The sounds of a performance as they come. What sounded last can still be made shorter or longer by what follows. */
final class SoundLine {

    private final List<Sound> sounds = new ArrayList<>();

    void add(Sound sound) {
        sounds.add(sound);
    }

    void addAll(List<Sound> more) {
        sounds.addAll(more);
    }

    int size() {
        return sounds.size();
    }

    Sound get(int index) {
        return sounds.get(index);
    }

    void set(int index, Sound sound) {
        sounds.set(index, sound);
    }

    /** All of them, in the order in which they begin. */
    List<Sound> inOrder() {
        return sounds.stream().sorted(Comparator.comparingDouble(Sound::atMs)).toList();
    }

    /** Ends what sounds up to a moment a little early, by half of it at most; times in milliseconds. */
    void shortenLast(double endingAt, double by) {
        for (int i = sounds.size() - 1; i >= 0; i--) {
            Sound last = sounds.get(i);
            boolean runs = last.start() == Sound.Start.ATTACK || last.start() == Sound.Start.JOINED;
            if (runs && Math.abs(last.atMs() + last.forMs() - endingAt) < 1e-6) {
                sounds.set(i, lasting(last, last.forMs() - Math.min(by, last.forMs() / 2)));
                return;
            }
        }
    }

    /** Lets what sounded last sound on by so many milliseconds: the note, not a grace inside it. */
    void lengthenLast(double by) {
        for (int i = sounds.size() - 1; i >= 0; i--) {
            Sound last = sounds.get(i);
            boolean runs = last.start() == Sound.Start.ATTACK || last.start() == Sound.Start.JOINED || last.start() == Sound.Start.SOFT;
            if (runs) {
                sounds.set(i, lasting(last, last.forMs() + by));
                return;
            }
        }
    }

    private static Sound lasting(Sound sound, double length) {
        return new Sound(sound.atMs(), length, sound.midi(), sound.role(), sound.bar(), sound.note(), sound.start());
    }
}
