package wildflourish.core.growth;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.FutureTask;
import wildflourish.core.SessionTune;
import wildflourish.core.instrument.Instruments;
import wildflourish.core.instrument.School;
import wildflourish.core.ornament.Situation;
import wildflourish.core.ornament.Speeds;
import wildflourish.core.setting.Setting;
import wildflourish.core.tune.Tempo;
import wildflourish.core.tune.TuneType;

/** A session's tune grown on an instrument at its customary tempo for a fluent player: once, whoever asks, on whichever thread. */
record SessionVersion(Situation situation, Grown grown) {

    private record Key(SessionTune tune, String instrument) {}

    private static final Map<Key, FutureTask<SessionVersion>> KNOWN = new ConcurrentHashMap<>();

    static SessionVersion of(SessionTune tune, String instrument) {
        FutureTask<SessionVersion> task = KNOWN.computeIfAbsent(new Key(tune, instrument),
                k -> new FutureTask<>(() -> grow(tune, instrument, customary(tune), Speeds.level("fluent"))));
        task.run();
        try {
            return task.get();
        } catch (InterruptedException | java.util.concurrent.ExecutionException e) {
            throw new AssertionError("%s on %s could not be grown".formatted(tune, instrument), e);
        }
    }

    static SessionVersion grow(SessionTune tune, String instrument, Tempo tempo, Speeds speeds) {
        Situation situation = Situation.of(tune.timeline(), Instruments.known(instrument), School.USUAL).at(tempo);
        return new SessionVersion(situation, new Grower(situation, tempo, speeds, Taste.of(situation)).grow());
    }

    static Tempo customary(SessionTune tune) {
        return TuneType.of(tune.tune().head()).customary();
    }

    Setting rung(int rung) {
        return grown.ladder().setting(rung);
    }
}
