package apodex.server.pace;

import apodex.handoff.Effort;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToDoubleFunction;
import org.springframework.stereotype.Component;

/** How fast this machine is, by what its last runs took: first by those of the same kind, then by others. */
@Component
public class Pace {
    private static final int RUNS = 7;
    /** From so many runs on, what they took tells how far the next can be off. */
    private static final int ENOUGH = 3;
    /** While there are fewer, it can be off by this factor, and without any by its square. */
    private static final double UNSURE = 1.5;

    private final PaceMapper mapper;

    Pace(PaceMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * Seconds a run will take from the button to the parcel.
     *
     * @param printing until the files are written
     * @param reading  from there until they are read back
     * @param least    of both together
     * @param most     of both together
     */
    public record Expected(double printing, double reading, double least, double most) {
        public double seconds() {
            return printing + reading;
        }

        /** Of files that are printed already. */
        public Expected onlyReading() {
            return new Expected(0, reading, reading, reading);
        }

        /** How much of the time goes by while files are written, 0 to 1. */
        public double printingShare() {
            return printing / seconds();
        }
    }

    /** What work takes here. */
    public Expected of(Effort effort) {
        List<PaceMapper.Took> last = mapper.last(effort.kind(), RUNS);
        double unsure = last.size() >= ENOUGH ? 1 : last.isEmpty() ? UNSURE * UNSURE : UNSURE;
        for (Effort.Kind kind : Effort.Kind.values()) {
            last = last.isEmpty() ? mapper.last(kind, RUNS) : last;
        }
        double printing = effort.printing() * median(last, took -> took.printing() / took.expectedPrinting());
        double reading = effort.reading() * median(last, took -> took.reading() / took.expectedReading());
        double[] off = last.stream()
                .mapToDouble(
                        took -> (took.printing() + took.reading()) / (took.expectedPrinting() + took.expectedReading()))
                .sorted()
                .toArray();
        double middle = off.length == 0 ? 1 : off[off.length / 2];
        double least = off.length == 0 ? 1 : off[0] / middle;
        double most = off.length == 0 ? 1 : off[off.length - 1] / middle;
        double both = printing + reading;
        return new Expected(printing, reading, both * least / unsure, both * most * unsure);
    }

    private static double median(List<PaceMapper.Took> last, ToDoubleFunction<PaceMapper.Took> ratio) {
        double[] ratios =
                last.stream().mapToDouble(ratio).filter(Double::isFinite).toArray();
        Arrays.sort(ratios);
        return ratios.length == 0 ? 1 : ratios[ratios.length / 2];
    }

    /** Keeps what a run took that made everything anew, in seconds. */
    public void keep(String runId, Effort effort, double printing, double reading) {
        mapper.keep(runId, effort, printing, reading);
    }
}
