package apodex.handoff;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;

/** Gives the files of a plan the levels that a brief asks for, once it is known how loud they would be. */
public final class Levelling {
    /** Peaks in dBFS that files are brought between. */
    public static final double LOWEST_DBFS = -24;

    public static final double HIGHEST_DBFS = -6;

    private Levelling() {}

    /** Whether it has to be known how loud files would be, before they are printed. */
    public static boolean isAskedFor(Settings settings) {
        return settings.levels() != Levels.AS_THEY_ARE;
    }

    /**
     * By how much each file is turned, in dB to hundredths.
     *
     * @param settings settled
     * @param peaks    loudest sample of each file in dBFS as it would be otherwise; empty when it is silent, or made for players
     */
    public static List<Double> turns(Settings settings, List<Optional<Double>> peaks) {
        return switch (settings.levels()) {
            case AS_THEY_ARE -> peaks.stream().map(peak -> 0.0).toList();
            case HEADROOM -> {
                double loudest = peaks.stream()
                        .flatMap(Optional::stream)
                        .mapToDouble(Double::doubleValue)
                        .max()
                        .orElse(-300);
                double turn = down(Math.min(0, -settings.headroomDb() - loudest));
                yield peaks.stream().map(peak -> peak.isPresent() ? turn : 0.0).toList();
            }
            case WINDOW ->
                peaks.stream()
                        .map(peak -> peak.map(Levelling::intoWindow).orElse(0.0))
                        .toList();
        };
    }

    private static double intoWindow(double peak) {
        if (peak > HIGHEST_DBFS) {
            return down(HIGHEST_DBFS - peak);
        }
        return peak < LOWEST_DBFS ? -down(peak - LOWEST_DBFS) : 0;
    }

    /** To the hundredth below. */
    private static double down(double db) {
        return Math.floor(100 * db + 1e-9) / 100;
    }

    /** The plan with its files turned. @param turns by its files */
    public static Plan of(Plan plan, List<Double> turns) {
        return plan.with(IntStream.range(0, turns.size())
                .mapToObj(i -> plan.prints().get(i).turned(turns.get(i)))
                .toList());
    }
}
