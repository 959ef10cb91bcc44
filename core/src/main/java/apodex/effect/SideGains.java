package apodex.effect;

/** A fixed factor for each side; a mono signal takes the left one. */
final class SideGains extends LinearUnit {
    private final double[] factors;

    SideGains(double left, double right) {
        factors = new double[] {left, right};
    }

    @Override
    public void process(double[][] block, int from, int to, long frame) {
        for (int c = 0; c < block.length; c++) {
            double factor = factors[c];
            double[] channel = block[c];
            for (int i = from; i < to; i++) {
                channel[i] *= factor;
            }
        }
    }
}
