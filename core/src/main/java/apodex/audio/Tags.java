package apodex.audio;

import jakarta.annotation.Nullable;

/**
 * What tags in a file say.
 *
 * @param title what it holds; empty when they do not say
 * @param note  comments; may be empty
 * @param tempo in beats a minute; null when they do not say
 */
record Tags(String title, String note, @Nullable Double tempo) {
    static final Tags NONE = new Tags("", "", null);
    private static final double SLOWEST = 10;
    private static final double FASTEST = 999;

    /** A tempo as people and programs write it; null when it is none. */
    @Nullable
    static Double tempo(String written) {
        String number = written.strip().replace(',', '.');
        if (!number.matches("\\d{1,3}(\\.\\d{1,6})?")) {
            return null;
        }
        double tempo = Double.parseDouble(number);
        return tempo >= SLOWEST && tempo <= FASTEST ? tempo : null;
    }
}
