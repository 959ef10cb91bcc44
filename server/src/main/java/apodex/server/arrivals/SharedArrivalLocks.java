package apodex.server.arrivals;

import jakarta.annotation.Nullable;
import java.util.UUID;
import me.desair.tus.server.exception.TusException;
import me.desair.tus.server.exception.UploadAlreadyLockedException;
import me.desair.tus.server.upload.UploadId;
import me.desair.tus.server.upload.UploadIdFactory;
import me.desair.tus.server.upload.UploadLock;
import me.desair.tus.server.upload.UploadLockingService;
import org.springframework.stereotype.Component;

/** One request at a time has a file in hand, whichever node it came to; for a minute, unless it goes on. */
@Component
class SharedArrivalLocks implements UploadLockingService {
    private final SharedArrivalMapper mapper;
    private UploadIdFactory ids;

    SharedArrivalLocks(SharedArrivalMapper mapper) {
        this.mapper = mapper;
    }

    @Override
    @Nullable
    public UploadLock lockUploadByUri(String uri) throws TusException {
        UploadId id = ids.readUploadId(uri);
        if (id == null || mapper.find(id.toString()) == null) {
            return null;
        }
        String lock = UUID.randomUUID().toString();
        if (mapper.lock(id.toString(), lock) == 0) {
            throw new UploadAlreadyLockedException("Another request has upload " + id + " in hand.");
        }
        return new Held(uri, id.toString(), lock);
    }

    private final class Held implements UploadLock {
        private final String uri;
        private final String id;
        private final String lock;

        Held(String uri, String id, String lock) {
            this.uri = uri;
            this.id = id;
            this.lock = lock;
        }

        @Override
        public String getUploadUri() {
            return uri;
        }

        @Override
        public void release() {
            mapper.unlock(id, lock);
        }

        @Override
        public void close() {
            release();
        }
    }

    @Override
    public void cleanupStaleLocks() {
        // they end by themselves
    }

    @Override
    public boolean isLocked(UploadId id) {
        return mapper.isLocked(id.toString());
    }

    @Override
    public void setIdFactory(UploadIdFactory factory) {
        ids = factory;
    }
}
