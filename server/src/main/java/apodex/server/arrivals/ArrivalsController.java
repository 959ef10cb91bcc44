package apodex.server.arrivals;

import apodex.intake.Drop;
import apodex.intake.DropProgress;
import apodex.server.DiskRoom;
import apodex.server.accounts.Who;
import apodex.server.space.Space;
import apodex.server.web.DiskTrouble;
import apodex.server.web.Refused;
import io.swagger.v3.oas.annotations.Operation;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RestController;

/** Files that arrive piece by piece, by tus 1.0.0. */
@RestController
@RequestMapping(ArrivedFiles.PATH)
class ArrivalsController {
    private static final Logger LOG = LoggerFactory.getLogger(ArrivalsController.class);

    private final ArrivedFiles files;
    private final DiskRoom room;
    private final Drops drops;
    private final Who who;
    private final Space space;

    ArrivalsController(ArrivedFiles files, DiskRoom room, Drops drops, Who who, Space space) {
        this.space = space;
        this.who = who;
        this.files = files;
        this.room = room;
        this.drops = drops;
    }

    @Operation(
            description = "Announces a file, by tus 1.0.0: Upload-Length, Upload-Metadata with its filename."
                    + " Location says where its bytes go.")
    @PostMapping
    void announce(HttpServletRequest request, HttpServletResponse response) throws IOException {
        String length = request.getHeader("Upload-Length");
        if (length != null && length.matches("\\d{1,18}")) {
            if (Long.parseLong(length) == 0) {
                throw Refused.unusable("It is empty."); // the library takes it for one of unknown length
            }
            Drop.tooLarge(Long.parseLong(length)).ifPresent(words -> {
                throw Refused.unusable(words);
            });
            space.wrongFor(who.ownerId(), Long.parseLong(length)).ifPresent(words -> {
                throw Refused.noRoom(words);
            });
            room.wrongForArriving(Long.parseLong(length)).ifPresent(words -> {
                throw Refused.noRoom(words);
            });
        }
        files.sweep();
        files.protocol().process(request, response, who.ownerId());
    }

    @Operation(description = "How much of a file has come (HEAD), more of it (PATCH), or no more of it (DELETE).")
    @RequestMapping(
            path = "/{id}",
            method = {RequestMethod.HEAD, RequestMethod.PATCH, RequestMethod.DELETE})
    void goOn(@PathVariable String id, HttpServletRequest request, HttpServletResponse response) throws IOException {
        try {
            files.protocol().process(request, response, who.ownerId());
            if (response.getStatus() == HttpStatus.OK.value() && response.getHeader("Upload-Offset") == null) {
                // the library says nothing where another request has the file in hand: a line that broke a moment ago
                throw Refused.locked("This file is still being received; try again in a moment.");
            }
        } catch (IOException e) {
            if (DiskTrouble.in(e).isPresent()) {
                throw e;
            }
            LOG.debug("A line broke; what came of {} is kept.", id, e);
        }
    }

    /**
     * @param stage what is being done with the files
     * @param file  the one that was begun last
     * @param done  how many this stage is over with
     * @param files how many it has, those in zips included; 0 while zips are unpacked
     */
    record Looked(DropProgress.Stage stage, String file, int done, int files) {}

    @Operation(
            description = "How far a drop has been looked into that something is being made of;"
                    + " nothing where there is none under this name, or not yet.")
    @GetMapping("/looked/{watch}")
    Looked looked(@PathVariable String watch) {
        DropProgress progress = drops.watched(watch).orElseGet(DropProgress::new);
        return new Looked(progress.stage(), progress.file(), progress.done(), progress.files());
    }
}
