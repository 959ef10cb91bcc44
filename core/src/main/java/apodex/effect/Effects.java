package apodex.effect;

import java.util.List;
import java.util.Optional;

/** Every house effect, in the order they are offered. */
public final class Effects {
    public static final List<Effect> ALL = List.of(
            new LowCut(),
            new HighCut(),
            new Bell(),
            new Shelf(),
            new Compressor(),
            new Gate(),
            new Limiter(),
            new Saturator(),
            new Amplifier(),
            new Delay(),
            new Doubler(),
            new SpringReverb(),
            new HallReverb(),
            new Width(),
            new Polarity(),
            new Gain(),
            new Chopper());

    private Effects() {}

    /** Empty when Apodex has no effect of that name. */
    public static Optional<Effect> find(String id) {
        return ALL.stream().filter(effect -> effect.id().equals(id)).findFirst();
    }
}
