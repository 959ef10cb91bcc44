package apodex.audio;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;

/** Writes the names of a file as an ID3 tag of version 2.3 (id3.org): what AIFF and MP3 files carry. */
final class Id3Writer {
    private static final int HEADER = 10;
    /** Text with a mark for its byte order. */
    private static final byte UTF_16 = 1;

    private Id3Writer() {}

    /** The whole tag, of an even number of bytes. */
    static byte[] of(SoundLabel label) {
        ByteArrayOutputStream frames = new ByteArrayOutputStream();
        text(frames, "TIT2", label.title());
        text(frames, "TPE1", label.artist());
        text(frames, "TALB", label.song());
        text(frames, "TIT3", label.scene());
        text(frames, "TBPM", label.tempoWritten());
        text(frames, "TKEY", label.key());
        comment(frames, label);
        if ((frames.size() & 1) == 1) {
            frames.write(0); // padding
        }
        ByteBuffer out = ByteBuffer.allocate(HEADER + frames.size());
        out.put("ID3".getBytes(StandardCharsets.US_ASCII))
                .put((byte) 3)
                .put((byte) 0)
                .put((byte) 0);
        out.putInt(sevenBits(frames.size())).put(frames.toByteArray());
        return out.array();
    }

    private static void text(ByteArrayOutputStream out, String id, String text) {
        if (!text.isBlank()) {
            byte[] words = encoded(text);
            frame(
                    out,
                    id,
                    ByteBuffer.allocate(1 + words.length).put(UTF_16).put(words).array());
        }
    }

    /** Section 4.11: encoding, language, a short description (none), the text. */
    private static void comment(ByteArrayOutputStream out, SoundLabel label) {
        String said = label.take().isEmpty() ? label.note() : ("Take: " + label.take() + ". " + label.note()).strip();
        if (!said.isBlank()) {
            byte[] none = encoded("");
            byte[] words = encoded(said);
            frame(
                    out,
                    "COMM",
                    ByteBuffer.allocate(4 + none.length + 2 + words.length)
                            .put(UTF_16)
                            .put("eng".getBytes(StandardCharsets.US_ASCII))
                            .put(none)
                            .putShort((short) 0)
                            .put(words)
                            .array());
        }
    }

    private static void frame(ByteArrayOutputStream out, String id, byte[] body) {
        ByteBuffer header = ByteBuffer.allocate(HEADER);
        header.put(id.getBytes(StandardCharsets.US_ASCII)).putInt(body.length).putShort((short) 0);
        out.writeBytes(header.array());
        out.writeBytes(body);
    }

    private static byte[] encoded(String text) {
        return ("\uFEFF" + text).getBytes(StandardCharsets.UTF_16LE);
    }

    /** Sizes are written with seven bits a byte, so that none looks like the start of sound. */
    private static int sevenBits(int size) {
        return size & 0x7F | (size & 0x3F80) << 1 | (size & 0x1FC000) << 2 | (size & 0xFE00000) << 3;
    }
}
