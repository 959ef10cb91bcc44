package apodex.server.sessions;

import apodex.session.Session;
import apodex.session.SessionDocument;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;

/** The JSON of sessions, written once for the database and all answers: a large one takes longer to write than to change. */
public final class WrittenSessions extends JsonSerializer<Session> {
    /** By identity, which is enough: a session never changes. */
    private static final Cache<Session, String> WRITTEN =
            Caffeine.newBuilder().weakKeys().softValues().build();

    public static String of(Session session) {
        return WRITTEN.get(session, SessionDocument::write);
    }

    @Override
    public void serialize(Session session, JsonGenerator json, SerializerProvider provider) throws IOException {
        json.writeRawValue(of(session));
    }
}
