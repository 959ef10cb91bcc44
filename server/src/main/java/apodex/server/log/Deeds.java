package apodex.server.log;

import apodex.server.accounts.Door;
import jakarta.annotation.Nullable;
import java.util.List;
import org.springframework.stereotype.Component;

/** Keeps who did what. Written with what was done, in the same transaction where there is one. At a desk there is but one. */
@Component
public class Deeds {
    /** Whoever came through a link has no account. */
    public static final String SOMEBODY = "";

    private static final int LONGEST = 500;
    private static final int MOST = 300;

    private final DeedMapper mapper;
    private final Door door;

    Deeds(DeedMapper mapper, Door door) {
        this.mapper = mapper;
        this.door = door;
    }

    /** @param sessionId null where it is about no session */
    public void note(String ownerId, DeedKind kind, @Nullable String sessionId, String words) {
        if (door.isOpen()) {
            mapper.insert(ownerId, kind, sessionId, words.substring(0, Math.min(LONGEST, words.length())));
        }
    }

    public List<DeedLine> ofSession(String sessionId) {
        return mapper.ofSession(sessionId, MOST);
    }

    public List<DeedLine> ofAccount(String ownerId) {
        return mapper.ofAccount(ownerId, MOST);
    }

    /** Lines about a session go with it. */
    public void forget(String sessionId) {
        mapper.forget(sessionId);
    }
}
