package apodex.server.runs;

import apodex.audio.Digests;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.proof.Proof;
import apodex.server.DataFolder;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.AbstractMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
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
    Map<String, Printing.Earlier> of(Run run) {
        return run.everything() ? Map.of() : new Found(run);
    }

    /** Looks into one run after the other, the latest first. */
    private final class Found extends AbstractMap<String, Printing.Earlier> {
        private final Map<String, Optional<Printing.Earlier>> known = new HashMap<>();
        private final Iterable<String> runs;

        Found(Run run) {
            this.runs = mapper.earlierRuns(run.handoffId(), run.id(), RUNS);
        }

        @Override
        public Printing.Earlier get(Object key) {
            return known.computeIfAbsent((String) key, this::find).orElse(null);
        }

        private Optional<Printing.Earlier> find(String key) {
            for (String id : runs) {
                Optional<Printing.Earlier> earlier = in(id, key);
                if (earlier.isPresent()) {
                    return earlier;
                }
            }
            return Optional.empty();
        }

        private Optional<Printing.Earlier> in(String runId, String key) {
            try {
                RunFolder folder = new RunFolder(dataFolder.run(runId));
                Printing.Result result = folder.result();
                for (int i = 0; i < result.prints().size(); i++) {
                    if (result.prints().get(i).key().equals(key)) {
                        Print print = result.plan().prints().get(i);
                        Path file = folder.files().resolve(print.path());
                        Proof proof = mapper.find(runId).proof();
                        boolean same = Files.exists(file) && Digests.sha256(file).equals(proof.files().get(i).sha256());
                        return same ? Optional.of(new Printing.Earlier(file, result.plan().section(print).frames(), result.prints().get(i)))
                                : Optional.empty();
                    }
                }
            } catch (IOException | RuntimeException e) {
                return Optional.empty(); // what cannot be read is printed again
            }
            return Optional.empty();
        }

        @Override
        public Set<Entry<String, Printing.Earlier>> entrySet() {
            return new HashSet<>(); // only ever asked by key
        }
    }
}
