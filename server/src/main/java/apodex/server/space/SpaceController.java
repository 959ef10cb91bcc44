package apodex.server.space;

import apodex.server.accounts.Who;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SpaceController {
    private static final int MOST_RUNS = 1_000;

    private final Space space;
    private final SpaceMapper mapper;
    private final Who who;

    SpaceController(Space space, SpaceMapper mapper, Who who) {
        this.space = space;
        this.mapper = mapper;
        this.who = who;
    }

    @Operation(description = "What takes the room on the disk: of one's own sessions, at a desk of all.")
    @GetMapping("/api/space")
    Space.Picture picture() {
        return space.of(who.onlyOf());
    }

    /** @param runs how many of the last runs of a handoff are kept, besides those somebody picked up; null for all */
    record Keeping(@Nullable Integer runs) {}

    @Operation(description = "How many runs the house keeps where a session has no rule of its own.")
    @PutMapping("/api/keeping")
    Space.Picture keep(@RequestBody Keeping rule) {
        mapper.setKeepRuns(checked(rule, 1));
        return picture();
    }

    @Operation(description = "How many runs of each handoff are kept; null as the house has it, 0 for all.")
    @PutMapping("/api/sessions/{id}/keeping")
    Space.Picture keepOf(@PathVariable String id, @RequestBody Keeping rule) {
        if (mapper.setKeepRunsOf(id, checked(rule, 0)) == 0) {
            throw Refused.notFound("There is no session “" + id + "”.");
        }
        return picture();
    }

    @Nullable
    private static Integer checked(Keeping rule, int least) {
        if (rule.runs() != null && (rule.runs() < least || rule.runs() > MOST_RUNS)) {
            throw Refused.unusable("The last " + least + " to " + MOST_RUNS + " runs can be kept, or all.")
                    .with("field", "runs");
        }
        return rule.runs();
    }
}
