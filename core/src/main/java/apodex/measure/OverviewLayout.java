package apodex.measure;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Where things lie in an overview file: a header of 20 bytes (magic, version, channels, frames), then the levels,
 * finest first. A level is a row of bins; a bin is, as 32-bit little-endian floats, low and high of each channel, then the
 * widest difference of each channel pair.
 */
final class OverviewLayout {
    /** Frames of a bin on the finest level. */
    static final int BASE_FRAMES = 256;
    /** Bins that make one bin of the next level. */
    static final int STEP = 4;

    static final int HEADER_BYTES = 20;
    private static final int MAGIC = 0x4150_4F56;
    private static final int VERSION = 1;

    private final int channels;
    private final long frames;

    OverviewLayout(int channels, long frames) {
        this.channels = channels;
        this.frames = frames;
    }

    static OverviewLayout read(ByteBuffer header) {
        header.order(ByteOrder.LITTLE_ENDIAN);
        if (header.getInt() != MAGIC || header.getInt() != VERSION) {
            throw new IllegalStateException("This is no overview of the kind this version writes.");
        }
        return new OverviewLayout(header.getInt(), header.getLong());
    }

    ByteBuffer header() {
        return ByteBuffer.allocate(HEADER_BYTES)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(MAGIC)
                .putInt(VERSION)
                .putInt(channels)
                .putLong(frames)
                .flip();
    }

    int channels() {
        return channels;
    }

    long frames() {
        return frames;
    }

    int binFloats() {
        return 2 * channels + channels / 2;
    }

    static long framesPerBin(int level) {
        return (long) BASE_FRAMES << 2 * level;
    }

    long bins(int level) {
        return (frames + framesPerBin(level) - 1) / framesPerBin(level);
    }

    int levels() {
        int levels = 1;
        while (bins(levels - 1) > 1) {
            levels++;
        }
        return levels;
    }

    /** Byte position of a bin. */
    long position(int level, long bin) {
        long binsBefore = 0;
        for (int l = 0; l < level; l++) {
            binsBefore += bins(l);
        }
        return HEADER_BYTES + (binsBefore + bin) * binFloats() * 4;
    }
}
