package apodex.signal;

import apodex.audio.FileKind;
import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundFile;
import apodex.session.Session;
import apodex.session.Station;
import apodex.time.FrameRange;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Prints rows of a session to a folder of their own and reads them back as numbers. */
final class Walked {
    final Map<String, double[][]> sides = new LinkedHashMap<>();
    final List<byte[]> bytes = new ArrayList<>();

    /** What is printed, and how. */
    record How(Sharing sharing, SampleFormat depth, Passage passage, int threads, int blockFrames) {
        static How floats(Session session, Returns returns, Dynamics dynamics) {
            return new How(
                    new Sharing(returns, dynamics),
                    SampleFormat.FLOAT32,
                    new Passage(new FrameRange(0, session.frames()), 0, new Passage.Tail(0.5)),
                    2,
                    Walk.BLOCK_FRAMES);
        }

        How depth(SampleFormat other) {
            return new How(sharing, other, passage, threads, blockFrames);
        }

        How passage(Passage other) {
            return new How(sharing, depth, other, threads, blockFrames);
        }

        How crew(int otherThreads, int otherBlock) {
            return new How(sharing, depth, passage, otherThreads, otherBlock);
        }
    }

    /** @param points row ids and stations, such as {@code a0@BUS} */
    static Walked print(Session session, TestRecordings recordings, Path folder, How how, List<String> points)
            throws IOException {
        Path out = Files.createTempDirectory(folder, "walked");
        List<Tap> taps = new ArrayList<>();
        for (String point : points) {
            String[] parts = point.split("@");
            taps.add(new Tap(
                    parts[0],
                    Station.valueOf(parts[1]),
                    Channels.STEREO,
                    how.depth,
                    session.rate(),
                    FileKind.WAV,
                    0,
                    out.resolve(point),
                    null,
                    point.hashCode()));
        }
        new Walk(session, taps, how.passage, how.sharing, recordings, how.threads, how.blockFrames)
                .print(WalkObserver.NONE);
        Walked walked = new Walked();
        for (String point : points) {
            walked.sides.put(point, read(out.resolve(point)));
            walked.bytes.add(Files.readAllBytes(out.resolve(point)));
        }
        return walked;
    }

    static double[][] read(Path file) throws IOException {
        var info = SoundFile.examine(file);
        double[][] samples = new double[info.channels()][(int) info.frames()];
        try (PcmReader reader = new PcmReader(file, info)) {
            reader.read(0, (int) info.frames(), 0, samples, 0);
        }
        return samples;
    }

    /** RMS in dBFS of the sum of some files minus another. */
    double leftoverDbfs(List<String> summed, String reference) {
        double[][] mix = sides.get(reference);
        double square = 0;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < mix[c].length; i++) {
                double sum = -mix[c][i];
                for (String point : summed) {
                    sum += sides.get(point)[c][i];
                }
                square += sum * sum;
            }
        }
        return 10 * Math.log10(Math.max(1e-40, square / (2.0 * mix[0].length)));
    }

    double rmsDbfs(String point) {
        double square = 0;
        for (double[] side : sides.get(point)) {
            for (double sample : side) {
                square += sample * sample;
            }
        }
        return 10 * Math.log10(square / (2.0 * sides.get(point)[0].length));
    }
}
