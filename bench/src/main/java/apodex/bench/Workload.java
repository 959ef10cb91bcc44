package apodex.bench;

import apodex.audio.SampleFormat;
import apodex.audio.WavWriter;
import apodex.intake.RecordingStore;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** A made-up session: every track has a recording of its own, cut into clips with gaps between them. */
record Workload(Session session, int tracks, double seconds) {
    private static final SampleRate RATE = new SampleRate(48_000);
    private static final int CLIPS = 12;
    private static final double GAP = 0.1;

    static Workload reference(RecordingStore store, Path folder) throws IOException {
        return make(store, folder, 28, 12, 240);
    }

    static Workload make(RecordingStore store, Path folder, int mono, int stereo, int seconds) throws IOException {
        return make(store, folder, mono, stereo, seconds, mono + stereo);
    }

    /** @param different how many different recordings there are; tracks beyond share them */
    static Workload make(RecordingStore store, Path folder, int mono, int stereo, int seconds, int different)
            throws IOException {
        List<Row> rows = new ArrayList<>();
        List<Recording> recordings = new ArrayList<>();
        long frames = (long) seconds * RATE.hertz();
        for (int track = 0; track < mono + stereo; track++) {
            if (track < different) {
                recordings.add(
                        store.bring(noise(folder, track, track < mono ? 1 : 2, frames), "track" + track + ".wav"));
            }
            rows.add(new AudioRow("r" + track, "Track " + track, clips(recordings.get(track % different), frames)));
        }
        rows.add(MixRow.DEFAULT);
        Session session = new Session(Song.titled("Bench"), RATE, 0, "2026-01-01", recordings, rows);
        return new Workload(session, mono + stereo, seconds);
    }

    /** The same with low cut, bell, compressor and pan on every track. */
    Workload simpleChain() {
        return new Workload(Mixes.simple(session), tracks, seconds);
    }

    /** The same with four inserts and two sends on every track, six buses, two returns and a mix chain. */
    Workload fullChain() {
        return new Workload(Mixes.full(session), tracks, seconds);
    }

    /** The simple chain with faders and pans that never rest. */
    Workload movingChain() {
        return new Workload(Mixes.moving(session), tracks, seconds);
    }

    /** The full chain with every second track played by an instrument: what sessions from outside are like. */
    Workload mixture() {
        return new Workload(Mixes.mixture(session), tracks, seconds);
    }

    private static List<Clip> clips(Recording recording, long frames) {
        List<Clip> clips = new ArrayList<>();
        long slot = frames / CLIPS;
        for (int i = 0; i < CLIPS; i++) {
            long length = i == CLIPS - 1 ? frames - i * slot : (long) (slot * (1 - GAP));
            clips.add(new Clip(recording.sha256(), 0, recording.channels(), i * slot, i * slot, length, 0, 0, 0));
        }
        return clips;
    }

    /** Noise at -20 dBFS, which nothing on the way can compress or skip. */
    private static Path noise(Path folder, int seed, int channels, long frames) throws IOException {
        Path file = folder.resolve("noise-" + seed + ".wav");
        SplittableRandom random = new SplittableRandom(seed);
        int blockFrames = 1 << 15;
        byte[] block = new byte[blockFrames * channels * 3];
        try (WavWriter out = new WavWriter(file, RATE, channels, SampleFormat.INT24, frames, null)) {
            for (long first = 0; first < frames; first += blockFrames) {
                int length = (int) Math.min(blockFrames, frames - first) * channels * 3;
                for (int i = 0; i < length; i += 3) {
                    int sample = random.nextInt() >> 12;
                    block[i] = (byte) sample;
                    block[i + 1] = (byte) (sample >> 8);
                    block[i + 2] = (byte) (sample >> 16);
                }
                out.write(block, length);
            }
        }
        return file;
    }
}
