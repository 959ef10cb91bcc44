package apodex.server.storage;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;

/**
 * Says in the database what this node is putting into the shared storage, before its first byte lies there and until something refers to
 * it. What nobody says any more has been given up, and is swept.
 */
@Component
public class Writing {
    private static final int RENEWED_EVERY_SECONDS = 10;
    /** Of the minute that a renewal is good for. */
    private static final long CERTAIN_FOR_NANOS = Duration.ofSeconds(5).toNanos();

    private static final Logger LOG = LoggerFactory.getLogger(Writing.class);

    private final WritingMapper mapper;
    private final String node;
    /** What is being put there, and when the database last said that it is ours, by {@link System#nanoTime}. */
    private final Map<String, Long> under = new ConcurrentHashMap<>();

    private final ScheduledExecutorService renewing = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "writing-renewed");
        thread.setDaemon(true);
        return thread;
    });

    /** Where a process has the storage to itself, nothing of all this need be said. */
    private final boolean isShared;

    Writing(
            WritingMapper mapper,
            @Value("${apodex.node}") String node,
            @Value("${apodex.storage.address}") String address) {
        this.isShared = !address.isBlank();
        this.mapper = mapper;
        this.node = node;
        renewing.scheduleWithFixedDelay(this::renew, RENEWED_EVERY_SECONDS, RENEWED_EVERY_SECONDS, TimeUnit.SECONDS);
    }

    void begin(String name) {
        mapper.begin(name, node);
        under.put(name, System.nanoTime() - CERTAIN_FOR_NANOS);
    }

    /** Asked before each object that is put there. @throws LostWriting when others take it for given up */
    void goOn(String name) throws LostWriting {
        Long saidAt = under.get(name);
        if ((saidAt == null || System.nanoTime() - saidAt >= CERTAIN_FOR_NANOS) && !renew(name)) {
            under.remove(name);
            throw new LostWriting(name);
        }
    }

    private boolean renew(String name) {
        long asked = System.nanoTime();
        boolean isOurs = mapper.renew(name, node) > 0;
        if (isOurs) {
            under.computeIfPresent(name, (same, before) -> asked);
        }
        return isOurs;
    }

    /**
     * Said in the transaction by which something refers to it from now on.
     *
     * @return false when it was given up before: then nothing may refer to it
     */
    public boolean settle(String name) {
        under.remove(name);
        return !isShared || mapper.settle(name) > 0;
    }

    /**
     * Said by a writer that gives something up, whether or not it had begun: it is swept, unless something refers to it after all.
     *
     * @return whether it will be; false where a process has the storage to itself
     */
    public boolean giveUp(String name) {
        under.remove(name);
        if (isShared) {
            mapper.lapse(name);
        }
        return isShared;
    }

    /**
     * Said in the transaction after which nothing refers to something any more: it is swept, should who removes it not come to that.
     *
     * @return whether it will be; false where a process has the storage to itself
     */
    public boolean abandon(String name) {
        under.remove(name);
        if (isShared) {
            mapper.abandon(name, node);
        }
        return isShared;
    }

    /** Leaves it to be swept. */
    void letGo(String name) {
        under.remove(name);
    }

    /** Nothing of it lies there any more. */
    public void forget(String name) {
        under.remove(name);
        if (isShared) {
            mapper.forget(name);
        }
    }

    private void renew() {
        for (String name : under.keySet()) {
            try {
                renew(name);
            } catch (DataAccessException e) {
                LOG.debug("{} could not be renewed now.", name, e);
            }
        }
    }

    @PreDestroy
    void stop() {
        renewing.shutdownNow();
    }
}
