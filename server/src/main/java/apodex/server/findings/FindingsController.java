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

    @GetMapping
    Findings.Report report(@PathVariable String sessionId, @RequestParam(required = false) @Nullable String handoff) {
        return findings.report(sessionId, handoff);
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
