package apodex.server.handoffs;

import apodex.handoff.Adjustment;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.server.briefs.Briefs;
import apodex.server.web.Refused;
import apodex.session.NameRule;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class HandoffsController {
    private final Handoffs handoffs;
    private final Briefs briefs;

    HandoffsController(Handoffs handoffs, Briefs briefs) {
        this.briefs = briefs;
        this.handoffs = handoffs;
    }

    /** @param brief null for the usual one */
    record NewHandoff(String name, @Nullable Brief brief) {}

    /**
     * A handoff as it is to be.
     *
     * @param revision the handoff's revision the change was made against; null to overwrite
     */
    record HandoffChange(@Nullable Integer revision, Handoff handoff) {
        Handoff checked() {
            if (handoff == null) {
                throw Refused.unusable("The request holds no handoff.").with("field", "handoff");
            }
            return handoff.named(NameRule.check("name", handoff.name()), handoff.brief());
        }
    }

    record HandoffEntry(String id, String name, String brief) {}

    @PostMapping("/api/sessions/{sessionId}/handoffs")
    @ResponseStatus(HttpStatus.CREATED)
    HandoffState create(@PathVariable String sessionId, @RequestBody NewHandoff request) {
        return handoffs.create(sessionId, made(request));
    }

    /** Makes the first handoff of a session, unless there is one: then that is answered, whatever it is called. */
    @PutMapping("/api/sessions/{sessionId}/handoffs/first")
    HandoffState first(@PathVariable String sessionId, @RequestBody NewHandoff request) {
        return handoffs.first(sessionId, made(request));
    }

    private Handoff made(NewHandoff request) {
        return Handoff.named(NameRule.check("name", request.name()))
                .with(request.brief() == null ? briefs.usual() : request.brief());
    }

    @GetMapping("/api/sessions/{sessionId}/handoffs")
    List<HandoffEntry> ofSession(@PathVariable String sessionId) {
        return handoffs.ofSession(sessionId).stream()
                .map(stored -> new HandoffEntry(
                        stored.id(),
                        stored.handoff().name(),
                        stored.handoff().brief().name()))
                .toList();
    }

    @GetMapping("/api/handoffs/{id}")
    HandoffState get(@PathVariable String id) {
        return handoffs.get(id);
    }

    /** @param revision the handoff's revision the adjustment was made against */
    record AdjustRequest(int revision, Adjustment adjustment) {}

    @PostMapping("/api/handoffs/{id}/adjustments")
    HandoffState adjust(@PathVariable String id, @RequestBody AdjustRequest request) {
        if (request.adjustment() == null) {
            throw Refused.unusable("The request names no adjustment.").with("field", "adjustment");
        }
        return handoffs.adjust(id, request.revision(), request.adjustment());
    }

    /**
     * @param revision the handoff's revision it was made against
     * @param row      id of the row
     * @param insert   which of its inserts, from 0
     */
    record Keep(int revision, String row, int insert, boolean keep) {}

    @Operation(description = "Keeps an insert in the sound of a row's files, or leaves it to the mix.")
    @PostMapping("/api/handoffs/{id}/keep")
    HandoffState keep(@PathVariable String id, @RequestBody Keep request) {
        return handoffs.keep(id, request.revision(), request.row(), request.insert(), request.keep());
    }

    /**
     * @param revision the handoff's revision it was made against
     * @param row      id of an audio row
     * @param take     id of one of its takes
     */
    record Include(int revision, String row, String take, boolean include) {}

    @Operation(description = "Prints a take of a row at Raw, or does not.")
    @PostMapping("/api/handoffs/{id}/include")
    HandoffState include(@PathVariable String id, @RequestBody Include request) {
        return handoffs.include(id, request.revision(), request.row(), request.take(), request.include());
    }

    /**
     * All files louder or quieter.
     *
     * @param revision the handoff's revision it was made against
     * @param db       by how much; what files are trimmed by already stays
     */
    record Turn(int revision, double db) {}

    @Operation(description = "Turns all files up or down by so many dB. The balance between them is kept.")
    @PostMapping("/api/handoffs/{id}/turn")
    HandoffState turn(@PathVariable String id, @RequestBody Turn turn) {
        return handoffs.turn(id, turn.revision(), turn.db());
    }

    @PutMapping("/api/handoffs/{id}")
    HandoffState replace(@PathVariable String id, @RequestBody HandoffChange change) {
        return handoffs.replace(id, change.revision(), change.checked());
    }
}
