package apodex.audio;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Writes named places for the chunks that hold them: {@code cue } and {@code LIST adtl} of WAV, {@code MARK} of AIFF. */
final class CueChunks {
    private static final int CUE_BYTES = 24;
    private static final int LONGEST_PASCAL_STRING = 254;

    private CueChunks() {}

    /** Both chunks, headers included; nothing where there are no places (Multimedia Programming Interface 1.0, “Cue-Points Chunk”). */
    static byte[] wav(List<SoundFacts.Mark> cues) {
        if (cues.isEmpty()) {
            return new byte[0];
        }
        List<byte[]> names = cues.stream().map(CueChunks::terminated).toList();
        int labels = 4 + names.stream().mapToInt(name -> 12 + even(name.length)).sum();
        ByteBuffer out = ByteBuffer.allocate(8 + 4 + CUE_BYTES * cues.size() + 8 + labels)
                .order(ByteOrder.LITTLE_ENDIAN);
        out.put(ascii("cue ")).putInt(4 + CUE_BYTES * cues.size()).putInt(cues.size());
        for (int i = 0; i < cues.size(); i++) {
            int frame = (int) cues.get(i).frame();
            out.putInt(i + 1)
                    .putInt(frame)
                    .put(ascii("data"))
                    .putInt(0)
                    .putInt(0)
                    .putInt(frame);
        }
        out.put(ascii("LIST")).putInt(labels).put(ascii("adtl"));
        for (int i = 0; i < names.size(); i++) {
            byte[] name = names.get(i);
            out.put(ascii("labl")).putInt(4 + name.length).putInt(i + 1).put(name);
            out.position(out.position() + even(name.length) - name.length);
        }
        return out.array();
    }

    /** The chunk, header included; nothing where there are no places (AIFF 1.3, “The Marker Chunk”). */
    static byte[] aiff(List<SoundFacts.Mark> cues) {
        if (cues.isEmpty()) {
            return new byte[0];
        }
        List<byte[]> names = cues.stream().map(CueChunks::pascal).toList();
        int body = 2 + names.stream().mapToInt(name -> 6 + name.length).sum();
        ByteBuffer out = ByteBuffer.allocate(8 + body).order(ByteOrder.BIG_ENDIAN);
        out.put(ascii("MARK")).putInt(body).putShort((short) cues.size());
        for (int i = 0; i < cues.size(); i++) {
            out.putShort((short) (i + 1)).putInt((int) cues.get(i).frame()).put(names.get(i));
        }
        return out.array();
    }

    private static byte[] terminated(SoundFacts.Mark cue) {
        return (cue.name() + "\0").getBytes(StandardCharsets.UTF_8);
    }

    /** Its length in front, padded to an even number of bytes with it. */
    private static byte[] pascal(SoundFacts.Mark cue) {
        byte[] name = cue.name().getBytes(StandardCharsets.UTF_8);
        int length = Math.min(name.length, LONGEST_PASCAL_STRING);
        while (length < name.length && length > 0 && (name[length] & 0xC0) == 0x80) {
            length--; // no letter is cut in two
        }
        ByteBuffer out = ByteBuffer.allocate(even(1 + length));
        out.put((byte) length).put(name, 0, length);
        return out.array();
    }

    private static int even(int length) {
        return length + (length & 1);
    }

    private static byte[] ascii(String id) {
        return id.getBytes(StandardCharsets.US_ASCII);
    }
}
