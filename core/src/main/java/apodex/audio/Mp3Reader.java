package apodex.audio;

import apodex.time.SampleRate;
import de.sciss.jump3r.mp3.Enc;
import de.sciss.jump3r.mp3.MP3Data;
import de.sciss.jump3r.mp3.VBRTag;
import de.sciss.jump3r.mpg.Common;
import de.sciss.jump3r.mpg.Interface;
import de.sciss.jump3r.mpg.MPGLib;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * Unpacks an MP3 to a 16-bit WAV. What the encoder put around the sound is taken away where its first frame says how much, so that
 * what comes out begins and ends with what went in; else it is some hundredths of a second late.
 */
public final class Mp3Reader {
    /** Frames that every decoder is late, as the LAME tag counts them. */
    private static final int DECODER_DELAY = 529;

    private static final int READ_BYTES = 1_024;
    private static final int MOST_FRAMES = 1_152 * 20;
    private static final long LONGEST_SECONDS = 6 * 60 * 60;

    private Mp3Reader() {}

    /** Whether a file begins as an MP3 does: with a tag, or with the mark of a frame. */
    public static boolean isMp3(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] start = in.readNBytes(3);
            boolean tagged = start.length == 3 && start[0] == 'I' && start[1] == 'D' && start[2] == '3';
            // eleven ones, and a layer that is layer III (ISO/IEC 11172-3, section 2.4.1.3)
            boolean frame = start.length == 3 && start[0] == (byte) 0xFF && (start[1] & 0xE6) == 0xE2;
            return tagged || frame;
        }
    }

    /**
     * Unpacks.
     *
     * @param wav must not exist
     * @throws SoundFileException when it is no MP3 that can be read
     */
    public static void decode(Path mp3, Path wav) throws IOException {
        MPGLib decoder = new MPGLib();
        Interface frames = new Interface();
        Common common = new Common();
        decoder.setModules(frames, common);
        frames.setModules(new VBRTag(), common);
        MPGLib.mpstr_tag state = decoder.hip_decode_init();
        MP3Data told = new MP3Data();
        Enc around = new Enc();
        short[] left = new short[MOST_FRAMES];
        short[] right = new short[MOST_FRAMES];
        byte[] none = new byte[0];
        Path raw = Files.createTempFile(wav.toAbsolutePath().getParent(), "mp3-", ".raw");
        try (InputStream in = Files.newInputStream(mp3)) {
            in.skipNBytes(tagBytes(mp3));
            long count = 0;
            try (var out = new BufferedOutputStream(Files.newOutputStream(raw), 1 << 16)) {
                for (byte[] bytes = in.readNBytes(READ_BYTES); bytes.length > 0; bytes = in.readNBytes(READ_BYTES)) {
                    int got = decoder.hip_decode1_headersB(state, bytes, bytes.length, left, right, told, around);
                    while (got > 0) {
                        write(out, left, told.stereo == 2 ? right : null, got);
                        count += got;
                        got = decoder.hip_decode1_headersB(state, none, 0, left, right, told, around);
                    }
                    if (got < 0 || told.samplerate > 0 && count > LONGEST_SECONDS * told.samplerate) {
                        throw new SoundFileException("It is no MP3 that can be read, or it is damaged.");
                    }
                }
            } catch (RuntimeException e) { // whatever the decoder stumbles over
                throw new SoundFileException("It is no MP3 that can be read, or it is damaged.");
            }
            if (count == 0) {
                throw new SoundFileException("It is no MP3 that can be read: there is no sound in it.");
            }
            boolean tagged = around.enc_delay > 0;
            long skip = tagged ? Math.min(count - 1, around.enc_delay + DECODER_DELAY) : 0;
            long length = tagged
                    ? Math.min(count - skip, Math.max(1, count - around.enc_delay - Math.max(0, around.enc_padding)))
                    : count;
            copy(raw, wav, told, skip, length);
        } finally {
            decoder.hip_decode_exit(state);
            Files.deleteIfExists(raw);
        }
    }

    /** Bytes of the tags at the start, pictures and all: the decoder would look for sound in them (id3.org, 2.4, sections 3.1 and 3.4). */
    private static long tagBytes(Path mp3) throws IOException {
        try (FileChannel channel = FileChannel.open(mp3, StandardOpenOption.READ)) {
            ChunkReader in = new ChunkReader(channel);
            long at = 0;
            while (at + Id3Tags.HEADER <= in.length()) {
                long size = Id3Tags.wholeBytes(
                        in.read(at, Id3Tags.HEADER, ByteOrder.BIG_ENDIAN).array());
                if (size == 0 || at + size > in.length()) {
                    break;
                }
                at += size;
            }
            return at;
        }
    }

    private static void write(OutputStream out, short[] left, short[] right, int count) throws IOException {
        for (int i = 0; i < count; i++) {
            out.write(left[i]);
            out.write(left[i] >> 8);
            if (right != null) {
                out.write(right[i]);
                out.write(right[i] >> 8);
            }
        }
    }

    private static void copy(Path raw, Path wav, MP3Data told, long skip, long length) throws IOException {
        int channels = told.stereo == 2 ? 2 : 1;
        Limits.check(channels, told.samplerate);
        byte[] bytes = new byte[1 << 16];
        try (InputStream in = Files.newInputStream(raw);
                WavWriter out = new WavWriter(
                        wav, new SampleRate(told.samplerate), channels, SampleFormat.INT16, length, null)) {
            in.skipNBytes(skip * channels * 2);
            for (long left = length * channels * 2; left > 0; ) {
                int read = in.readNBytes(bytes, 0, (int) Math.min(bytes.length, left));
                if (read == 0) {
                    return;
                }
                out.write(bytes, read);
                left -= read;
            }
        }
    }
}
