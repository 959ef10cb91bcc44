package apodex.server.runs;

import apodex.server.access.Access;
import apodex.server.access.Thing;
import apodex.server.accounts.Who;
import apodex.server.handoffs.Handoffs;
import apodex.server.log.DeedKind;
import apodex.server.log.Deeds;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.responses.ApiResponse;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
class RunsController {
    private static final int LONGEST_PRESS = 60;

    private final Runs runs;
    private final RunMapper mapper;
    private final RunEvents events;
    private final WhatChanged whatChanged;
    private final RunSound sound;
    private final Handoffs handoffs;
    private final RunFiles files;
    private final Deeds deeds;
    private final Who who;
    private final Access access;

    RunsController(
            Runs runs,
            RunMapper mapper,
            RunEvents events,
            WhatChanged whatChanged,
            RunSound sound,
            Handoffs handoffs,
            RunFiles files,
            Deeds deeds,
            Who who,
            Access access) {
        this.deeds = deeds;
        this.who = who;
        this.access = access;
        this.runs = runs;
        this.mapper = mapper;
        this.events = events;
        this.whatChanged = whatChanged;
        this.sound = sound;
        this.handoffs = handoffs;
        this.files = files;
    }

    record Started(String id) {}

    /**
     * How to print.
     *
     * @param version    what the run is called; null for v and its number
     * @param everything whether to print again what has not changed; no
     * @param press      any word for this press of a button, up to 60 letters: two requests of one press make one run
     */
    record NewRun(@Nullable String version, @Nullable Boolean everything, @Nullable String press) {}

    @PostMapping("/api/handoffs/{handoffId}/runs")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Started start(@PathVariable String handoffId, @RequestBody(required = false) NewRun request) {
        NewRun how = request == null ? new NewRun(null, null, null) : request;
        return new Started(
                runs.start(handoffId, how.version(), Boolean.TRUE.equals(how.everything()), press(how.press())));
    }

    private static @Nullable String press(@Nullable String word) {
        if (word != null && word.length() > LONGEST_PRESS) {
            throw Refused.unusable("The word for a press is 60 letters long at the most.")
                    .with("field", "press");
        }
        return word;
    }

    @Operation(description = "What changed since the handoff's last run, and which files would be printed again.")
    @GetMapping("/api/handoffs/{handoffId}/changes")
    SinceLastRun changes(@PathVariable String handoffId) {
        return whatChanged.since(handoffId);
    }

    @GetMapping("/api/handoffs/{handoffId}/runs")
    List<RunMapper.RunEntry> ofHandoff(@PathVariable String handoffId) {
        handoffs.stored(handoffId);
        return mapper.ofHandoff(handoffId);
    }

    @GetMapping("/api/runs/{id}")
    RunView get(@PathVariable String id) {
        return RunView.of(runs.find(id), mapper.parcels(id));
    }

    @Operation(
            description = "Server-sent events named “pulse” with state, progress and failure, until the run is over.")
    @ApiResponse(responseCode = "200", content = @Content(schema = @Schema(implementation = RunMapper.Pulse.class)))
    @GetMapping(path = "/api/runs/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable String id) {
        runs.find(id);
        return events.follow(id);
    }

    @PostMapping("/api/runs/{id}/cancel")
    RunView cancel(@PathVariable String id) {
        runs.cancel(id);
        return get(id);
    }

    @Operation(
            description =
                    "Reads the files once more, compares them with what they were when they were printed, and proves them again.")
    @PostMapping("/api/runs/{id}/proof")
    @ResponseStatus(HttpStatus.ACCEPTED)
    RunView readAgain(@PathVariable String id) {
        runs.readAgain(id);
        return get(id);
    }

    @PostMapping("/api/runs/{id}/retry")
    @ResponseStatus(HttpStatus.ACCEPTED)
    Started retry(@PathVariable String id) {
        return new Started(runs.retry(id));
    }

    @Operation(
            description = "Lowest and highest sample of the file in up to 1200 equal stretches, as 16-bit"
                    + " little-endian pairs.")
    @GetMapping(path = "/api/runs/{id}/files/{file}/picture", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> picture(@PathVariable String id, @PathVariable int file) throws IOException {
        runs.find(id);
        return files.picture(id, file);
    }

    @Operation(
            description =
                    "The printed files together, as received: interleaved stereo floats, little-endian, at the files' rate.")
    @GetMapping(path = "/api/runs/{id}/sound", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<StreamingResponseBody> sound(
            @PathVariable String id,
            @RequestParam long from,
            @RequestParam(required = false) @Nullable Long to,
            @RequestParam(defaultValue = "0") int section,
            @RequestParam(defaultValue = "false") boolean reference,
            @RequestParam(required = false) @Nullable Set<Integer> files) {
        return sound.from(id, section, from, to, reference ? RunSound.Heard.REFERENCE : RunSound.Heard.FILES, files);
    }

    @Operation(description = "The session sheet that lies in the parcel, as text, html or pdf.")
    @GetMapping(
            path = "/api/runs/{id}/sheet",
            produces = {MediaType.TEXT_PLAIN_VALUE, MediaType.TEXT_HTML_VALUE, MediaType.APPLICATION_PDF_VALUE})
    ResponseEntity<byte[]> sheet(@PathVariable String id, @RequestParam(defaultValue = "text") SheetForm form)
            throws IOException {
        done(id);
        return files.sheet(id, form);
    }

    @Operation(description = "A zip of the parcel. Byte ranges are answered, so a broken download can go on.")
    @GetMapping(path = "/api/runs/{id}/parcel", produces = "application/zip")
    ResponseEntity<Resource> parcel(
            @PathVariable String id,
            @RequestParam(defaultValue = "0") int part,
            @RequestHeader(name = HttpHeaders.RANGE, required = false) @Nullable String range)
            throws IOException {
        Run run = done(id);
        if (range == null || range.startsWith("bytes=0-")) { // the rest is the same download, gone on with
            deeds.note(
                    who.ownerId(), DeedKind.FETCHED, access.sessionOf(Thing.RUN, id), "the parcel of " + run.version());
        }
        return files.parcel(id, part, range);
    }

    private Run done(String id) {
        Run run = runs.find(id);
        if (!run.hasParcel()) {
            throw Refused.conflict("This run has no parcel: it is " + words(run.state()) + ".");
        }
        return run;
    }

    private static String words(RunState state) {
        return switch (state) {
            case WAITING -> "still waiting";
            case PRINTING -> "still printing";
            case PROOFING -> "still being read back";
            case FAILED -> "failed";
            case CANCELLED -> "cancelled";
            case DONE -> "done";
        };
    }
}
