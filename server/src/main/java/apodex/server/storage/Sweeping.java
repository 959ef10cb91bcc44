package apodex.server.storage;

import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Removes what was being put into the shared storage by who is gone. Nothing is guessed: who writes says so before and while it does, and
 * loses the right to finish before the first of it is removed. It is removed again each hour for a day, for whoever slept through it.
 */
@Component
public class Sweeping {
    private static final int TIMES = 24;
    private static final Logger LOG = LoggerFactory.getLogger(Sweeping.class);

    private final WritingMapper mapper;
    private final Storage storage;

    Sweeping(WritingMapper mapper, Storage storage) {
        this.mapper = mapper;
        this.storage = storage;
    }

    @Scheduled(fixedDelayString = "${apodex.sweep}")
    void sweep() {
        if (storage.isShared()) {
            Patience.orNextTime(() -> mapper.givenUp().forEach(this::sweep));
        }
    }

    private void sweep(String name) {
        if (mapper.take(name) == 0) {
            return; // another node is at it, or its writer is back
        }
        try {
            if (mapper.isReferredTo(name)) { // by a writer that died in between
                mapper.forget(name);
                return;
            }
            storage.remove(name);
            LOG.info("{}, which nobody finished, is removed.", name);
            if (mapper.sweeps(name) >= TIMES) {
                mapper.forget(name);
            }
        } catch (IOException | RuntimeException e) {
            LOG.warn("{}, which nobody finished, could not be removed; it is tried again soon.", name, e);
            mapper.soon(name);
        }
    }
}
