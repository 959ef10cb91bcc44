package apodex.server.sessions;

import apodex.session.Session;
import com.fasterxml.jackson.databind.annotation.JsonSerialize;
import jakarta.annotation.Nullable;

/**
 * A session as it stands.
 *
 * @param revision what an edit has to name
 * @param frames   length from its start to the last sound's end
 * @param undo     what undo would take back; null when there is nothing
 * @param redo     what redo would bring again; null when there is nothing
 */
public record SessionState(
        String id,
        int revision,
        long frames,
        @Nullable String undo,
        @Nullable String redo,
        @JsonSerialize(using = WrittenSessions.class) Session session) {}
