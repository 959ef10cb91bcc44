package apodex.proof;

import java.util.Locale;

/**
 * That a file holds what another holds.
 *
 * @param file   path of the other in the parcel
 * @param factor what the other has to be multiplied by; exactly 1 when every sample is equal
 */
public record Likeness(String file, double factor) {
    /** {@code sample for sample}, {@code with its polarity turned}, {@code 3.0 dB louder}. */
    public String words() {
        if (factor == 1) {
            return "sample for sample";
        }
        double db = 20 * Math.log10(Math.abs(factor));
        String turned = factor < 0 ? "with its polarity turned" : "";
        String gain = Math.abs(db) < 0.005
                ? ""
                : String.format(Locale.ROOT, "%.1f dB %s", Math.abs(db), db > 0 ? "louder" : "quieter");
        return turned.isEmpty()
                ? gain.isEmpty() ? "all but sample for sample" : gain
                : gain.isEmpty() ? turned : turned + " and " + gain;
    }
}
