package apodex.server.pickups;

import apodex.server.pickups.PickupMapper.Event;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.runs.RunPublic;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What the sender does with links. */
@RestController
class PickupsController {
    private final Pickups pickups;
    private final PickupMapper mapper;
    private final RunPublic runs;

    PickupsController(Pickups pickups, PickupMapper mapper, RunPublic runs) {
        this.pickups = pickups;
        this.mapper = mapper;
        this.runs = runs;
    }

    /**
     * A link to be.
     *
     * @param passPhrase null for none
     */
    record NewPickup(int days, @Nullable String passPhrase, @Nullable String message) {}

    /**
     * A link and what has become of it.
     *
     * @param path    of the page, below this server's address
     * @param fetched how often a zip or a file was fetched
     */
    record PickupView(
            String id,
            String path,
            boolean passPhrase,
            String message,
            Instant createdAt,
            Instant endsAt,
            boolean withdrawn,
            int fetched,
            List<Event> events) {}

    @PostMapping("/api/runs/{runId}/pickups")
    @ResponseStatus(HttpStatus.CREATED)
    PickupView create(@PathVariable String runId, @RequestBody NewPickup request) {
        runs.done(runId);
        return view(pickups.create(runId, request.days(), request.passPhrase(), request.message()));
    }

    @GetMapping("/api/runs/{runId}/pickups")
    List<PickupView> ofRun(@PathVariable String runId) {
        return pickups.ofRun(runId).stream().map(this::view).toList();
    }

    @PostMapping("/api/pickups/{id}/withdraw")
    PickupView withdraw(@PathVariable String id) {
        pickups.withdraw(id);
        return view(pickups.find(id));
    }

    private PickupView view(Pickup pickup) {
        return new PickupView(
                pickup.id(),
                "/p/" + pickup.token(),
                pickup.phrase() != null,
                pickup.message(),
                pickup.createdAt(),
                pickup.endsAt(),
                pickup.withdrawn(),
                mapper.count(pickup.id(), EventKind.FETCHED),
                mapper.events(pickup.id()));
    }
}
