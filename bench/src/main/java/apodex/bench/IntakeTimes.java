package apodex.bench;

import apodex.align.Aligner;
import apodex.align.MonoSound;
import apodex.align.Sighting;
import apodex.audio.Digests;
import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.audio.WavWriter;
import apodex.intake.Drop;
import apodex.intake.DropExaminer;
import apodex.intake.RecordingStore;
import apodex.time.SampleRate;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.IntStream;

/** What somebody waits for who drops forty files of four minutes: until they are examined, and found in their mix. */
final class IntakeTimes {
    private static final SampleRate RATE = new SampleRate(48_000);
    private static final int FRAMES = 240 * 48_000;
    private static final int FILES = 40;
    private static final int BLOCK_FRAMES = 1 << 14;

    private IntakeTimes() {}

    static void measure(Path folder) throws IOException {
        Path sounds = Files.createDirectories(folder.resolve("intake-sounds"));
        Path mix = make(sounds);
        List<Path> files = IntStream.range(0, FILES)
                .mapToObj(i -> sounds.resolve("Track " + i + ".wav"))
                .toList();
        double reading = seconds(() -> files.parallelStream().forEach(IntakeTimes::read));
        double hashing = seconds(() -> files.parallelStream().forEach(IntakeTimes::hash));
        AtomicInteger sure = new AtomicInteger();
        double aligning = seconds(() -> IntStream.range(0, Runtime.getRuntime().availableProcessors())
                .parallel()
                .forEach(core -> align(mix, files, core, sure)));
        Drop drop = new Drop(Files.createDirectories(folder.resolve("intake-work")));
        for (Path file : files) {
            drop.add(file.getFileName().toString(), file);
        }
        RecordingStore store = new RecordingStore(folder.resolve("intake-store"));
        Path kept = Files.createDirectories(folder.resolve("intake-kept"));
        double examining = seconds(() -> new DropExaminer(store, drop).examine("Bench", kept));
        System.out.printf(
                Locale.ROOT,
                "Intake of %d files of 240 s: read %.2f s, hashed %.2f s, examined %.2f s; found in their mix %.2f s, %d of them sure%n",
                FILES,
                reading,
                hashing,
                examining,
                aligning,
                sure.get());
        Bench.figure("intake-vs-read", examining / reading);
        Bench.figure("intake-vs-read-and-hash", examining / (reading + hashing)); // the least that the store can do
        Bench.figure("aligning-40-s", aligning);
    }

    private interface Work {
        void run() throws IOException;
    }

    private static double seconds(Work work) throws IOException {
        long start = System.nanoTime();
        work.run();
        return (System.nanoTime() - start) / 1e9;
    }

    /** Tracks of notes at random times, and their sum. */
    private static Path make(Path folder) throws IOException {
        double[] sum = new double[FRAMES];
        for (int file = 0; file < FILES; file++) {
            SplittableRandom random = new SplittableRandom(file);
            double[] track = new double[FRAMES];
            for (int at = random.nextInt(48_000); at < FRAMES - 48_000; at += random.nextInt(6_000, 60_000)) {
                note(track, at, random);
            }
            for (int i = 0; i < FRAMES; i++) {
                sum[i] += track[i] * 0.3;
            }
            write(folder.resolve("Track " + file + ".wav"), track);
        }
        Path mix = folder.resolve("Mix.wav");
        write(mix, sum);
        return mix;
    }

    private static void note(double[] track, int at, SplittableRandom random) {
        double step = random.nextDouble(60, 1_500) / 48_000;
        double level = random.nextDouble(0.02, 0.1);
        double bright = 0;
        for (int i = 0; i < 24_000; i++) {
            double phase = i * step;
            bright += 0.3 * (2 * (phase - Math.floor(phase + 0.5)) - bright);
            level *= 0.9999;
            track[at + i] += level * bright;
        }
    }

    private static void write(Path file, double[] samples) throws IOException {
        PcmEncoder encoder = new PcmEncoder(SampleFormat.INT24, 1, 0);
        byte[] bytes = new byte[BLOCK_FRAMES * encoder.frameBytes()];
        double[][] block = new double[1][BLOCK_FRAMES];
        try (WavWriter out = new WavWriter(file, RATE, 1, SampleFormat.INT24, samples.length, null)) {
            for (int first = 0; first < samples.length; first += BLOCK_FRAMES) {
                int frames = Math.min(BLOCK_FRAMES, samples.length - first);
                System.arraycopy(samples, first, block[0], 0, frames);
                encoder.encode(block, 0, frames, first, Dither.NONE, bytes);
                out.write(bytes, frames * encoder.frameBytes());
            }
        }
    }

    private static void read(Path file) {
        double[][] block = new double[1][BLOCK_FRAMES];
        try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
            for (long first = 0; first < in.frames(); first += BLOCK_FRAMES) {
                in.read(first, (int) Math.min(BLOCK_FRAMES, in.frames() - first), 0, block, 0);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void hash(Path file) {
        try {
            Digests.sha256(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void align(Path mix, List<Path> files, int core, AtomicInteger sure) {
        int cores = Runtime.getRuntime().availableProcessors();
        try (PcmReader reference = new PcmReader(mix, SoundFile.examine(mix))) {
            Aligner aligner = new Aligner(new MonoSound(reference, RATE));
            for (Path file : files) {
                if (files.indexOf(file) % cores != core) {
                    continue;
                }
                try (PcmReader in = new PcmReader(file, SoundFile.examine(file))) {
                    Sighting found = aligner.find(new MonoSound(in, RATE));
                    sure.addAndGet(found.certainty() == Sighting.Certainty.SURE && found.frame() == 0 ? 1 : 0);
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
