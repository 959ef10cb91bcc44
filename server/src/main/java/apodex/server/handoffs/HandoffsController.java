package apodex.server.handoffs;

import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.session.NameRule;
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

    HandoffsController(Handoffs handoffs) {
        this.handoffs = handoffs;
    }

    record NewHandoff(String name) {}

    /**
     * @param revision the handoff's revision the change was made against; null to overwrite
     * @param depth    null for the recordings' own
     * @param chosen   null for Raw of every row that has sound, and the reference mix
     */
    record HandoffChange(
            @Nullable Integer revision, String name, @Nullable Depth depth, @Nullable List<Choice> chosen) {}

    record HandoffEntry(String id, String name) {}

    @PostMapping("/api/sessions/{sessionId}/handoffs")
    @ResponseStatus(HttpStatus.CREATED)
    HandoffState create(@PathVariable String sessionId, @RequestBody NewHandoff request) {
        return handoffs.create(sessionId, NameRule.check("name", request.name()));
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

    @PutMapping("/api/handoffs/{id}")
    HandoffState replace(@PathVariable String id, @RequestBody HandoffChange change) {
        return handoffs.replace(id, change.revision(),
                new Handoff(NameRule.check("name", change.name()), change.depth(), change.chosen()));
    }
}
