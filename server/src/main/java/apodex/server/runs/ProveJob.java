package apodex.server.runs;

import apodex.handoff.Effort;
import apodex.handoff.Printing;
import apodex.proof.Proof;
import apodex.server.pace.Pace;
import apodex.server.storage.Patience;
import apodex.server.storage.Storage;
import java.io.IOException;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Reads the files of a run that is done once more. */
@Component
class ProveJob {
    private static final Logger LOG = LoggerFactory.getLogger(ProveJob.class);

    private final RunMapper mapper;
    private final Storage storage;
    private final Pace pace;
    private final RecordingsAtHand atHand;
    private final ReadBack readBack;

    ProveJob(RunMapper mapper, Storage storage, Pace pace, RecordingsAtHand atHand, ReadBack readBack) {
        this.mapper = mapper;
        this.storage = storage;
        this.pace = pace;
        this.atHand = atHand;
        this.readBack = readBack;
    }

    /** Reads the files of a run that is done once more, and says what has become of them since. */
    void carryOut(String runId) {
        Run run = Patience.with(() -> mapper.find(runId));
        if (run == null || run.state() != RunState.PROOFING || run.proof() == null) {
            return;
        }
        String claim = UUID.randomUUID().toString();
        if (Patience.with(() -> mapper.claim(runId, claim)) == 0) {
            return;
        }
        String name = Patience.with(() -> mapper.storedAs(runId));
        Proof proof;
        try {
            storage.leave(name); // what lies in the storage is wanted, not what was brought here before
            Attempt attempt = new Attempt(run, claim, name, new RunFolder(Patience.reaching(() -> storage.here(name))));
            proof = provedAgain(attempt);
            storage.leave(name);
        } catch (LostClaim e) {
            return;
        } catch (IOException | RuntimeException | Error e) {
            CalledOff.refuse(e);
            LOG.warn("Run {} could not be proved again.", runId, e);
            // what was found before holds no longer, and nothing else is known
            proof = Proof.notMade(run.plan(), RunTrouble.whyNotRead(e));
        }
        Proof found = proof;
        Patience.doing(() -> mapper.saveProof(runId, claim, found));
        Patience.doing(() -> mapper.update(runId, claim, RunState.DONE, run.progress()));
    }

    private Proof provedAgain(Attempt attempt) throws IOException {
        Run run = attempt.run();
        RunFolder folder = attempt.folder();
        folder.sweep();
        Printing.Result printed = folder.result();
        Map<String, String> before = Patience.with(() -> mapper.files(run.id())).stream()
                .collect(Collectors.toMap(RunMapper.StoredFile::path, RunMapper.StoredFile::sha256));
        ProgressMeter meter = new ProgressMeter(
                mapper,
                run.id(),
                attempt.claim(),
                printed.plan(),
                Patience.with(() -> pace.of(Effort.of(run.session(), run.handoff(), printed.plan())))
                        .onlyReading());
        atHand.bring(run.session(), meter::isCancelled);
        Proof proof = readBack.of(attempt, printed, before, null, meter);
        if (storage.isShared()) {
            for (int file = 0; file < proof.files().size(); file++) {
                Optional<byte[]> picture = folder.drawn(file);
                if (picture.isPresent()) {
                    storage.replace(attempt.name(), RunFolder.picturePath(file), picture.get());
                }
            }
        }
        return proof;
    }
}
