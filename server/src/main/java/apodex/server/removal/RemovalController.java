package apodex.server.removal;

import apodex.server.access.Access;
import apodex.server.access.Thing;
import apodex.server.accounts.Who;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.mail.Outbox;
import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@ResponseStatus(HttpStatus.NO_CONTENT)
class RemovalController {
    private final Removal removal;
    private final Access access;
    private final Deeds deeds;
    private final Outbox outbox;
    private final Who who;

    RemovalController(Removal removal, Access access, Deeds deeds, Outbox outbox, Who who) {
        this.outbox = outbox;
        this.access = access;
        this.deeds = deeds;
        this.who = who;
        this.removal = removal;
    }

    @Operation(description = "Puts a session into the bin, with its handoffs, runs and links; nobody reaches it there.")
    @DeleteMapping("/api/sessions/{id}")
    void session(@PathVariable String id) {
        removal.binSession(id);
        deeds.note(who.ownerId(), DeedKind.REMOVED, id, "the session");
    }

    @Operation(description = "Puts a handoff into the bin, with its runs and their pickup links.")
    @DeleteMapping("/api/handoffs/{id}")
    void handoff(@PathVariable String id) {
        String session = access.sessionOf(Thing.HANDOFF, id);
        removal.binHandoff(id);
        deeds.note(who.ownerId(), DeedKind.REMOVED, session, "a handoff");
    }

    @Operation(description = "Puts a run that is over into the bin, with its pickup links.")
    @DeleteMapping("/api/runs/{id}")
    void run(@PathVariable String id) {
        String session = access.sessionOf(Thing.RUN, id);
        removal.binRun(id);
        deeds.note(who.ownerId(), DeedKind.REMOVED, session, "a run");
    }

    @Operation(
            description =
                    "Forgets a session for good and at once: history, handoffs, runs, links, the recordings no other"
                            + " session uses, and the lines of the log.")
    @PostMapping("/api/sessions/{id}/forget")
    void forget(@PathVariable String id) throws IOException {
        removal.session(id);
        deeds.forget(id);
        outbox.forget(id);
    }
}
