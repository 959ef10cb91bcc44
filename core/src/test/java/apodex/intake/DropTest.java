package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.Limits;
import apodex.audio.SoundBytes;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.CRC32;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

final class DropTest {
    private static final byte[] SOUND = SoundBytes.mono24(1, 2, 3);

    @TempDir
    private Path folder;

    private Drop drop;

    @BeforeEach
    void begin() throws IOException {
        drop = new Drop(Files.createDirectories(folder.resolve("work")));
    }

    @Test
    void unpacksFoldersAndLeavesSystemLeftoversBehind() throws IOException {
        add(
                "Low Tide.zip",
                zip(entries(
                        "Audio/01.wav",
                        SOUND,
                        "Audio/deep/02.wav",
                        SOUND,
                        "__MACOSX/Audio/._01.wav",
                        new byte[9],
                        ".DS_Store",
                        new byte[9],
                        "Thumbs.db",
                        new byte[9])));
        assertThat(drop.files()).extracting(DroppedFile::name).containsExactly("01.wav", "02.wav");
        assertThat(drop.files().get(1).content()).hasBinaryContent(SOUND);
        assertThat(drop.refused()).isEmpty();
        assertThat(drop.title("Folder")).contains("Low Tide");
    }

    @Test
    void aSessionIsCalledAfterItsFolderOrItsOnlyMidiFile() throws IOException {
        assertThat(drop.title(null)).isEmpty();
        add("Low Tide.MID", SOUND);
        add("Tuba.wav", SOUND);
        assertThat(drop.title(null)).contains("Low Tide");
        assertThat(drop.title("Harbour takes")).contains("Harbour takes");
        assertThat(drop.title("a\u0000b")).as("no name").contains("Low Tide");
        add("Another.midi", SOUND);
        assertThat(drop.title(null)).as("two songs").isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"../up.wav", "a/../../up.wav", "/etc/up.wav", "C:\\up.wav", "..\\up.wav", "a/.."})
    void takesNothingFromAZipThatClimbsOut(String entry) throws IOException {
        add("bad.zip", zip(entries("good.wav", SOUND, entry, SOUND)));
        assertThat(drop.files()).isEmpty();
        assertThat(drop.refused()).singleElement().satisfies(refusal -> {
            assertThat(refusal.file()).isEqualTo("bad.zip");
            assertThat(refusal.reason()).contains("outside of the zip");
        });
        assertThat(folder.getParent().resolve("up.wav")).doesNotExist();
    }

    @Test
    void stopsAnExplodingEntryWhileItUnpacks() throws IOException {
        byte[] bomb = new byte[400 << 20];
        add("bomb.zip", zip(entries("01.wav", SOUND, "bomb.wav", bomb)));
        assertThat(drop.files()).extracting(DroppedFile::name).containsExactly("01.wav");
        assertThat(drop.refused())
                .singleElement()
                .extracting(Refusal::reason)
                .asString()
                .contains("times its size");
        try (var left = Files.walk(folder.resolve("work"))) {
            assertThat(left.filter(Files::isRegularFile)
                            .mapToLong(path -> path.toFile().length())
                            .sum())
                    .isLessThan(1_000);
        }
    }

    /** As sound goes: stored, not packed, so that nothing but the checksum tells a flipped bit. */
    @Test
    void whatComesOutOfAZipIsHeldToItsChecksum() throws IOException {
        CRC32 crc = new CRC32();
        crc.update(SOUND);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (String name : new String[] {"good.wav", "flipped.wav"}) {
                ZipEntry entry = new ZipEntry(name);
                entry.setMethod(ZipEntry.STORED);
                entry.setSize(SOUND.length);
                entry.setCrc(crc.getValue());
                zip.putNextEntry(entry);
                zip.write(SOUND);
                zip.closeEntry();
            }
        }
        byte[] packed = bytes.toByteArray();
        int name = new String(packed, StandardCharsets.ISO_8859_1).indexOf("flipped.wav");
        packed[name + "flipped.wav".length() + SOUND.length - 1] ^= 1;
        add("song.zip", packed);
        assertThat(drop.files()).extracting(DroppedFile::name).containsExactly("good.wav");
        assertThat(drop.refused()).singleElement().satisfies(refusal -> {
            assertThat(refusal.file()).isEqualTo("flipped.wav");
            assertThat(refusal.reason()).contains("damaged inside “song.zip”");
        });
    }

    @Test
    void refusesZipsInZipsAndDamagedZips() throws IOException {
        byte[] inner = zip(entries("a.wav", SOUND));
        add("outer.zip", zip(entries("inner.zip", inner, "b.wav", SOUND)));
        assertThat(drop.files()).extracting(DroppedFile::name).containsExactly("b.wav");
        assertThat(drop.refused())
                .extracting(Refusal::reason)
                .singleElement()
                .asString()
                .contains("zip inside a zip");
        add("cut.zip", java.util.Arrays.copyOf(inner, inner.length / 2));
        assertThat(drop.refused())
                .hasSize(2)
                .last()
                .extracting(Refusal::reason)
                .asString()
                .contains("damaged or cut short");
    }

    @ParameterizedTest
    @CsvSource({"a/b.wav,slash", "a\\b.wav,slash", "🎸.wav,picture", "evil\u202Evaw.wav,direction", "'',empty"})
    void refusesNamesThatCannotTravel(String name, String words) throws IOException {
        add(name, SOUND);
        assertThat(drop.files()).isEmpty();
        assertThat(drop.refused())
                .singleElement()
                .extracting(Refusal::reason)
                .asString()
                .contains(words);
    }

    @Test
    void refusesTooManyFilesButKeepsTheFirst() throws IOException {
        Map<String, byte[]> many = new LinkedHashMap<>();
        for (int i = 0; i <= Limits.FILES_PER_DROP; i++) {
            many.put(i + ".wav", new byte[] {1});
        }
        add("many.zip", zip(many));
        assertThat(drop.refused())
                .singleElement()
                .extracting(Refusal::reason)
                .asString()
                .contains(Limits.FILES_PER_DROP + " files");
        for (int i = 0; i <= Limits.FILES_PER_DROP; i++) {
            add(i + ".wav", new byte[] {1});
        }
        assertThat(drop.files()).hasSize(Limits.FILES_PER_DROP);
    }

    @Test
    void refusesAFileThatIsTooLargeWithoutReadingIt() throws IOException {
        Path big = folder.resolve("big");
        try (var file = new java.io.RandomAccessFile(big.toFile(), "rw")) {
            file.setLength(Limits.FILE_BYTES); // sparse: takes no room
        }
        drop.add("big.wav", big);
        assertThat(drop.refused())
                .singleElement()
                .extracting(Refusal::reason)
                .asString()
                .contains("64.0 GB", "smaller than 64 GB");
    }

    private void add(String name, byte[] content) throws IOException {
        drop.add(name, Files.write(Files.createTempFile(folder, "in", ""), content));
    }

    private static Map<String, byte[]> entries(Object... namesAndContents) {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        for (int i = 0; i < namesAndContents.length; i += 2) {
            entries.put((String) namesAndContents[i], (byte[]) namesAndContents[i + 1]);
        }
        return entries;
    }

    private static byte[] zip(Map<String, byte[]> entries) throws IOException {
        var bytes = new java.io.ByteArrayOutputStream();
        try (OutputStream out = bytes;
                ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                zip.putNextEntry(new ZipEntry(entry.getKey()));
                zip.write(entry.getValue());
                zip.closeEntry();
            }
        }
        return bytes.toByteArray();
    }
}
