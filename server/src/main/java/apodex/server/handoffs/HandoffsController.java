package apodex.server.handoffs;

import apodex.handoff.Adjustment;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Handoff.Format;
import apodex.handoff.Handoff.Sides;
import apodex.handoff.Stretch;
import apodex.naming.NameStyle;
import apodex.server.web.Refused;
import apodex.session.NameRule;
import apodex.signal.Dynamics;
import apodex.signal.Returns;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;
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

    HandoffsController(Handoffs handoffs) {
        this.handoffs = handoffs;
    }

    record NewHandoff(String name) {}

    /**
     * A handoff as it is to be. Whatever is null or left out has its usual value.
     *
     * @param revision    the handoff's revision the change was made against; null to overwrite
     * @param depth       null for the recordings' own
     * @param rate        null for the session's
     * @param chosen      null for Raw of every row that has sound, Shaped where inserts are kept, and the reference mix
     * @param range       null for the whole session
     * @param tailSeconds null for until all is quiet
     */
    record HandoffChange(
            @Nullable Integer revision,
            String name,
            @Nullable Depth depth,
            @Nullable Format format,
            @Nullable SampleRate rate,
            @Nullable List<Choice> chosen,
            @Nullable Returns returns,
            @Nullable Dynamics dynamics,
            @Nullable Stretch range,
            @Nullable Integer leadInBars,
            @Nullable Double tailSeconds,
            @Nullable Map<String, Sides> sides,
            @Nullable Map<String, Double> trimsDb,
            @Nullable Boolean notes,
            @Nullable Boolean listening,
            @Nullable NameStyle naming) {

        Handoff handoff() {
            return new Handoff(NameRule.check("name", name), depth, format, rate, chosen, returns, dynamics, range,
                    leadInBars, tailSeconds, sides, trimsDb, notes, listening, naming);
        }
    }

    record HandoffEntry(String id, String name) {}

    @PostMapping("/api/sessions/{sessionId}/handoffs")
    @ResponseStatus(HttpStatus.CREATED)
    HandoffState create(@PathVariable String sessionId, @RequestBody NewHandoff request) {
        return handoffs.create(sessionId, Handoff.named(NameRule.check("name", request.name())));
    }

    @GetMapping("/api/sessions/{sessionId}/handoffs")
    List<HandoffEntry> ofSession(@PathVariable String sessionId) {
        return handoffs.ofSession(sessionId).stream()
                .map(stored -> new HandoffEntry(stored.id(), stored.handoff().name())).toList();
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

    @PutMapping("/api/handoffs/{id}")
    HandoffState replace(@PathVariable String id, @RequestBody HandoffChange change) {
        return handoffs.replace(id, change.revision(), change.handoff());
    }
}
