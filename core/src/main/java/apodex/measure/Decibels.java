package apodex.measure;

/** Levels relative to full scale (dBFS): 20 log10 of a peak amplitude. */
public final class Decibels {
    /** Below this, relative to the louder side, a side counts as silent and two sides as the same. */
    public static final double SIDE_THRESHOLD_DB = -90;
    /** A file whose loudest sample stays below this is nearly silent. */
    public static final double NEARLY_SILENT_DBFS = -60;

    private Decibels() {}

    /** Level of an amplitude; negative infinity for silence. */
    public static double ofAmplitude(double amplitude) {
        return 20 * Math.log10(amplitude);
    }

    /** Factor of a gain; 0 dB is exactly 1. */
    public static double toFactor(double decibels) {
        return decibels == 0 ? 1.0 : Math.pow(10, decibels / 20);
    }
}
