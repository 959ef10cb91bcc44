package apodex.audio;

import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Map;

/**
 * What a file says of itself besides its sound, in the open chunks, blocks and tags of its kind. A file that says nothing, or is of no
 * kind that could, has no facts.
 *
 * @param title   what it holds; empty when it does not say
 * @param note    comments; may be empty
 * @param tracks  names by channel from 1, where it names them
 * @param markers named places, in frames of the file
 * @param start   where its first frame lies, by iXML; null where that says nothing
 * @param tempo   in beats a minute, by its tags; null where they say nothing
 */
public record SoundFacts(
        String title,
        String note,
        Map<Integer, String> tracks,
        List<Mark> markers,
        @Nullable Start start,
        @Nullable Double tempo) {
    public static final SoundFacts NONE = new SoundFacts("", "", Map.of(), List.of(), null, null);
    /** Larger chunks hold no words. */
    static final int MOST_BYTES = 1 << 20;

    /**
     * A moment of the day.
     *
     * @param samples since midnight
     * @param hertz   by which they are counted
     */
    public record Start(long samples, double hertz) {}

    /** A cue point. */
    public record Mark(long frame, String name) {}

    /** Reads the facts; trouble with a chunk leaves out that chunk. */
    public static SoundFacts read(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            ChunkReader in = new ChunkReader(channel);
            if (in.length() < 12) {
                return NONE;
            }
            return switch (in.id(0)) {
                case "RIFF", "RF64" -> in.id(8).equals("WAVE") ? WavFacts.read(in) : NONE;
                case "FORM" -> AiffFacts.read(in);
                case "fLaC" -> FlacFacts.read(in);
                default -> NONE;
            };
        }
    }

    static String first(String... texts) {
        for (String text : texts) {
            if (!text.isBlank()) {
                return text;
            }
        }
        return "";
    }

    static String text(byte[] bytes) {
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
