package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** What the text and marker chunks of an AIFF file say (AIFF 1.3: NAME, ANNO, MARK), and its ID3 tags. */
final class AiffFacts {
    private AiffFacts() {}

    static SoundFacts read(ChunkReader in) throws IOException {
        String title = "";
        String note = "";
        Tags tags = Tags.NONE;
        List<SoundFacts.Mark> markers = new ArrayList<>();
        long offset = 12;
        while (offset + 8 <= in.length()) {
            String id = in.id(offset);
            long size = in.read(offset + 4, 4, ByteOrder.BIG_ENDIAN).getInt() & 0xFFFFFFFFL;
            long body = offset + 8;
            if (size > 0 && size <= SoundFacts.MOST_BYTES && body + size <= in.length()) {
                switch (id) {
                    case "NAME" -> title = SoundFacts.text(bytes(in, body, size));
                    case "ANNO" -> note = SoundFacts.first(note, SoundFacts.text(bytes(in, body, size)));
                    case "MARK" -> markers(in.read(body, (int) size, ByteOrder.BIG_ENDIAN), markers);
                    case "ID3 ", "id3 " -> tags = Id3Tags.read(bytes(in, body, size));
                    default -> {}
                }
            }
            offset = body + size + (size & 1);
        }
        markers.sort(Comparator.comparingLong(SoundFacts.Mark::frame));
        return new SoundFacts(
                SoundFacts.first(title, tags.title()),
                SoundFacts.first(note, tags.note()),
                Map.of(),
                List.copyOf(markers),
                null,
                tags.tempo());
    }

    private static byte[] bytes(ChunkReader in, long body, long size) throws IOException {
        return in.read(body, (int) size, ByteOrder.BIG_ENDIAN).array();
    }

    /** A number of its own, a frame, and a name whose first byte is its length, padded to an even one. */
    private static void markers(ByteBuffer data, List<SoundFacts.Mark> markers) {
        int count = data.remaining() < 2 ? 0 : data.getShort() & 0xFFFF;
        for (int i = 0; i < count && data.remaining() >= 7; i++) {
            int id = data.getShort();
            long frame = data.getInt() & 0xFFFFFFFFL;
            byte[] name = new byte[Math.min(data.get() & 0xFF, data.remaining())];
            data.get(name);
            if (name.length % 2 == 0 && data.hasRemaining()) {
                data.get();
            }
            String text = SoundFacts.text(name);
            markers.add(new SoundFacts.Mark(frame, text.isEmpty() ? "Mark " + id : text));
        }
    }
}
