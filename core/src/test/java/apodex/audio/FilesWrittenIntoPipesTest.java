package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Files whose writer could not go back to say how long they became, made by other programs, and others that are odd in length. */
class FilesWrittenIntoPipesTest {
    private static final int FRAMES = 54_321;

    @TempDir
    private Path folder;

    @BeforeEach
    void record() throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "48000",
                "-b",
                "24",
                "-c",
                "2",
                "in.wav",
                "synth",
                FRAMES + "s",
                "pinknoise");
    }

    private static double[][] read(Path file) throws IOException {
        SoundInfo info = SoundFile.examine(file);
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader in = new PcmReader(file, info)) {
            in.read(0, (int) info.frames(), 0, samples, 0);
        }
        return samples;
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "sox in.wav -t raw - | sox -t raw -r 48000 -e signed -b 24 -c 2 - -t wav - 2>/dev/null | cat > out.wav",
                "ffmpeg -v error -i in.wav -c:a pcm_s24le -f wav pipe:1 | cat > out.wav",
                "ffmpeg -v error -i in.wav -c:a pcm_s24le -bitexact -f wav pipe:1 | cat > out.wav"
            })
    void aWaveThatDoesNotSayItsLengthLastsToTheEndOfTheFile(String command) throws Exception {
        OutsideTools.run(folder, "sh", "-c", command);
        assertThat(read(folder.resolve("out.wav"))).isDeepEqualTo(read(folder.resolve("in.wav")));
    }

    @Test
    void aFlacThatDoesNotSayItsLengthIsDecodedToItsEnd() throws Exception {
        OutsideTools.run(folder, "sox", "in.wav", "-t", "raw", "in.raw");
        OutsideTools.run(
                folder,
                "sh",
                "-c",
                "cat in.raw | flac -s --force-raw-format --endian=little --sign=signed --channels=2 --bps=24"
                        + " --sample-rate=48000 -c - | cat > out.flac");
        Path flac = folder.resolve("out.flac");
        assertThat(OutsideTools.run(folder, "metaflac", "--show-total-samples", "out.flac")
                        .trim())
                .isEqualTo("0");
        assertThat(SoundFile.examine(flac).frames()).isEqualTo(FRAMES);
        FlacFile.decode(flac, folder.resolve("decoded.wav"));
        assertThat(read(folder.resolve("decoded.wav"))).isDeepEqualTo(read(folder.resolve("in.wav")));
    }

    @Test
    void twoSoundsInOneWaveAreRefusedWithTheReason() throws IOException {
        Path file = Files.write(
                folder.resolve("two.wav"),
                SoundBytes.riff()
                        .format(1, 1, 48_000, 16)
                        .chunk("data", new byte[8])
                        .chunk("data", new byte[4])
                        .wave());
        assertThatThrownBy(() -> SoundFile.examine(file))
                .isInstanceOf(SoundFileException.class)
                .hasMessageContaining("two “data” chunks");
    }

    @Test
    void aFileThatWasCutShortIsStillSaidToBe() throws Exception {
        byte[] whole = Files.readAllBytes(folder.resolve("in.wav"));
        Path cut = Files.write(folder.resolve("cut.wav"), java.util.Arrays.copyOf(whole, whole.length / 2));
        assertThatThrownBy(() -> SoundFile.examine(cut)).hasMessageContaining("cut short");
    }

    /** EBU Tech 3306: sizes past 32 bits stand in the ds64 chunk. The file has holes, so that it takes no room. */
    @Test
    void aRecordingOfManyGigabytesIsReadToItsLastFrame() throws IOException {
        int channels = 64;
        long frames = 40_000_000;
        long bytes = frames * channels * 3;
        ByteBuffer head = ByteBuffer.allocate(80).order(ByteOrder.LITTLE_ENDIAN);
        head.put("RF64".getBytes(StandardCharsets.US_ASCII))
                .putInt(-1)
                .put("WAVEds64".getBytes(StandardCharsets.US_ASCII));
        head.putInt(28).putLong(72 + bytes).putLong(bytes).putLong(frames).putInt(0);
        head.put("fmt ".getBytes(StandardCharsets.US_ASCII))
                .putInt(16)
                .putShort((short) 1)
                .putShort((short) channels);
        head.putInt(48_000)
                .putInt(48_000 * channels * 3)
                .putShort((short) (channels * 3))
                .putShort((short) 24);
        head.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(-1).flip();
        Path file = folder.resolve("long.wav");
        try (FileChannel out = FileChannel.open(
                file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE, StandardOpenOption.SPARSE)) {
            out.write(head, 0);
            ByteBuffer last =
                    ByteBuffer.allocate(3).put(new byte[] {0, 0, 0x40}).flip();
            out.write(last, head.limit() + bytes - 3);
        }
        assertThat(Files.size(file)).isGreaterThan(7_000_000_000L).isLessThan(Limits.FILE_BYTES);
        SoundInfo info = SoundFile.examine(file);
        assertThat(info.frames()).isEqualTo(frames);
        double[][] block = new double[1][2];
        try (PcmReader in = new PcmReader(file, info)) {
            in.read(frames - 2, 2, channels - 1, block, 0);
        }
        assertThat(block[0]).containsExactly(0, 0.5);
    }
}
