package apodex.audio;

import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** What the Vorbis comment of a FLAC file says (RFC 9639, section 8.6). */
final class FlacFacts {
    private static final int STREAM_INFO = 0;
    /** Section 8.2: block and frame sizes, 10 bytes, come before 20 bits of sample rate. */
    private static final int RATE_AT = 10;

    private static final int COMMENT = 4;

    private FlacFacts() {}

    static SoundFacts read(ChunkReader in) throws IOException {
        long offset = 4;
        boolean last = false;
        SampleRate rate = null;
        while (!last && offset + 4 <= in.length()) {
            int header = in.read(offset, 4, ByteOrder.BIG_ENDIAN).getInt();
            last = header < 0;
            int type = header >> 24 & 0x7F;
            int size = header & 0xFFFFFF;
            if (type == STREAM_INFO && size >= RATE_AT + 4) {
                int hertz =
                        in.read(offset + 4 + RATE_AT, 4, ByteOrder.BIG_ENDIAN).getInt() >>> 12;
                rate = SampleRate.isUsable(hertz) ? SampleRate.of(hertz) : null;
            }
            if (type == COMMENT && size <= SoundFacts.MOST_BYTES && offset + 4 + size <= in.length()) {
                return facts(said(in.read(offset + 4, size, ByteOrder.LITTLE_ENDIAN)), rate);
            }
            offset += 4 + size;
        }
        return SoundFacts.NONE;
    }

    private static SoundFacts facts(Map<String, String> said, @Nullable SampleRate rate) {
        return new SoundFacts(
                SoundFacts.tidy(said.getOrDefault("TITLE", "")),
                SoundFacts.tidy(
                        SoundFacts.first(said.getOrDefault("COMMENT", ""), said.getOrDefault("DESCRIPTION", ""))),
                Map.of(),
                rate == null ? List.of() : FlacChapters.read(said, rate),
                null,
                Tags.tempo(SoundFacts.first(said.getOrDefault("BPM", ""), said.getOrDefault("TEMPO", ""))));
    }

    /** What is written before the block breaks is kept. */
    private static Map<String, String> said(ByteBuffer in) {
        Map<String, String> said = new HashMap<>();
        if (text(in) != null && in.remaining() >= 4) { // the first is the writer's own name
            int count = in.getInt();
            for (int i = 0; i < count; i++) {
                String comment = text(in);
                if (comment == null) {
                    return said;
                }
                int equals = comment.indexOf('=');
                if (equals > 0) {
                    said.putIfAbsent(
                            comment.substring(0, equals).toUpperCase(Locale.ROOT), comment.substring(equals + 1));
                }
            }
        }
        return said;
    }

    private static String text(ByteBuffer in) {
        if (in.remaining() < 4) {
            return null;
        }
        int length = in.getInt();
        if (length < 0 || length > in.remaining()) {
            return null;
        }
        byte[] bytes = new byte[length];
        in.get(bytes);
        return new String(bytes, StandardCharsets.UTF_8);
    }
}
