package apodex.server.runs;

import apodex.handoff.Print;
import apodex.proof.FileProof;
import apodex.server.web.Refused;
import apodex.session.Song;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** What a run tells to those it is for: the song, the files, the zips, and nothing of the session or of other runs. */
@Component
public class RunPublic {
    private final RunMapper mapper;

    RunPublic(RunMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * A zip.
     *
     * @param sha256       null until it has been taken
     * @param changesSince version of the parcel since which it holds only what changed; null for one that holds everything
     */
    public record Zip(String name, long bytes, @Nullable String sha256, @Nullable String changesSince) {}

    /**
     * A file.
     *
     * @param reference whether it is the reference mix
     */
    public record PublicFile(
            String name,
            String folder,
            int channels,
            long bytes,
            @Nullable Double peakDbfs,
            boolean reference,
            int section) {}

    /** A stretch of the song. @param frames length of its files */
    public record PublicSection(String name, long frames) {}

    /** @param edits how many more files were cut out of recordings */
    public record Parcel(
            String song,
            String artist,
            String receiver,
            String brief,
            String version,
            @Nullable String tempo,
            @Nullable String meter,
            @Nullable String key,
            int rate,
            String depth,
            List<PublicSection> sections,
            List<PublicFile> files,
            int edits,
            List<Zip> zips) {}

    /** @throws Refused (404, 409) when there is none, or it is not done */
    public void done(String runId) {
        Run run = mapper.find(runId);
        if (run == null) {
            throw Refused.notFound("There is no run “" + runId + "”.");
        }
        if (!run.hasParcel()) {
            throw Refused.conflict("This run has no parcel yet.");
        }
    }

    public Parcel parcel(String runId) {
        Run run = mapper.find(runId);
        Song song = run.session().song();
        List<PublicFile> files = new ArrayList<>();
        for (int i = 0; i < run.plan().prints().size(); i++) {
            Print print = run.plan().prints().get(i);
            FileProof file = run.proof().files().get(i);
            files.add(new PublicFile(
                    print.file(),
                    print.folder(),
                    file.channels(),
                    file.bytes(),
                    file.peakDbfs(),
                    print.isReference(),
                    print.section()));
        }
        return new Parcel(
                song.title(),
                song.artist(),
                run.handoff().name(),
                run.handoff().brief().name(),
                run.version(),
                song.tempo() == null ? null : song.tempoLabel(),
                song.meter() == null ? null : song.meter().written(),
                song.key() == null ? null : song.key().written(),
                run.plan().rate().hertz(),
                run.plan().depth().sample().label(),
                run.plan().sections().stream()
                        .map(section -> new PublicSection(section.name(), section.frames()))
                        .toList(),
                files,
                run.plan().edits().excerpts().size(),
                mapper.parcels(runId).stream()
                        .map(zip -> new Zip(zip.zipName(), zip.bytes(), zip.sha256(), zip.changesSince()))
                        .toList());
    }
}
