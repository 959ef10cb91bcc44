package apodex.effect;

import apodex.time.Meter;
import apodex.time.SampleRate;
import apodex.time.TempoMap;
import java.util.List;
import java.util.Map;

/** Runs an effect by itself, as the walk does: cut at the settling grid, gains applied after the latency. */
public final class TestBench {
    static final SampleRate RATE = new SampleRate(48_000);
    static final TempoMap TEMPO = TempoMap.steady(120, Meter.FOUR_FOUR);

    private TestBench() {}

    static Effect effect(String id) {
        return Effects.find(id).orElseThrow();
    }

    /** @param cut greatest length of a stretch it is given at once */
    public static double[][] run(String id, Map<String, Double> settings, double[][] in, int cut) {
        Effect effect = effect(id);
        Values values = new Values(settings);
        double[][] signal = copy(in);
        for (Unit unit : effect.make(values, new Conditions(RATE, TEMPO, in.length))) {
            if (unit instanceof LinearUnit && effect.width(signal.length) > signal.length) {
                signal = new double[][] {signal[0], new double[signal[0].length]};
            }
            signal = through(unit, signal, cut);
        }
        return signal;
    }

    public static double[][] run(String id, Map<String, Double> settings, double[]... in) {
        return run(id, settings, in, Integer.MAX_VALUE);
    }

    private static double[][] through(Unit unit, double[][] signal, int cut) {
        int frames = signal[0].length;
        double[][] out = copy(signal);
        double[] gains = new double[frames];
        for (int from = 0; from < frames; ) {
            int to = (int) Math.min(
                    Math.min(frames, (long) from + cut), (from / Unit.SETTLE_FRAMES + 1L) * Unit.SETTLE_FRAMES);
            if (unit instanceof LinearUnit linear) {
                linear.process(out, from, to, from);
            } else if (unit instanceof GainUnit gain) {
                gain.gains(signal, gains, from, to);
                for (int c = 0; c < out.length; c++) {
                    for (int i = from; i < to; i++) {
                        int source = i - unit.latencyFrames();
                        out[c][i] = source < 0 ? 0 : signal[c][source] * gains[i];
                    }
                }
            } else if (unit instanceof ShaperUnit shaper) {
                for (double[] channel : out) {
                    shaper.shape(channel, channel, from, to);
                }
            }
            if (to % Unit.SETTLE_FRAMES == 0) {
                unit.settle();
            }
            from = to;
        }
        return out;
    }

    static List<Unit> units(String id, Map<String, Double> settings, int width) {
        return effect(id).make(new Values(settings), new Conditions(RATE, TEMPO, width));
    }

    private static double[][] copy(double[][] in) {
        double[][] out = new double[in.length][];
        for (int c = 0; c < in.length; c++) {
            out[c] = in[c].clone();
        }
        return out;
    }

    static double[] sine(double hertz, double amplitude, int frames) {
        double[] out = new double[frames];
        for (int i = 0; i < frames; i++) {
            out[i] = amplitude * Math.sin(2 * Math.PI * hertz * i / RATE.hertz());
        }
        return out;
    }

    static double[] impulse(int at, int frames) {
        double[] out = new double[frames];
        out[at] = 1;
        return out;
    }

    /** Magnitude in dB of a response at a frequency, by its definition as a sum. */
    static double magnitudeDb(double[] response, double hertz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < response.length; i++) {
            double angle = 2 * Math.PI * hertz * i / RATE.hertz();
            re += response[i] * Math.cos(angle);
            im -= response[i] * Math.sin(angle);
        }
        return 10 * Math.log10(re * re + im * im);
    }

    static double peak(double[] samples, int from, int to) {
        double peak = 0;
        for (int i = from; i < to; i++) {
            peak = Math.max(peak, Math.abs(samples[i]));
        }
        return peak;
    }

    static double db(double amplitude) {
        return 20 * Math.log10(amplitude);
    }
}
