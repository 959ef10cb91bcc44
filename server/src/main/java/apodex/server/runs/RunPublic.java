package apodex.server.runs;

import apodex.server.web.Refused;
import apodex.session.Song;
import jakarta.annotation.Nullable;
import java.util.List;
import org.springframework.stereotype.Component;

/** What a run tells to those it is for: the song, the files, the zips, and nothing of the session or of other runs. */
@Component
public class RunPublic {
    private final RunMapper mapper;

    RunPublic(RunMapper mapper) {
        this.mapper = mapper;
    }

    public record Zip(String name, long bytes, String sha256) {}

    /**
     * A file.
     *
     * @param reference whether it is the reference mix
     */
    public record PublicFile(String name, String folder, String what, int channels, long bytes, @Nullable Double peakDbfs, boolean reference, int section) {}

    /** A stretch of the song. @param frames length of its files */
    public record PublicSection(String name, long frames) {}

    public record Parcel(String song, String artist, String receiver, String brief, String version, @Nullable String tempo, @Nullable String meter,
            @Nullable String key, int rate, String depth, List<PublicSection> sections, List<PublicFile> files, List<Zip> zips) {}

    /** @throws Refused (404, 409) when there is none, or it is not done */
    public void done(String runId) {
        Run run = mapper.find(runId);
        if (run == null) {
            throw Refused.notFound("There is no run “" + runId + "”.");
        }
        if (run.state() != RunState.DONE) {
            throw Refused.conflict("This run has no parcel yet.");
        }
    }

    public Parcel parcel(String runId) {
        Run run = mapper.find(runId);
        RunView view = RunView.of(run, mapper.parcels(runId));
        Song song = run.session().song();
        List<PublicFile> files = view.files().stream().map(file -> new PublicFile(file.name(), file.folder(), file.rowName(), file.channels(), file.bytes(),
                file.peakDbfs(), run.plan().prints().get(view.files().indexOf(file)).isReference(), file.section())).toList();
        return new Parcel(song.title(), song.artist(), run.handoff().name(), run.handoff().brief().name(), run.version(),
                song.tempo() == null ? null : song.tempoLabel(), song.meter() == null ? null : song.meter().written(),
                song.key() == null ? null : song.key().written(), run.plan().rate().hertz(), run.plan().depth().sample().label(),
                view.sections().stream().map(section -> new PublicSection(section.name(), section.frames())).toList(), files,
                view.parcels().stream().map(zip -> new Zip(zip.name(), zip.bytes(), zip.sha256())).toList());
    }
}
