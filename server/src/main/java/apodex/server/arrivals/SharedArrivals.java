package apodex.server.arrivals;

import apodex.server.storage.Storage;
import apodex.server.storage.Writing;
import jakarta.annotation.Nullable;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.ObjectInputStream;
import java.io.ObjectOutputStream;
import java.io.OutputStream;
import java.time.Duration;
import java.util.Objects;
import me.desair.tus.server.exception.UploadNotFoundException;
import me.desair.tus.server.upload.UploadId;
import me.desair.tus.server.upload.UploadIdFactory;
import me.desair.tus.server.upload.UploadInfo;
import me.desair.tus.server.upload.UploadLockingService;
import me.desair.tus.server.upload.UploadStorageService;
import me.desair.tus.server.upload.concatenation.UploadConcatenationService;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Where files on their way in lie if several nodes serve: in pieces in the storage, so that each piece of one can come to another node, and
 * what comes of a line that breaks is kept.
 */
@Component
class SharedArrivals implements UploadStorageService {
    private static final int PIECE_BYTES = 8 << 20;
    private static final long PIECE_NANOS = Duration.ofSeconds(5).toNanos();
    private static final int READ_BYTES = 1 << 16;

    private final SharedArrivalMapper mapper;
    private final Storage storage;
    private final Writing writing;
    private final TransactionTemplate transaction;
    private UploadIdFactory ids;
    private long mostBytes;
    private Long expiresMillis;
    private UploadConcatenationService concatenation;

    SharedArrivals(SharedArrivalMapper mapper, Storage storage, Writing writing, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.storage = storage;
        this.writing = writing;
        this.transaction = transaction;
    }

    private static String name(String id) {
        return "arrivals/" + id;
    }

    private static String path(long start) {
        return String.format("%015d", start);
    }

    @Override
    @Nullable
    public UploadInfo getUploadInfo(String uri, String owner) throws IOException {
        UploadInfo info = getUploadInfo(ids.readUploadId(uri));
        return info != null && Objects.equals(info.getOwnerKey(), owner) ? info : null;
    }

    @Override
    @Nullable
    public UploadInfo getUploadInfo(UploadId id) throws IOException {
        SharedArrivalMapper.Arriving found = id == null ? null : mapper.find(id.toString());
        if (found == null) {
            return null;
        }
        UploadInfo info = read(found.info());
        info.setOffset(found.bytes());
        return info;
    }

    @Override
    public UploadInfo create(UploadInfo info, String owner) throws IOException {
        info.setId(ids.createId());
        info.setOffset(0L);
        info.setOwnerKey(owner);
        mapper.insert(info.getId().toString(), write(info), (int)
                Math.max(1, Duration.ofMillis(expiresMillis).toHours()));
        return info;
    }

    @Override
    public void update(UploadInfo info) throws IOException, UploadNotFoundException {
        if (mapper.update(info.getId().toString(), write(info)) == 0) {
            throw new UploadNotFoundException("There is no upload " + info.getId() + ".");
        }
    }

    @Override
    public UploadInfo append(UploadInfo info, InputStream in) throws IOException, UploadNotFoundException {
        String id = info.getId().toString();
        ByteArrayOutputStream piece = new ByteArrayOutputStream();
        byte[] buffer = new byte[READ_BYTES];
        long since = System.nanoTime();
        try {
            for (int read = in.read(buffer); read >= 0; read = in.read(buffer)) {
                piece.write(buffer, 0, read);
                if (piece.size() >= PIECE_BYTES || System.nanoTime() - since > PIECE_NANOS) {
                    keep(id, info, piece);
                    since = System.nanoTime();
                }
            }
        } finally { // what came before the line broke is kept too
            keep(id, info, piece);
        }
        return info;
    }

    private void keep(String id, UploadInfo info, ByteArrayOutputStream piece) throws IOException {
        if (piece.size() == 0) {
            return;
        }
        long start = info.getOffset();
        storage.replace(name(id), path(start), piece.toByteArray());
        transaction.executeWithoutResult(status -> {
            if (mapper.advance(id, start, piece.size()) == 0) {
                throw new IllegalStateException("Another request goes on with upload " + id + ".");
            }
            mapper.insertPart(id, start, piece.size());
        });
        info.setOffset(start + piece.size());
        piece.reset();
    }

    @Override
    public InputStream getUploadedBytes(String uri, String owner) throws IOException, UploadNotFoundException {
        UploadInfo info = getUploadInfo(uri, owner);
        if (info == null) {
            throw new UploadNotFoundException("There is no upload " + uri + ".");
        }
        return getUploadedBytes(info.getId());
    }

    @Override
    public InputStream getUploadedBytes(UploadId id) throws IOException {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        copy(id, all);
        return new ByteArrayInputStream(all.toByteArray());
    }

    @Override
    public void copyUploadTo(UploadInfo info, OutputStream to) throws IOException {
        copy(info.getId(), to);
    }

    private void copy(UploadId id, OutputStream to) throws IOException {
        for (SharedArrivalMapper.Part part : mapper.parts(id.toString())) {
            try (InputStream in = storage.open(name(id.toString()), path(part.start()), 0)) {
                in.transferTo(to);
            }
        }
    }

    @Override
    public void cleanupExpiredUploads(UploadLockingService locking) throws IOException {
        for (String id : mapper.expired()) {
            if (!mapper.isLocked(id)) {
                remove(id);
            }
        }
    }

    @Override
    public void terminateUpload(UploadInfo info) throws IOException {
        remove(info.getId().toString());
    }

    private void remove(String id) throws IOException {
        transaction.executeWithoutResult(status -> {
            mapper.deleteParts(id);
            if (mapper.delete(id) > 0) {
                writing.abandon(name(id));
            }
        });
        storage.remove(name(id));
        writing.forget(name(id));
    }

    /** Asked after each request that failed, for what came with it: which is kept, since it is right as far as it goes. */
    @Override
    public void removeLastNumberOfBytes(UploadInfo info, long count) {
        // checksums of pieces, the only reason to distrust them, are an extension that is off
    }

    private static byte[] write(UploadInfo info) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ObjectOutputStream out = new ObjectOutputStream(bytes)) {
            out.writeObject(info);
        }
        return bytes.toByteArray();
    }

    private static UploadInfo read(byte[] bytes) throws IOException {
        try (ObjectInputStream in = new ObjectInputStream(new ByteArrayInputStream(bytes))) {
            return (UploadInfo) in.readObject();
        } catch (ClassNotFoundException e) {
            throw new IOException(e);
        }
    }

    @Override
    public String getUploadUri() {
        return ids.getUploadUri();
    }

    @Override
    public void setMaxUploadSize(Long most) {
        mostBytes = most == null ? 0 : most;
    }

    @Override
    public long getMaxUploadSize() {
        return mostBytes;
    }

    @Override
    public Long getUploadExpirationPeriod() {
        return expiresMillis;
    }

    @Override
    public void setUploadExpirationPeriod(Long millis) {
        expiresMillis = millis;
    }

    @Override
    public void setUploadConcatenationService(UploadConcatenationService service) {
        concatenation = service;
    }

    @Override
    public UploadConcatenationService getUploadConcatenationService() {
        return concatenation;
    }

    @Override
    public void setIdFactory(UploadIdFactory factory) {
        ids = factory;
    }
}
