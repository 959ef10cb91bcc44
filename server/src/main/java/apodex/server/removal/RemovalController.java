package apodex.server.removal;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@ResponseStatus(HttpStatus.NO_CONTENT)
class RemovalController {
    private final Removal removal;

    RemovalController(Removal removal) {
        this.removal = removal;
    }

    @Operation(
            description =
                    "Removes a session for good: history, handoffs, runs, pickup links, and the recordings no other session uses.")
    @DeleteMapping("/api/sessions/{id}")
    void session(@PathVariable String id) {
        removal.session(id);
    }

    @Operation(description = "Removes a handoff for good, with its runs, their files and their pickup links.")
    @DeleteMapping("/api/handoffs/{id}")
    void handoff(@PathVariable String id) {
        removal.handoff(id);
    }

    @Operation(description = "Removes a run that is over for good, with its files and its pickup links.")
    @DeleteMapping("/api/runs/{id}")
    void run(@PathVariable String id) {
        removal.run(id);
    }
}
