package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.handoff.Printing;
import apodex.proof.FileProof;
import apodex.proof.ReceivedProof;
import apodex.proof.ReceivedSession;
import apodex.server.listening.Listening;
import apodex.server.storage.Storage;
import apodex.server.web.Refused;
import apodex.server.web.Streamed;
import apodex.session.MixRow;
import apodex.session.Session;
import apodex.time.FrameRange;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Plays the printed files together, as somebody who received them would hear them. */
@Component
public class RunSound {
    private final RunMapper mapper;
    private final Storage storage;
    private final Listening listening;

    RunSound(RunMapper mapper, Storage storage, Listening listening) {
        this.mapper = mapper;
        this.storage = storage;
        this.listening = listening;
    }

    /** What is heard. */
    public enum Heard {
        /** Files together. */
        FILES,
        /** The reference mix, as loud as the files together. */
        REFERENCE
    }

    /**
     * The sound from a frame on.
     *
     * @param files places in the run of the files that are heard; null for those that together are the song
     */
    public ResponseEntity<StreamingResponseBody> from(
            String runId, int section, long from, @Nullable Long to, Heard heard, @Nullable Set<Integer> files) {
        Run run = mapper.find(runId);
        if (run == null || run.proof() == null) {
            throw Refused.notFound("This run has nothing to hear.");
        }
        Plan plan = run.plan();
        if (section < 0 || section >= plan.sections().size()) {
            throw Refused.notFound("This run has no such section.");
        }
        long frames = plan.sections().get(section).frames();
        long end = to == null ? frames : Math.min(to, frames);
        if (from < 0 || from >= end) {
            throw Refused.unusable("There is nothing to hear from there on.").with("field", "from");
        }
        FrameRange range = new FrameRange(from, end);
        return Streamed.of(Listening.head(range), () -> sound(run, section, range, heard, files));
    }

    private StreamingResponseBody sound(
            Run run, int section, FrameRange range, Heard heard, @Nullable Set<Integer> files) {
        try {
            RunFolder folder = new RunFolder(storage.here(mapper.storedAs(run.id())));
            Printing.Result printed = folder.result();
            ReceivedSession received = new ReceivedSession(
                    run.plan(),
                    printed.prints(),
                    section,
                    folder.files(),
                    sounding(run, section, heard, files),
                    ReceivedSession.Trims.TAKEN_BACK);
            Session session = received.session()
                    .withRow(MixRow.ID, row -> row.withStrip(row.strip().withFader(gainDb(run, section, heard), 0)));
            return listening.to(session, range, received);
        } catch (IOException e) {
            throw Refused.notFound("The files of this run are not on the disk any more.");
        }
    }

    private static Set<String> sounding(Run run, int section, Heard heard, @Nullable Set<Integer> files) {
        List<Print> prints = run.plan().prints();
        if (heard == Heard.REFERENCE) {
            return run.plan().reference(section).map(Print::path).stream().collect(Collectors.toSet());
        }
        if (files != null) {
            return files.stream()
                    .filter(index -> index >= 0 && index < prints.size())
                    .map(index -> prints.get(index).path())
                    .collect(Collectors.toSet());
        }
        return received(run, section) == null
                ? Set.of()
                : Set.copyOf(received(run, section).files());
    }

    private static ReceivedProof received(Run run, int section) {
        String name = run.plan().sections().get(section).name();
        return run.proof().received().stream()
                .filter(each -> each.section().equals(name))
                .findFirst()
                .orElse(null);
    }

    /** Turns the louder of the two down to the other, so that it does not win for being loud. */
    private static double gainDb(Run run, int section, Heard heard) {
        ReceivedProof received = received(run, section);
        Double sum = received == null ? null : received.loudnessLufs();
        Double reference = run.plan()
                .reference(section)
                .map(print ->
                        loudness(run.proof().files().get(run.plan().prints().indexOf(print))))
                .orElse(null);
        if (sum == null || reference == null) {
            return 0;
        }
        double difference = sum - reference;
        return heard == Heard.REFERENCE ? Math.min(0, difference) : Math.min(0, -difference);
    }

    /** As it is heard: one channel comes from both sides, with twice the energy. */
    private static @Nullable Double loudness(FileProof file) {
        return file.loudnessLufs() == null
                ? null
                : file.loudnessLufs() + (file.channels() == 1 ? 10 * Math.log10(2) : 0);
    }
}
