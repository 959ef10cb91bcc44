package apodex.intake;

import apodex.audio.Digests;
import apodex.audio.FlacFile;
import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.audio.WorkFolder;
import apodex.measure.OverviewScan;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;

/** How recordings lie on a disk: each in a folder of its own that is made under a hidden name and renamed when whole. */
final class RecordingFolder {
    private static final String ORIGINAL = "original";
    private static final String DECODED = "decoded.wav";
    private static final String OVERVIEW = "overview";
    private static final String SCAN = "scan";
    private static final String SCANS = "scans";
    private static final String OVERVIEWS = "overviews";
    private static final String HALF_DONE = ".half-done-";

    private final Path root;

    /** @param root made when missing. What was left half done there is removed. */
    RecordingFolder(Path root) throws IOException {
        this.root = Files.createDirectories(root);
        try (Stream<Path> inside = Files.list(root)) {
            for (Path each : inside.toList()) {
                if (each.getFileName().toString().startsWith(HALF_DONE)) {
                    WorkFolder.remove(each);
                }
            }
        }
    }

    /** Those that are here. */
    List<String> all() throws IOException {
        try (Stream<Path> homes = Files.find(
                root,
                2,
                (path, is) -> is.isDirectory() && isSha256(path.getFileName().toString()))) {
            return homes.map(home -> home.getFileName().toString()).toList();
        }
    }

    boolean has(String sha256) {
        return Files.exists(original(sha256)) || Files.exists(home(sha256).resolve(DECODED));
    }

    /** The file as it came. */
    Path original(String sha256) {
        return home(sha256).resolve(ORIGINAL);
    }

    /** A file with its sound, not packed. */
    Path sound(String sha256) {
        Path decoded = home(sha256).resolve(DECODED);
        return Files.exists(decoded) ? decoded : original(sha256);
    }

    Path overview(String sha256) {
        return home(sha256).resolve(OVERVIEW);
    }

    Path scan(String sha256) {
        return home(sha256).resolve(SCAN);
    }

    Path scanInTheMaking(String sha256) {
        return home(sha256).resolve(SCAN + "-" + UUID.randomUUID());
    }

    /** Of a recording that lies elsewhere: scans are small and outlive what was fetched. */
    Path fetchedScan(String sha256) {
        Path scans = root.resolve(SCANS);
        scans.toFile().mkdirs();
        return scans.resolve(sha256);
    }

    /** Where those of recordings that lie elsewhere are, by hash. */
    Path fetchedOverviews() {
        return root.resolve(OVERVIEWS);
    }

    /** Writes a file that lies elsewhere. */
    interface Bringing {
        void bring(Path to) throws IOException;
    }

    /** Brings a file, which appears when all of it is here. */
    void bring(Path file, Bringing bringing) throws IOException {
        Path work = halfDone();
        try {
            bringing.bring(work);
            Files.move(work, file, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(work);
        }
    }

    /** Takes a file: decodes it where it is packed, and looks at all of it. It appears when it is whole. */
    void prepare(Path file, SoundInfo info, String sha256) throws IOException {
        Path home = home(sha256);
        Path work = Files.createDirectory(halfDone());
        try {
            Path sound = file;
            if (info.layout() == null) {
                sound = work.resolve(DECODED);
                FlacFile.decode(file, sound);
                force(sound);
            }
            try (PcmReader in = new PcmReader(sound, SoundFile.examine(sound))) {
                OverviewScan.write(in, work.resolve(OVERVIEW));
            }
            Path original = work.resolve(ORIGINAL);
            Files.move(file, original);
            force(original);
            force(work);
            Files.createDirectories(home.getParent());
            Files.move(work, home, StandardCopyOption.ATOMIC_MOVE);
            force(home.getParent());
        } catch (IOException | RuntimeException e) {
            WorkFolder.remove(work);
            if (!Files.exists(
                    home)) { // else the same recording came in twice at the same time, and the other is as good
                throw e;
            }
        }
    }

    /** Brings one from elsewhere. @throws IOException also when it did not come as it is */
    void fetch(Elsewhere from, String sha256) throws IOException {
        Path work = Files.createDirectory(halfDone());
        try {
            from.fetch(sha256, work);
            Path original = work.resolve(ORIGINAL);
            if (!Digests.sha256(original).equals(sha256)) {
                throw new IOException("It did not come out of the storage as it went in.");
            }
            if (SoundFile.examine(original).layout() == null) {
                FlacFile.decode(original, work.resolve(DECODED));
            }
            Files.createDirectories(home(sha256).getParent());
            Files.move(work, home(sha256), StandardCopyOption.ATOMIC_MOVE);
        } finally {
            WorkFolder.remove(work);
        }
    }

    /** Out of sight in one step, then from the disk. */
    void remove(String sha256) throws IOException {
        if (Files.exists(home(sha256))) {
            Path removed = halfDone();
            Files.move(home(sha256), removed, StandardCopyOption.ATOMIC_MOVE);
            WorkFolder.remove(removed);
        }
    }

    /** What one takes here. */
    long bytes(String sha256) throws IOException {
        try (Stream<Path> inside = Files.list(home(sha256))) {
            return inside.mapToLong(file -> file.toFile().length()).sum();
        } catch (NoSuchFileException e) {
            return 0; // removed at this moment
        }
    }

    private Path halfDone() {
        return root.resolve(HALF_DONE + UUID.randomUUID());
    }

    private Path home(String sha256) {
        if (!isSha256(sha256)) {
            throw new IllegalArgumentException("“" + sha256 + "” is no SHA-256."); // never a way out of the store
        }
        return root.resolve(sha256.substring(0, 2)).resolve(sha256);
    }

    /** Asked for every clip of every plan, so without a pattern. */
    static boolean isSha256(String written) {
        if (written.length() != 64) {
            return false;
        }
        for (int i = 0; i < 64; i++) {
            char c = written.charAt(i);
            if (c < '0' || c > 'f' || c > '9' && c < 'a') {
                return false;
            }
        }
        return true;
    }

    private static void force(Path path) throws IOException {
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }
}
