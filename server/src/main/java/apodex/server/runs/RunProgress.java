package apodex.server.runs;

import jakarta.annotation.Nullable;

/**
 * How far a run has come.
 *
 * @param framesPrinted  frames every file holds so far
 * @param filesRead      files read back so far
 * @param secondsPrinted time spent printing, in seconds
 * @param timesRealTime  song time printed in a second; null before it can be told
 * @param secondsLeft    until all is done, as far as it can be told; null before
 * @param fraction       0 to 1 over printing, reading back and packing
 */
public record RunProgress(
        long framesPrinted,
        int filesRead,
        double secondsPrinted,
        @Nullable Double timesRealTime,
        @Nullable Double secondsLeft,
        double fraction) {
    static final RunProgress NOT_STARTED = new RunProgress(0, 0, 0, null, null, 0);
}
