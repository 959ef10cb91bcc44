package apodex.audio;

import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;

/**
 * FLAC (RFC 9639): told from its stream info, and decoded once into a WAV file that can be read at any place.
 * The decoded sound is checked against the MD5 sum that the encoder left in the stream info (section 8.2).
 */
public final class FlacFile {
    static final int STREAM_INFO_OFFSET = 8;
    static final int STREAM_INFO_BYTES = 34;
    static final byte[] MAGIC = {'f', 'L', 'a', 'C'};
    private static final int BLOCK_TYPE = 0x7F;

    private FlacFile() {}

    /** @param audioOffset byte position of the first frame of sound */
    record StreamInfo(SoundInfo sound, int bits, byte[] md5, byte[] block, long audioOffset) {
        /** A length of nothing stands for one that the writer did not know. */
        boolean isOpen() {
            return sound.frames() == 0;
        }

        StreamInfo lasting(long frames) {
            SoundInfo known = new SoundInfo(
                    sound.container(), sound.rate(), frames, null, sound.channels(), sound.sample(), sound.broadcast());
            return new StreamInfo(known, bits, md5, block, audioOffset);
        }
    }

    static SoundInfo examine(Path file) throws IOException {
        return streamInfo(file).sound();
    }

    static StreamInfo streamInfo(Path file) throws IOException {
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
        StreamInfo said = new StreamInfo(
                new SoundInfo(Container.FLAC, new SampleRate(hertz), frames, null, channels, sample, null),
                bits,
                md5,
                block,
                audioOffset);
        return said.isOpen() ? said.lasting(count(said, file)) : said;
    }

    /** How long a stream is that does not say so: found by decoding it. */
    private static long count(StreamInfo stream, Path file) throws IOException {
        long all = 0;
        try (FlacStream in = new FlacStream(stream, Files.newInputStream(file))) {
            for (int frames = in.next(); frames > 0; frames = in.next()) {
                all += frames;
            }
        }
        return all;
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
     * Decodes a whole FLAC file into a WAV file of the same rate, channels and (rounded up) depth.
     *
     * @throws SoundFileException when a frame is damaged, the file ends early or the MD5 sum differs
     */
    public static void decode(Path flac, Path wav) throws IOException {
        StreamInfo stream = streamInfo(flac);
        SoundInfo sound = stream.sound();
        try (FlacStream in = new FlacStream(stream, Files.newInputStream(flac));
                WavWriter out =
                        new WavWriter(wav, sound.rate(), sound.channels(), sound.sample(), sound.frames(), null)) {
            for (int frames = in.next(); frames > 0; frames = in.next()) {
                out.write(in.bytes(), frames * out.layout().frameBytes());
            }
        }
    }
}
