package apodex.audio;

import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;

/**
 * Writes AIFF, or AIFF-C of kind {@code fl32} for floats. The format has no field for a time stamp. Sizes are 32-bit: a
 * file cannot pass 4 GiB.
 */
public final class AiffWriter extends SoundWriter {
    private static final long LARGEST = 0xFFFFFFFFL;
    private static final byte[] FLOAT_KIND = "fl32\u000E32-bit float  ".getBytes(StandardCharsets.ISO_8859_1);

    private final SampleRate rate;
    private final int channels;
    private final SampleFormat sample;
    private final @Nullable SoundLabel label;

    /** @throws IOException also when the file would pass 4 GiB */
    public AiffWriter(
            @Nullable Path file,
            SampleRate rate,
            int channels,
            SampleFormat sample,
            long frames,
            @Nullable SoundLabel label)
            throws IOException {
        super(file, channels * sample.bytes(), frames);
        this.rate = rate;
        this.channels = channels;
        this.sample = sample;
        this.label = label;
        if (fileBytes(channels, sample, frames, label) > LARGEST) {
            close();
            throw new IOException("AIFF cannot hold more than 4 GiB; “" + (file == null ? "" : file.getFileName())
                    + "” would be larger. Print WAV instead.");
        }
        begin();
    }

    /** Bytes a file will have, header included. */
    public static long fileBytes(int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
        long data = frames * channels * sample.bytes();
        return headerBytes(sample, label) + data + (data & 1);
    }

    private static int headerBytes(SampleFormat sample, @Nullable SoundLabel label) {
        return 12 + (sample.isFloat() ? 12 : 0) + 8 + commonBytes(sample) + chunks(label).length + 16;
    }

    /** Everything between what is common and the sound: marks and ID3 tags. */
    private static byte[] chunks(@Nullable SoundLabel label) {
        if (label == null) {
            return new byte[0];
        }
        byte[] marks = CueChunks.aiff(label.cues());
        byte[] tags = label.isNamed() ? Id3Writer.of(label) : new byte[0];
        ByteBuffer out = ByteBuffer.allocate(marks.length + 8 + tags.length).order(ByteOrder.BIG_ENDIAN);
        out.put(marks);
        if (tags.length > 0) {
            out.put(ascii("ID3 ")).putInt(tags.length).put(tags);
        }
        return Arrays.copyOf(out.array(), out.position());
    }

    private static int commonBytes(SampleFormat sample) {
        return sample.isFloat() ? 18 + FLOAT_KIND.length + (FLOAT_KIND.length & 1) : 18;
    }

    @Override
    public PcmLayout layout() {
        return new PcmLayout(header(0, null).remaining(), channels, sample, ByteOrder.BIG_ENDIAN);
    }

    @Override
    ByteBuffer header(long frames, @Nullable BroadcastExtension.Loudness loudness) {
        long data = frames * channels * sample.bytes();
        ByteBuffer out = ByteBuffer.allocate(headerBytes(sample, label)).order(ByteOrder.BIG_ENDIAN);
        out.put(ascii("FORM"))
                .putInt((int) (headerBytes(sample, label) - 8 + data + (data & 1)))
                .put(ascii(sample.isFloat() ? "AIFC" : "AIFF"));
        if (sample.isFloat()) {
            out.put(ascii("FVER")).putInt(4).putInt(0xA2805140); // the one version of AIFF-C there is
        }
        out.put(ascii("COMM"))
                .putInt(commonBytes(sample))
                .putShort((short) channels)
                .putInt((int) frames)
                .putShort((short) sample.bits());
        putExtended(out, rate.hertz());
        if (sample.isFloat()) {
            out.put(FLOAT_KIND);
            if ((FLOAT_KIND.length & 1) == 1) {
                out.put((byte) 0);
            }
        }
        out.put(chunks(label));
        out.put(ascii("SSND")).putInt((int) (8 + data)).putInt(0).putInt(0);
        return out.flip();
    }

    /** An 80-bit extended float (IEEE 754-1985) of a positive whole number. */
    private static void putExtended(ByteBuffer out, int value) {
        int exponent = 31 - Integer.numberOfLeadingZeros(value);
        out.putShort((short) (16_383 + exponent)).putLong((long) value << 63 - exponent);
    }

    @Override
    void order(byte[] bytes, int length) {
        int size = sample.bytes();
        for (int i = 0; i < length; i += size) {
            for (int low = i, high = i + size - 1; low < high; low++, high--) {
                byte swapped = bytes[low];
                bytes[low] = bytes[high];
                bytes[high] = swapped;
            }
        }
    }

    private static byte[] ascii(String id) {
        return id.getBytes(StandardCharsets.US_ASCII);
    }
}
