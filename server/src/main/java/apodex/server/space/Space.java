package apodex.server.space;

import apodex.intake.RecordingStore;
import apodex.server.DiskRoom;
import apodex.server.space.SpaceMapper.Taken;
import apodex.server.space.SpaceMapper.Use;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.util.unit.DataSize;

/**
 * What takes the room. A recording counts for everybody whose sessions use it, as if each had one: that somebody else has the same is
 * nobody's business.
 */
@Component
public class Space {
    private final SpaceMapper mapper;
    private final RecordingStore store;
    private final DiskRoom room;
    private final long usualQuota;

    Space(SpaceMapper mapper, RecordingStore store, DiskRoom room, @Value("${apodex.quota}") DataSize usualQuota) {
        this.mapper = mapper;
        this.store = store;
        this.room = room;
        this.usualQuota = usualQuota.toBytes();
    }

    /**
     * What a session takes.
     *
     * @param recordings bytes; other sessions may use the same
     * @param printed    bytes of files that can be fetched
     * @param binned     bytes in the bin
     * @param keepRuns   how many of the last runs are kept; null as the house has it, 0 all
     */
    public record OfSession(
            String id,
            String title,
            String owner,
            boolean removed,
            long recordings,
            long printed,
            long binned,
            @Nullable Integer keepRuns) {}

    /**
     * What is taken.
     *
     * @param recordings bytes, each recording once
     * @param waiting    of those, bytes of what came and is no session yet
     * @param quota      bytes there may be; null for as much as there is room
     * @param free       bytes left on the disk
     * @param database   bytes
     * @param keepRuns   the house's rule; null for all
     */
    public record Picture(
            List<OfSession> sessions,
            long recordings,
            long waiting,
            long printed,
            long binned,
            @Nullable Long quota,
            long free,
            long database,
            @Nullable Integer keepRuns) {}

    /** @param person whose; null for everybody's */
    Picture of(@Nullable String person) {
        Map<String, Long> bytes = new HashMap<>();
        Map<String, Long> bySession = new HashMap<>();
        Set<String> inSessions = new HashSet<>();
        for (Use use : mapper.uses(person)) {
            long size = bytes.computeIfAbsent(use.sha256(), this::bytes);
            bySession.merge(use.sessionId(), size, Long::sum);
            inSessions.add(use.sha256());
        }
        long waiting = 0;
        for (String sha256 : new HashSet<>(mapper.ofIntakes(person))) {
            if (!inSessions.contains(sha256)) {
                waiting += bytes.computeIfAbsent(sha256, this::bytes);
            }
        }
        List<Taken> taken = mapper.sessions(person);
        return new Picture(
                taken.stream()
                        .map(each -> new OfSession(
                                each.id(),
                                each.title(),
                                each.owner(),
                                each.removed(),
                                bySession.getOrDefault(each.id(), 0L),
                                each.printed(),
                                each.binned(),
                                each.keepRuns()))
                        .toList(),
                bytes.values().stream().mapToLong(Long::longValue).sum(),
                waiting,
                taken.stream().mapToLong(Taken::printed).sum(),
                taken.stream().mapToLong(Taken::binned).sum(),
                person == null ? null : quota(person).orElse(null),
                room.free(),
                mapper.database(),
                mapper.keepRuns());
    }

    private long bytes(String sha256) {
        try {
            return store.bytes(sha256);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Bytes that somebody's sessions may take; nothing for as much as there is room. */
    Optional<Long> quota(String ownerId) {
        Long own = mapper.quota(ownerId);
        long quota = own == null ? usualQuota : own;
        return quota > 0 ? Optional.of(quota) : Optional.empty();
    }

    /** What is wrong with so many bytes more, in a sentence for people; empty when they may be. */
    public Optional<String> wrongFor(String ownerId, long more) {
        Optional<Long> quota = quota(ownerId);
        if (quota.isEmpty()) {
            return Optional.empty();
        }
        Picture now = of(ownerId);
        long taken = now.recordings() + now.printed() + now.binned();
        return taken + more <= quota.get()
                ? Optional.empty()
                : Optional.of(
                        "That would be " + DiskRoom.size(taken + more) + " for this account, which may take "
                                + DiskRoom.size(quota.get())
                                + ". Remove what is no longer needed, and empty the bin; the page “Space” shows what takes it.");
    }

    /** The same, of whoever owns a session. */
    public Optional<String> wrongForSession(String sessionId, long more) {
        String owner = mapper.ownerOf(sessionId);
        return owner == null ? Optional.empty() : wrongFor(owner, more);
    }
}
