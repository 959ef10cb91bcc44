package apodex.server.removal;

import apodex.server.accounts.Who;
import apodex.server.removal.BinMapper.Binned;
import io.swagger.v3.oas.annotations.Operation;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BinController {
    private final Bin bin;
    private final Who who;

    BinController(Bin bin, Who who) {
        this.bin = bin;
        this.who = who;
    }

    /** Something in the bin. @param goesAt when it goes for good */
    record InTheBin(
            BinKind kind, String id, String title, String words, Instant removedAt, Instant goesAt, long bytes) {}

    @Operation(description = "What was removed and can be brought back, the latest first.")
    @GetMapping("/api/bin")
    List<InTheBin> all() {
        return bin.all(who.onlyOf()).stream().map(this::told).toList();
    }

    private InTheBin told(Binned each) {
        return new InTheBin(
                each.kind(), each.id(), each.title(), each.words(), each.removedAt(), bin.goesAt(each), each.bytes());
    }

    @PostMapping("/api/bin/sessions/{id}/restore")
    List<InTheBin> restoreSession(@PathVariable String id) {
        bin.restore(BinKind.SESSION, id);
        return all();
    }

    @PostMapping("/api/bin/handoffs/{id}/restore")
    List<InTheBin> restoreHandoff(@PathVariable String id) {
        bin.restore(BinKind.HANDOFF, id);
        return all();
    }

    @PostMapping("/api/bin/runs/{id}/restore")
    List<InTheBin> restoreRun(@PathVariable String id) {
        bin.restore(BinKind.RUN, id);
        return all();
    }

    @Operation(description = "Removes for good what lies in the bin.")
    @DeleteMapping("/api/bin/sessions/{id}")
    List<InTheBin> emptySession(@PathVariable String id) {
        bin.empty(BinKind.SESSION, id);
        return all();
    }

    @DeleteMapping("/api/bin/handoffs/{id}")
    List<InTheBin> emptyHandoff(@PathVariable String id) {
        bin.empty(BinKind.HANDOFF, id);
        return all();
    }

    @DeleteMapping("/api/bin/runs/{id}")
    List<InTheBin> emptyRun(@PathVariable String id) {
        bin.empty(BinKind.RUN, id);
        return all();
    }
}
