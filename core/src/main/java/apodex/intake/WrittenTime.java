package apodex.intake;

import apodex.time.SampleRate;
import apodex.time.TempoMap;
import apodex.time.TimecodeRate;
import com.fasterxml.jackson.annotation.JsonProperty;
import jakarta.annotation.Nullable;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A place in time or a length, as a list from elsewhere gives it.
 *
 * @param value how many
 * @param unit  of what
 * @param rate  of {@link WrittenIn#TICKS}: how many make a second; otherwise unused
 */
record WrittenTime(double value, WrittenIn unit, double rate) {
    /** What a number counts. */
    public enum WrittenIn {
        @JsonProperty("samples")
        SAMPLES,
        @JsonProperty("seconds")
        SECONDS,
        @JsonProperty("milliseconds")
        MILLISECONDS,
        @JsonProperty("bars")
        BARS,
        /** Of some rate that goes with them. */
        @JsonProperty("ticks")
        TICKS
    }

    /** No session lasts longer. */
    private static final double A_DAY_IN_SECONDS = 86_400;

    private static final double MOST_BARS = 100_000;

    private static final Pattern CLOCK = Pattern.compile("(?:(\\d+):)?(\\d+):(\\d+(?:\\.\\d+)?)");
    private static final Pattern BAR = Pattern.compile(
            "bar\\s*(\\d+)(?:\\s*(?:beat|[.|])\\s*(\\d+(?:\\.\\d+)?))?|(\\d+)\\s*[|]\\s*(\\d+(?:\\.\\d+)?)");
    private static final Pattern BARE = Pattern.compile("[-+]?\\d+(?:[.,]\\d+)?");
    private static final Pattern NUMBER =
            Pattern.compile("(-?\\d+(?:\\.\\d+)?|-?\\.\\d+)\\s*(s|sec|seconds?|ms|samples?|smp|bars?)?");

    static WrittenTime ticks(double value, double rate) {
        return new WrittenTime(value, WrittenIn.TICKS, rate);
    }

    static WrittenTime samples(double value) {
        return new WrittenTime(value, WrittenIn.SAMPLES, 0);
    }

    /**
     * Reads what people write: {@code 48000}, {@code 1.5 s}, {@code 0:12.250}, {@code bar 5 beat 2}, {@code 5|2}.
     *
     * @param unit what a number without a unit counts
     * @throws IllegalArgumentException when it is none of these
     */
    static WrittenTime parse(String written, WrittenIn unit) {
        return parse(written, unit, null);
    }

    /** @param timecode how timecodes count; null where there are none */
    static WrittenTime parse(String written, WrittenIn unit, @Nullable TimecodeRate timecode) {
        WrittenTime read = read(written, unit, timecode);
        double most =
                switch (read.unit) {
                    case SAMPLES -> A_DAY_IN_SECONDS * SampleRate.HIGHEST_HERTZ;
                    case SECONDS, MILLISECONDS -> A_DAY_IN_SECONDS;
                    case BARS -> MOST_BARS;
                    case TICKS -> Double.MAX_VALUE; // lists that count in them say themselves how many make a second
                };
        if (Math.abs(read.value) > most) {
            throw new IllegalArgumentException("“" + written.strip() + "” lies beyond any session.");
        }
        return read;
    }

    /** Whether a cell looks like a place in time of any kind. */
    static boolean mayBePlace(String written) {
        return isBareNumber(written) || written.strip().matches("[\\d:;.,|]*\\d[:;|]\\d[\\d:;.,|]*");
    }

    /** Whether a cell holds a number that says nothing of what it counts. */
    static boolean isBareNumber(String written) {
        return BARE.matcher(written.strip()).matches();
    }

    private static WrittenTime read(String written, WrittenIn unit, @Nullable TimecodeRate timecode) {
        String text = written.strip().toLowerCase(Locale.ROOT);
        if (timecode != null && TimecodeRate.isWritten(text)) {
            double seconds = timecode.seconds(text)
                    .orElseThrow(() -> new IllegalArgumentException(
                            "“" + written.strip() + "” is no timecode at " + timecode.words() + " frames a second."));
            return new WrittenTime(seconds, WrittenIn.SECONDS, 0);
        }
        Matcher clock = CLOCK.matcher(text);
        if (clock.matches()) {
            double hours = clock.group(1) == null ? 0 : Double.parseDouble(clock.group(1));
            return new WrittenTime(
                    hours * 3_600 + Double.parseDouble(clock.group(2)) * 60 + Double.parseDouble(clock.group(3)),
                    WrittenIn.SECONDS,
                    0);
        }
        Matcher bar = BAR.matcher(text);
        if (bar.matches()) {
            String number = bar.group(1) == null ? bar.group(3) : bar.group(1);
            String beat = bar.group(1) == null ? bar.group(4) : bar.group(2);
            // the beat stands behind the point as a share that frames() takes apart again
            return new WrittenTime(
                    Double.parseDouble(number), WrittenIn.BARS, beat == null ? 1 : Double.parseDouble(beat));
        }
        Matcher number = NUMBER.matcher(text);
        if (!number.matches()) {
            throw new IllegalArgumentException("“" + written.strip() + "” is no place in time.");
        }
        double value = Double.parseDouble(number.group(1));
        String named = number.group(2) == null ? "" : number.group(2);
        if (named.equals("ms")) {
            return new WrittenTime(value / 1_000, WrittenIn.SECONDS, 0);
        }
        if (named.isEmpty() && unit == WrittenIn.MILLISECONDS) {
            return new WrittenTime(value / 1_000, WrittenIn.SECONDS, 0);
        }
        WrittenIn own = named.isEmpty()
                ? unit
                : named.startsWith("s") && !named.startsWith("sa") && !named.equals("smp")
                        ? WrittenIn.SECONDS
                        : named.startsWith("bar") ? WrittenIn.BARS : WrittenIn.SAMPLES;
        return new WrittenTime(value, own, 1);
    }

    /** As a place: bars count from 1, and may have a beat. */
    long frame(SampleRate session, TempoMap tempo) {
        if (unit != WrittenIn.BARS) {
            return span(session, tempo);
        }
        int bar = (int) Math.max(1, Math.floor(value));
        double start = tempo.quarterOfBar(bar);
        double perBar = tempo.quarterOfBar(bar + 1) - start;
        double into =
                (value - bar) * perBar + (rate - 1) * 4.0 / tempo.meterOf(bar).unit();
        return tempo.frameOf(start + into, session);
    }

    /** As a length: bars of the first meter and tempo. */
    long span(SampleRate session, TempoMap tempo) {
        return switch (unit) {
            case SAMPLES -> Math.round(value);
            case SECONDS -> Math.round(value * session.hertz());
            case MILLISECONDS -> Math.round(value * session.hertz() / 1_000);
            case TICKS -> Math.round(value * session.hertz() / rate);
            case BARS ->
                Math.round(value
                        * (tempo.quarterOfBar(2) - tempo.quarterOfBar(1))
                        * 60
                        / tempo.tempoAt(0)
                        * session.hertz());
        };
    }
}
