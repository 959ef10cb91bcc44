package apodex.server.arrivals;

import apodex.server.DataFolder;
import apodex.server.storage.Storage;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Objects;
import java.util.UUID;
import me.desair.tus.server.TusFileUploadService;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.upload.UploadId;
import me.desair.tus.server.upload.UploadInfo;
import me.desair.tus.server.upload.disk.DiskLockingService;
import me.desair.tus.server.upload.disk.DiskStorageService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Files on their way in by the open protocol tus 1.0.0: each can break off and go on, also in another window, after a day, or
 * after the server was started anew. They are kept until something was made of them, or for {@link #KEPT}.
 */
@Component
class ArrivedFiles {
    static final String PATH = "/api/arrivals";
    private static final Duration KEPT = Duration.ofDays(1);
    private static final Duration BETWEEN_SWEEPS = Duration.ofHours(1);
    private static final Logger LOG = LoggerFactory.getLogger(ArrivedFiles.class);

    /** Where they lie if this process has them to itself; null where nodes share them. */
    @Nullable
    private final OnThisDisk onThisDisk;

    private final SharedArrivals shared;
    private final TusFileUploadService protocol;
    private long sweptAtMillis;

    ArrivedFiles(DataFolder dataFolder, Storage storage, SharedArrivals shared, SharedArrivalLocks locks) {
        String folder = dataFolder.arriving().toString();
        this.shared = shared;
        onThisDisk = storage.isShared() ? null : new OnThisDisk(folder);
        protocol = new TusFileUploadService()
                .withUploadStorageService(onThisDisk == null ? shared : onThisDisk)
                .withUploadLockingService(onThisDisk == null ? locks : new DiskLockingService(folder))
                .withUploadUri(PATH)
                .withUploadExpirationPeriod(KEPT.toMillis());
        protocol.disableTusExtension("checksum").disableTusExtension("concatenation");
        sweep();
    }

    TusFileUploadService protocol() {
        return protocol;
    }

    /** Removes what nobody came back for. */
    synchronized void sweep() {
        long now = System.currentTimeMillis();
        if (now - sweptAtMillis < BETWEEN_SWEEPS.toMillis()) {
            return;
        }
        sweptAtMillis = now;
        try {
            if (onThisDisk == null || Files.isDirectory(onThisDisk.folder())) {
                protocol.cleanup();
            }
        } catch (IOException e) {
            LOG.warn("Files that nobody came back for could not be removed: {}", e.getMessage());
        }
    }

    /** A file that has arrived, under the name its sender gave it. @param lay folders it lay in, with slashes */
    record Arrived(String lay, String name, Path content) {}

    /** Gives a whole file of somebody out as one of its own in a folder: the same bytes on the disk, no copy where the disk can do that. */
    Arrived handOut(String id, String owner, Path folder) throws IOException {
        UploadInfo info = info(id, owner);
        if (info == null) {
            throw Refused.gone("A file that was to come in is not here any more. Drop the files once more.");
        }
        String name = info.getMetadata().getOrDefault("filename", "");
        if (info.isUploadInProgress()) {
            throw Refused.conflict("“" + name + "” has not arrived whole.");
        }
        Path content = folder.resolve("arrived-" + UUID.randomUUID());
        if (onThisDisk == null) {
            try (OutputStream out = Files.newOutputStream(content)) {
                shared.copyUploadTo(info, out);
            }
        } else {
            link(onThisDisk.bytes(info.getId()), content);
        }
        return new Arrived(Objects.requireNonNullElse(info.getMetadata().get("folder"), ""), name, content);
    }

    private static void link(Path bytes, Path content) throws IOException {
        try {
            Files.createLink(content, bytes);
        } catch (UnsupportedOperationException | IOException e) {
            Files.copy(bytes, content); // disks that know no links, such as those of cameras and old servers
        }
    }

    void forget(String id, String owner) {
        try {
            protocol.deleteUpload(uri(id), owner);
        } catch (IOException | TusException e) {
            LOG.warn("An arrived file stays until it is swept: {}", e.getMessage());
        }
    }

    private UploadInfo info(String id, String owner) throws IOException {
        try {
            return protocol.getUploadInfo(uri(id), owner);
        } catch (TusException e) {
            throw Refused.conflict("A file is still arriving; try again in a moment.");
        }
    }

    private static String uri(String id) {
        return PATH + "/" + id;
    }

    /** The library's, with the way to a file's bytes, so that gigabytes need not be copied. */
    private static final class OnThisDisk extends DiskStorageService {
        OnThisDisk(String folder) {
            super(folder);
        }

        Path folder() {
            return getStoragePath();
        }

        Path bytes(UploadId id) {
            return getPathInStorageDirectory(id).resolve("data");
        }
    }
}
