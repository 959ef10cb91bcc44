package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What the chunks of a WAV file say besides its sound: {@code bext} description (EBU Tech 3285), {@code LIST INFO}, iXML, {@code id3},
 * cue points with their labels.
 */
final class WavFacts {
    private WavFacts() {}

    static SoundFacts read(ChunkReader in) throws IOException {
        Map<String, String> info = new HashMap<>();
        Map<Integer, String> tracks = new HashMap<>();
        Map<Integer, Long> cues = new HashMap<>();
        Map<Integer, String> labels = new HashMap<>();
        String description = "";
        Tags tags = Tags.NONE;
        IxmlFacts ixml = null;
        long offset = 12;
        while (offset + 8 <= in.length()) {
            String id = in.id(offset);
            long size = in.read(offset + 4, 4, ByteOrder.LITTLE_ENDIAN).getInt() & 0xFFFFFFFFL;
            long body = offset + 8;
            boolean whole = size <= SoundFacts.MOST_BYTES && body + size <= in.length();
            if (whole && size >= 4) {
                switch (id) {
                    case "bext" -> {
                        BroadcastExtension bext =
                                BroadcastExtension.parse(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN)
                                        .array());
                        description = bext == null ? "" : SoundFacts.tidy(bext.description());
                    }
                    case "LIST" -> list(in, body, size, info, labels);
                    case "iXML" -> {
                        ixml = IxmlFacts.read(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN)
                                .array());
                        tracks.putAll(ixml.tracks());
                        info.putIfAbsent("NOTE", ixml.note());
                    }
                    case "id3 ", "ID3 " ->
                        tags = Id3Tags.read(
                                in.read(body, (int) size, ByteOrder.BIG_ENDIAN).array());
                    case "cue " -> cues(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN), cues);
                    default -> {}
                }
            }
            offset = body + size + (size & 1);
        }
        List<SoundFacts.Mark> markers = new ArrayList<>();
        cues.forEach((id, frame) -> markers.add(new SoundFacts.Mark(frame, labels.getOrDefault(id, "Mark " + id))));
        markers.sort(Comparator.comparingLong(SoundFacts.Mark::frame));
        String title =
                SoundFacts.first(tracks.getOrDefault(1, ""), info.getOrDefault("INAM", ""), description, tags.title());
        String note = SoundFacts.first(info.getOrDefault("ICMT", ""), info.getOrDefault("NOTE", ""), tags.note());
        return new SoundFacts(
                title,
                note,
                Map.copyOf(tracks),
                List.copyOf(markers),
                ixml == null ? null : ixml.start(),
                tags.tempo());
    }

    private static void list(
            ChunkReader in, long body, long size, Map<String, String> info, Map<Integer, String> labels)
            throws IOException {
        String kind = in.id(body);
        long at = body + 4;
        while (at + 8 <= body + size) {
            String id = in.id(at);
            long length = in.read(at + 4, 4, ByteOrder.LITTLE_ENDIAN).getInt() & 0xFFFFFFFFL;
            if (at + 8 + length > body + size) {
                return;
            }
            ByteBuffer data = in.read(at + 8, (int) length, ByteOrder.LITTLE_ENDIAN);
            if (kind.equals("INFO")) {
                info.put(id, SoundFacts.text(data.array()));
            } else if (kind.equals("adtl") && id.equals("labl") && length > 4) {
                int cue = data.getInt();
                byte[] rest = new byte[data.remaining()];
                data.get(rest);
                labels.put(cue, SoundFacts.text(rest));
            }
            at += 8 + length + (length & 1);
        }
    }

    private static void cues(ByteBuffer data, Map<Integer, Long> cues) {
        int count = Math.min(data.getInt(), data.remaining() / 24);
        for (int i = 0; i < count; i++) {
            int id = data.getInt();
            data.position(data.position() + 16);
            cues.put(id, data.getInt() & 0xFFFFFFFFL);
        }
    }
}
