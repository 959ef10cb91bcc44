package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;

import apodex.time.SampleRate;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

final class WavWriterTest {
    private static final SampleRate RATE = new SampleRate(48_000);
    private static final BroadcastExtension BROADCAST = new BroadcastExtension(
            "Café ☕",
            "Apodex",
            "REF",
            "2026-05-17",
            "10:00:00",
            0x1_2345_6789L,
            "A=PCM,F=48000,W=24,M=mono,T=Apodex\r\n");

    @TempDir
    private Path folder;

    @Test
    void everyFieldStandsWhereTheStandardPutsIt() throws IOException {
        Path file = folder.resolve("a.wav");
        try (WavWriter out = new WavWriter(file, RATE, 1, SampleFormat.INT24, 3, SoundLabel.of(BROADCAST))) {
            out.write(new byte[9], 9);
            assertThat(out.isComplete()).isTrue();
        }
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(text(in, 0, 4)).isEqualTo("RIFF");
        assertThat(in.getInt(4))
                .as("size of all that follows, the pad byte included")
                .isEqualTo(in.limit() - 8);
        assertThat(text(in, 12, 4)).isEqualTo("bext");
        int bext = 20;
        // EBU Tech 3285, section 2.3: offsets within the chunk.
        assertThat(text(in, bext, 6)).isEqualTo("Cafe ?");
        assertThat(text(in, bext + 256, 7)).isEqualTo("Apodex\0");
        assertThat(text(in, bext + 320, 18)).isEqualTo("2026-05-1710:00:00");
        assertThat(in.getLong(bext + 338)).isEqualTo(0x1_2345_6789L);
        assertThat(in.getShort(bext + 346)).isEqualTo((short) 1);
        assertThat(text(in, bext + 602, 5)).isEqualTo("A=PCM");
        Map<String, Integer> expected = Map.of("fmt ", 16, "data", 9);
        int format = bext + in.getInt(16) + (in.getInt(16) & 1);
        assertThat(text(in, format, 4)).isEqualTo("fmt ");
        assertThat(in.getInt(format + 4)).isEqualTo(expected.get("fmt "));
        assertThat(in.getInt(format + 24 + 4)).isEqualTo(expected.get("data"));
        assertThat(Files.size(file))
                .isEven()
                .isEqualTo(WavWriter.fileBytes(RATE, 1, SampleFormat.INT24, 3, SoundLabel.of(BROADCAST)));
    }

    @Test
    void whoListensHearsWhatStaysAndSaysHowLoudItIs() throws IOException {
        Path file = folder.resolve("loud.wav");
        byte[] frames = new byte[3 * 100_000];
        new Random(7).nextBytes(frames);
        ByteArrayOutputStream heard = new ByteArrayOutputStream();
        try (WavWriter out = new WavWriter(file, RATE, 1, SampleFormat.INT24, 100_000, SoundLabel.of(BROADCAST))) {
            out.listen(
                    new SoundWriter.Listener() {
                        @Override
                        public void frames(byte[] raw, int count) {
                            heard.write(raw, 0, 3 * count);
                        }

                        @Override
                        public Optional<BroadcastExtension.Loudness> loudness() {
                            return Optional.of(new BroadcastExtension.Loudness(-23.456, 7.004, -0.994, -120, -21.7));
                        }
                    },
                    40_000);
            for (int from = 0; from < frames.length; from += 21_000) {
                byte[] part = Arrays.copyOfRange(frames, from, Math.min(frames.length, from + 21_000));
                out.write(part, part.length);
            }
            out.finish(90_001);
        }
        assertThat(heard.toByteArray())
                .as("what may be cut off is told in the end, once")
                .isEqualTo(Arrays.copyOf(frames, 3 * 90_001));
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        int bext = 20;
        assertThat(in.getShort(bext + 346)).isEqualTo((short) 2);
        // EBU Tech 3285, section 2.3, version 2: hundredths, and 7FFFh for what is not told or does not fit
        assertThat(new short[] {
                    in.getShort(bext + 412),
                    in.getShort(bext + 414),
                    in.getShort(bext + 416),
                    in.getShort(bext + 418),
                    in.getShort(bext + 420)
                })
                .containsExactly((short) -2_346, (short) 700, (short) -99, (short) 0x7FFF, (short) -2_170);
        int data = in.limit() - 3 * 90_001 - 1;
        assertThat(Arrays.copyOfRange(in.array(), data, in.limit() - 1)).isEqualTo(heard.toByteArray());
        assertThat(text(in, bext + 602, 5)).isEqualTo("A=PCM");
    }

    @Test
    void goesOverToRf64WhereSizesNoLongerFit() throws IOException {
        long frames = 800_000_000L; // 2 channels of 24 bits: 4.8 GB
        Path file = folder.resolve("long.wav");
        WavWriter out = new WavWriter(file, RATE, 2, SampleFormat.INT24, frames, null);
        out.close();
        assertThat(out.isComplete()).isFalse();
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(text(in, 0, 4)).isEqualTo("RF64");
        assertThat(in.getInt(4)).isEqualTo(-1);
        assertThat(text(in, 12, 4)).isEqualTo("ds64");
        long whole = WavWriter.fileBytes(RATE, 2, SampleFormat.INT24, frames, null);
        assertThat(in.getLong(20)).isEqualTo(whole - 8);
        assertThat(in.getLong(28)).isEqualTo(frames * 6);
        assertThat(in.getLong(36)).isEqualTo(frames);
        assertThat(in.getInt(in.limit() - 4)).isEqualTo(-1);
        assertThat(whole).isEqualTo(frames * 6 + in.limit());
    }

    @Test
    void floatFilesCarryTheFactChunkTheyMustHave() throws IOException {
        Path file = folder.resolve("f.wav");
        try (WavWriter out = new WavWriter(file, RATE, 1, SampleFormat.FLOAT32, 2, null)) {
            out.write(new byte[8], 8);
        }
        ByteBuffer in = ByteBuffer.wrap(Files.readAllBytes(file)).order(ByteOrder.LITTLE_ENDIAN);
        assertThat(in.getShort(20)).isEqualTo((short) 3);
        assertThat(text(in, 38, 4)).isEqualTo("fact");
        assertThat(in.getInt(46)).isEqualTo(2);
    }

    private static String text(ByteBuffer in, int at, int length) {
        return new String(in.array(), at, length, StandardCharsets.ISO_8859_1);
    }
}
