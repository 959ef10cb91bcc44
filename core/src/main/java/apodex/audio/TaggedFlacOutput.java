package apodex.audio;

import apodex.time.SampleRate;
import java.io.Closeable;
import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import net.sourceforge.javaflacencoder.FLACOutputStream;

/**
 * Where an encoder's FLAC goes that knows no tags: a block of Vorbis comments (RFC 9639, section 8.6) is put behind its stream
 * information, and what it writes later lands behind that. The encoder's own last block, padding, stays the last.
 */
final class TaggedFlacOutput implements FLACOutputStream, Closeable {
    private static final int COMMENTS = 4;
    /** Magic, and the stream information with its header. */
    private static final int START = FlacFile.STREAM_INFO_OFFSET + FlacFile.STREAM_INFO_BYTES;

    private final RandomAccessFile file;
    private final int shift;
    private long position;

    /** @param file must not exist */
    TaggedFlacOutput(Path file, SoundLabel label, SampleRate rate) throws IOException {
        byte[] block = block(label, rate);
        this.shift = block.length;
        this.file = new RandomAccessFile(file.toFile(), "rw");
        this.file.seek(START);
        this.file.write(block);
        this.file.seek(0);
    }

    private static byte[] block(SoundLabel label, SampleRate rate) {
        List<byte[]> comments = new ArrayList<>();
        put(comments, "TITLE", label.title());
        put(comments, "ARTIST", label.artist());
        put(comments, "ALBUM", label.song());
        put(comments, "PART", label.scene());
        put(comments, "TAKE", label.take());
        put(comments, "COMMENT", label.note());
        put(comments, "BPM", label.tempoWritten());
        put(comments, "INITIALKEY", label.key());
        if (label.broadcast() != null) {
            put(comments, "DATE", label.broadcast().originationDate());
        }
        for (int i = 0; i < label.cues().size(); i++) {
            SoundFacts.Mark cue = label.cues().get(i);
            put(comments, FlacChapters.key(i), FlacChapters.time(rate.seconds(cue.frame())));
            put(comments, FlacChapters.nameKey(i), cue.name());
        }
        byte[] maker = "Apodex".getBytes(StandardCharsets.UTF_8);
        int size = 4
                + maker.length
                + 4
                + comments.stream().mapToInt(comment -> 4 + comment.length).sum();
        ByteBuffer out = ByteBuffer.allocate(4 + size);
        out.putInt(COMMENTS << 24 | size).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(maker.length).put(maker).putInt(comments.size());
        comments.forEach(comment -> out.putInt(comment.length).put(comment));
        return out.array();
    }

    private static void put(List<byte[]> comments, String name, String text) {
        if (text != null && !text.isBlank()) {
            comments.add((name + "=" + text).getBytes(StandardCharsets.UTF_8));
        }
    }

    @Override
    public long seek(long to) {
        position = to;
        return to;
    }

    @Override
    public int write(byte[] bytes, int offset, int count) throws IOException {
        int before = (int) Math.max(0, Math.min(count, START - position));
        if (before > 0) {
            file.seek(position);
            file.write(bytes, offset, before);
        }
        if (count > before) {
            file.seek(position + before + shift);
            file.write(bytes, offset + before, count - before);
        }
        position += count;
        return count;
    }

    @Override
    public void write(byte single) throws IOException {
        write(new byte[] {single}, 0, 1);
    }

    @Override
    public long size() {
        try {
            return Math.max(0, file.length() - shift);
        } catch (IOException e) {
            return 0;
        }
    }

    @Override
    public boolean canSeek() {
        return true;
    }

    @Override
    public long getPos() {
        return position;
    }

    @Override
    public void close() throws IOException {
        file.close();
    }
}
