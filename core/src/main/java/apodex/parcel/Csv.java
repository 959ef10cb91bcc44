package apodex.parcel;

import java.util.Arrays;
import java.util.stream.Collectors;

/** Lines of comma-separated values, as RFC 4180 has them. */
final class Csv {
    private Csv() {}

    /** A line with its end; what needs it is quoted. What people wrote goes through {@link #plain} before. */
    static String line(String... values) {
        return Arrays.stream(values).map(Csv::value).collect(Collectors.joining(",", "", "\r\n"));
    }

    /** Shortest form that reads back as the same number. */
    static String number(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? Long.toString((long) value)
                : Double.toString(value);
    }

    private static String value(String text) {
        return text.matches("[^,\"\\r\\n]*") ? text : '"' + text.replace("\"", "\"\"") + '"';
    }

    /** Spreadsheets run what begins like this as a formula, whoever wrote it; with a mark before it they show it. */
    static String plain(String text) {
        return text.matches("(?s)[=+\\-@\t].*") ? "'" + text : text;
    }
}
