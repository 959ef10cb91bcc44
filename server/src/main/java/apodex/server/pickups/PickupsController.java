package apodex.server.pickups;

import apodex.server.access.Access;
import apodex.server.access.Thing;
import apodex.server.accounts.Who;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.pickups.PickupMapper.Event;
import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.runs.RunPublic;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
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
    private final PublicLinks links;
    private final PickupNews news;
    private final Deeds deeds;
    private final Who who;
    private final Access access;

    PickupsController(
            Pickups pickups,
            PickupMapper mapper,
            RunPublic runs,
            PublicLinks links,
            PickupNews news,
            Deeds deeds,
            Who who,
            Access access) {
        this.links = links;
        this.news = news;
        this.deeds = deeds;
        this.who = who;
        this.access = access;
        this.pickups = pickups;
        this.mapper = mapper;
        this.runs = runs;
    }

    /**
     * A link to be.
     *
     * @param passPhrase null for none
     * @param mail       where to send it; null for nowhere
     */
    record NewPickup(int days, @Nullable String passPhrase, @Nullable String message, @Nullable String mail) {}

    /**
     * A link and what has become of it.
     *
     * @param path    of the page, below this server's address; empty where the key is gone with which the link was sealed
     * @param url     the whole address, where one was told for receivers; null: wherever this page is
     * @param mail    where it was sent; empty for nowhere
     * @param fetched how often a zip or a file was fetched
     */
    record PickupView(
            String id,
            String path,
            @Nullable String url,
            String mail,
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
        Pickup pickup = pickups.create(runId, request.days(), request.passPhrase(), request.message(), request.mail());
        news.made(pickup);
        noted(DeedKind.MADE_LINK, pickup);
        return view(pickup);
    }

    @GetMapping("/api/runs/{runId}/pickups")
    List<PickupView> ofRun(@PathVariable String runId) {
        return pickups.ofRun(runId).stream().map(this::view).toList();
    }

    @PostMapping("/api/pickups/{id}/withdraw")
    PickupView withdraw(@PathVariable String id) {
        pickups.withdraw(id);
        Pickup pickup = pickups.find(id);
        noted(DeedKind.ENDED_LINK, pickup);
        return view(pickup);
    }

    private void noted(DeedKind kind, Pickup pickup) {
        deeds.note(
                who.ownerId(),
                kind,
                access.sessionOf(Thing.RUN, pickup.runId()),
                "a pickup of " + runs.parcel(pickup.runId()).version());
    }

    private PickupView view(Pickup pickup) {
        Optional<String> token = pickups.token(pickup);
        return new PickupView(
                pickup.id(),
                token.map(links::path).orElse(""),
                token.flatMap(links::url).orElse(null),
                pickup.mail(),
                pickup.phrase() != null,
                pickup.message(),
                pickup.createdAt(),
                pickup.endsAt(),
                pickup.withdrawn(),
                mapper.count(pickup.id(), EventKind.FETCHED),
                mapper.events(pickup.id()));
    }
}
