package apodex.instrument;

import apodex.instrument.Partials.Shape;
import java.util.List;
import java.util.Optional;

/** Every house instrument, in the order they are offered. */
public final class Instruments {
    public static final List<Instrument> ALL = List.of(
            new DrumKit(),
            new PluckedString(
                    "pluckedString", "Plucked string", "A bright string, plucked and left to ring.", 0.93, 0.9985),
            new PluckedString("bass", "Bass", "A dark, heavy string, plucked with the thumb.", 0.6, 0.9988),
            new Partials(
                    "reedOrgan",
                    "Reed organ",
                    "Metal reeds blown by bellows.",
                    new Shape(
                            new double[] {1, 2, 3, 4, 5, 6, 7, 8},
                            new double[] {0.5, 0.42, 0.3, 0.2, 0.16, 0.1, 0.08, 0.05},
                            0,
                            0.04,
                            0.12,
                            0,
                            0.57)),
            new Partials(
                    "bell",
                    "Bell",
                    "A small bronze bell.",
                    new Shape(
                            new double[] {0.5, 1, 1.2, 1.5, 2, 2.66, 4.1},
                            new double[] {0.3, 0.5, 0.3, 0.15, 0.3, 0.15, 0.1},
                            3.5,
                            0.002,
                            2.5,
                            0,
                            0.64)),
            new Partials(
                    "pad",
                    "Soft pad",
                    "Slow, wide and soft.",
                    new Shape(
                            new double[] {1, 1.003, 2, 3, 4},
                            new double[] {0.5, 0.5, 0.2, 0.12, 0.05},
                            0,
                            0.5,
                            1.2,
                            0.9,
                            0.54)));

    private Instruments() {}

    /** Empty when Apodex has no instrument of that name. */
    public static Optional<Instrument> find(String id) {
        return ALL.stream().filter(instrument -> instrument.id().equals(id)).findFirst();
    }
}
