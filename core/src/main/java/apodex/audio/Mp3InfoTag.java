package apodex.audio;

import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/**
 * The first frame of an MP3 file, which holds no sound but says how much of what follows was added by encoding: players take that away,
 * and the sound begins where it should and is as long as it was. Its form is that of the encoders' common info tag: "Info", frames,
 * bytes, a table for seeking, and an extension with delay and padding of 12 bits each.
 */
final class Mp3InfoTag {
    /** ISO/IEC 11172-3, 2.4.2.3 and ISO/IEC 13818-3, 2.4.2.3: rates of MPEG-1; halved for 2, again for 2.5. */
    private static final int[] RATES = {44_100, 48_000, 32_000};
    /** Layer III, kilobits a second by index: MPEG-1, and MPEG-2 and 2.5. */
    private static final int[][] KILOBITS = {
        {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320},
        {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160}
    };
    /** Frames that the encoder puts before the sound; what a decoder adds, it knows itself. */
    private static final int DELAY = 576;

    private static final int MOST_PADDING = 4_095;
    /** Frames, bytes, table and quality are there. */
    private static final int FLAGS = 0x0F;

    private static final int TABLE = 100;
    private static final int EXTENSION_BEFORE_DELAY = 12;
    private static final byte CONSTANT_RATE = 0x01;
    /** Readers look for the extension behind the name of the encoder's family. */
    private static final String ENCODER = "LAME3.98 ";

    private Mp3InfoTag() {}

    /** What the four bytes before a frame say. */
    private record Header(boolean mpeg1, int rate, int kilobits, boolean mono, int bytes) {
        static Header of(int bits) {
            int version = bits >> 19 & 3;
            boolean mpeg1 = version == 3;
            int rate = RATES[bits >> 10 & 3] / (mpeg1 ? 1 : version == 2 ? 2 : 4);
            int kilobits = KILOBITS[mpeg1 ? 0 : 1][bits >> 12 & 15];
            int bytes = (mpeg1 ? 144 : 72) * kilobits * 1_000 / rate + (bits >> 9 & 1);
            return new Header(mpeg1, rate, kilobits, (bits >> 6 & 3) == 3, bytes);
        }

        int samples() {
            return mpeg1 ? 1_152 : 576;
        }

        int sideInfo() {
            return mpeg1 ? mono ? 17 : 32 : mono ? 9 : 17;
        }
    }

    /**
     * Fills in the frame that the encoder left empty at the file's start.
     *
     * @param start  where the sound begins, behind what the file says of itself
     * @param frames length of the sound that was encoded
     * @param rate   its rate; the file's can be lower
     */
    static void fillIn(Path mp3, long start, long frames, SampleRate rate) throws IOException {
        try (FileChannel file = FileChannel.open(mp3, StandardOpenOption.READ, StandardOpenOption.WRITE)) {
            ByteBuffer four = ByteBuffer.allocate(4);
            file.read(four, start);
            Header first = Header.of(four.getInt(0));
            long count = count(file, start + first.bytes());
            long sound = Math.round((double) frames * first.rate() / rate.hertz());
            long padding = Math.max(0, Math.min(MOST_PADDING, count * first.samples() - DELAY - sound));
            ByteBuffer tag = ByteBuffer.allocate(first.bytes());
            tag.putInt(four.getInt(0));
            tag.position(4 + first.sideInfo());
            tag.put("Info".getBytes(StandardCharsets.US_ASCII)).putInt(FLAGS);
            tag.putInt((int) count).putInt((int) (file.size() - start));
            for (int i = 0; i < TABLE; i++) {
                tag.put((byte) (i * 256 / TABLE));
            }
            tag.putInt(0);
            int extension = tag.position();
            tag.put(ENCODER.getBytes(StandardCharsets.US_ASCII)).put(CONSTANT_RATE);
            tag.position(extension + EXTENSION_BEFORE_DELAY + 8);
            tag.put((byte) Math.min(255, first.kilobits()));
            tag.put((byte) (DELAY >> 4))
                    .put((byte) ((DELAY & 15) << 4 | padding >> 8))
                    .put((byte) padding);
            tag.putInt(0); // source, gain, preset
            tag.putInt((int) (file.size() - start));
            tag.putShort((short) 0);
            tag.putShort((short) crc16(tag.array(), tag.position()));
            tag.rewind();
            file.write(tag, start);
        }
    }

    /** Frames after the first. */
    private static long count(FileChannel file, long from) throws IOException {
        ByteBuffer four = ByteBuffer.allocate(4);
        long count = 0;
        for (long at = from; at + 4 <= file.size(); count++) {
            four.clear();
            file.read(four, at);
            at += Math.max(4, Header.of(four.getInt(0)).bytes());
        }
        return count;
    }

    /** CRC-16 with the polynomial x^16 + x^15 + x^2 + 1, lowest bit first. */
    private static int crc16(byte[] bytes, int length) {
        int crc = 0;
        for (int i = 0; i < length; i++) {
            crc ^= bytes[i] & 0xFF;
            for (int bit = 0; bit < 8; bit++) {
                crc = (crc & 1) == 0 ? crc >> 1 : crc >> 1 ^ 0xA001;
            }
        }
        return crc;
    }
}
