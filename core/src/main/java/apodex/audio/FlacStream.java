package apodex.audio;

import apodex.audio.FlacFile.StreamInfo;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.util.Arrays;
import org.jflac.FLACDecoder;
import org.jflac.frame.Frame;

/** FLAC as it is decoded, a FLAC frame after the other, and checked against the MD5 sum in its stream info at the end. */
final class FlacStream implements AutoCloseable {
    private static final int LAST_BLOCK = 0x8000_0000;
    private static final int BUFFER_BYTES = 1 << 14;

    private final StreamInfo stream;
    private final InputStream in;
    private final FLACDecoder decoder;
    private final MessageDigest md5 = Digests.md5();
    private final int channels;
    private byte[] bytes = new byte[0];
    private byte[] summed = new byte[0];
    private long decoded;

    /** @param file the whole file, from its first byte on; closed with this */
    FlacStream(StreamInfo stream, InputStream file) throws IOException {
        this.stream = stream;
        this.in = file;
        this.channels = stream.sound().channels();
        try {
            this.decoder = new FLACDecoder(soundAlone());
            decoder.readMetadata();
        } catch (IOException | RuntimeException e) {
            file.close();
            throw damaged(e);
        }
    }

    /**
     * The file as the decoder gets it: stream information and sound, nothing between. Pictures and notes can be
     * large, and a damaged length in them makes the decoder ask for memory without end.
     */
    private InputStream soundAlone() throws IOException {
        byte[] head = ByteBuffer.allocate(FlacFile.STREAM_INFO_OFFSET + FlacFile.STREAM_INFO_BYTES)
                .put(FlacFile.MAGIC)
                .putInt(LAST_BLOCK | FlacFile.STREAM_INFO_BYTES)
                .put(stream.block())
                .array();
        in.skipNBytes(stream.audioOffset());
        return new EndGuard(
                new SequenceInputStream(new ByteArrayInputStream(head), new BufferedInputStream(in, BUFFER_BYTES)));
    }

    /** The file has ended. */
    private static final class Ended extends RuntimeException {
        private static final long serialVersionUID = 1;
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
                throw new Ended();
            }
            return read;
        }
    }

    /**
     * Decodes the next frame of FLAC.
     *
     * @return frames of sound in {@link #bytes()}; 0 when all is decoded and right
     * @throws SoundFileException when it is damaged, the file ends early or the MD5 sum differs
     */
    int next() throws SoundFileException {
        long left = stream.isOpen() ? Long.MAX_VALUE : stream.sound().frames() - decoded;
        Frame frame;
        try {
            frame = left == 0 ? null : decoder.readNextFrame();
            if (frame != null) {
                int frames = (int) Math.min(frame.header.blockSize, left);
                take(frames);
                decoded += frames;
                return frames;
            }
        } catch (Ended e) {
            if (!stream.isOpen()) {
                throw damaged(e);
            }
        } catch (IOException | RuntimeException e) { // the decoder answers damage with either
            throw damaged(e);
        }
        checkEnd();
        return 0;
    }

    private void take(int frames) {
        int sumBytes = (stream.bits() + 7) / 8;
        int sampleBytes = stream.sound().sample().bytes();
        int shift = stream.sound().sample().bits() - stream.bits();
        int most = frames * channels * sampleBytes;
        if (bytes.length < most) {
            bytes = new byte[most];
            summed = new byte[most];
        }
        interleave(frames, sampleBytes, shift, bytes);
        if (shift == 0) {
            md5.update(bytes, 0, most);
        } else {
            interleave(frames, sumBytes, 0, summed);
            md5.update(summed, 0, frames * channels * sumBytes);
        }
    }

    private void checkEnd() throws SoundFileException {
        if (decoder.getBadFrames() > 0) {
            throw new SoundFileException(
                    "It is damaged: " + decoder.getBadFrames() + " of its frames cannot be decoded.");
        }
        long frames = stream.sound().frames();
        if (decoded < frames) {
            throw new SoundFileException(
                    "It ends after " + decoded + " of " + frames + " frames: the file was cut short.");
        }
        boolean hasSum = !Arrays.equals(stream.md5(), new byte[16]);
        if (hasSum && !Arrays.equals(stream.md5(), md5.digest())) {
            throw new SoundFileException("It is damaged: the decoded sound differs from the checksum in the file.");
        }
    }

    private SoundFileException damaged(Exception e) {
        return new SoundFileException("It is damaged after frame " + decoded + " and cannot be decoded.", e);
    }

    /** Little-endian, interleaved; good until the next call of {@link #next}. */
    byte[] bytes() {
        return bytes;
    }

    private void interleave(int frames, int sampleBytes, int shift, byte[] out) {
        int step = channels * sampleBytes;
        for (int channel = 0; channel < channels; channel++) {
            int[] samples = decoder.getChannelData()[channel].getOutput();
            int at = channel * sampleBytes;
            for (int frame = 0; frame < frames; frame++, at += step) {
                int value = samples[frame] << shift;
                for (int b = 0; b < sampleBytes; b++) {
                    out[at + b] = (byte) (value >> 8 * b);
                }
            }
        }
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
