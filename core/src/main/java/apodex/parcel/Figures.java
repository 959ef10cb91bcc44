package apodex.parcel;

import java.util.Locale;

/** How figures are written on the sheet. */
final class Figures {
    private Figures() {}

    /** To a tenth, with a real minus. */
    static String db(double value) {
        return String.format(Locale.ROOT, "%.1f", value).replace("-", "−");
    }

    /** {@code 3:07.5} */
    static String minutes(double seconds) {
        long tenths = Math.round(seconds * 10);
        return String.format(Locale.ROOT, "%d:%02d.%d", tenths / 600, tenths / 10 % 60, tenths % 10);
    }

    /** Whole, or to hundredths. */
    static String number(double value) {
        return value == Math.rint(value)
                ? Long.toString((long) value)
                : String.format(Locale.ROOT, "%.2f", value).replaceAll("0$", "");
    }
}
