package apodex.server.removal;

import apodex.server.removal.BinMapper.Binned;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Keeps what was removed for a while, and what the rules keep for good. */
@Service
class Bin {
    private static final Logger LOG = LoggerFactory.getLogger(Bin.class);
    private static final int MINUTES_BETWEEN_SWEEPS = 10;

    private final BinMapper mapper;
    private final Removal removal;
    private final Duration kept;

    Bin(BinMapper mapper, Removal removal, @Value("${apodex.bin}") Duration kept) {
        this.mapper = mapper;
        this.removal = removal;
        this.kept = kept;
    }

    List<Binned> all(@Nullable String person) {
        return mapper.all(person);
    }

    /** When something goes for good. */
    Instant goesAt(Binned binned) {
        return binned.removedAt().plus(kept);
    }

    void restore(BinKind kind, String id) {
        int restored =
                switch (kind) {
                    case SESSION -> mapper.restoreSession(id);
                    case HANDOFF -> mapper.restoreHandoff(id);
                    case RUN -> mapper.restoreRun(id);
                };
        if (restored == 0) {
            throw Refused.notFound("That does not lie in the bin any more.");
        }
    }

    /** Removes something that lies there, for good. */
    void empty(BinKind kind, String id) {
        if (mapper.all(null).stream()
                .noneMatch(each -> each.kind() == kind && each.id().equals(id))) {
            throw Refused.notFound("That does not lie in the bin any more.");
        }
        forGood(kind, id);
    }

    private void forGood(BinKind kind, String id) {
        switch (kind) {
            case SESSION -> removal.session(id);
            case HANDOFF -> removal.handoff(id);
            case RUN -> removal.run(id);
        }
    }

    /** Puts what the rules do not keep into the bin, and what has lain there long enough out of it. */
    @Scheduled(fixedDelay = MINUTES_BETWEEN_SWEEPS, timeUnit = java.util.concurrent.TimeUnit.MINUTES)
    void sweep() {
        Instant now = Instant.now();
        mapper.beyondTheRules(now).forEach(run -> attempt(() -> removal.binRun(run)));
        mapper.all(null).stream()
                .filter(binned -> goesAt(binned).isBefore(now))
                .forEach(binned -> attempt(() -> forGood(binned.kind(), binned.id())));
    }

    /** One that cannot go keeps no other from going. */
    private static void attempt(Runnable removing) {
        try {
            removing.run();
        } catch (Refused e) {
            LOG.debug("Not now: {}", e.getMessage());
        } catch (RuntimeException e) {
            LOG.warn("Something in the bin could not be removed; it is tried again.", e);
        }
    }
}
