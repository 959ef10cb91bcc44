package apodex.intake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import apodex.audio.PcmReader;
import apodex.audio.SoundBytes;
import apodex.measure.Overview;
import apodex.session.Recording;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Stores that share their recordings and keep on their own disks no more than what is in use. */
class RecordingsElsewhereTest {
    private static final int FRAMES = 50_000;
    /** Of 24 bits, with its overview, one takes a little more than this. */
    private static final long BYTES = FRAMES * 3L;

    @TempDir
    private Path folder;

    private Shelf shelf;

    /** A folder that stands for what all share. */
    private record Shelf(Path root) implements Elsewhere {
        private Path home(String sha256) {
            return root.resolve(sha256);
        }

        @Override
        public boolean has(String sha256) {
            return Files.exists(home(sha256));
        }

        @Override
        public void fetch(String sha256, Path into) throws IOException {
            if (!has(sha256)) {
                throw new FileNotFoundException("gone");
            }
            try (Stream<Path> files = Files.list(home(sha256))) {
                for (Path file : files.toList()) {
                    Files.copy(file, into.resolve(file.getFileName()));
                }
            }
        }

        @Override
        public void fetchOverview(String sha256, Path to) throws IOException {
            Files.copy(home(sha256).resolve("overview"), to);
        }

        @Override
        public void keep(String sha256, List<Path> files) throws IOException {
            if (has(sha256)) {
                return;
            }
            Files.createDirectories(home(sha256));
            for (Path file : files) {
                Files.copy(file, home(sha256).resolve(file.getFileName()));
            }
        }

        @Override
        public boolean isScanned(String sha256) {
            return Files.exists(home(sha256).resolve("scan"));
        }

        @Override
        public void fetchScan(String sha256, Path to) throws IOException {
            Files.copy(home(sha256).resolve("scan"), to);
        }

        @Override
        public void keepScan(String sha256, Path scan) throws IOException {
            Files.copy(scan, home(sha256).resolve("scan"));
        }

        @Override
        public long bytes(String sha256) {
            return 0;
        }
    }

    @BeforeEach
    void share() throws IOException {
        shelf = new Shelf(Files.createDirectory(folder.resolve("shelf")));
    }

    private RecordingStore store(String name, long mostBytes) throws IOException {
        return new RecordingStore(folder.resolve(name), shelf, mostBytes);
    }

    private List<Recording> bring(RecordingStore store, int count) throws IOException {
        List<Recording> brought = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int[] samples = new int[FRAMES];
            samples[0] = i + 1;
            Path file = Files.write(folder.resolve("come.wav"), SoundBytes.mono24(samples));
            brought.add(store.bring(file, "Row " + i + ".wav"));
        }
        return brought;
    }

    private long onDisk(String name) throws IOException {
        try (Stream<Path> files = Files.walk(folder.resolve(name))) {
            return files.filter(file -> file.endsWith("original")).count();
        }
    }

    @Test
    void noMoreIsHereThanThereIsRoomForAndAllCanBeOpened() throws IOException {
        List<Recording> brought = bring(store("one", 5 * BYTES / 2), 4);
        assertThat(onDisk("one")).isEqualTo(2);
        RecordingStore other = store("other", 5 * BYTES / 2);
        for (int round = 0; round < 2; round++) {
            for (Recording each : brought) {
                assertThat(other.has(each.sha256())).isTrue();
                try (PcmReader reader = other.open(each.sha256())) {
                    assertThat(reader.frames()).isEqualTo(FRAMES);
                }
                assertThat(onDisk("other")).isLessThanOrEqualTo(2);
            }
        }
    }

    @Test
    void whatIsReadGoesOnWhileRoomIsMade() throws IOException {
        RecordingStore store = store("one", 3 * BYTES / 2);
        List<Recording> brought = bring(store, 2);
        try (PcmReader first = store.open(brought.get(0).sha256())) {
            store.fetch(brought.get(1).sha256()); // takes the place of the first
            double[][] frames = new double[1][1];
            first.read(0, 1, 0, frames, 0);
            assertThat(frames[0][0]).isEqualTo(1 / 8388608.0);
        }
    }

    @Test
    void aStoreFindsAgainWhatIsOnItsDiskAndCountsIt() throws IOException {
        List<Recording> brought = bring(store("one", 5 * BYTES), 3);
        RecordingStore again = store("one", 5 * BYTES / 2);
        again.fetch(brought.get(0).sha256());
        bring(again, 4);
        assertThat(onDisk("one")).isEqualTo(2);
    }

    @Test
    void itIsDrawnFromAfarWithoutItsSound() throws IOException {
        Recording recording = bring(store("one", 5 * BYTES), 1).get(0);
        RecordingStore other = store("other", 5 * BYTES);
        try (Overview overview = other.overview(recording.sha256())) {
            float[][] bins = overview.lowsAndHighs(4, 0, 2);
            assertThat(bins[0]).containsExactly(0, 1 / 8388608f, 0, 0); // one step up in the first frame, nothing else
            assertThat(onDisk("other")).isZero();
            assertThat(overview.lowsAndHighs(0, 0, 1)[0])
                    .as("finer than that")
                    .containsExactly(1 / 8388608f, 1 / 8388608f);
            assertThat(onDisk("other")).isEqualTo(1);
        }
        other.remove(recording.sha256());
        try (Stream<Path> files = Files.walk(folder.resolve("other"))) {
            assertThat(files.filter(Files::isRegularFile)).isEmpty();
        }
    }

    @Test
    void whatOneMeasuresAllKnow() throws IOException {
        Recording recording = bring(store("one", 5 * BYTES), 1).get(0);
        RecordingStore other = store("other", 5 * BYTES);
        assertThat(other.isScanned(recording.sha256())).isFalse();
        store("one", 5 * BYTES).measure(recording.sha256());
        assertThat(other.isScanned(recording.sha256())).isTrue();
        assertThat(other.scan(recording.sha256())).isPresent();
    }

    @Test
    void whatCameDamagedIsNotUsed() throws IOException {
        Recording recording = bring(store("one", 5 * BYTES), 1).get(0);
        Path there = shelf.home(recording.sha256()).resolve("original");
        byte[] bytes = Files.readAllBytes(there);
        bytes[bytes.length - 7] ^= 4;
        Files.write(there, bytes);
        assertThatThrownBy(() -> store("other", 5 * BYTES).open(recording.sha256()))
                .hasMessage("It did not come out of the storage as it went in.");
        assertThat(onDisk("other")).isZero();
    }
}
