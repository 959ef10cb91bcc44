package apodex.measure;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * Lowest and highest sample over all channels in equal stretches of a sound whose length need not be known before: whenever there are too
 * many stretches, two become one.
 */
final class SoundPicture {
    /** Points of the picture drawn of every file. */
    static final int POINTS = 1_200;

    /** A stretch that lies across two points counts for both; there are several for each point, so it is not far off. */
    private static final int MOST_STRETCHES = 8_192;

    private float[] lows = new float[1_024];
    private float[] highs = new float[1_024];
    private long stretchFrames = 1;
    private long frames;

    /** Frames until the stretch that is being filled is full. */
    long left() {
        return stretchFrames - frames % stretchFrames;
    }

    /** Takes frames that lie within one stretch: no more than {@link #left}. */
    void add(int count, double low, double high) {
        int at = (int) (frames / stretchFrames);
        if (at == lows.length) {
            lows = Arrays.copyOf(lows, 2 * at);
            highs = Arrays.copyOf(highs, 2 * at);
        }
        lows[at] = Math.min(lows[at], (float) low);
        highs[at] = Math.max(highs[at], (float) high);
        frames += count;
        if (frames == MOST_STRETCHES * stretchFrames) {
            halve();
        }
    }

    private void halve() {
        for (int i = 0; i < MOST_STRETCHES / 2; i++) {
            lows[i] = Math.min(lows[2 * i], lows[2 * i + 1]);
            highs[i] = Math.max(highs[2 * i], highs[2 * i + 1]);
        }
        Arrays.fill(lows, MOST_STRETCHES / 2, lows.length, 0);
        Arrays.fill(highs, MOST_STRETCHES / 2, highs.length, 0);
        stretchFrames *= 2;
    }

    /** 16-bit little-endian pairs: low, high, low, high... with full scale at 32767; as many as there are points, or frames if fewer. */
    byte[] toBytes() {
        int points = (int) Math.max(1, Math.min(POINTS, frames));
        ByteBuffer out = ByteBuffer.allocate(4 * points).order(ByteOrder.LITTLE_ENDIAN);
        for (int point = 0; point < points; point++) {
            // frame f is drawn in point f * points / frames
            long first = (point * frames + points - 1) / points;
            long end = Math.max(first + 1, ((point + 1) * frames + points - 1) / points);
            float low = 0;
            float high = 0;
            for (int i = (int) (first / stretchFrames); i < lows.length && i * stretchFrames < end; i++) {
                low = Math.min(low, lows[i]);
                high = Math.max(high, highs[i]);
            }
            out.putShort(scaled(low)).putShort(scaled(high));
        }
        return out.array();
    }

    private static short scaled(float value) {
        return (short) Math.round(Math.max(-1f, Math.min(1f, value)) * Short.MAX_VALUE);
    }
}
