package apodex.effect;

import java.util.ArrayList;
import java.util.List;

/**
 * Filter sections one after the other (transposed direct form II), two at a time in one loop: the second works on the
 * sample the first has just made, which hides half of the waiting.
 */
public final class Biquads extends LinearUnit {
    private final Biquad[] sections;
    /** Per channel: two values of state for each section. */
    private final double[][] state;

    Biquads(int width, List<Biquad> sections) {
        this.sections = sections.toArray(Biquad[]::new);
        this.state = new double[width][2 * this.sections.length];
    }

    /** Both as one unit, which is quicker and gives the same samples. Only for units that have not run. */
    public Biquads then(Biquads next) {
        List<Biquad> all = new ArrayList<>(List.of(sections));
        all.addAll(List.of(next.sections));
        return new Biquads(state.length, all);
    }

    @Override
    public void process(double[][] block, int from, int to, long frame) {
        for (int c = 0; c < state.length; c++) {
            int section = 0;
            for (; section + 1 < sections.length; section += 2) {
                two(sections[section], sections[section + 1], state[c], 2 * section, block[c], from, to);
            }
            if (section < sections.length) {
                one(sections[section], state[c], 2 * section, block[c], from, to);
            }
        }
    }

    private static void one(Biquad s, double[] state, int at, double[] block, int from, int to) {
        double b0 = s.b0();
        double b1 = s.b1();
        double b2 = s.b2();
        double a1 = s.a1();
        double a2 = s.a2();
        double z1 = state[at];
        double z2 = state[at + 1];
        for (int i = from; i < to; i++) {
            double x = block[i];
            double y = b0 * x + z1;
            z1 = b1 * x - a1 * y + z2;
            z2 = b2 * x - a2 * y;
            block[i] = y;
        }
        state[at] = z1;
        state[at + 1] = z2;
    }

    private static void two(Biquad s, Biquad t, double[] state, int at, double[] block, int from, int to) {
        double b0 = s.b0();
        double b1 = s.b1();
        double b2 = s.b2();
        double a1 = s.a1();
        double a2 = s.a2();
        double d0 = t.b0();
        double d1 = t.b1();
        double d2 = t.b2();
        double c1 = t.a1();
        double c2 = t.a2();
        double z1 = state[at];
        double z2 = state[at + 1];
        double w1 = state[at + 2];
        double w2 = state[at + 3];
        for (int i = from; i < to; i++) {
            double x = block[i];
            double y = b0 * x + z1;
            z1 = b1 * x - a1 * y + z2;
            z2 = b2 * x - a2 * y;
            double v = d0 * y + w1;
            w1 = d1 * y - c1 * v + w2;
            w2 = d2 * y - c2 * v;
            block[i] = v;
        }
        state[at] = z1;
        state[at + 1] = z2;
        state[at + 2] = w1;
        state[at + 3] = w2;
    }

    @Override
    public void settle() {
        for (double[] channel : state) {
            for (int i = 0; i < channel.length; i++) {
                if (Math.abs(channel[i]) < NOTHING) {
                    channel[i] = 0;
                }
            }
        }
    }

    @Override
    public boolean isAtRest() {
        for (double[] channel : state) {
            for (double value : channel) {
                if (value != 0) {
                    return false;
                }
            }
        }
        return true;
    }
}
