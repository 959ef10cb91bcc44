package apodex.demo;

/** One cycle of a waveform as a table, read with linear interpolation. */
final class Wave {
    private static final int SIZE = 4096;
    static final Wave SINE = harmonics(1);
    /** Even fall of six dB an octave over twelve harmonics: reeds and voices before their filters. */
    static final Wave BRIGHT = falling(12, 1.0);
    /** Fast fall over eight harmonics: low brass. */
    static final Wave ROUND = falling(8, 1.7);

    private final float[] table = new float[SIZE + 1];

    private Wave() {}

    private static Wave falling(int count, double power) {
        double[] amplitudes = new double[count];
        for (int h = 0; h < count; h++) {
            amplitudes[h] = StrictMath.pow(h + 1, -power);
        }
        return harmonics(amplitudes);
    }

    private static Wave harmonics(double... amplitudes) {
        Wave wave = new Wave();
        double peak = 0;
        double[] cycle = new double[SIZE];
        for (int i = 0; i < SIZE; i++) {
            for (int h = 0; h < amplitudes.length; h++) {
                cycle[i] += amplitudes[h] * StrictMath.sin(2 * Math.PI * (h + 1) * i / SIZE);
            }
            peak = Math.max(peak, Math.abs(cycle[i]));
        }
        for (int i = 0; i <= SIZE; i++) {
            wave.table[i] = (float) (cycle[i % SIZE] / peak);
        }
        return wave;
    }

    /** @param phase in cycles, 0 or more */
    double at(double phase) {
        double position = (phase - (long) phase) * SIZE;
        int index = (int) position;
        double fraction = position - index;
        return table[index] + fraction * (table[index + 1] - table[index]);
    }
}
