package apodex.intake;

import apodex.align.Sighting;
import apodex.audio.AtHand;
import apodex.audio.Digests;
import apodex.audio.FlacFile;
import apodex.audio.PcmReader;
import apodex.audio.SoundFacts;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.audio.WorkFolder;
import apodex.check.Sounds;
import apodex.measure.Overview;
import apodex.measure.OverviewScan;
import apodex.measure.SoundScan;
import apodex.measure.StereoImage;
import apodex.session.Recording;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.lang.ref.SoftReference;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;

/**
 * Keeps recordings on disk, each once, by the SHA-256 of its bytes, in a folder of its own: the file as it came, for
 * FLAC its decoded sound beside it, and its overview. The folder is made under another name, written through to the
 * disk and renamed when whole; after that it never changes.
 */
public final class RecordingStore implements Sounds {
    private static final String ORIGINAL = "original";
    private static final String DECODED = "decoded.wav";
    private static final String OVERVIEW = "overview";
    private static final String SCAN = "scan";
    private static final String SCANS = "scans";
    private static final String HALF_DONE = ".half-done-";

    private final Path root;
    /** What was read of scans and is still wanted; memory that runs short takes it back. */
    private final Map<String, SoftReference<SoundScan>> scans = new ConcurrentHashMap<>();
    /** Where recordings lie in others: looked for once, since it takes reading both. */
    private final Map<String, Sighting> sightings = new ConcurrentHashMap<>();

    private final Map<String, SoftReference<Map<Stretch, StereoImage>>> images = new ConcurrentHashMap<>();
    /** What the bytes of files that look touched turned out to be, by file and moment of change. */
    private final Map<String, Standing> touched = new ConcurrentHashMap<>();

    /** A place shared with other stores; null when everything is here. */
    @Nullable
    private final Elsewhere elsewhere;

    private final AtHand fetched;

    /** @param root folder of the store, nobody else's; made when missing. What was left half done there is removed. */
    public RecordingStore(Path root) throws IOException {
        this(root, null, Long.MAX_VALUE);
    }

    /**
     * A store that shares its recordings with others; on the disk lie those that are in use.
     *
     * @param root      folder of this store, nobody else's
     * @param mostBytes that recordings may take there
     */
    public RecordingStore(Path root, @Nullable Elsewhere elsewhere, long mostBytes) throws IOException {
        this.root = Files.createDirectories(root);
        this.elsewhere = elsewhere;
        this.fetched = new AtHand(mostBytes);
        try (Stream<Path> inside = Files.list(root)) {
            for (Path each : inside.toList()) {
                if (each.getFileName().toString().startsWith(HALF_DONE)) {
                    WorkFolder.remove(each);
                }
            }
        }
        if (elsewhere != null) {
            Files.createDirectories(root.resolve(SCANS));
            findFetched();
        }
    }

    /** What an earlier start left here. */
    private void findFetched() throws IOException {
        try (Stream<Path> homes =
                Files.find(root, 2, (path, is) -> isSha256(path.getFileName().toString()))) {
            for (Path home : homes.filter(Files::isDirectory).toList()) {
                fetched.isHere(home.getFileName().toString(), bytesIn(home));
            }
        }
    }

    private Path halfDone() {
        return root.resolve(HALF_DONE + UUID.randomUUID());
    }

    /**
     * Takes a file in. It is moved away from where it lies, or, when it is known already, deleted.
     *
     * @param fileName name to remember
     * @throws apodex.audio.SoundFileException when it cannot be read as sound; the file then stays where it is
     */
    public Recording bring(Path file, String fileName) throws IOException {
        SoundInfo info = SoundFile.examine(file);
        String title = SoundFacts.read(file).title();
        String sha256 = Digests.sha256(file);
        Path home = home(sha256);
        if (Files.exists(home)) {
            Files.delete(file);
        } else {
            prepare(file, info, home);
        }
        if (elsewhere != null) {
            elsewhere.keep(sha256, List.of(home.resolve(ORIGINAL), home.resolve(OVERVIEW)));
            fetched.isHere(sha256, bytesIn(home));
            removeUnused();
        }
        return RecordingFacts.of(sha256, fileName, info, title);
    }

    private void prepare(Path file, SoundInfo info, Path home) throws IOException {
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

    @Override
    public PcmReader open(String sha256) throws IOException {
        return held(sha256, () -> {
            Path sound = sound(sha256);
            return new PcmReader(sound, SoundFile.examine(sound));
        });
    }

    @Override
    public Overview overview(String sha256) throws IOException {
        return held(sha256, () -> new Overview(home(sha256).resolve(OVERVIEW), open(sha256)));
    }

    private interface Opening<T> {
        T open() throws IOException;
    }

    /** What makes room for others between fetching and opening is fetched once more. */
    private <T> T held(String sha256, Opening<T> opening) throws IOException {
        try {
            return opening.open();
        } catch (NoSuchFileException e) {
            if (elsewhere == null) {
                throw e;
            }
            fetch(sha256);
            return opening.open();
        }
    }

    /** Kept as long as memory allows: a recording never changes, and every plan asks for every clip. */
    @Override
    public StereoImage image(String sha256, int firstChannel, int channels, FrameRange stretch) throws IOException {
        refuseMissing(sha256); // what is not there any more is not planned, however well it is known
        Map<Stretch, StereoImage> known = images.compute(
                        sha256,
                        (key, kept) -> kept == null || kept.get() == null
                                ? new SoftReference<>(new ConcurrentHashMap<>())
                                : kept)
                .get();
        Stretch asked = new Stretch(firstChannel, channels, stretch);
        StereoImage image = known == null ? null : known.get(asked);
        if (image == null) {
            image = Sounds.super.image(sha256, firstChannel, channels, stretch);
            if (known != null) {
                known.put(asked, image);
            }
        }
        return image;
    }

    private record Stretch(int firstChannel, int channels, FrameRange frames) {}

    @Override
    public Standing standing(String sha256) {
        if (!has(sha256)) {
            return Standing.MISSING;
        }
        if (elsewhere != null) {
            return Standing.THERE; // checked whenever it is fetched
        }
        Path original = home(sha256).resolve(ORIGINAL);
        try {
            FileTime written = Files.getLastModifiedTime(original);
            if (written.compareTo(Files.getLastModifiedTime(home(sha256).resolve(OVERVIEW))) <= 0) {
                return Standing.THERE;
            }
            return touched.computeIfAbsent(sha256 + written + Files.size(original), key -> byBytes(original, sha256));
        } catch (IOException e) {
            return Standing.MISSING;
        }
    }

    private static Standing byBytes(Path original, String sha256) {
        try {
            return Digests.sha256(original).equals(sha256) ? Standing.THERE : Standing.CHANGED;
        } catch (IOException e) {
            return Standing.MISSING;
        }
    }

    @Override
    public Sighting sighting(Recording of, Recording in) {
        String key = of.sha256() + " in " + in.sha256();
        Sighting sighting = sightings.get(key);
        if (sighting == null) {
            sighting = Sounds.super.sighting(of, in);
            if (sighting != Sighting.NOTHING) { // one that could not be read may be there the next time
                sightings.put(key, sighting);
            }
        }
        return sighting;
    }

    @Override
    public Optional<SoundScan> scan(String sha256) {
        SoftReference<SoundScan> kept = scans.get(sha256);
        SoundScan scan = kept == null ? null : kept.get();
        if (scan == null && isScanned(sha256)) {
            try {
                if (elsewhere != null && !Files.exists(scanFile(sha256))) {
                    fetchScan(elsewhere, sha256);
                }
                scan = SoundScan.read(scanFile(sha256));
                scans.put(sha256, new SoftReference<>(scan));
            } catch (IOException e) {
                return Optional.empty();
            }
        }
        return Optional.ofNullable(scan);
    }

    /** Whether every sample of a recording has been read. */
    public boolean isScanned(String sha256) {
        return elsewhere == null
                ? has(sha256) && Files.exists(scanFile(sha256))
                : has(sha256) && elsewhere.isScanned(sha256);
    }

    /** Reads every sample of a recording, once and for all who use it. */
    public void measure(String sha256) throws IOException {
        Path sound = sound(sha256);
        SoundInfo info = SoundFile.examine(sound);
        Path work = home(sha256).resolve(SCAN + "-" + UUID.randomUUID());
        try (PcmReader in = new PcmReader(sound, info)) {
            SoundScan.of(in, info.rate()).write(work);
            if (elsewhere != null) {
                elsewhere.keepScan(sha256, work);
            }
            Files.move(work, scanFile(sha256), StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(work);
        }
    }

    /** Removes a recording: out of sight in one step, then from the disk. Nothing happens when there is none. */
    public void remove(String sha256) throws IOException {
        Path home = home(sha256);
        scans.remove(sha256);
        images.remove(sha256);
        fetched.isGone(sha256);
        if (Files.exists(home)) {
            Path removed = halfDone();
            Files.move(home, removed, StandardCopyOption.ATOMIC_MOVE);
            WorkFolder.remove(removed);
        }
    }

    /** Bytes on the disk of a recording: the file as it came and what was made of it; 0 when it is not here. */
    public long bytes(String sha256) throws IOException {
        if (elsewhere != null) {
            return elsewhere.bytes(sha256);
        }
        return has(sha256) ? bytesIn(home(sha256)) : 0;
    }

    private static long bytesIn(Path home) throws IOException {
        try (Stream<Path> inside = Files.list(home)) {
            return inside.mapToLong(file -> file.toFile().length()).sum();
        } catch (NoSuchFileException e) {
            return 0; // removed at this moment
        }
    }

    /** The file as it came. */
    public Path original(String sha256) throws IOException {
        sound(sha256);
        return home(sha256).resolve(ORIGINAL);
    }

    /** Whether a recording lies here, by the SHA-256 of its file. */
    public boolean has(String sha256) {
        return isSha256(sha256) && (elsewhere == null ? isHere(sha256) : elsewhere.has(sha256));
    }

    private boolean isHere(String sha256) {
        return Files.exists(home(sha256).resolve(ORIGINAL))
                || Files.exists(home(sha256).resolve(DECODED));
    }

    private void refuseMissing(String sha256) throws FileNotFoundException {
        if (!has(sha256)) {
            throw new FileNotFoundException("Its file is not in the store any more.");
        }
    }

    /** Sees to it that a recording is on this disk, so that nobody waits for it later. */
    public void fetch(String sha256) throws IOException {
        refuseMissing(sha256);
        if (elsewhere == null) {
            return;
        }
        fetched.oneAtATime(sha256, () -> {
            if (isHere(sha256)) {
                fetched.isUsed(sha256);
            } else {
                fetch(elsewhere, sha256);
                removeUnused();
            }
        });
    }

    private void fetch(Elsewhere from, String sha256) throws IOException {
        Path work = Files.createDirectory(halfDone());
        try {
            from.fetch(sha256, work);
            Path original = work.resolve(ORIGINAL);
            if (SoundFile.examine(original).layout() == null) {
                FlacFile.decode(original, work.resolve(DECODED));
            }
            Files.createDirectories(home(sha256).getParent());
            Files.move(work, home(sha256), StandardCopyOption.ATOMIC_MOVE);
            fetched.isHere(sha256, bytesIn(home(sha256)));
        } finally {
            WorkFolder.remove(work);
        }
    }

    private void fetchScan(Elsewhere from, String sha256) throws IOException {
        Path work = halfDone();
        try {
            from.fetchScan(sha256, work);
            Files.move(work, scanFile(sha256), StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(work);
        }
    }

    private void removeUnused() throws IOException {
        for (String unused : fetched.beyond()) {
            remove(unused);
        }
    }

    /** Scans are small and outlive the recordings that were fetched. */
    private Path scanFile(String sha256) {
        return elsewhere == null
                ? home(sha256).resolve(SCAN)
                : root.resolve(SCANS).resolve(sha256);
    }

    private Path sound(String sha256) throws IOException {
        fetch(sha256);
        Path home = home(sha256);
        Path decoded = home.resolve(DECODED);
        return Files.exists(decoded) ? decoded : home.resolve(ORIGINAL);
    }

    private Path home(String sha256) {
        if (!isSha256(sha256)) {
            throw new IllegalArgumentException("“" + sha256 + "” is no SHA-256."); // never a way out of the store
        }
        return root.resolve(sha256.substring(0, 2)).resolve(sha256);
    }

    /** Asked for every clip of every plan, so without a pattern. */
    private static boolean isSha256(String written) {
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
