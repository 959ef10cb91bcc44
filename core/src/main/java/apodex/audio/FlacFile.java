package apodex.audio;

import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
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
    private static final byte[] MAGIC = {'f', 'L', 'a', 'C'};
    private static final int BLOCK_TYPE = 0x7F;
    private static final int LAST_BLOCK = 0x8000_0000;

    private FlacFile() {}

    /** @param audioOffset byte position of the first frame of sound */
    private record StreamInfo(SoundInfo sound, int bits, byte[] md5, byte[] block, long audioOffset) {}

    static SoundInfo examine(Path file) throws IOException {
        return streamInfo(file).sound();
    }

    private static StreamInfo streamInfo(Path file) throws IOException {
        byte[] block;
        long audioOffset;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            ChunkReader in = new ChunkReader(channel);
            if (in.length() < STREAM_INFO_OFFSET + STREAM_INFO_BYTES
                    || (in.read(MAGIC.length, 1, ByteOrder.BIG_ENDIAN).get() & BLOCK_TYPE) != 0) {
                throw new SoundFileException("It starts like FLAC but has no stream information.");
            }
            block = in.read(STREAM_INFO_OFFSET, STREAM_INFO_BYTES, ByteOrder.BIG_ENDIAN)
                    .array();
            audioOffset = audioOffset(in);
        }
        ByteBuffer info = ByteBuffer.wrap(block);
        // Section 8.2: 20 bits of rate, 3 of channels less one, 5 of bits less one, 36 of frames, then the MD5 sum.
        long packed = info.getLong(10);
        int hertz = (int) (packed >>> 44);
        int channels = (int) (packed >>> 41 & 7) + 1;
        int bits = (int) (packed >>> 36 & 31) + 1;
        long frames = packed & 0xFFFFFFFFFL;
        byte[] md5 = Arrays.copyOfRange(block, 18, STREAM_INFO_BYTES);
        Limits.check(channels, hertz);
        if (bits > 24) {
            throw new SoundFileException("Its samples of " + bits + " bits are more than Apodex reads from FLAC (24).");
        }
        SampleFormat sample = bits <= 16 ? SampleFormat.INT16 : SampleFormat.INT24;
        return new StreamInfo(
                new SoundInfo(Container.FLAC, new SampleRate(hertz), frames, null, channels, sample, null),
                bits,
                md5,
                block,
                audioOffset);
    }

    /** Steps over the metadata blocks (section 8.1): a flag and a type in one byte, a length in three. */
    private static long audioOffset(ChunkReader in) throws IOException {
        long offset = MAGIC.length;
        boolean last = false;
        while (!last) {
            int header = in.read(offset, 4, ByteOrder.BIG_ENDIAN).getInt();
            last = header < 0;
            offset += 4 + (header & 0xFFFFFF);
        }
        if (offset >= in.length()) {
            throw new SoundFileException("It has a header but not one frame of sound.");
        }
        return offset;
    }

    /**
     * The file as the decoder gets it: stream information and sound, nothing between. Pictures and notes can be
     * large, and a damaged length in them makes the decoder ask for memory without end.
     */
    private static InputStream soundAlone(Path flac, StreamInfo stream) throws IOException {
        byte[] head = ByteBuffer.allocate(STREAM_INFO_OFFSET + STREAM_INFO_BYTES)
                .put(MAGIC)
                .putInt(LAST_BLOCK | STREAM_INFO_BYTES)
                .put(stream.block())
                .array();
        InputStream sound = Files.newInputStream(flac);
        sound.skipNBytes(stream.audioOffset());
        return new EndGuard(
                new SequenceInputStream(new ByteArrayInputStream(head), new BufferedInputStream(sound, 1 << 16)));
    }

    /** Ends a decoder that keeps looking for frames behind the end of the file: it swallows the end itself for ever. */
    private static final class EndGuard extends FilterInputStream {
        private static final int TIMES_TOLD = 16;
        private int told;

        EndGuard(InputStream in) {
            super(in);
        }

        @Override
        public int read() throws IOException {
            return noted(super.read());
        }

        @Override
        public int read(byte[] into, int offset, int length) throws IOException {
            return noted(super.read(into, offset, length));
        }

        private int noted(int read) {
            if (read < 0 && ++told > TIMES_TOLD) {
                throw new IllegalStateException("The file has ended.");
            }
            return read;
        }
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
        try (InputStream in = soundAlone(flac, stream);
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
                throw new SoundFileException(
                        "It is damaged: " + decoder.getBadFrames() + " of its frames cannot be decoded.");
            }
            if (decoded < sound.frames()) {
                throw new SoundFileException(
                        "It ends after " + decoded + " of " + sound.frames() + " frames: the file was cut short.");
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
