package apodex.proof;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** Lowest and highest sample over all channels in equal stretches of a file: enough to draw all of it in one line. */
public final class FilePicture {
    private final long frames;
    private final float[] lows;
    private final float[] highs;

    FilePicture(long frames, int points) {
        this.frames = frames;
        int count = (int) Math.max(1, Math.min(points, frames));
        this.lows = new float[count];
        this.highs = new float[count];
    }

    void add(double[][] block, long first, int count) {
        for (int i = 0; i < count; ) {
            int point = (int) ((first + i) * lows.length / frames);
            long pointEnd = ((long) (point + 1) * frames + lows.length - 1) / lows.length;
            int end = (int) Math.min(count, pointEnd - first);
            for (double[] channel : block) {
                double low = lows[point];
                double high = highs[point];
                for (int f = i; f < end; f++) {
                    low = Math.min(low, channel[f]);
                    high = Math.max(high, channel[f]);
                }
                lows[point] = (float) low;
                highs[point] = (float) high;
            }
            i = end;
        }
    }

    /** 16-bit little-endian pairs: low, high, low, high... with full scale at 32767. */
    public byte[] toBytes() {
        ByteBuffer out = ByteBuffer.allocate(lows.length * 4).order(ByteOrder.LITTLE_ENDIAN);
        for (int i = 0; i < lows.length; i++) {
            out.putShort(scaled(lows[i])).putShort(scaled(highs[i]));
        }
        return out.array();
    }

    private static short scaled(float value) {
        return (short) Math.round(Math.max(-1f, Math.min(1f, value)) * Short.MAX_VALUE);
    }
}
