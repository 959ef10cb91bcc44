package apodex.audio;

import java.nio.ByteOrder;

/**
 * Where and how interleaved samples lie in a file.
 *
 * @param offset   byte position of the first sample
 * @param channels interleaved channels, 1 or more
 * @param sample   format of one sample
 * @param order    byte order
 */
public record PcmLayout(long offset, int channels, SampleFormat sample, ByteOrder order) {
    /** Bytes of one frame: a sample of every channel. */
    public int frameBytes() {
        return channels * sample.bytes();
    }
}
