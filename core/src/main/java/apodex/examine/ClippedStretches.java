package apodex.examine;

import apodex.measure.SoundScan;
import java.util.Optional;

/**
 * Tops that are cut off flat: at full scale, or below it where somebody turned it down afterwards. Below full scale only many
 * at one and the same height count, with something between them: a square wave is all tops.
 */
final class ClippedStretches implements Watch {
    /** Below full scale, chance makes a few. */
    private static final int MANY = 20;

    /** Of what sounds. */
    private static final double MOSTLY_TOPS = 0.6;
    /** Tops nearer than this share of their height are of one height. */
    private static final double SAME_HEIGHT = 1e-6;

    private final double fullScale;
    private final Side[] sides;
    private double highest;

    ClippedStretches(int channels, double fullScale) {
        this.fullScale = fullScale;
        this.sides = new Side[channels];
        for (int c = 0; c < channels; c++) {
            sides[c] = new Side();
        }
    }

    /** One channel's tops: those at full scale, and those at the highest level so far. */
    private final class Side {
        double before;
        int run;
        int full;
        long firstFull = -1;
        double height;
        int atHeight;
        long firstAtHeight = -1;
        long flat;
        long sounding;

        void hear(double[] samples, int frames, long first) {
            run = 0;
            before = 0; // a top is seldom cut in two by a block's edge, and then it is one less
            for (int i = 0; i < frames; i++) {
                double sample = samples[i];
                if (sample == before && sample != 0) {
                    run++;
                } else {
                    if (run >= SoundScan.SHORTEST_RUN) {
                        end(Math.abs(before), first + i - run);
                    }
                    before = sample;
                    run = 1;
                }
            }
        }

        void end(double level, long start) {
            if (level >= fullScale) {
                full += run;
                firstFull = firstFull < 0 ? start : firstFull;
            } else if (level > height * (1 + SAME_HEIGHT)) {
                height = level;
                atHeight = 1;
                firstAtHeight = start;
                flat = run;
            } else if (level >= height * (1 - SAME_HEIGHT)) {
                atHeight++;
                flat += run;
            }
            run = 0;
        }
    }

    @Override
    public void hear(double[][] block, int frames, long first, double peak) {
        highest = Math.max(highest, peak);
        for (int c = 0; c < sides.length; c++) {
            sides[c].sounding += peak > 0 ? frames : 0;
            if (peak >= highest * (1 - SAME_HEIGHT)) { // tops below the highest are not what it was clipped at
                sides[c].hear(block[c], frames, first);
            }
        }
    }

    @Override
    public Optional<Oddity> tell() {
        for (Side side : sides) {
            if (side.full > 0) {
                return Optional.of(new Oddity(
                        Oddity.Kind.CLIPPED,
                        "It is clipped: " + side.full + " samples in rows at full scale.",
                        side.firstFull));
            }
        }
        for (Side side : sides) {
            if (side.atHeight >= MANY
                    && side.flat < MOSTLY_TOPS * side.sounding
                    && side.height >= highest * (1 - SAME_HEIGHT)) {
                return Optional.of(new Oddity(
                        Oddity.Kind.CLIPPED,
                        "It was clipped before it was turned down: " + side.atHeight
                                + " tops are cut off flat at the same height.",
                        side.firstAtHeight));
            }
        }
        return Optional.empty();
    }
}
