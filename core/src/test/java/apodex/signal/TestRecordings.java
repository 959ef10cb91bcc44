package apodex.signal;

import apodex.audio.PcmReader;
import apodex.audio.SampleFormat;
import apodex.audio.SoundBytes;
import apodex.audio.SoundFile;
import apodex.measure.Overview;
import apodex.measure.OverviewScan;
import apodex.session.Recording;
import java.io.IOException;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Recordings in a folder, made from whole numbers or floats that the test knows. */
public final class TestRecordings implements MeasuredRecordings {
    private final Path folder;
    private final Map<String, Path> files = new HashMap<>();

    public TestRecordings(Path folder) {
        this.folder = folder;
    }

    /** @param samples interleaved whole numbers */
    public Recording add(String name, int channels, int bits, long... samples) throws IOException {
        List<Long> values = new ArrayList<>();
        for (long sample : samples) {
            values.add(bits == 8 ? sample + 128 : sample);
        }
        byte[] bytes = SoundBytes.riff()
                .format(1, channels, 48_000, bits)
                .chunk("data", SoundBytes.integers(ByteOrder.LITTLE_ENDIAN, bits / 8, values))
                .wave();
        return add(name, bytes);
    }

    public Recording addFloats(String name, int channels, double... samples) throws IOException {
        return add(
                name,
                SoundBytes.riff()
                        .format(3, channels, 48_000, 32)
                        .chunk("data", SoundBytes.floats(ByteOrder.LITTLE_ENDIAN, samples))
                        .wave());
    }

    public Recording add(String name, byte[] bytes) throws IOException {
        Path file = Files.write(folder.resolve(name), bytes);
        files.put(name, file);
        var info = SoundFile.examine(file);
        try (PcmReader reader = new PcmReader(file, info)) {
            OverviewScan.write(reader, folder.resolve(name + ".overview"));
        }
        SampleFormat sample = info.sample();
        return new Recording(name, name, info.rate(), info.channels(), sample, info.frames(), null, null);
    }

    @Override
    public PcmReader open(String sha256) throws IOException {
        Path file = files.get(sha256);
        if (file == null) {
            throw new NoSuchFileException(sha256);
        }
        return new PcmReader(file, SoundFile.examine(file));
    }

    @Override
    public Overview overview(String sha256) throws IOException {
        return new Overview(folder.resolve(sha256 + ".overview"), () -> open(sha256));
    }
}
