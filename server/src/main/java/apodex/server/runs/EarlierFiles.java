package apodex.server.runs;

import apodex.audio.Digests;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.server.DataFolder;
import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** Files of earlier runs of a session, to be taken over where nothing they follow from has changed. */
@Component
class EarlierFiles {
    private static final int RUNS = 6;

    private final RunMapper mapper;
    private final DataFolder dataFolder;

    EarlierFiles(RunMapper mapper, DataFolder dataFolder) {
        this.mapper = mapper;
        this.dataFolder = dataFolder;
    }

    /** What can be found by content key. Whether a file is still what it was is looked at when it is asked for. */
    Function<String, Optional<Printing.Earlier>> of(Run run) {
        return run.everything() ? key -> Optional.empty() : new Found(run)::by;
    }

    /** Looks into one run after the other, the latest first; each is read once. */
    private final class Found {
        private final Map<String, Optional<Printing.Earlier>> known = new HashMap<>();
        private final List<Map<String, Candidate>> runs;

        Found(Run run) {
            this.runs = mapper.earlierRuns(run.handoffId(), run.id(), RUNS).stream()
                    .map(EarlierFiles.this::candidates)
                    .toList();
        }

        Optional<Printing.Earlier> by(String key) {
            return known.computeIfAbsent(key, wanted -> runs.stream()
                    .map(run -> run.get(wanted))
                    .filter(Objects::nonNull)
                    .filter(Candidate::isAsItWas)
                    .map(Candidate::file)
                    .findFirst());
        }
    }

    /** @param sha256 what the file's hash was when it was printed */
    private record Candidate(Printing.Earlier file, String sha256) {
        boolean isAsItWas() {
            try {
                return Digests.sha256(file.file()).equals(sha256);
            } catch (IOException e) {
                return false; // gone, or no longer whole: printed again
            }
        }
    }

    private Map<String, Candidate> candidates(String runId) {
        RunFolder folder = new RunFolder(dataFolder.run(runId));
        Map<String, Candidate> candidates = new HashMap<>();
        try {
            Printing.Result result = folder.result();
            List<RunMapper.StoredFile> printed = mapper.files(runId);
            for (int i = 0; i < result.prints().size(); i++) {
                Print print = result.plan().prints().get(i);
                Printing.Earlier earlier = new Printing.Earlier(
                        folder.files().resolve(print.path()),
                        result.plan().section(print).frames(),
                        result.prints().get(i));
                candidates.put(
                        result.prints().get(i).key(),
                        new Candidate(earlier, printed.get(i).sha256()));
            }
        } catch (IOException | RuntimeException e) {
            return Map.of(); // of an earlier version, or no longer there
        }
        return candidates;
    }
}
