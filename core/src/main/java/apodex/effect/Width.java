package apodex.effect;

import java.util.List;

/** Narrows or widens a stereo signal: middle stays, side is scaled. */
final class Width extends Effect {
    static final Setting WIDTH = Setting.of("widthPercent", "Width", "%", 0, 200, 100);

    Width() {
        super("width", "Stereo width", "Narrows or widens a stereo signal.", Nature.LINEAR, WIDTH);
    }

    @Override
    public boolean keepsSidesApart() {
        return false;
    }

    @Override
    public long tailFrames(Values values, Conditions place) {
        return 0;
    }

    @Override
    public List<Unit> make(Values values, Conditions place) {
        return List.of(new MiddleAndSide(values.share(WIDTH)));
    }

    private static final class MiddleAndSide extends LinearUnit {
        private final double width;

        MiddleAndSide(double width) {
            this.width = width;
        }

        @Override
        public void process(double[][] block, int from, int to, long frame) {
            if (block.length < 2) {
                return;
            }
            double[] left = block[0];
            double[] right = block[1];
            for (int i = from; i < to; i++) {
                double middle = 0.5 * (left[i] + right[i]);
                double side = 0.5 * (left[i] - right[i]) * width;
                left[i] = middle + side;
                right[i] = middle - side;
            }
        }
    }
}
