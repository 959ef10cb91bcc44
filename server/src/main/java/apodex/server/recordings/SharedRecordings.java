package apodex.server.recordings;

import apodex.intake.Elsewhere;
import apodex.server.recordings.RecordingMapper.Stored;
import apodex.server.storage.LostWriting;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Recordings in the storage that nodes share. Each that is brought in lies there under a name of its own, and the database says which: so
 * who removes one can never remove what somebody brings in anew at the same time.
 */
@Component
class SharedRecordings implements Elsewhere {
    private static final String SCAN = "scan";
    private static final String OVERVIEW = "overview";
    private static final Duration KNOWN_FOR = Duration.ofMinutes(10);
    private static final int MOST_KNOWN = 100_000;

    private final RecordingMapper mapper;
    private final Storage storage;
    private final Writing writing;
    private final TransactionTemplate transaction;
    /** Those that are there. What is not is asked for each time: another node may just have brought it in. */
    private final Cache<String, Stored> known = Caffeine.newBuilder()
            .maximumSize(MOST_KNOWN)
            .expireAfterWrite(KNOWN_FOR)
            .build();

    SharedRecordings(RecordingMapper mapper, Storage storage, Writing writing, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.storage = storage;
        this.writing = writing;
        this.transaction = transaction;
    }

    private Stored stored(String sha256) {
        Stored stored = known.getIfPresent(sha256);
        if (stored == null) {
            stored = mapper.stored(sha256);
            if (stored != null) {
                known.put(sha256, stored);
            }
        }
        return stored;
    }

    private Stored found(String sha256) throws FileNotFoundException {
        Stored stored = stored(sha256);
        if (stored == null) {
            throw new FileNotFoundException("Its file is not in the storage any more.");
        }
        return stored;
    }

    @Override
    public boolean has(String sha256) {
        return stored(sha256) != null;
    }

    @Override
    public void fetch(String sha256, Path into) throws IOException {
        asItIsNow(sha256, () -> bring(sha256, into));
    }

    @Override
    public void fetchOverview(String sha256, Path to) throws IOException {
        asItIsNow(sha256, () -> copy(Patience.reaching(() -> found(sha256)).name(), OVERVIEW, to));
    }

    private void asItIsNow(String sha256, Patience.Step step) throws IOException {
        try {
            step.take();
        } catch (FileNotFoundException e) { // removed, and perhaps brought in anew, since it was looked up
            known.invalidate(sha256);
            step.take();
        }
    }

    private void bring(String sha256, Path into) throws IOException {
        String name = Patience.reaching(() -> found(sha256)).name();
        for (Storage.Kept file : Patience.reaching(() -> storage.list(name, ""))) {
            copy(name, file.path(), into.resolve(file.path()));
        }
        if (!Files.exists(into.resolve("original"))) {
            throw new FileNotFoundException("Its file is not in the storage any more.");
        }
    }

    private void copy(String name, String path, Path to) throws IOException {
        Patience.step(() -> {
            Files.deleteIfExists(to);
            try (InputStream in = storage.open(name, path, 0)) {
                Files.copy(in, to);
            }
        });
    }

    @Override
    public void keep(String sha256, List<Path> files) throws IOException {
        while (Patience.with(() -> mapper.hold(sha256)) == 0) {
            bringIn(sha256, files);
        }
        known.invalidate(sha256);
    }

    private void bringIn(String sha256, List<Path> files) throws IOException {
        String name = "recordings/" + sha256 + "/" + UUID.randomUUID();
        Path making = storage.begin(name);
        long bytes = 0;
        for (Path file : files) {
            Files.createLink(making.resolve(file.getFileName()), file);
            bytes += Files.size(file);
        }
        long all = bytes;
        try {
            storage.publish(name);
            boolean isFirst = Patience.with(() -> transaction.execute(status -> {
                Stored before = mapper.stored(sha256);
                if (before != null && before.name().equals(name)) {
                    return true; // the answer to the try before did not arrive
                }
                boolean first = writing.settle(name) && mapper.store(sha256, name, all) > 0;
                if (!first) {
                    status.setRollbackOnly();
                }
                return first;
            }));
            if (!isFirst) { // somebody else brought the same in meanwhile, or this took too long
                Patience.doing(() -> writing.giveUp(name));
            }
        } catch (LostWriting e) {
            // once more, under another name
        } finally {
            storage.leave(name);
        }
    }

    /** Forgets a recording that nobody uses and nobody is about to use. @return whether it did */
    boolean removeUnused(String sha256) throws IOException {
        String name = transaction.execute(status -> {
            Stored stored = mapper.stored(sha256);
            if (stored != null && mapper.unstore(sha256, stored.name()) == 0) {
                return null;
            }
            mapper.delete(sha256);
            if (stored != null) {
                writing.abandon(stored.name());
            }
            return stored == null ? "" : stored.name();
        });
        if (name != null && !name.isEmpty()) {
            known.invalidate(sha256);
            storage.remove(name);
            writing.forget(name);
        }
        return name != null;
    }

    @Override
    public boolean isScanned(String sha256) {
        Stored stored = stored(sha256);
        if (stored != null && !stored.scanned()) {
            known.invalidate(sha256); // it will be, soon
            stored = stored(sha256);
        }
        return stored != null && stored.scanned();
    }

    @Override
    public void fetchScan(String sha256, Path to) throws IOException {
        asItIsNow(sha256, () -> copy(found(sha256).name(), SCAN, to));
    }

    @Override
    public void keepScan(String sha256, Path scan) throws IOException {
        String name = found(sha256).name();
        storage.replace(name, SCAN, Files.readAllBytes(scan));
        if (Patience.with(() -> mapper.scanned(sha256, name)) == 0) {
            storage.remove(name); // it was removed meanwhile, and this would stay
        }
        known.invalidate(sha256);
    }

    @Override
    public long bytes(String sha256) {
        Stored stored = stored(sha256);
        return stored == null ? 0 : stored.bytes();
    }
}
