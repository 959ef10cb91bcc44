package apodex.audio;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Builds sound files byte by byte from their standards' texts, knowing nothing of the code that reads them. */
public final class SoundBytes {
    private final ByteArrayOutputStream body = new ByteArrayOutputStream();
    private final ByteOrder order;

    private SoundBytes(ByteOrder order) {
        this.order = order;
    }

    public static SoundBytes riff() {
        return new SoundBytes(ByteOrder.LITTLE_ENDIAN);
    }

    public static SoundBytes aiff() {
        return new SoundBytes(ByteOrder.BIG_ENDIAN);
    }

    /** A chunk whose size field tells the truth, padded to an even length. */
    public SoundBytes chunk(String id, byte[] content) {
        return chunk(id, content.length, content);
    }

    /** A chunk whose size field says {@code claimed}. */
    public SoundBytes chunk(String id, long claimed, byte[] content) {
        body.writeBytes(ascii(id));
        body.writeBytes(ints(order, (int) claimed));
        body.writeBytes(content);
        if ((content.length & 1) == 1) {
            body.write(0);
        }
        return this;
    }

    public SoundBytes format(int tag, int channels, int hertz, int bits) {
        return chunk("fmt ", formatBody(tag, channels, hertz, bits, channels * ((bits + 7) / 8)));
    }

    public static byte[] formatBody(int tag, int channels, int hertz, int bits, int blockAlign) {
        ByteBuffer out = ByteBuffer.allocate(16).order(ByteOrder.LITTLE_ENDIAN);
        out.putShort((short) tag)
                .putShort((short) channels)
                .putInt(hertz)
                .putInt(hertz * blockAlign)
                .putShort((short) blockAlign)
                .putShort((short) bits);
        return out.array();
    }

    /** WAVE_FORMAT_EXTENSIBLE: 22 more bytes, the last 16 a GUID that begins with the plain tag. */
    public SoundBytes extensible(int tag, int channels, int hertz, int bits) {
        ByteBuffer out = ByteBuffer.allocate(40).order(ByteOrder.LITTLE_ENDIAN);
        out.put(formatBody(0xFFFE, channels, hertz, bits, channels * bits / 8))
                .putShort((short) 22)
                .putShort((short) bits)
                .putInt(3)
                .putShort((short) tag)
                .put(new byte[] {0, 0, 0, 0, 0x10, 0, (byte) 0x80, 0, 0, (byte) 0xAA, 0, 0x38, (byte) 0x9B, 0x71});
        return chunk("fmt ", out.array());
    }

    /** The broadcast extension up to and with version 1's reserved bytes: 602 in all. */
    public SoundBytes broadcast(long timeReference, String date) {
        ByteBuffer out = ByteBuffer.allocate(602).order(ByteOrder.LITTLE_ENDIAN);
        out.position(320);
        out.put(ascii(date));
        out.position(338);
        out.putLong(timeReference);
        return chunk("bext", out.array());
    }

    /** AIFF's common chunk; the rate as an 80-bit extended float. */
    public SoundBytes common(int channels, long frames, int bits, int hertz, String kind) {
        ByteBuffer out = ByteBuffer.allocate(kind == null ? 18 : 24).order(ByteOrder.BIG_ENDIAN);
        int exponent = 31 - Integer.numberOfLeadingZeros(hertz);
        out.putShort((short) channels)
                .putInt((int) frames)
                .putShort((short) bits)
                .putShort((short) (16383 + exponent))
                .putLong((long) hertz << 63 - exponent);
        if (kind != null) {
            out.put(ascii(kind)).put(new byte[] {0, 0});
        }
        return chunk("COMM", out.array());
    }

    public SoundBytes sound(byte[] samples) {
        return chunk("SSND", join(new byte[8], samples));
    }

    public byte[] wave() {
        return file("RIFF", "WAVE", body.size() + 4);
    }

    public byte[] file(String magic, String form, long claimed) {
        return join(ascii(magic), ints(order, (int) claimed), ascii(form), body.toByteArray());
    }

    public byte[] aiffFile(String form) {
        return file("FORM", form, body.size() + 4);
    }

    /** Whole numbers stored in {@code bytes} bytes each. */
    public static byte[] integers(ByteOrder order, int bytes, List<Long> values) {
        ByteBuffer out = ByteBuffer.allocate(values.size() * bytes);
        for (long value : values) {
            for (int b = 0; b < bytes; b++) {
                int shift = 8 * (order == ByteOrder.LITTLE_ENDIAN ? b : bytes - 1 - b);
                out.put((byte) (value >> shift));
            }
        }
        return out.array();
    }

    public static byte[] floats(ByteOrder order, double... values) {
        ByteBuffer out = ByteBuffer.allocate(values.length * 4).order(order);
        for (double value : values) {
            out.putFloat((float) value);
        }
        return out.array();
    }

    public static byte[] doubles(ByteOrder order, double... values) {
        ByteBuffer out = ByteBuffer.allocate(values.length * 8).order(order);
        for (double value : values) {
            out.putDouble(value);
        }
        return out.array();
    }

    private static byte[] ints(ByteOrder order, int value) {
        return ByteBuffer.allocate(4).order(order).putInt(value).array();
    }

    private static byte[] ascii(String text) {
        return text.getBytes(StandardCharsets.US_ASCII);
    }

    public static byte[] join(byte[]... parts) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        for (byte[] part : parts) {
            out.writeBytes(part);
        }
        return out.toByteArray();
    }

    /** A plain 48 kHz 24-bit mono WAV with these samples. */
    public static byte[] mono24(int... samples) {
        List<Long> values =
                java.util.Arrays.stream(samples).mapToObj(Long::valueOf).toList();
        return riff().format(1, 1, 48_000, 24)
                .chunk("data", integers(ByteOrder.LITTLE_ENDIAN, 3, values))
                .wave();
    }
}
