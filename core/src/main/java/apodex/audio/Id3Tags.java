package apodex.audio;

import java.nio.ByteBuffer;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** Tags by ID3 of version 2.3 and 2.4 (id3.org), as they stand in chunks of WAV and AIFF files: title, comment, beats a minute. */
final class Id3Tags {
    static final int HEADER = 10;
    private static final int FOOTER = 0x10;
    private static final int EXTENDED = 0x40;
    private static final int UNSYNCHRONISED = 0x80;

    private Id3Tags() {}

    /** What they say; nothing where they are broken, or written in a way that hides their bytes. */
    static Tags read(byte[] chunk) {
        boolean isOne = chunk.length > HEADER && chunk[0] == 'I' && chunk[1] == 'D' && chunk[2] == '3';
        if (!isOne || chunk[3] < 3 || chunk[3] > 4 || (chunk[5] & UNSYNCHRONISED) != 0) {
            return Tags.NONE;
        }
        boolean isFour = chunk[3] == 4;
        ByteBuffer in = ByteBuffer.wrap(chunk);
        in.position(6);
        in.limit((int) Math.min(chunk.length, HEADER + (long) sevenBits(in.getInt())));
        if ((chunk[5] & EXTENDED) != 0 && in.remaining() > 4) {
            int size = in.getInt();
            in.position(Math.min(in.limit(), isFour ? HEADER + sevenBits(size) : in.position() + Math.max(0, size)));
        }
        Map<String, String> said = new HashMap<>();
        while (in.remaining() > HEADER && in.get(in.position()) != 0) {
            byte[] id = new byte[4];
            in.get(id);
            int size = in.getInt();
            in.getShort();
            size = isFour ? sevenBits(size) : size;
            if (size < 1 || size > in.remaining()) {
                break;
            }
            byte[] data = new byte[size];
            in.get(data);
            String name = new String(id, StandardCharsets.ISO_8859_1);
            if (name.equals("COMM") && size > 4) { // its language, a short word on what it is, and the comment
                String[] words =
                        words(data[0], Arrays.copyOfRange(data, 4, size)).split("\0", 2);
                said.putIfAbsent(name, words[words.length - 1]);
            } else if (name.startsWith("T")) {
                said.putIfAbsent(name, words(data[0], Arrays.copyOfRange(data, 1, size)));
            }
        }
        return new Tags(
                SoundFacts.tidy(said.getOrDefault("TIT2", "")),
                SoundFacts.tidy(said.getOrDefault("COMM", "")),
                Tags.tempo(said.getOrDefault("TBPM", "").replace("\0", "")));
    }

    /** How long a tag is, told by its header, with the header and what ends it; 0 where there is none. */
    static long wholeBytes(byte[] header) {
        if (header[0] != 'I' || header[1] != 'D' || header[2] != '3') {
            return 0;
        }
        int footer = (header[5] & FOOTER) != 0 ? HEADER : 0;
        return HEADER + (long) sevenBits(ByteBuffer.wrap(header).getInt(6)) + footer;
    }

    private static int sevenBits(int size) {
        return size & 0x7F | (size & 0x7F00) >> 1 | (size & 0x7F0000) >> 2 | (size & 0x7F000000) >> 3;
    }

    private static String words(byte encoding, byte[] text) {
        Charset charset =
                switch (encoding) {
                    case 1 -> StandardCharsets.UTF_16;
                    case 2 -> StandardCharsets.UTF_16BE;
                    case 3 -> StandardCharsets.UTF_8;
                    default -> StandardCharsets.ISO_8859_1;
                };
        return new String(text, charset).replace("\uFEFF", "");
    }
}
