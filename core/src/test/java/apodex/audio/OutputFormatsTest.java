package apodex.audio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is written, read by tools that are not ours. */
final class OutputFormatsTest {
    private static final SampleRate RATE = new SampleRate(44_100);

    /** Names in letters beyond ASCII, and what XML and tags treat as signs. */
    private static final SoundLabel LABEL = new SoundLabel(
            new BroadcastExtension("d", "o", "r", "2026-05-17", "10:00:00", 172_800_001L, ""),
            "Violão & “Röhre” <1>",
            "Low Tide Waltz",
            "Salt Harbour Players",
            "Bridge",
            "Take 2",
            "Close pair, α",
            97.5,
            "F#m",
            List.of(new SoundFacts.Mark(0, "Start"), new SoundFacts.Mark(4_000, "Bridge é")));

    @TempDir
    private Path folder;

    /** Noise as a WAV file; gives its name. */
    private Path wav(String name, SampleFormat sample, int channels, int frames) throws IOException {
        try (WavWriter out = new WavWriter(folder.resolve(name), RATE, channels, sample, frames, null)) {
            write(out, sample, channels, frames);
        }
        return folder.resolve(name);
    }

    private static void write(SoundWriter out, SampleFormat sample, int channels, int frames) throws IOException {
        PcmEncoder encoder = new PcmEncoder(sample, channels, 0);
        SplittableRandom random = new SplittableRandom(frames);
        double[][] block = new double[channels][frames];
        for (int i = 0; i < frames; i++) {
            for (double[] channel : block) {
                channel[i] = 1.9 * (random.nextDouble() - 0.5);
            }
        }
        byte[] bytes = new byte[frames * encoder.frameBytes()];
        encoder.encode(block, 0, frames, 0, Dither.NONE, bytes);
        out.write(bytes, bytes.length);
    }

    private String raw(String file, String encoding, String bits) throws Exception {
        OutsideTools.run(folder, "sox", file, "-t", "raw", "-e", encoding, "-b", bits, "-L", file + ".raw");
        return Digests.sha256(folder.resolve(file + ".raw"));
    }

    @ParameterizedTest(name = "{0}, {1} channels")
    @CsvSource({"INT16, 1", "INT16, 2", "INT24, 1", "INT24, 2", "INT32, 2", "FLOAT32, 1", "FLOAT32, 2"})
    void aiffHoldsTheSamplesThatWavHolds(SampleFormat sample, int channels) throws Exception {
        wav("a.wav", sample, channels, 7_001);
        try (AiffWriter out = new AiffWriter(folder.resolve("a.aif"), RATE, channels, sample, 7_001, null)) {
            write(out, sample, channels, 7_001);
        }
        assertThat(Files.size(folder.resolve("a.aif"))).isEqualTo(AiffWriter.fileBytes(channels, sample, 7_001, null));
        assertThat(OutsideTools.run(folder, "soxi", "-s", "a.aif").trim()).isEqualTo("7001");
        assertThat(OutsideTools.run(folder, "soxi", "-r", "a.aif").trim()).isEqualTo("44100");
        String encoding = sample.isFloat() ? "floating-point" : "signed-integer";
        assertThat(raw("a.aif", encoding, "" + sample.bits())).isEqualTo(raw("a.wav", encoding, "" + sample.bits()));
        SoundInfo info = SoundFile.examine(folder.resolve("a.aif"));
        assertThat(info.frames()).isEqualTo(7_001);
        assertThat(info.sample()).isEqualTo(sample);
    }

    @Test
    void aiffRefusesToPassFourGibibytes() {
        assertThatThrownBy(() ->
                        new AiffWriter(folder.resolve("big.aif"), RATE, 2, SampleFormat.INT24, 800_000_000L, null))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("4 GiB");
    }

    @ParameterizedTest(name = "{0}, {1} channels, {2} frames")
    @CsvSource({
        "INT16, 1, 4096",
        "INT16, 2, 9216",
        "INT24, 2, 5000",
        "INT24, 1, 1",
        "INT16, 1, 3",
        "INT24, 2, 31",
        "INT16, 1, 33",
        "INT24, 2, 4097",
        "INT16, 1, 4099",
        "INT24, 1, 4095",
        "INT16, 2, 18432",
        "INT24, 2, 36864"
    })
    void flacDecodesToTheSameSamplesElsewhere(SampleFormat sample, int channels, int frames) throws Exception {
        wav("f.wav", sample, channels, frames);
        FlacWriter.encode(folder.resolve("f.wav"), folder.resolve("f.flac"), LABEL);
        OutsideTools.run(folder, "flac", "-t", "-s", "f.flac");
        OutsideTools.run(folder, "flac", "-d", "-s", "-f", "-o", "back.wav", "f.flac");
        assertThat(raw("back.wav", "signed-integer", "" + sample.bits()))
                .isEqualTo(raw("f.wav", "signed-integer", "" + sample.bits()));
        assertThat(folder.resolve("f.flac.back")).doesNotExist();
    }

    @ParameterizedTest(name = "{0} channels")
    @ValueSource(ints = {1, 2})
    void mp3IsRecognisedAndSoundsAsLong(int channels) throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "44100",
                "-c",
                "" + channels,
                "-b",
                "24",
                "m.wav",
                "synth",
                "3",
                "sine",
                "440",
                "gain",
                "-6");
        Mp3Writer.encode(folder.resolve("m.wav"), folder.resolve("m.mp3"), LABEL);
        String told = OutsideTools.run(
                folder, "ffmpeg", "-nostdin", "-hide_banner", "-i", "m.mp3", "-af", "volumedetect", "-f", "null", "-");
        assertThat(told)
                .contains("Audio: mp3", "44100 Hz", channels == 1 ? "mono" : "stereo")
                .containsPattern("Duration: 00:00:03\\.[01]")
                .containsPattern("max_volume: -[56]\\.\\d dB");
    }

    @ParameterizedTest(name = "{0} frames")
    @ValueSource(ints = {1, 999, 5_000})
    void aFileMadeForMoreCanEndSooner(int frames) throws Exception {
        Path file = folder.resolve("cut.wav");
        WavWriter out = new WavWriter(file, RATE, 1, SampleFormat.INT24, 5_000, null);
        write(out, SampleFormat.INT24, 1, 5_000);
        out.finish(frames);
        out.close();
        assertThat(Files.size(file)).isEqualTo(WavWriter.fileBytes(RATE, 1, SampleFormat.INT24, frames, null));
        assertThat(SoundFile.examine(file).frames()).isEqualTo(frames);
        assertThat(OutsideTools.run(folder, "soxi", "-s", "cut.wav").trim()).isEqualTo("" + frames);
    }

    @ParameterizedTest(name = "{0} Hz")
    @ValueSource(ints = {44_100, 48_000, 96_000, 22_050})
    void anMp3BeginsAndEndsWithTheSound(int hertz) throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                "-R",
                "-n",
                "-r",
                "" + hertz,
                "-c",
                "2",
                "-b",
                "24",
                "a.wav",
                "synth",
                "1",
                "whitenoise",
                "vol",
                "0.3",
                "pad",
                "0.25",
                "0.3");
        Mp3Writer.encode(folder.resolve("a.wav"), folder.resolve("a.mp3"), LABEL);
        OutsideTools.run(folder, "ffmpeg", "-nostdin", "-v", "error", "-i", "a.mp3", "ffmpeg.wav");
        OutsideTools.run(folder, "lame", "--quiet", "--decode", "a.mp3", "lame.wav");
        for (String decoded : List.of("ffmpeg.wav", "lame.wav")) {
            beginsAndEndsWith("a.wav", decoded);
        }
    }

    private void beginsAndEndsWith(String sound, String decoded) throws Exception {
        OutsideTools.run(
                folder,
                "sox",
                sound,
                "-r",
                OutsideTools.run(folder, "soxi", "-r", decoded).trim(),
                "as.wav");
        double[] is = read(decoded);
        double[] must = read("as.wav");
        assertThat(Math.abs(is.length - must.length)).isLessThanOrEqualTo(1);
        double best = 0;
        int shift = Integer.MAX_VALUE;
        for (int lag = -40; lag <= 40; lag++) {
            double sum = 0;
            for (int i = 1_000; i < must.length - 1_000; i++) {
                sum += must[i] * is[i + lag];
            }
            if (sum > best) {
                best = sum;
                shift = lag;
            }
        }
        assertThat(shift).as("frames %s is late", decoded).isBetween(-1, 1);
    }

    @ParameterizedTest(name = "{0}")
    @EnumSource(FileKind.class)
    void namesAreReadByOthers(FileKind kind) throws Exception {
        wav("n.wav", SampleFormat.INT24, 2, 7_001);
        Path file = folder.resolve("named" + kind.ending());
        if (kind.isPacked()) {
            kind.pack(folder.resolve("n.wav"), file, LABEL);
        } else {
            try (SoundWriter out = kind.open(file, RATE, 2, SampleFormat.INT24, 7_001, LABEL)) {
                write(out, SampleFormat.INT24, 2, 7_001);
            }
            assertThat(Files.size(file)).isEqualTo(kind.bytes(RATE, 2, SampleFormat.INT24, 7_001, LABEL));
            assertThat(raw(file.getFileName().toString(), "signed-integer", "24"))
                    .isEqualTo(raw("n.wav", "signed-integer", "24"));
        }
        String told = OutsideTools.run(
                folder,
                "ffprobe",
                "-v",
                "error",
                "-show_entries",
                "format_tags:stream_tags",
                file.getFileName().toString());
        String media = OutsideTools.run(
                folder, "mediainfo", "--Full", file.getFileName().toString());
        if (kind == FileKind.WAV) {
            assertThat(told).contains("time_reference=172800001", "date=2026-05-17");
            byte[] bytes = Files.readAllBytes(file);
            assertThat(new String(bytes, StandardCharsets.UTF_8))
                    .contains("<PROJECT>Low Tide Waltz</PROJECT>", "<TAKE>Take 2</TAKE>", "<SCENE>Bridge</SCENE>");
        } else {
            assertThat(told)
                    .contains(
                            "Violão & “Röhre” <1>",
                            "Salt Harbour Players",
                            "Low Tide Waltz",
                            "97.5",
                            "F#m",
                            "Close pair, α");
            assertThat(media).contains("Violão & “Röhre” <1>", "Salt Harbour Players");
        }
        if (kind == FileKind.FLAC) {
            OutsideTools.run(folder, "flac", "-t", "-s", "named.flac");
            assertThat(OutsideTools.run(folder, "metaflac", "--export-tags-to=-", "named.flac"))
                    .contains("TITLE=Violão & “Röhre” <1>", "TAKE=Take 2", "BPM=97.5", "INITIALKEY=F#m", "PART=Bridge");
            // frame 4,000 at 44.1 kHz is 90.7 ms
            assertThat(OutsideTools.run(folder, "ffprobe", "-v", "error", "-show_chapters", "named.flac"))
                    .contains("start_time=0.091", "title=Bridge é");
            assertThat(SoundFacts.read(file).markers())
                    .extracting(SoundFacts.Mark::name, mark -> Math.round(mark.frame() / 44.1))
                    .containsExactly(tuple("Start", 0L), tuple("Bridge é", 91L));
        }
        if (kind == FileKind.MP3) {
            Mp3Reader.decode(file, folder.resolve("back.wav"));
            assertThat(SoundFile.examine(folder.resolve("back.wav")).frames()).isEqualTo(7_001);
        } else {
            SoundFacts facts = SoundFacts.read(file);
            assertThat(facts.title()).isEqualTo("Violão & “Röhre” <1>");
            assertThat(facts.note()).contains("Close pair, α");
            if (kind == FileKind.WAV) {
                assertThat(facts.start()).isEqualTo(new SoundFacts.Start(172_800_001L, 44_100));
            }
            if (!kind.isPacked()) {
                assertThat(facts.markers()).isEqualTo(LABEL.cues());
            }
        }
    }

    private double[] read(String file) throws IOException {
        SoundInfo info = SoundFile.examine(folder.resolve(file));
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader in = new PcmReader(folder.resolve(file), info)) {
            in.read(0, samples[0].length, 0, samples, 0);
        }
        return samples[0];
    }

    @Test
    void aDigestIsOfWhatIsLeftWhenAFileIsCut() throws Exception {
        for (int frames : new int[] {1, 5_000, 32_768, 40_001}) {
            String cut;
            try (WavWriter out =
                    new WavWriter(folder.resolve("cut" + frames), RATE, 1, SampleFormat.INT16, 40_001, null)) {
                write(out, SampleFormat.INT16, 1, 40_001);
                out.finish(frames);
                cut = out.digest();
            }
            byte[] all = Files.readAllBytes(folder.resolve("cut" + frames));
            SampleDigest plain = new SampleDigest();
            plain.update(
                    all,
                    (int) SoundFile.examine(folder.resolve("cut" + frames))
                            .layout()
                            .offset(),
                    2 * frames);
            assertThat(cut).isEqualTo(plain.value());
            all[all.length - 2] ^= 1;
            SampleDigest other = new SampleDigest();
            other.update(
                    all,
                    (int) SoundFile.examine(folder.resolve("cut" + frames))
                            .layout()
                            .offset(),
                    2 * frames);
            assertThat(cut).isNotEqualTo(other.value());
        }
    }
}
