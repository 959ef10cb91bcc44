package apodex.server.briefs;

import apodex.handoff.Brief;
import apodex.server.briefs.Briefs.BriefEntry;
import java.util.List;
import org.springframework.http.HttpStatus;
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

    /** Lets new handoffs begin with this brief. */
    @PostMapping("/{id}/usual")
    BriefEntry makeUsual(@PathVariable String id) {
        return briefs.makeUsual(id);
    }
}
