package apodex.server.runs;

import apodex.audio.Digests;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.server.storage.Storage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Files of earlier runs of a session, to be taken over where nothing they follow from has changed. */
@Component
class EarlierFiles {
    private static final int RUNS = 6;

    private final RunMapper mapper;
    private final Storage storage;

    EarlierFiles(RunMapper mapper, Storage storage) {
        this.mapper = mapper;
        this.storage = storage;
    }

    /** What can be found by content key. Whether a file is still what it was is looked at when it is asked for. */
    Found of(Run run) {
        return new Found(run.everything() ? List.of() : mapper.earlierRuns(run.handoffId(), run.id(), RUNS));
    }

    /** Looks into one run after the other, the latest first; each is read once. */
    final class Found implements AutoCloseable {
        private final Map<String, Optional<Printing.Earlier>> known = new HashMap<>();
        private final List<StoredRun> stored;
        private final List<Map<String, Candidate>> runs;

        private Found(List<String> runIds) {
            this.stored = runIds.stream()
                    .map(id -> new StoredRun(storage, mapper.storedAs(id)))
                    .toList();
            this.runs = IntStream.range(0, runIds.size())
                    .mapToObj(run -> candidates(runIds.get(run), stored.get(run)))
                    .toList();
        }

        /** What was brought to this machine is of no use any more. */
        @Override
        public void close() throws IOException {
            for (StoredRun run : stored) {
                storage.leave(run.name());
            }
        }

        Optional<Printing.Earlier> by(String key) {
            return known.computeIfAbsent(key, wanted -> runs.stream()
                    .map(run -> run.get(wanted))
                    .filter(Objects::nonNull)
                    .flatMap(candidate -> candidate.asItWas(storage).stream())
                    .findFirst());
        }
    }

    /**
     * A file that may be taken over.
     *
     * @param path   of the file in its run's
     * @param sha256 what the file's hash was when it was printed
     */
    private record Candidate(String run, String path, long frames, Printing.Made made, String sha256) {
        /** Empty when it is gone, or no longer whole: printed again then. */
        Optional<Printing.Earlier> asItWas(Storage storage) {
            try {
                Path file = storage.here(run, path);
                return Digests.sha256(file).equals(sha256)
                        ? Optional.of(new Printing.Earlier(file, frames, made))
                        : Optional.empty();
            } catch (IOException e) {
                return Optional.empty();
            }
        }
    }

    private Map<String, Candidate> candidates(String runId, StoredRun stored) {
        Map<String, Candidate> candidates = new HashMap<>();
        try {
            Printing.Result result = stored.result();
            List<RunMapper.StoredFile> printed = mapper.files(runId);
            for (int i = 0; i < result.prints().size(); i++) {
                Print print = result.plan().prints().get(i);
                candidates.put(
                        result.prints().get(i).key(),
                        new Candidate(
                                stored.name(),
                                RunFolder.FILES + print.path(),
                                result.plan().section(print).frames(),
                                result.prints().get(i),
                                printed.get(i).sha256()));
            }
        } catch (IOException | RuntimeException e) {
            return Map.of(); // of an earlier version, or no longer there
        }
        return candidates;
    }
}
