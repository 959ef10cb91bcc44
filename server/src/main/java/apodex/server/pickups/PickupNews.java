package apodex.server.pickups;

import apodex.server.access.Access;
import apodex.server.access.Thing;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.web.Refused;
import java.time.Duration;
import java.time.Instant;
import org.springframework.stereotype.Component;

/** Keeps what receivers do with a link, and tells whoever made it. What somebody does over and over is kept once in a while. */
@Component
class PickupNews {
    private static final Duration THE_SAME_AGAIN = Duration.ofMinutes(10);
    private static final int MOST_REPLIES = 100;
    private static final int MOST_FETCHES = 5_000;

    private final PickupMapper mapper;
    private final Deeds deeds;
    private final Access access;
    private final Letters letters;

    PickupNews(PickupMapper mapper, Deeds deeds, Access access, Letters letters) {
        this.mapper = mapper;
        this.deeds = deeds;
        this.access = access;
        this.letters = letters;
    }

    void made(Pickup pickup) {
        if (!pickup.mail().isEmpty()) {
            letters.post(pickup.id(), LetterKind.LINK, "");
        }
    }

    void opened(Pickup pickup) {
        if (mapper.tellOnce(pickup.id(), EventKind.OPENED, "", Instant.now().minus(THE_SAME_AGAIN)) > 0) {
            note(pickup, DeedKind.OPENED, "a pickup");
        }
    }

    void fetched(Pickup pickup, String name) {
        int before = mapper.count(pickup.id(), EventKind.FETCHED);
        if (before >= MOST_FETCHES) {
            return; // it goes on; it is not told any more
        }
        mapper.tell(pickup.id(), EventKind.FETCHED, name);
        note(pickup, DeedKind.FETCHED, name);
        if (before == 0) {
            letters.post(pickup.id(), LetterKind.FETCHED, name);
        }
    }

    /** @param problem what is wrong; empty where all arrived */
    void replied(Pickup pickup, String problem) {
        if (mapper.count(pickup.id(), EventKind.PROBLEM) + mapper.count(pickup.id(), EventKind.ARRIVED)
                >= MOST_REPLIES) {
            throw Refused.tooMany("This link has had " + MOST_REPLIES + " answers. Write to whoever sent it.", 86_400);
        }
        EventKind kind = problem.isEmpty() ? EventKind.ARRIVED : EventKind.PROBLEM;
        if (mapper.tellOnce(pickup.id(), kind, problem, Instant.now().minus(THE_SAME_AGAIN)) > 0) {
            letters.post(pickup.id(), problem.isEmpty() ? LetterKind.ARRIVED : LetterKind.PROBLEM, problem);
        }
    }

    private void note(Pickup pickup, DeedKind kind, String words) {
        deeds.note(Deeds.SOMEBODY, kind, access.sessionOf(Thing.RUN, pickup.runId()), words);
    }
}
