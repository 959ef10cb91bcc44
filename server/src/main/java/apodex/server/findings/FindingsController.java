package apodex.server.findings;

import apodex.server.sessions.SessionState;
import jakarta.annotation.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/sessions/{sessionId}/findings")
class FindingsController {
    private final Findings findings;

    FindingsController(Findings findings) {
        this.findings = findings;
    }

    /**
     * A finding to leave as it is.
     *
     * @param seen what the report said was seen of it
     */
    record Leaving(String key, String seen) {}

    record Restoring(String key) {}

    /** @param count how many findings at the most; the worst come first, or those of the first row */
    @GetMapping
    Findings.Report report(
            @PathVariable String sessionId,
            @RequestParam(required = false) @Nullable String handoff,
            @RequestParam(defaultValue = "worst") Findings.Order by,
            @RequestParam(defaultValue = "100") int count) {
        return findings.report(sessionId, handoff, by, Math.max(0, count));
    }

    @GetMapping("/summary")
    Findings.Summary summary(@PathVariable String sessionId, @RequestParam(required = false) @Nullable String handoff) {
        return findings.summary(sessionId, handoff);
    }

    /** @param revision the session's revision that was looked over */
    record SafeRequest(int revision, @Nullable String handoff) {}

    @PostMapping("/safe")
    SessionState putRightWhatIsSafe(@PathVariable String sessionId, @RequestBody SafeRequest request) {
        return findings.putRightWhatIsSafe(sessionId, request.handoff(), request.revision());
    }

    /**
     * A remedy to take.
     *
     * @param revision the session's revision that was looked over
     * @param seen     what the report said was seen of the finding
     * @param remedy   which of its remedies, from 0
     */
    record TakeRequest(int revision, @Nullable String handoff, String key, String seen, int remedy) {}

    @PostMapping("/take")
    SessionState take(@PathVariable String sessionId, @RequestBody TakeRequest request) {
        return findings.take(
                sessionId, request.handoff(), request.revision(), request.key(), request.seen(), request.remedy());
    }

    @PostMapping("/leave")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(@PathVariable String sessionId, @RequestBody Leaving leaving) {
        findings.dismiss(sessionId, leaving.key(), leaving.seen());
    }

    @PostMapping("/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(@PathVariable String sessionId, @RequestBody Restoring restoring) {
        findings.restore(sessionId, restoring.key());
    }
}
