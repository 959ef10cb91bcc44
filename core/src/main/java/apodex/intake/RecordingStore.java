package apodex.intake;

import apodex.align.Sighting;
import apodex.audio.AtHand;
import apodex.audio.Digests;
import apodex.audio.PcmReader;
import apodex.audio.SoundFacts;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import apodex.check.Sounds;
import apodex.measure.Overview;
import apodex.measure.SoundScan;
import apodex.measure.StereoImage;
import apodex.session.Recording;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.io.FileNotFoundException;
import java.io.IOException;
import java.lang.ref.SoftReference;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Keeps recordings on disk, each once, by the SHA-256 of its bytes, in a folder of its own: the file as it came, for
 * FLAC its decoded sound beside it, and its overview. The folder is made under another name, written through to the
 * disk and renamed when whole; after that it never changes.
 */
public final class RecordingStore implements Sounds {

    private final RecordingFolder folder;
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
    /** Null where everything is here. */
    @Nullable
    private final FetchedOverviews overviews;

    /** What part of the room for recordings their overviews may take besides. */
    private static final int OVERVIEWS_SHARE = 10;

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
        this.folder = new RecordingFolder(root);
        this.elsewhere = elsewhere;
        this.fetched = new AtHand(mostBytes);
        this.overviews = elsewhere == null ? null : new FetchedOverviews(folder, mostBytes / OVERVIEWS_SHARE);
        if (elsewhere != null) {
            for (String here : folder.all()) {
                fetched.isHere(here, folder.bytes(here));
            }
        }
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
        fetched.isUsed(sha256);
        if (folder.has(sha256)) {
            Files.delete(file);
        } else {
            folder.prepare(file, info, sha256);
        }
        if (elsewhere != null) {
            elsewhere.keep(sha256, List.of(folder.original(sha256), folder.overview(sha256)));
            fetched.isHere(sha256, folder.bytes(sha256));
            removeUnused();
        }
        return RecordingFacts.of(sha256, fileName, info, title);
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
        refuseMissing(sha256);
        return held(sha256, () -> new Overview(overviewFile(sha256), () -> open(sha256)));
    }

    private Path overviewFile(String sha256) throws IOException {
        return overviews == null || elsewhere == null || folder.has(sha256)
                ? folder.overview(sha256)
                : overviews.of(sha256, elsewhere);
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
        Path original = folder.original(sha256);
        try {
            FileTime written = Files.getLastModifiedTime(original);
            if (written.compareTo(Files.getLastModifiedTime(folder.overview(sha256))) <= 0) {
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
                    folder.bring(scanFile(sha256), to -> elsewhere.fetchScan(sha256, to));
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
        Path work = folder.scanInTheMaking(sha256);
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
        scans.remove(sha256);
        images.remove(sha256);
        if (overviews != null) {
            overviews.remove(sha256);
        }
        makeRoomOf(sha256);
    }

    private void makeRoomOf(String sha256) throws IOException {
        fetched.isGone(sha256);
        folder.remove(sha256);
    }

    /** Bytes on the disk of a recording: the file as it came and what was made of it; 0 when it is not here. */
    public long bytes(String sha256) throws IOException {
        if (elsewhere != null) {
            return elsewhere.bytes(sha256);
        }
        return has(sha256) ? folder.bytes(sha256) : 0;
    }

    /** The file as it came. */
    public Path original(String sha256) throws IOException {
        sound(sha256);
        return folder.original(sha256);
    }

    /** Whether a recording lies here, by the SHA-256 of its file. */
    public boolean has(String sha256) {
        return RecordingFolder.isSha256(sha256) && (elsewhere == null ? folder.has(sha256) : elsewhere.has(sha256));
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
            if (folder.has(sha256)) {
                fetched.isUsed(sha256);
            } else {
                folder.fetch(elsewhere, sha256);
                fetched.isHere(sha256, folder.bytes(sha256));
                removeUnused();
            }
        });
    }

    private void removeUnused() throws IOException {
        for (String unused : fetched.beyond()) {
            makeRoomOf(unused);
        }
    }

    private Path scanFile(String sha256) {
        return elsewhere == null ? folder.scan(sha256) : folder.fetchedScan(sha256);
    }

    private Path sound(String sha256) throws IOException {
        fetch(sha256);
        return folder.sound(sha256);
    }
}
