package apodex.check;

import apodex.audio.PcmReader;
import apodex.measure.Overview;
import apodex.measure.SoundScan;
import apodex.session.Recording;
import apodex.signal.TestRecordings;
import apodex.time.SampleRate;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;

/** Recordings that a test made, every sample of them read, standing as the test says. */
final class TestSounds implements Sounds {
    private final TestRecordings recordings;
    private final Map<String, Standing> standings = new HashMap<>();
    private final Map<String, Optional<SoundScan>> scans = new HashMap<>();

    TestSounds(Path folder) {
        this.recordings = new TestRecordings(folder);
    }

    /** @param samples interleaved floats */
    Recording add(String name, int channels, double... samples) {
        try {
            return recordings.addFloats(name, channels, samples);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Recording addWhole(String name, int bits, long... samples) {
        try {
            return recordings.add(name, 1, bits, samples);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    void stands(Recording recording, Standing standing) {
        standings.put(recording.sha256(), standing);
    }

    @Override
    public Standing standing(String sha256) {
        return standings.getOrDefault(sha256, Standing.THERE);
    }

    @Override
    public Optional<SoundScan> scan(String sha256) {
        return scans.computeIfAbsent(sha256, each -> {
            try (PcmReader in = open(each)) {
                return Optional.of(SoundScan.of(in, new SampleRate(48_000)));
            } catch (IOException e) {
                return Optional.empty();
            }
        });
    }

    @Override
    public PcmReader open(String sha256) throws IOException {
        if (standing(sha256) == Standing.MISSING) {
            throw new IOException("It is missing.");
        }
        return recordings.open(sha256);
    }

    @Override
    public Overview overview(String sha256) throws IOException {
        if (standing(sha256) == Standing.MISSING) {
            throw new IOException("It is missing.");
        }
        return recordings.overview(sha256);
    }
}
