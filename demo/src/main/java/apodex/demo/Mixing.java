package apodex.demo;

/** Simple things done to whole tracks. */
final class Mixing {
    private Mixing() {}

    /** Scales so that the loudest sample lies at {@code peakDbfs}. */
    static double[] toPeak(double[] track, double peakDbfs) {
        double peak = 0;
        for (double sample : track) {
            peak = Math.max(peak, Math.abs(sample));
        }
        return scaled(track, peak == 0 ? 0 : StrictMath.pow(10, peakDbfs / 20) / peak);
    }

    static double[] scaled(double[] track, double factor) {
        double[] out = new double[track.length];
        for (int i = 0; i < track.length; i++) {
            out[i] = track[i] * factor;
        }
        return out;
    }

    /** A preamplifier turned up too far: everything beyond full scale stays there. */
    static double[] overloaded(double[] track, double factor) {
        double[] out = scaled(track, factor);
        for (int i = 0; i < out.length; i++) {
            out[i] = Math.max(-1, Math.min(1, out[i]));
        }
        return out;
    }

    /** The sum, every track delayed by the same number of frames and darkened: what a far microphone hears. */
    static double[] fromAfar(int delay, double darkness, double[]... tracks) {
        double[] out = new double[tracks[0].length];
        double state = 0;
        for (int i = delay; i < out.length; i++) {
            double sum = 0;
            for (double[] track : tracks) {
                sum += track[i - delay];
            }
            state += (sum - state) * (1 - darkness);
            out[i] = state;
        }
        return out;
    }
}
