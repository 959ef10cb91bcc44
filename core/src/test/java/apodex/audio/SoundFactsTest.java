package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
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

    /** What other programs write into the tags and chunks of their kinds of file. */
    @Test
    void tagsAndChunksOfOtherKindsAreRead() throws Exception {
        Path wave = Files.write(folder.resolve("a.wav"), SoundBytes.mono24(1, 2, 3));
        OutsideTools.run(folder, "flac", "-s", "-f", wave.toString(), "-o", "a.flac");
        OutsideTools.run(
                folder,
                "metaflac",
                "--set-tag=TITLE=Tuba bell",
                "--set-tag=DESCRIPTION=zurückgedreht",
                "--set-tag=bpm=97,5",
                "a.flac");
        assertThat(SoundFacts.read(folder.resolve("a.flac")))
                .isEqualTo(new SoundFacts("Tuba bell", "zurückgedreht", Map.of(), List.of(), null, 97.5));
        for (String version : List.of("3", "4")) {
            OutsideTools.run(
                    folder,
                    "ffmpeg",
                    "-v",
                    "error",
                    "-y",
                    "-i",
                    "a.wav",
                    "-write_id3v2",
                    "1",
                    "-id3v2_version",
                    version,
                    "-metadata",
                    "TBPM=113",
                    "-metadata",
                    "title=Größe",
                    "a.aiff");
            SoundFacts facts = SoundFacts.read(folder.resolve("a.aiff"));
            assertThat(facts.tempo()).as("ID3 2.%s", version).isEqualTo(113.0);
            assertThat(facts.title()).isEqualTo("Größe");
        }
        byte[] aiff = Files.readAllBytes(folder.resolve("a.aiff"));
        String all = new String(aiff, StandardCharsets.ISO_8859_1);
        byte[] tag = Arrays.copyOfRange(aiff, all.indexOf("ID3 ") + 8, aiff.length);
        assertThat(read(SoundBytes.riff().format(1, 1, 48_000, 24).chunk("id3 ", tag))
                        .tempo())
                .isEqualTo(113.0);
        for (int cut = 0; cut < 40; cut++) {
            read(SoundBytes.riff().format(1, 1, 48_000, 24).chunk("id3 ", Arrays.copyOf(tag, cut))); // never a fault
        }
    }

    @Test
    void markersOfAiffAndStampsOfIxmlAreRead() throws IOException {
        ByteBuffer marks = ByteBuffer.allocate(2 + 2 * 12).putShort((short) 2);
        marks.putShort((short) 1).putInt(96_000).put((byte) 5).put("Verse".getBytes(StandardCharsets.US_ASCII));
        marks.putShort((short) 2)
                .putInt(12)
                .put((byte) 4)
                .put("Turn".getBytes(StandardCharsets.US_ASCII))
                .put((byte) 0);
        Path file = folder.resolve("x.aif");
        Files.write(
                file,
                SoundBytes.aiff()
                        .chunk("MARK", marks.array())
                        .chunk("NAME", bytes("Tuba"))
                        .chunk("ANNO", bytes("bell turned away"))
                        .aiffFile("AIFF"));
        SoundFacts facts = SoundFacts.read(file);
        assertThat(facts.markers())
                .containsExactly(new SoundFacts.Mark(12, "Turn"), new SoundFacts.Mark(96_000, "Verse"));
        assertThat(List.of(facts.title(), facts.note())).containsExactly("Tuba", "bell turned away");
        String ixml = "<BWFXML><SPEED><TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI>1</TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_HI>"
                + "<TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO>704</TIMESTAMP_SAMPLES_SINCE_MIDNIGHT_LO>"
                + "<TIMESTAMP_SAMPLE_RATE>96000</TIMESTAMP_SAMPLE_RATE></SPEED></BWFXML>";
        assertThat(read(SoundBytes.riff().format(1, 1, 48_000, 24).chunk("iXML", ixml.getBytes(StandardCharsets.UTF_8)))
                        .start())
                .isEqualTo(new SoundFacts.Start(4_294_968_000L, 96_000));
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
