package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class SoundFactsTest {
    @TempDir
    private Path folder;

    private static byte[] sub(String id, byte[] data) {
        ByteBuffer out =
                ByteBuffer.allocate(8 + data.length + (data.length & 1)).order(ByteOrder.LITTLE_ENDIAN);
        return out.put(id.getBytes(StandardCharsets.US_ASCII))
                .putInt(data.length)
                .put(data)
                .array();
    }

    private static byte[] list(String kind, byte[]... parts) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(kind.getBytes(StandardCharsets.US_ASCII));
        for (byte[] part : parts) {
            out.write(part);
        }
        return out.toByteArray();
    }

    private static byte[] bytes(String text) {
        return (text + "\0").getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] label(int cue, String text) {
        byte[] words = bytes(text);
        return ByteBuffer.allocate(4 + words.length)
                .order(ByteOrder.LITTLE_ENDIAN)
                .putInt(cue)
                .put(words)
                .array();
    }

    private SoundFacts read(SoundBytes bytes) throws IOException {
        return SoundFacts.read(Files.write(
                folder.resolve("x.wav"), bytes.chunk("data", new byte[6]).wave()));
    }

    @Test
    void namesCommentsTracksAndMarkersAreFound() throws IOException {
        ByteBuffer cues =
                ByteBuffer.allocate(4 + 2 * 24).order(ByteOrder.LITTLE_ENDIAN).putInt(2);
        cues.putInt(7)
                .putInt(0)
                .put("data".getBytes(StandardCharsets.US_ASCII))
                .putInt(0)
                .putInt(0)
                .putInt(96_000);
        cues.putInt(3)
                .putInt(0)
                .put("data".getBytes(StandardCharsets.US_ASCII))
                .putInt(0)
                .putInt(0)
                .putInt(48_000);
        String ixml =
                "<BWFXML><NOTE>wind &amp; rain</NOTE><TRACK_LIST><TRACK><INTERLEAVE_INDEX>1</INTERLEAVE_INDEX><NAME>Boom</NAME></TRACK>"
                        + "<TRACK><INTERLEAVE_INDEX>2</INTERLEAVE_INDEX><NAME>Lav Größe</NAME></TRACK></TRACK_LIST></BWFXML>";
        SoundFacts facts = read(SoundBytes.riff()
                .format(1, 1, 48_000, 24)
                .chunk("LIST", list("INFO", sub("INAM", bytes("Tuba")), sub("ICMT", bytes("bell turned away"))))
                .chunk("cue ", cues.array())
                .chunk("LIST", list("adtl", sub("labl", label(3, "Verse"))))
                .chunk("iXML", ixml.getBytes(StandardCharsets.UTF_8)));
        assertThat(facts.tracks())
                .containsEntry(1, "Boom")
                .containsEntry(2, "Lav Größe")
                .hasSize(2);
        assertThat(facts.title()).as("a track's name says more than a file's").isEqualTo("Boom");
        assertThat(facts.note()).isEqualTo("bell turned away");
        assertThat(facts.markers())
                .isEqualTo(List.of(new SoundFacts.Mark(48_000, "Verse"), new SoundFacts.Mark(96_000, "Mark 7")));
    }

    @Test
    void whatIsBrokenOrSaysNothingIsLeftOut() throws IOException {
        assertThat(read(SoundBytes.riff().format(1, 1, 48_000, 24))).isEqualTo(SoundFacts.NONE);
        SoundFacts facts = read(SoundBytes.riff()
                .format(1, 1, 48_000, 24)
                .chunk("cue ", new byte[] {(byte) 0xFF, (byte) 0xFF, (byte) 0xFF, 0x7F})
                .chunk("LIST", list("INFO", new byte[] {'I', 'N', 'A', 'M', 100, 0, 0, 0, 'x'}))
                .chunk("iXML", "<TRACK><NAME>".getBytes(StandardCharsets.UTF_8)));
        assertThat(facts).isEqualTo(SoundFacts.NONE);
        assertThat(SoundFacts.read(Files.write(folder.resolve("y"), new byte[3])))
                .isEqualTo(SoundFacts.NONE);
    }

    @Test
    void ixmlIsReadByItsOwnEncodingAndFetchesNothing() throws IOException {
        String document =
                "<?xml version=\"1.0\" encoding=\"UTF-16\"?>\n<BWFXML><NOTE>Größe &#8211; gut</NOTE><TRACK_LIST>"
                        + "<TRACK><CHANNEL_INDEX>2</CHANNEL_INDEX><INTERLEAVE_INDEX>1</INTERLEAVE_INDEX>"
                        + "<NAME><![CDATA[Tuba & Harp]]></NAME></TRACK>"
                        + "<TRACK><CHANNEL_INDEX>0</CHANNEL_INDEX><NAME>nowhere</NAME></TRACK></TRACK_LIST></BWFXML>";
        SoundFacts facts = read(
                SoundBytes.riff().format(1, 1, 48_000, 24).chunk("iXML", document.getBytes(StandardCharsets.UTF_16)));
        assertThat(facts.title()).isEqualTo("Tuba & Harp");
        assertThat(facts.note()).isEqualTo("Größe – gut");
        assertThat(facts.tracks()).containsOnlyKeys(1);
        Path secret = Files.writeString(folder.resolve("secret.txt"), "hidden");
        String fetching = "<?xml version=\"1.0\"?><!DOCTYPE x [<!ENTITY e SYSTEM \"" + secret.toUri()
                + "\">]><BWFXML><NOTE>&e;</NOTE></BWFXML>";
        assertThat(read(SoundBytes.riff()
                                .format(1, 1, 48_000, 24)
                                .chunk("iXML", fetching.getBytes(StandardCharsets.UTF_8)))
                        .note())
                .doesNotContain("hidden");
    }
}
