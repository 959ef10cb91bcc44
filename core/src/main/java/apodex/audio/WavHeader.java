package apodex.audio;

import apodex.audio.SoundInfo.Container;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Reads the header of WAV (EBU Tech 3285), RF64 (EBU Tech 3306) and BW64 (ITU-R BS.2088) files.
 * Chunks it does not know are stepped over, wherever they stand.
 */
final class WavHeader {
    private static final int FORMAT_PCM = 1;
    private static final int FORMAT_FLOAT = 3;
    private static final int FORMAT_EXTENSIBLE = 0xFFFE;
    /** In RF64 a 32-bit size of all ones says: look in the ds64 chunk. */
    private static final long SIZE_IN_DS64 = 0xFFFFFFFFL;

    private static final long LARGEST_SIGNED = 0x7FFFFFFFL;
    /** What programs take off the largest size, to round it or for the header. */
    private static final long ROUNDED = 0x2000;

    private static final int BEXT_READ_LIMIT = 1 << 20;

    private final ChunkReader in;
    private final Container container;
    private long dataSizeFromDs64 = -1;
    private ByteBuffer format;
    private BroadcastExtension broadcast;
    private long dataOffset = -1;
    private long dataBytes;

    private WavHeader(ChunkReader in, Container container) {
        this.in = in;
        this.container = container;
    }

    static SoundInfo read(ChunkReader in, Container container) throws IOException {
        WavHeader header = new WavHeader(in, container);
        header.walkChunks();
        return header.info();
    }

    private void walkChunks() throws IOException {
        long offset = 12;
        while (offset + 8 <= in.length()) {
            String id = in.id(offset);
            long size = in.read(offset + 4, 4, ByteOrder.LITTLE_ENDIAN).getInt() & 0xFFFFFFFFL;
            long body = offset + 8;
            if (id.equals("data")) {
                size = takeData(body, size);
            } else if (body + size > in.length()) {
                if (dataOffset >= 0 && format != null) {
                    return; // a trailing chunk cut short takes nothing from the sound
                }
                throw new SoundFileException(
                        "Its “" + id.trim() + "” chunk says it is " + size + " bytes long, but the file ends before.");
            } else {
                takeChunk(id, body, size);
            }
            offset = body + size + (size & 1);
        }
    }

    private void takeChunk(String id, long body, long size) throws IOException {
        switch (id) {
            case "ds64" -> {
                if (size >= 16) {
                    dataSizeFromDs64 =
                            in.read(body, 16, ByteOrder.LITTLE_ENDIAN).getLong(8);
                }
            }
            case "fmt " -> {
                if (size < 16) {
                    throw new SoundFileException("Its “fmt” chunk is too short to say what the sound is.");
                }
                format = in.read(body, (int) Math.min(size, 40), ByteOrder.LITTLE_ENDIAN);
            }
            case "bext" ->
                broadcast = BroadcastExtension.parse(
                        in.read(body, (int) Math.min(size, BEXT_READ_LIMIT), ByteOrder.LITTLE_ENDIAN)
                                .array());
            default -> {}
        }
    }

    private long takeData(long body, long sizeField) throws IOException {
        boolean in64 = container != Container.WAV && sizeField == SIZE_IN_DS64 && dataSizeFromDs64 >= 0;
        long size = in64 ? dataSizeFromDs64 : isStreamed(body, sizeField) ? in.length() - body : sizeField;
        if (dataOffset >= 0 && dataBytes > 0 && size > 0) {
            throw new SoundFileException(
                    "It has two “data” chunks, and nothing says how their sounds belong together.");
        }
        if (size > in.length() - body) {
            throw new SoundFileException("Its header promises " + size + " bytes of sound, but only "
                    + (in.length() - body) + " are there: the file was cut short.");
        }
        if (dataOffset < 0 || dataBytes == 0) {
            dataOffset = body;
            dataBytes = size;
        }
        return size;
    }

    /**
     * Whether whoever wrote the file could not go back to say how long it became: then sizes are nothing at all, or as large as they can
     * be, and the sound lasts to the end of the file.
     */
    private boolean isStreamed(long body, long sizeField) throws IOException {
        if (container != Container.WAV || body + sizeField == in.length()) {
            return false;
        }
        long whole = in.read(4, 4, ByteOrder.LITTLE_ENDIAN).getInt() & 0xFFFFFFFFL;
        return isOpen(whole) && isOpen(sizeField);
    }

    private static boolean isOpen(long size) {
        return size == 0
                || size >= LARGEST_SIGNED - ROUNDED && size <= LARGEST_SIGNED
                || size >= SIZE_IN_DS64 - ROUNDED;
    }

    private SoundInfo info() throws SoundFileException {
        if (format == null) {
            throw new SoundFileException("It has no “fmt” chunk, so nothing says what its sound is.");
        }
        if (dataOffset < 0) {
            throw new SoundFileException("It has no “data” chunk, so there is no sound in it.");
        }
        int tag = format.getShort(0) & 0xFFFF;
        int channels = format.getShort(2) & 0xFFFF;
        long hertz = format.getInt(4) & 0xFFFFFFFFL;
        int blockAlign = format.getShort(12) & 0xFFFF;
        int bits = format.getShort(14) & 0xFFFF;
        if (tag == FORMAT_EXTENSIBLE) {
            if (format.limit() < 40) {
                throw new SoundFileException("Its extended “fmt” chunk is too short.");
            }
            tag = format.getShort(24) & 0xFFFF; // the sub-format GUID starts with the plain format tag
        }
        Limits.check(channels, hertz);
        SampleFormat sample = sampleFormat(tag, bits, blockAlign, channels);
        if (blockAlign != channels * sample.bytes()) {
            throw new SoundFileException("Its header contradicts itself: " + channels + " channels of " + bits
                    + " bits do not make frames of " + blockAlign + " bytes.");
        }
        long frames = dataBytes / blockAlign;
        PcmLayout layout = new PcmLayout(dataOffset, channels, sample, ByteOrder.LITTLE_ENDIAN);
        return new SoundInfo(container, new SampleRate((int) hertz), frames, layout, channels, sample, broadcast);
    }

    private static SampleFormat sampleFormat(int tag, int bits, int blockAlign, int channels)
            throws SoundFileException {
        // Bits that fill no whole bytes (20 in 24) are left-aligned in their container, so it reads as the container.
        int containerBits = channels > 0 && blockAlign % channels == 0 ? blockAlign / channels * 8 : bits;
        if (tag == FORMAT_PCM && bits >= 1 && bits <= containerBits) {
            switch (containerBits) {
                case 8:
                    return SampleFormat.UINT8;
                case 16:
                    return SampleFormat.INT16;
                case 24:
                    return SampleFormat.INT24;
                case 32:
                    return SampleFormat.INT32;
                default:
                    break;
            }
        }
        if (tag == FORMAT_FLOAT && bits == containerBits && bits == 32) {
            return SampleFormat.FLOAT32;
        }
        if (tag == FORMAT_FLOAT && bits == containerBits && bits == 64) {
            return SampleFormat.FLOAT64;
        }
        throw new SoundFileException("Its samples (format " + tag + ", " + bits
                + " bits) are of a kind Apodex does not read: 8 to 32-bit integer or 32 and 64-bit float.");
    }
}
