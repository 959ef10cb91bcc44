package apodex.signal;

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
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;

/** A session of random rows, clips, gains, fades and overlaps, and what it must sound like, computed sample by sample. */
final class RandomSession {
    final Session session;
    final TestRecordings recordings;
    private final Map<String, double[][]> samples = new HashMap<>();

    RandomSession(long seed, Path folder, boolean levelsChange) throws IOException {
        SplittableRandom random = new SplittableRandom(seed);
        recordings = new TestRecordings(folder);
        List<Recording> made = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            made.add(recording(random, "rec" + i, 1 + i % 3, i % 2 == 0 ? 24 : 16));
        }
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 6; r++) {
            rows.add(new AudioRow("r" + r, "Row " + r, clips(random, made, levelsChange)));
        }
        rows.add(MixRow.DEFAULT);
        session = new Session(Song.titled("Random " + seed), new SampleRate(48_000), 5_000, "2026-01-01", made, rows);
    }

    private Recording recording(SplittableRandom random, String name, int channels, int bits) throws IOException {
        int frames = 500 + random.nextInt(3_000);
        long[] interleaved = new long[frames * channels];
        double[][] values = new double[channels][frames];
        double scale = Math.scalb(1.0, bits - 1);
        for (int i = 0; i < interleaved.length; i++) {
            interleaved[i] = random.nextInt() >> 32 - bits + 3; // an eighth of full scale, so that sums stay inside
            values[i % channels][i / channels] = interleaved[i] / scale;
        }
        samples.put(name, values);
        return recordings.add(name, channels, bits, interleaved);
    }

    private static List<Clip> clips(SplittableRandom random, List<Recording> recordings, boolean levelsChange) {
        List<Clip> clips = new ArrayList<>();
        long at = random.nextInt(800);
        int count = random.nextInt(5);
        for (int i = 0; i < count; i++) {
            Recording recording = recordings.get(random.nextInt(recordings.size()));
            int firstChannel = recording.channels() == 3 ? 2 * random.nextInt(2) : 0;
            int channels = Math.min(recording.channels() - firstChannel, 2);
            long offset = random.nextInt((int) recording.frames() / 2);
            long frames = 1 + random.nextInt((int) (recording.frames() - offset));
            long fade = levelsChange ? random.nextLong(frames / 2 + 1) : 0;
            double gain = levelsChange && random.nextBoolean() ? random.nextInt(-12, 4) : 0;
            clips.add(new Clip(recording.sha256(), firstChannel, channels, at, offset, frames, gain, fade, fade / 2));
            long gap = random.nextInt(600);
            at += levelsChange && random.nextInt(3) == 0 ? frames / 2 : frames + gap;
        }
        return clips;
    }

    /** The row's Raw as two sides, from the definition: every clip's samples times gain and fades, added in place. */
    double[][] expected(AudioRow row) {
        double[][] out = new double[2][(int) session.frames()];
        for (Clip clip : row.clips()) {
            double gain = Math.pow(10, clip.gainDb() / 20);
            for (int n = 0; n < clip.frames(); n++) {
                double factor = gain;
                if (n < clip.fadeIn().frames()) {
                    factor *= (n + 0.5) / clip.fadeIn().frames();
                }
                if (n >= clip.frames() - clip.fadeOut().frames()) {
                    factor *= (clip.frames() - n - 0.5) / clip.fadeOut().frames();
                }
                for (int side = 0; side < 2; side++) {
                    int channel = clip.firstChannel() + Math.min(side, clip.channels() - 1);
                    out[side][(int) clip.position() + n] +=
                            factor * samples.get(clip.recording())[channel][(int) clip.offset() + n];
                }
            }
        }
        return out;
    }
}
