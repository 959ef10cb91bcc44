package apodex.session;

import java.util.Locale;

/**
 * From where to where a value may go, both included.
 *
 * @param lowest  in the unit of what is bounded
 * @param highest in the same
 */
public record Bounds(double lowest, double highest) {
    /** Whether a value lies within; what is no number does not. */
    public boolean hold(double value) {
        return value >= lowest && value <= highest;
    }

    /** {@code from −48 to 48}. */
    public String words() {
        return "from " + written(lowest) + " to " + written(highest);
    }

    private static String written(double bound) {
        return String.format(Locale.ROOT, "%.0f", bound).replace('-', '−');
    }
}
