package apodex.time;

/**
 * A meter from some bar on.
 *
 * @param bar   the first bar it holds for; bars count from 1
 * @param meter the time signature
 */
public record MeterChange(int bar, Meter meter) {
    /** @throws IllegalArgumentException when there is no such bar */
    public MeterChange {
        if (bar < 1) {
            throw new IllegalArgumentException("Bars count from 1; there is no bar " + bar + ".");
        }
        if (meter == null) {
            throw new IllegalArgumentException("A meter change names a meter.");
        }
    }
}
