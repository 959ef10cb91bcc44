package apodex.server.briefs;

import apodex.handoff.Brief;
import apodex.handoff.BriefDocument;
import apodex.naming.SafeName;
import apodex.server.briefs.Briefs.BriefEntry;
import io.swagger.v3.oas.annotations.Operation;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/briefs")
class BriefsController {
    private final Briefs briefs;

    BriefsController(Briefs briefs) {
        this.briefs = briefs;
    }

    @GetMapping
    List<BriefEntry> all() {
        return briefs.all();
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    BriefEntry create(@RequestBody Brief brief) {
        return briefs.create(brief);
    }

    @PutMapping("/{id}")
    BriefEntry replace(@PathVariable String id, @RequestBody Brief brief) {
        return briefs.replace(id, brief);
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable String id) {
        briefs.remove(id);
    }

    @Operation(
            description =
                    "A brief as a file, to be sent to those who are to hand something on; docs/brief.schema.json describes it.")
    @GetMapping("/{id}/file")
    ResponseEntity<BriefDocument> file(@PathVariable String id) {
        BriefEntry entry = briefs.find(id);
        String name = SafeName.of(entry.brief().name()) + ".brief.json";
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(name, StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .body(BriefDocument.of(entry.brief()));
    }

    @Operation(description = "Takes in a brief that somebody sent. One that is here already is answered as it is.")
    @PostMapping("/file")
    @ResponseStatus(HttpStatus.CREATED)
    BriefEntry takeIn(@RequestBody BriefDocument document) {
        return briefs.takeIn(document.brief());
    }

    record InTheHouse(boolean shared) {}

    @Operation(description = "Lets everybody in the house have a brief of one's own, or nobody else.")
    @PutMapping("/{id}/shared")
    BriefEntry share(@PathVariable String id, @RequestBody InTheHouse request) {
        return briefs.share(id, request.shared());
    }

    /** Lets new handoffs begin with this brief. */
    @PostMapping("/{id}/usual")
    BriefEntry makeUsual(@PathVariable String id) {
        return briefs.makeUsual(id);
    }
}
