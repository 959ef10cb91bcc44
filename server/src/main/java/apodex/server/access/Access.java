package apodex.server.access;

import apodex.server.accounts.Door;
import apodex.server.accounts.Who;
import apodex.server.web.Refused;
import jakarta.annotation.Nullable;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/**
 * The one that decides who may do what. What belongs to a session is judged by the session. To whom a thing is closed altogether, it
 * is as if there were none.
 */
@Component
public class Access {
    private final Door door;
    private final Who who;
    private final AccessMapper mapper;

    Access(Door door, Who who, AccessMapper mapper) {
        this.door = door;
        this.who = who;
        this.mapper = mapper;
    }

    /**
     * Refuses, unless whoever asks has the right.
     *
     * @throws Refused (404) where there is no such thing or it is nothing to them, (403) where they may see it, but not this
     */
    public void require(Right right, Thing thing, @Nullable String id) {
        if (!door.isOpen()) {
            return;
        }
        Right has = on(who.person().ownerId(), thing, id);
        if (has == null) {
            throw Refused.notFound("There is no " + thing.name().toLowerCase(java.util.Locale.ROOT) + " “" + id
                    + "” that you can see.");
        }
        if (!has.holds(right)) {
            throw Refused.forbidden(missing(right));
        }
    }

    /** Whether whoever asks has the right. */
    public boolean may(Right right, Thing thing, String id) {
        if (!door.isOpen()) {
            return true;
        }
        Right has = on(who.person().ownerId(), thing, id);
        return has != null && has.holds(right);
    }

    /** Recordings that whoever asks may use by their hash alone, without bringing the file. */
    public Predicate<String> recordings() {
        String person = who.onlyOf();
        return person == null ? sha256 -> true : sha256 -> mapper.hasRecording(person, sha256);
    }

    /** The session that a handoff, run or pickup belongs to; null where there is none. */
    @Nullable
    public String sessionOf(Thing thing, @Nullable String id) {
        return switch (thing) {
            case SESSION -> id;
            case HANDOFF -> mapper.sessionOfHandoff(id);
            case RUN -> mapper.sessionOfRun(id);
            case PICKUP -> mapper.sessionOfPickup(id);
            case RECORDING, INTAKE, BRIEF, HOUSE -> null;
        };
    }

    @Nullable
    private Right on(String person, Thing thing, @Nullable String id) {
        return switch (thing) {
            case SESSION, HANDOFF, RUN, PICKUP -> onSession(person, sessionOf(thing, id));
            case RECORDING -> mapper.hearsRecording(person, id) ? Right.LISTEN : null;
            case INTAKE -> mapper.ownIntakes(person, id) > 0 ? Right.OWN : null;
            case HOUSE -> person.equals(Door.HOUSE) ? Right.OWN : Right.LISTEN;
            case BRIEF -> mapper.briefs(id) == 0 ? Right.LISTEN : mapper.onBrief(person, id);
        };
    }

    @Nullable
    private Right onSession(String person, @Nullable String session) {
        return session == null ? null : mapper.onSession(person, session);
    }

    private static String missing(Right right) {
        return switch (right) {
            case LISTEN -> "This is closed to you.";
            case PRINT -> "You may listen to this session and fetch what was printed. Ask its owner to let you print.";
            case CHANGE -> "You may not change this. Ask its owner to let you.";
            case OWN -> "Only the owner can do that.";
        };
    }
}
