package apodex.handoff;

import apodex.session.Row;
import apodex.session.RowKind;
import apodex.session.Session;
import apodex.session.Station;
import com.fasterxml.jackson.annotation.JsonProperty;

/**
 * How much work a plan is: seconds on the machine it was weighed on. What it takes on another follows from what earlier plans of its kind
 * took there, so only the proportions within a kind matter.
 *
 * @param printing seconds until the files are written
 * @param reading  seconds until they are read back
 */
public record Effort(Kind kind, double printing, double reading) {
    /** What most of the time goes into. */
    public enum Kind {
        /** Recordings are placed: the disk and the measuring. */
        @JsonProperty("placing")
        PLACING,
        /** Sounds are made and mixed: the processor. */
        @JsonProperty("mixing")
        MIXING
    }

    private static final double WRITING_NANOS_A_BYTE = 2.5;
    private static final double READING_NANOS_A_BYTE = 3.2;
    private static final double PACKING_NANOS_A_BYTE = 6;
    private static final double ROW_NANOS_A_FRAME = 26;
    private static final double INSERT_NANOS_A_FRAME = 40;
    private static final double INSTRUMENT_NANOS_A_FRAME = 60;

    /** Of all files of a plan, made anew. */
    public static Effort of(Session session, Handoff handoff, Plan plan) {
        Session seen = AsPlanned.of(session, handoff);
        boolean mixes = plan.prints().stream()
                .anyMatch(print -> print.station().compareTo(Station.FADER) > 0
                        || seen.row(print.source())
                                .filter(row -> !row.kind().isSource())
                                .isPresent());
        double rows = mixes
                ? seen.rows().stream().mapToDouble(Effort::nanosAFrame).sum()
                : plan.prints().stream()
                        .filter(print -> print.section() == 0)
                        .flatMap(print -> seen.row(print.source()).stream()
                                .map(row -> print.station() == Station.RAW && row.kind() == RowKind.AUDIO
                                        ? 0
                                        : nanosAFrame(row)))
                        .mapToDouble(Double::doubleValue)
                        .sum();
        double frames = plan.sections().stream()
                .mapToLong(section -> section.passage().range().end())
                .sum();
        double writing = WRITING_NANOS_A_BYTE + (plan.format().isPacked() ? PACKING_NANOS_A_BYTE : 0);
        return new Effort(
                rows > 0 ? Kind.MIXING : Kind.PLACING,
                (frames * rows + plan.bytes() * writing) / 1e9,
                plan.bytes() * READING_NANOS_A_BYTE / 1e9);
    }

    private static double nanosAFrame(Row row) {
        long inserts =
                row.strip().inserts().stream().filter(insert -> insert.on()).count();
        return ROW_NANOS_A_FRAME
                + inserts * INSERT_NANOS_A_FRAME
                + (row.kind().isPlayed() ? INSTRUMENT_NANOS_A_FRAME : 0);
    }
}
