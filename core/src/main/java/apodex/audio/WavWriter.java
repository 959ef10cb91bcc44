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
 * Writes a WAV file (EBU Tech 3285); RF64 (EBU Tech 3306) where it may pass 4 GiB.
 */
public final class WavWriter extends SoundWriter {
    private static final long LARGEST_RIFF = 0xFFFFFFFFL;
    private static final int FORMAT_PCM = 1;
    private static final int FORMAT_FLOAT = 3;
    private static final int DS64_BODY = 28;

    private final SampleRate rate;
    private final int channels;
    private final SampleFormat sample;
    private final @Nullable SoundLabel label;
    private final boolean rf64;

    /**
     * Creates the file and writes its header.
     *
     * @param file      must not exist; null to write nothing, for whoever listens
     * @param frames    frames that will be written, or the most there can be
     * @param label     what it says of itself; null for nothing
     */
    public WavWriter(
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
        this.rf64 = riffBytes(rate, channels, sample, frames, label) > LARGEST_RIFF;
        begin();
    }

    /** Bytes a file will have, header included. */
    public static long fileBytes(
            SampleRate rate, int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
        long riff = riffBytes(rate, channels, sample, frames, label);
        return riff + 8 + (riff > LARGEST_RIFF ? 8 + DS64_BODY : 0);
    }

    /** Everything between the form and the format: {@code bext}, iXML, cue points. */
    private static byte[] chunks(
            @Nullable SoundLabel label,
            SampleRate rate,
            int channels,
            SampleFormat sample,
            @Nullable BroadcastExtension.Loudness loudness) {
        if (label == null) {
            return new byte[0];
        }
        byte[] bext = label.broadcast() == null
                ? new byte[0]
                : (loudness == null ? label.broadcast() : label.broadcast().with(loudness)).toBytes();
        byte[] ixml = label.isNamed() ? IxmlDocument.of(label, sample, rate.hertz(), channels) : new byte[0];
        byte[] cues = CueChunks.wav(label.cues());
        ByteBuffer out = ByteBuffer.allocate(8 + bext.length + 1 + 8 + ixml.length + cues.length)
                .order(ByteOrder.LITTLE_ENDIAN);
        chunk(out, "bext", bext);
        chunk(out, "iXML", ixml);
        out.put(cues);
        return Arrays.copyOf(out.array(), out.position());
    }

    private static void chunk(ByteBuffer out, String id, byte[] body) {
        if (body.length > 0) {
            out.put(ascii(id)).putInt(body.length).put(body);
            out.position(out.position() + (body.length & 1));
        }
    }

    /** Formats other than PCM want an extension size and a fact chunk. */
    private static int formatBytes(SampleFormat sample) {
        return sample.isFloat() ? 8 + 18 + 8 + 4 : 8 + 16;
    }

    private static long riffBytes(
            SampleRate rate, int channels, SampleFormat sample, long frames, @Nullable SoundLabel label) {
        long data = frames * channels * sample.bytes();
        return 4 + chunks(label, rate, channels, sample, null).length + formatBytes(sample) + 8 + data + (data & 1);
    }

    @Override
    public PcmLayout layout() {
        return new PcmLayout(header(0, null).remaining(), channels, sample, ByteOrder.LITTLE_ENDIAN);
    }

    @Override
    ByteBuffer header(long frames, @Nullable BroadcastExtension.Loudness loudness) {
        long dataBytes = frames * channels * sample.bytes();
        long riffBytes = riffBytes(rate, channels, sample, frames, label);
        byte[] chunks = chunks(label, rate, channels, sample, loudness);
        ByteBuffer out = ByteBuffer.allocate(12 + (rf64 ? 8 + DS64_BODY : 0) + chunks.length + formatBytes(sample) + 8)
                .order(ByteOrder.LITTLE_ENDIAN);
        out.put(ascii(rf64 ? "RF64" : "RIFF"))
                .putInt((int) (rf64 ? LARGEST_RIFF : riffBytes))
                .put(ascii("WAVE"));
        if (rf64) {
            out.put(ascii("ds64"))
                    .putInt(DS64_BODY)
                    .putLong(riffBytes + 8 + DS64_BODY)
                    .putLong(dataBytes)
                    .putLong(frames)
                    .putInt(0);
        }
        out.put(chunks);
        int frameBytes = channels * sample.bytes();
        out.put(ascii("fmt "))
                .putInt(sample.isFloat() ? 18 : 16)
                .putShort((short) (sample.isFloat() ? FORMAT_FLOAT : FORMAT_PCM))
                .putShort((short) channels)
                .putInt(rate.hertz())
                .putInt(rate.hertz() * frameBytes)
                .putShort((short) frameBytes)
                .putShort((short) sample.bits());
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
