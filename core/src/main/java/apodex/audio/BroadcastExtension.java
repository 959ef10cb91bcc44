package apodex.audio;

import jakarta.annotation.Nullable;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;

/**
 * The {@code bext} chunk of a broadcast WAV file, version 2 (EBU Tech 3285, section 2.3) where the loudness is known, else version 1.
 *
 * @param description         what the file holds, at most 256 ASCII characters in the file
 * @param originator          who made it, at most 32
 * @param originatorReference a reference of the maker's own, at most 32
 * @param originationDate     {@code yyyy-mm-dd}
 * @param originationTime     {@code hh:mm:ss}
 * @param timeReference       first frame, counted from midnight
 * @param codingHistory       lines as EBU R 98 describes them, each ended by CR LF
 * @param loudness            null when it is not known
 */
public record BroadcastExtension(
        String description,
        String originator,
        String originatorReference,
        String originationDate,
        String originationTime,
        long timeReference,
        String codingHistory,
        @Nullable Loudness loudness) {
    /** Bytes before the coding history: 256+32+32+10+8+8+2+64 and 190 that are reserved. */
    static final int FIXED_BYTES = 602;

    private static final int DESCRIPTION = 256;
    private static final int ORIGINATOR = 32;
    private static final int REFERENCE = 32;
    private static final int DATE = 10;
    private static final int TIME = 8;
    private static final int UMID = 64;
    private static final int RESERVED = 190;
    /** Section 2.3: the value of a loudness that is not known, or that no 16 bits hold. */
    private static final short UNKNOWN = 0x7FFF;

    private static final double HIGHEST_LOUDNESS = 99.99;
    /** The bytes up to and with TimeReference: a chunk cut after it still places its recording. */
    private static final int NEEDED_BYTES = DESCRIPTION + ORIGINATOR + REFERENCE + DATE + TIME + 8;

    /** One whose loudness is not known. */
    public BroadcastExtension(
            String description,
            String originator,
            String originatorReference,
            String originationDate,
            String originationTime,
            long timeReference,
            String codingHistory) {
        this(
                description,
                originator,
                originatorReference,
                originationDate,
                originationTime,
                timeReference,
                codingHistory,
                null);
    }

    /**
     * What version 2 adds, each kept to a hundredth.
     *
     * @param valueLufs        integrated
     * @param rangeLu          loudness range
     * @param maxTruePeakDbtp  true peak
     * @param maxMomentaryLufs loudest 400 ms
     * @param maxShortTermLufs loudest 3 s
     */
    public record Loudness(
            double valueLufs,
            double rangeLu,
            double maxTruePeakDbtp,
            double maxMomentaryLufs,
            double maxShortTermLufs) {
        private void put(ByteBuffer out) {
            for (double value :
                    new double[] {valueLufs, rangeLu, maxTruePeakDbtp, maxMomentaryLufs, maxShortTermLufs}) {
                boolean fits = Math.abs(value) <= HIGHEST_LOUDNESS;
                out.putShort(fits ? (short) Math.round(100 * value) : UNKNOWN);
            }
        }
    }

    /** The same with its loudness. */
    BroadcastExtension with(@Nullable Loudness measured) {
        return but(codingHistory, measured);
    }

    /** The same for a file that came to have one channel (EBU R 98: M). */
    public BroadcastExtension mono() {
        return but(codingHistory.replace("M=stereo", "M=mono"), loudness);
    }

    private BroadcastExtension but(String history, @Nullable Loudness measured) {
        return new BroadcastExtension(
                description,
                originator,
                originatorReference,
                originationDate,
                originationTime,
                timeReference,
                history,
                measured);
    }

    /** Reads a chunk's body; null when it is too short to hold a time reference. */
    static BroadcastExtension parse(byte[] body) {
        if (body.length < NEEDED_BYTES) {
            return null;
        }
        ByteBuffer in = ByteBuffer.wrap(body).order(ByteOrder.LITTLE_ENDIAN);
        String description = text(in, DESCRIPTION);
        String originator = text(in, ORIGINATOR);
        String reference = text(in, REFERENCE);
        String date = text(in, DATE);
        String time = text(in, TIME);
        long timeReference = in.getLong();
        String history = "";
        if (body.length > FIXED_BYTES) {
            in.position(FIXED_BYTES);
            history = text(in, body.length - FIXED_BYTES);
        }
        return new BroadcastExtension(description, originator, reference, date, time, timeReference, history);
    }

    /** The chunk's body as it is written. */
    byte[] toBytes() {
        byte[] history = ascii(codingHistory);
        ByteBuffer out = ByteBuffer.allocate(FIXED_BYTES + history.length).order(ByteOrder.LITTLE_ENDIAN);
        put(out, description, DESCRIPTION);
        put(out, originator, ORIGINATOR);
        put(out, originatorReference, REFERENCE);
        put(out, originationDate, DATE);
        put(out, originationTime, TIME);
        out.putLong(timeReference);
        out.putShort((short) (loudness == null ? 1 : 2));
        out.position(out.position() + UMID);
        int behind = out.position() + RESERVED;
        if (loudness != null) {
            loudness.put(out);
        }
        out.position(behind);
        out.put(history);
        return out.array();
    }

    private static String text(ByteBuffer in, int length) {
        byte[] bytes = new byte[length];
        in.get(bytes);
        int end = 0;
        while (end < length && bytes[end] != 0) {
            end++;
        }
        return new String(bytes, 0, end, StandardCharsets.ISO_8859_1);
    }

    private static void put(ByteBuffer out, String text, int length) {
        byte[] bytes = ascii(text);
        out.put(bytes, 0, Math.min(bytes.length, length));
        out.position(out.position() + Math.max(0, length - bytes.length));
    }

    /** The chunk is ASCII: accents are dropped from their letters, anything else becomes a question mark. */
    private static byte[] ascii(String text) {
        String plain = Normalizer.normalize(text, Normalizer.Form.NFKD).replaceAll("\\p{M}+", "");
        return plain.getBytes(StandardCharsets.US_ASCII);
    }
}
