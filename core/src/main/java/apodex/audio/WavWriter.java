package apodex.audio;

import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Writes a WAV file (EBU Tech 3285) whose length is known from the start; RF64 (EBU Tech 3306) where it would pass
 * 4 GiB. The header is written first, the frames follow in order, and closing checks that all promised frames came.
 */
public final class WavWriter implements AutoCloseable {
    private static final long LARGEST_RIFF = 0xFFFFFFFFL;
    private static final int FORMAT_PCM = 1;
    private static final int FORMAT_FLOAT = 3;
    private static final int DS64_BODY = 28;

    private final FileChannel channel;
    private final long dataBytes;
    private long written;

    /**
     * Creates the file and writes its header.
     *
     * @param frames    frames that will be written
     * @param broadcast the {@code bext} chunk, or null for none
     */
    public WavWriter(Path file, SampleRate rate, int channels, SampleFormat sample, long frames,
            @Nullable BroadcastExtension broadcast) throws IOException {
        this.dataBytes = frames * channels * sample.bytes();
        this.channel = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        try {
            writeFully(header(rate, channels, sample, frames, broadcast));
        } catch (IOException e) {
            channel.close();
            throw e;
        }
    }

    /** Bytes a file will have, header included. */
    public static long fileBytes(SampleRate rate, int channels, SampleFormat sample, long frames,
            @Nullable BroadcastExtension broadcast) {
        long data = frames * channels * sample.bytes();
        return headerFor(rate, channels, sample, frames, data, broadcast).remaining() + data + (data & 1);
    }

    /** Appends encoded frames. */
    public void write(byte[] bytes, int length) throws IOException {
        writeFully(ByteBuffer.wrap(bytes, 0, length));
        written += length;
    }

    @Override
    public void close() throws IOException {
        try (channel) {
            if (written == dataBytes && (dataBytes & 1) == 1) {
                writeFully(ByteBuffer.wrap(new byte[1])); // chunks are padded to even lengths
            }
        }
    }

    /** True once every promised byte was written. */
    public boolean isComplete() {
        return written == dataBytes;
    }

    private void writeFully(ByteBuffer buffer) throws IOException {
        while (buffer.hasRemaining()) {
            channel.write(buffer);
        }
    }

    private ByteBuffer header(SampleRate rate, int channels, SampleFormat sample, long frames,
            BroadcastExtension broadcast) {
        return headerFor(rate, channels, sample, frames, dataBytes, broadcast);
    }

    private static ByteBuffer headerFor(SampleRate rate, int channels, SampleFormat sample, long frames,
            long dataBytes, BroadcastExtension broadcast) {
        byte[] bext = broadcast == null ? new byte[0] : broadcast.toBytes();
        int bextBytes = broadcast == null ? 0 : 8 + bext.length + (bext.length & 1);
        int formatBytes = sample.isFloat() ? 8 + 18 + 8 + 4 : 8 + 16; // other than PCM wants cbSize and a fact chunk
        long riffBytes = 4 + bextBytes + formatBytes + 8 + dataBytes + (dataBytes & 1);
        boolean rf64 = riffBytes > LARGEST_RIFF;
        ByteBuffer out = ByteBuffer.allocate(12 + (rf64 ? 8 + DS64_BODY : 0) + bextBytes + formatBytes + 8)
                .order(ByteOrder.LITTLE_ENDIAN);
        out.put(ascii(rf64 ? "RF64" : "RIFF")).putInt((int) (rf64 ? LARGEST_RIFF : riffBytes)).put(ascii("WAVE"));
        if (rf64) {
            out.put(ascii("ds64")).putInt(DS64_BODY)
                    .putLong(riffBytes + 8 + DS64_BODY).putLong(dataBytes).putLong(frames).putInt(0);
        }
        if (broadcast != null) {
            out.put(ascii("bext")).putInt(bext.length).put(bext);
            if ((bext.length & 1) == 1) {
                out.put((byte) 0);
            }
        }
        int frameBytes = channels * sample.bytes();
        out.put(ascii("fmt ")).putInt(sample.isFloat() ? 18 : 16)
                .putShort((short) (sample.isFloat() ? FORMAT_FLOAT : FORMAT_PCM)).putShort((short) channels)
                .putInt(rate.hertz()).putInt(rate.hertz() * frameBytes)
                .putShort((short) frameBytes).putShort((short) sample.bits());
        if (sample.isFloat()) {
            out.putShort((short) 0);
            out.put(ascii("fact")).putInt(4).putInt((int) Math.min(frames, LARGEST_RIFF));
        }
        out.put(ascii("data")).putInt((int) (rf64 ? LARGEST_RIFF : dataBytes));
        return out.flip();
    }

    private static byte[] ascii(String id) {
        return id.getBytes(StandardCharsets.US_ASCII);
    }
}
