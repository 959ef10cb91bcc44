package apodex.audio;

import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;

/** Reads the header of AIFF and AIFF-C files (uncompressed kinds only). */
final class AiffHeader {
    private AiffHeader() {}

    static SoundInfo read(ChunkReader in, Container container) throws IOException {
        ByteBuffer common = null;
        long soundOffset = -1;
        long soundBytes = 0;
        long offset = 12;
        while (offset + 8 <= in.length()) {
            String id = in.id(offset);
            long size = in.read(offset + 4, 4, ByteOrder.BIG_ENDIAN).getInt() & 0xFFFFFFFFL;
            long body = offset + 8;
            if (body + size > in.length()) {
                if (soundOffset >= 0 && common != null) {
                    break;
                }
                throw new SoundFileException(
                        "Its “" + id.trim() + "” chunk says it is " + size + " bytes long, but the file ends before.");
            }
            if (id.equals("COMM") && size >= 18) {
                common = in.read(body, (int) Math.min(size, 22), ByteOrder.BIG_ENDIAN);
            } else if (id.equals("SSND") && size >= 8) {
                long skip = in.read(body, 4, ByteOrder.BIG_ENDIAN).getInt() & 0xFFFFFFFFL;
                soundOffset = body + 8 + skip;
                soundBytes = size - 8 - skip;
            }
            offset = body + size + (size & 1);
        }
        if (common == null) {
            throw new SoundFileException("It has no “COMM” chunk, so nothing says what its sound is.");
        }
        if (soundOffset < 0 || soundBytes < 0) {
            throw new SoundFileException("It has no “SSND” chunk, so there is no sound in it.");
        }
        return info(container, common, soundOffset, soundBytes);
    }

    private static SoundInfo info(Container container, ByteBuffer common, long soundOffset, long soundBytes)
            throws SoundFileException {
        int channels = common.getShort(0) & 0xFFFF;
        long promised = common.getInt(2) & 0xFFFFFFFFL;
        int bits = common.getShort(6) & 0xFFFF;
        double hertz = extended(common);
        if (!(hertz < Integer.MAX_VALUE) || hertz != Math.rint(hertz)) {
            throw new SoundFileException("Its sample rate of " + hertz + " Hz is no whole number Apodex can use.");
        }
        Limits.check(channels, (long) hertz);
        String kind = container == Container.AIFC && common.limit() >= 22
                ? new String(common.array(), 18, 4, StandardCharsets.ISO_8859_1)
                : "NONE";
        SampleFormat sample = sampleFormat(kind, bits);
        ByteOrder order = kind.equals("sowt") ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN;
        PcmLayout layout = new PcmLayout(soundOffset, channels, sample, order);
        if (promised * layout.frameBytes() > soundBytes) {
            throw new SoundFileException("Its header promises " + promised + " frames of sound, but only "
                    + soundBytes / layout.frameBytes() + " are there: the file was cut short.");
        }
        return new SoundInfo(container, new SampleRate((int) hertz), promised, layout, channels, sample, null);
    }

    private static SampleFormat sampleFormat(String kind, int bits) throws SoundFileException {
        switch (kind) {
            case "fl32", "FL32":
                return SampleFormat.FLOAT32;
            case "fl64", "FL64":
                return SampleFormat.FLOAT64;
            case "NONE", "twos", "sowt", "in16", "in24", "in32":
                break;
            case "raw ":
                return SampleFormat.UINT8;
            default:
                throw new SoundFileException(
                        "Its sound is packed as “" + kind.trim() + "”, which Apodex does not read.");
        }
        switch ((bits + 7) / 8) {
            case 1:
                return SampleFormat.INT8;
            case 2:
                return SampleFormat.INT16;
            case 3:
                return SampleFormat.INT24;
            case 4:
                return SampleFormat.INT32;
            default:
                throw new SoundFileException("Its samples of " + bits + " bits are of a kind Apodex does not read.");
        }
    }

    /** The rate is an 80-bit extended float: sign and exponent, then a 64-bit significand with its leading one. */
    private static double extended(ByteBuffer common) {
        int exponent = (common.getShort(8) & 0x7FFF) - 16383 - 63;
        long significand = common.getLong(10);
        double unsigned = (significand >>> 1) * 2.0 + (significand & 1);
        return unsigned * Math.pow(2, exponent);
    }
}
