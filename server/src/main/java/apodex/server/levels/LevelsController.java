package apodex.server.levels;

import io.swagger.v3.oas.annotations.Operation;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LevelsController {
    private final Levels levels;

    LevelsController(Levels levels) {
        this.levels = levels;
    }

    @Operation(
            description =
                    "Levels of the plan's files, known before one is printed. What is not known yet is looked for in the background; ask again while some are pending.")
    @GetMapping("/api/handoffs/{id}/levels")
    Levels.LevelsView of(@PathVariable String id) {
        return levels.of(id);
    }
}
