package apodex.audio;

import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Arrays;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;

/**
 * FLAC (RFC 9639): told from its stream info, and decoded once into a WAV file that can be read at any place.
 * The decoded sound is checked against the MD5 sum that the encoder left in the stream info (section 8.2).
 */
public final class FlacFile {
    private static final int STREAM_INFO_OFFSET = 8;
    private static final int STREAM_INFO_BYTES = 34;

    private FlacFile() {}

    private record StreamInfo(SoundInfo sound, int bits, byte[] md5) {}

    static SoundInfo examine(Path file) throws IOException {
        return streamInfo(file).sound();
    }

    private static StreamInfo streamInfo(Path file) throws IOException {
        ByteBuffer info;
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(STREAM_INFO_OFFSET + STREAM_INFO_BYTES);
            if (head.length < STREAM_INFO_OFFSET + STREAM_INFO_BYTES || (head[4] & 0x7F) != 0) {
                throw new SoundFileException("It starts like FLAC but has no stream information.");
            }
            info = ByteBuffer.wrap(head, STREAM_INFO_OFFSET, STREAM_INFO_BYTES).slice();
        }
        // Section 8.2: 20 bits of rate, 3 of channels less one, 5 of bits less one, 36 of frames, then the MD5 sum.
        long packed = info.getLong(10);
        int hertz = (int) (packed >>> 44);
        int channels = (int) (packed >>> 41 & 7) + 1;
        int bits = (int) (packed >>> 36 & 31) + 1;
        long frames = packed & 0xFFFFFFFFFL;
        byte[] md5 = Arrays.copyOfRange(info.array(), STREAM_INFO_OFFSET + 18, STREAM_INFO_OFFSET + 34);
        Limits.check(channels, hertz);
        if (bits > 24) {
            throw new SoundFileException("Its samples of " + bits + " bits are more than Apodex reads from FLAC (24).");
        }
        SampleFormat sample = bits <= 16 ? SampleFormat.INT16 : SampleFormat.INT24;
        return new StreamInfo(
                new SoundInfo(Container.FLAC, new SampleRate(hertz), frames, null, channels, sample, null), bits, md5);
    }

    /**
     * Decodes a whole FLAC file into a WAV file of the same rate, channels and (rounded up) depth.
     *
     * @throws SoundFileException when a frame is damaged, the file ends early or the MD5 sum differs
     */
    public static void decode(Path flac, Path wav) throws IOException {
        StreamInfo stream = streamInfo(flac);
        SoundInfo sound = stream.sound();
        int channels = sound.channels();
        int sampleBytes = sound.sample().bytes();
        int shift = sound.sample().bits() - stream.bits();
        MessageDigest md5 = Digests.md5();
        long decoded = 0;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(flac), 1 << 16);
                WavWriter out = new WavWriter(wav, sound.rate(), channels, sound.sample(), sound.frames(), null)) {
            FLACDecoder decoder = new FLACDecoder(in);
            decoder.readMetadata();
            while (decoded < sound.frames()) {
                Frame frame = decoder.readNextFrame();
                if (frame == null) {
                    break;
                }
                int frames = (int) Math.min(frame.header.blockSize, sound.frames() - decoded);
                md5.update(interleaved(decoder, channels, frames, (stream.bits() + 7) / 8, 0));
                byte[] pcm = interleaved(decoder, channels, frames, sampleBytes, shift);
                out.write(pcm, pcm.length);
                decoded += frames;
            }
            if (decoder.getBadFrames() > 0) {
                throw new SoundFileException("It is damaged: " + decoder.getBadFrames() + " of its frames cannot be decoded.");
            }
            if (decoded < sound.frames()) {
                throw new SoundFileException("It ends after " + decoded + " of " + sound.frames()
                        + " frames: the file was cut short.");
            }
        } catch (SoundFileException e) {
            throw e;
        } catch (IOException | RuntimeException e) { // the decoder answers damage with either
            throw new SoundFileException("It is damaged after frame " + decoded + " and cannot be decoded.", e);
        }
        boolean hasSum = !Arrays.equals(stream.md5(), new byte[16]);
        if (hasSum && !Arrays.equals(stream.md5(), md5.digest())) {
            throw new SoundFileException("It is damaged: the decoded sound differs from the checksum in the file.");
        }
    }

    private static byte[] interleaved(FLACDecoder decoder, int channels, int frames, int sampleBytes, int shift) {
        byte[] out = new byte[frames * channels * sampleBytes];
        for (int channel = 0; channel < channels; channel++) {
            int[] samples = decoder.getChannelData()[channel].getOutput();
            int at = channel * sampleBytes;
            for (int frame = 0; frame < frames; frame++) {
                int value = samples[frame] << shift;
                for (int b = 0; b < sampleBytes; b++) {
                    out[at + b] = (byte) (value >> 8 * b);
                }
                at += channels * sampleBytes;
            }
        }
        return out;
    }
}
