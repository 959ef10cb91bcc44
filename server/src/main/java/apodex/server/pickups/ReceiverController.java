package apodex.server.pickups;

import apodex.server.pickups.PickupMapper.Pickup;
import apodex.server.runs.RunFiles;
import apodex.server.runs.RunPublic;
import apodex.server.runs.RunSound;
import apodex.server.runs.SheetForm;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseCookie;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** What somebody who was sent a link can do, without an account. */
@RestController
@RequestMapping("/api/p/{token}")
class ReceiverController {
    private static final Logger LOG = LoggerFactory.getLogger(ReceiverController.class);
    private static final String KEY = "apodex-key";
    private static final int LONGEST_ANSWER = 8_000;

    private final Pickups pickups;
    private final PickupNews news;
    private final RunPublic runs;
    private final RunFiles files;
    private final RunSound sound;

    ReceiverController(Pickups pickups, PickupNews news, RunPublic runs, RunFiles files, RunSound sound) {
        this.pickups = pickups;
        this.news = news;
        this.runs = runs;
        this.files = files;
        this.sound = sound;
    }

    /**
     * What a link leads to.
     *
     * @param locked whether it wants a pass phrase first; then nothing else is told
     */
    record ParcelPage(boolean locked, String message, @Nullable Instant endsAt, @Nullable RunPublic.Parcel parcel) {}

    record PassPhrase(String passPhrase) {}

    /**
     * One of both.
     *
     * @param arrived that all arrived
     * @param problem what is wrong
     */
    record Reply(@Nullable Boolean arrived, @Nullable String problem) {}

    @GetMapping
    ParcelPage page(@PathVariable String token, @CookieValue(name = KEY, required = false) @Nullable String key) {
        Pickup pickup = pickups.through(token);
        if (!pickups.isOpen(pickup, token, key)) {
            return new ParcelPage(true, "", null, null);
        }
        news.opened(pickup);
        return new ParcelPage(false, pickup.message(), pickup.endsAt(), runs.parcel(pickup.runId()));
    }

    @Operation(description = "Opens the link with its pass phrase; the answer's cookie keeps it open.")
    @PostMapping("/unlock")
    ResponseEntity<Void> unlock(
            @PathVariable String token, @RequestBody PassPhrase phrase, HttpServletRequest request) {
        String key = pickups.unlock(token, phrase.passPhrase(), request.getRemoteAddr());
        ResponseCookie cookie = ResponseCookie.from(KEY, key)
                .path("/api/p/" + token)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Strict")
                .maxAge(Duration.ofDays(30))
                .build();
        return ResponseEntity.noContent()
                .header(HttpHeaders.SET_COOKIE, cookie.toString())
                .build();
    }

    @GetMapping(path = "/parcel", produces = "application/zip")
    ResponseEntity<Resource> parcel(
            @PathVariable String token,
            @RequestParam(defaultValue = "0") int part,
            @CookieValue(name = KEY, required = false) @Nullable String key,
            @RequestHeader(name = HttpHeaders.RANGE, required = false) @Nullable String range,
            HttpServletRequest request)
            throws IOException {
        Pickup pickup = pickups.open(token, key);
        return toldWhenFetched(pickup, request, files.parcel(pickup.runId(), part, range));
    }

    @GetMapping("/files/{file}")
    ResponseEntity<Resource> file(
            @PathVariable String token,
            @PathVariable int file,
            @CookieValue(name = KEY, required = false) @Nullable String key,
            @RequestHeader(name = HttpHeaders.RANGE, required = false) @Nullable String range,
            HttpServletRequest request) {
        Pickup pickup = pickups.open(token, key);
        return toldWhenFetched(pickup, request, files.file(pickup.runId(), file, range));
    }

    /** Fetched is what has gone out to its last byte; who asks for the head alone fetches nothing. */
    private ResponseEntity<Resource> toldWhenFetched(
            Pickup pickup, HttpServletRequest request, ResponseEntity<Resource> answer) {
        Resource resource = answer.getBody();
        if (resource == null || !HttpMethod.GET.matches(request.getMethod())) {
            return answer;
        }
        String name = answer.getHeaders().getContentDisposition().getFilename();
        return ResponseEntity.status(answer.getStatusCode())
                .headers(answer.getHeaders())
                .body(new Fetching(resource, () -> tellFetched(pickup, name)));
    }

    private void tellFetched(Pickup pickup, String name) {
        try {
            news.fetched(pickup, name);
        } catch (RuntimeException e) { // what was fetched stays fetched
            LOG.warn("That “{}” was fetched could not be kept.", name, e);
        }
    }

    @GetMapping(path = "/files/{file}/picture", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> picture(
            @PathVariable String token,
            @PathVariable int file,
            @CookieValue(name = KEY, required = false) @Nullable String key)
            throws IOException {
        return files.picture(pickups.open(token, key).runId(), file);
    }

    @GetMapping(
            path = "/sheet",
            produces = {MediaType.TEXT_PLAIN_VALUE, MediaType.TEXT_HTML_VALUE, MediaType.APPLICATION_PDF_VALUE})
    ResponseEntity<byte[]> sheet(
            @PathVariable String token,
            @RequestParam(defaultValue = "html") SheetForm form,
            @CookieValue(name = KEY, required = false) @Nullable String key)
            throws IOException {
        return files.sheet(pickups.open(token, key).runId(), form);
    }

    @Operation(description = "Files together: interleaved stereo floats, little-endian, at the files' rate.")
    @GetMapping(path = "/sound", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<StreamingResponseBody> sound(
            @PathVariable String token,
            @RequestParam long from,
            @RequestParam(required = false) @Nullable Long to,
            @RequestParam(defaultValue = "0") int section,
            @RequestParam(defaultValue = "false") boolean reference,
            @RequestParam(required = false) @Nullable Set<Integer> files,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        Pickup pickup = pickups.open(token, key);
        return sound.from(
                pickup.runId(), section, from, to, reference ? RunSound.Heard.REFERENCE : RunSound.Heard.FILES, files);
    }

    @Operation(description = "Tells the sender that all arrived, or what is wrong.")
    @PostMapping("/reply")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void reply(
            @PathVariable String token,
            @RequestBody Reply reply,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        Pickup pickup = pickups.open(token, key);
        String problem = reply.problem() == null ? "" : reply.problem().strip();
        boolean arrived = Boolean.TRUE.equals(reply.arrived());
        if (arrived && !problem.isEmpty() || !arrived && problem.isEmpty()) {
            throw Refused.unusable("Say that all arrived, or in a few words what is wrong.")
                    .with("field", "problem");
        }
        if (problem.length() > LONGEST_ANSWER) {
            throw Refused.unusable("An answer has " + LONGEST_ANSWER + " letters at the most.")
                    .with("field", "problem");
        }
        news.replied(pickup, problem);
    }
}
