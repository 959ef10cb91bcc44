package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.audio.SoundBytes;
import apodex.session.SessionDocument;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.Arrays;
import java.util.HexFormat;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Parcels of strangers with their checksums, and what can have happened to them on the way. */
class ParcelCheckTest {
    private static final byte[] KICK = SoundBytes.mono24(1, 2, 3, 4, 5_000_000);
    private static final byte[] SNARE = SoundBytes.mono24(9, 8, 7);

    @TempDir
    private Path folder;

    private Drop drop;

    @BeforeEach
    void begin() throws IOException {
        drop = new Drop(Files.createDirectories(folder.resolve("work")));
    }

    private void add(String inFolder, String name, byte[] bytes) throws IOException {
        Path file = Files.createTempFile(folder, "came", "");
        Files.write(file, bytes);
        drop.add(inFolder, name, file);
    }

    private void add(String inFolder, String name, String text) throws IOException {
        add(inFolder, name, text.getBytes(StandardCharsets.UTF_8));
    }

    private Intake examine() throws IOException {
        Intake intake = new DropExaminer(new RecordingStore(folder.resolve("store")), drop)
                .examine("?", Files.createDirectories(folder.resolve("kept")));
        assertThat(SessionDocument.read(SessionDocument.write(intake), Intake.class))
                .as("is kept whole")
                .isEqualTo(intake);
        return intake;
    }

    private static String hash(String algorithm, byte[] bytes) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance(algorithm).digest(bytes));
    }

    @ParameterizedTest
    @CsvSource({
        "SHA-256,'%s  Tracks/Kick.wav\n%s *Tracks/Snare.wav\n'",
        "MD5,'%s *./Tracks/Kick.wav\r\n%s *Tracks\\Snare.wav\r\n'",
        "SHA-1,'; made by a tool\n%S  Tracks/Kick.wav\n%s  Tracks/Snare.wav\n'",
        "MD5,'MD5 (Tracks/Kick.wav) = %s\nMD5 (Tracks/Snare.wav) = %s\n'"
    })
    void anyListOfChecksumsIsReadAndHeldTo(String algorithm, String list) throws Exception {
        add("Song/Tracks", "Kick.wav", KICK);
        add("Song/Tracks", "Snare.wav", SNARE);
        add("Song", "sums.txt", String.format(list, hash(algorithm, KICK), hash(algorithm, SNARE)));
        ParcelCheck check = examine().parcel();
        assertThat(check.verified()).isEqualTo(2);
        assertThat(check.isWhole()).isTrue();
    }

    @Test
    void whatIsMissingAlteredCutShortOrTooMuchIsNamed() throws Exception {
        byte[] altered = KICK.clone();
        altered[altered.length - 1] ^= 1;
        add("", "Kick.wav", altered);
        add("", "Snare.wav", Arrays.copyOf(SNARE, SNARE.length - 4));
        add("", "Stray.wav", SoundBytes.mono24(3, 3, 3));
        add(
                "",
                "checksums.sha256",
                hash("SHA-256", KICK) + "  Kick.wav\n" + hash("SHA-256", SNARE) + "  Snare.wav\n"
                        + hash("SHA-256", SNARE) + "  Sub/Lost.wav\n");
        Intake intake = examine();
        assertThat(intake.parcel().verified()).isZero();
        assertThat(intake.parcel().altered()).containsExactly("Kick.wav", "Snare.wav");
        assertThat(intake.parcel().missing()).containsExactly("Sub/Lost.wav");
        assertThat(intake.parcel().extra()).containsExactly("Stray.wav");
        assertThat(intake.refused()).singleElement().satisfies(refusal -> assertThat(refusal.reason())
                .contains("cut short"));
    }

    @Test
    void papersAreKeptAsideAndNoneIsTakenForASound() throws Exception {
        add("", "Kick.wav", KICK);
        add("", "read me.txt", "The kick is late.");
        add("", "sheet.pdf", new byte[] {'%', 'P', 'D', 'F', 0, 1});
        Intake intake = examine();
        assertThat(intake.refused()).isEmpty();
        assertThat(intake.parcel()).isNull();
        assertThat(intake.files().stream().filter(file -> file.kind() == IntakeFile.Kind.PAPER))
                .extracting(IntakeFile::name)
                .containsExactly("read me.txt", "sheet.pdf");
    }

    @Test
    void aManifestThatIsNotWholeIsSaid() throws Exception {
        add("", "Kick.wav", KICK);
        add("", "manifest.json", "{\"manifest\": 2, \"song\": \"Low Tide");
        assertThat(examine().remarks()).singleElement().satisfies(remark -> assertThat(remark.reason())
                .contains("no whole manifest"));
    }
}
