package apodex.audio;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a WAV file says of itself besides its sound: {@code bext} description (EBU Tech 3285), {@code LIST INFO}, track
 * names of iXML, cue points with their labels. A file that says nothing, or is none of these, has no facts.
 *
 * @param title   what it holds; empty when it does not say
 * @param note    comments; may be empty
 * @param tracks  names by channel from 1, where it names them
 * @param markers named places, in frames of the file
 */
public record SoundFacts(String title, String note, Map<Integer, String> tracks, List<Mark> markers) {
    public static final SoundFacts NONE = new SoundFacts("", "", Map.of(), List.of());
    private static final int MOST_BYTES = 1 << 20;

    /** A cue point. */
    public record Mark(long frame, String name) {}

    /** Reads the facts; trouble with a chunk leaves out that chunk. */
    public static SoundFacts read(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            ChunkReader in = new ChunkReader(channel);
            if (in.length() < 12 || !in.id(8).equals("WAVE")) {
                return NONE;
            }
            return read(in);
        }
    }

    private static SoundFacts read(ChunkReader in) throws IOException {
        Map<String, String> info = new HashMap<>();
        Map<Integer, String> tracks = new HashMap<>();
        Map<Integer, Long> cues = new HashMap<>();
        Map<Integer, String> labels = new HashMap<>();
        String description = "";
        long offset = 12;
        while (offset + 8 <= in.length()) {
            String id = in.id(offset);
            long size = in.read(offset + 4, 4, ByteOrder.LITTLE_ENDIAN).getInt() & 0xFFFFFFFFL;
            long body = offset + 8;
            boolean whole = size <= MOST_BYTES && body + size <= in.length();
            if (whole && size >= 4) {
                switch (id) {
                    case "bext" -> {
                        BroadcastExtension bext =
                                BroadcastExtension.parse(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN)
                                        .array());
                        description = bext == null ? "" : tidy(bext.description());
                    }
                    case "LIST" -> list(in, body, size, info, labels);
                    case "iXML" -> {
                        IxmlFacts ixml = IxmlFacts.read(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN)
                                .array());
                        tracks.putAll(ixml.tracks());
                        info.putIfAbsent("NOTE", ixml.note());
                    }
                    case "cue " -> cues(in.read(body, (int) size, ByteOrder.LITTLE_ENDIAN), cues);
                    default -> {}
                }
            }
            offset = body + size + (size & 1);
        }
        List<Mark> markers = new ArrayList<>();
        cues.forEach((id, frame) -> markers.add(new Mark(frame, labels.getOrDefault(id, "Mark " + id))));
        markers.sort(java.util.Comparator.comparingLong(Mark::frame));
        String title = first(tracks.getOrDefault(1, ""), info.getOrDefault("INAM", ""), description);
        String note = first(info.getOrDefault("ICMT", ""), info.getOrDefault("NOTE", ""));
        return new SoundFacts(title, note, Map.copyOf(tracks), List.copyOf(markers));
    }

    private static String first(String... texts) {
        for (String text : texts) {
            if (!text.isBlank()) {
                return text;
            }
        }
        return "";
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
                info.put(id, text(data.array()));
            } else if (kind.equals("adtl") && id.equals("labl") && length > 4) {
                int cue = data.getInt();
                byte[] rest = new byte[data.remaining()];
                data.get(rest);
                labels.put(cue, text(rest));
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

    private static String text(byte[] bytes) {
        int end = 0;
        while (end < bytes.length && bytes[end] != 0) {
            end++;
        }
        String utf8 = new String(bytes, 0, end, StandardCharsets.UTF_8);
        return tidy(utf8.indexOf('\uFFFD') < 0 ? utf8 : new String(bytes, 0, end, StandardCharsets.ISO_8859_1));
    }

    static String tidy(String text) {
        return text.replaceAll("[\\p{Cntrl}]+", " ").strip();
    }
}
