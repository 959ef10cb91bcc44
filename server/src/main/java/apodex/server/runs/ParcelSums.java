package apodex.server.runs;

import apodex.audio.Digests;
import apodex.parcel.ZipPieces;
import apodex.server.nodes.ThisNode;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Takes the checksums of whole zips in the background, once their runs are done; nobody has to wait for them. */
@Component
class ParcelSums {
    private static final Logger LOG = LoggerFactory.getLogger(ParcelSums.class);
    private static final int BUFFER_BYTES = 1 << 18;

    private final RunMapper mapper;
    private final Storage storage;
    private final ThisNode node;
    private final ExecutorService background = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "parcel-sums");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });

    ParcelSums(RunMapper mapper, Storage storage, ThisNode node) {
        this.node = node;
        this.mapper = mapper;
        this.storage = storage;
    }

    /** Goes on with what a server that went down left. */
    @EventListener(ApplicationReadyEvent.class)
    void goOn() {
        if (node.prints()) {
            mapper.withoutSums().forEach(run -> background.execute(() -> takeNow(run, mapper.storedAs(run))));
        }
    }

    /**
     * Of what this machine still has of a run, which it need not have any more then.
     *
     * @param name under which it lies in the storage
     */
    void take(String runId, String name) {
        background.execute(() -> {
            try {
                takeNow(runId, name);
            } finally {
                storage.letGo(name);
            }
        });
    }

    private void takeNow(String runId, String name) {
        StoredRun stored = new StoredRun(storage, name);
        for (RunMapper.StoredParcel parcel : Patience.with(() -> mapper.parcels(runId))) {
            try {
                if (parcel.sha256() == null) {
                    String sum = sum(stored.zip(parcel.part()), stored.sourceWhileHere());
                    Patience.doing(() -> mapper.saveSum(runId, parcel.part(), sum));
                }
            } catch (IOException | RuntimeException e) {
                // gone or altered: whoever asks for the parcel is told which file
                LOG.warn("No checksum of part {} of run {}: {}", parcel.part(), runId, e.toString());
            }
        }
    }

    private static String sum(ZipPieces zip, ZipPieces.Source files) throws IOException {
        MessageDigest digest = Digests.sha256();
        byte[] buffer = new byte[BUFFER_BYTES];
        try (InputStream in = zip.open(files)) {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                digest.update(buffer, 0, read);
                if (Thread.currentThread().isInterrupted()) {
                    throw new IOException("The server is going down.");
                }
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    @PreDestroy
    void stop() {
        background.shutdownNow();
    }
}
