package apodex.server.runs;

import apodex.handoff.Plan;
import apodex.handoff.Print;
import apodex.parcel.Papers;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.proof.ReceivedProof;
import apodex.proof.SumProof;
import apodex.proof.Verdict;
import apodex.session.Station;
import apodex.signal.Placed;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;

/**
 * A run as it is told over HTTP.
 *
 * @param everything whether what had not changed was to be printed again
 * @param progress 0 to 1
 * @param detail   the figures behind it
 * @param failure  why it failed, in a sentence
 * @param frames   length every file has or will have
 * @param files    as planned, and once proofed as read back
 * @param others   what comes with the files in the parcel: edits, notes, an MP3
 * @param edits    how many of those were cut out of recordings
 * @param changes what changed since the run before
 * @param sections what stretches of the song there are
 * @param sums     by section: whether files add up
 * @param received by section: what the files make in a fresh session
 * @param verdicts of the proof; empty before
 * @param parcels  the zips; none before they are packed
 */
record RunView(
        String id,
        String handoffId,
        int number,
        String version,
        boolean everything,
        RunState state,
        double progress,
        RunProgress detail,
        @Nullable String failure,
        SampleRate rate,
        long frames,
        int sessionRevision,
        Instant createdAt,
        List<RunFile> files,
        List<OtherFile> others,
        int edits,
        @Nullable SinceLastRun changes,
        List<SectionView> sections,
        List<Verdict> verdicts,
        List<SumProof> sums,
        List<ReceivedProof> received,
        List<RunParcel> parcels) {

    /** A file of the parcel that is not proved. */
    record OtherFile(String name, String folder) {
        static OtherFile at(String path) {
            int slash = path.lastIndexOf('/');
            return new OtherFile(path.substring(slash + 1), path.substring(0, Math.max(0, slash)));
        }
    }

    /**
     * A stretch of the song.
     *
     * @param frames      length of its files
     * @param start       frame of the session where the range starts
     * @param leadInFrames silence before it, in frames of the session
     */
    record SectionView(String name, String folder, long frames, long start, long leadInFrames) {}

    /**
     * A zip.
     *
     * @param sha256       null until it has been taken
     * @param changesSince version of the parcel since which it holds only what changed; null for one that holds everything
     */
    record RunParcel(String name, long bytes, @Nullable String sha256, @Nullable String changesSince) {}

    /**
     * A file of a run. What only reading it back can tell is null before.
     *
     * @param depth     as people say it
     * @param reference whether it is the reference mix
     * @param placed    on which side the sound of a mono file sits in the session
     * @param sameAs    another file that holds the same, and how
     * @param trouble   why it could not be read
     * @param takenOver whether an earlier run made it, and nothing it follows from has changed
     */
    record RunFile(
            String name,
            String folder,
            String row,
            String rowName,
            Station station,
            int channels,
            long frames,
            long bytes,
            String depth,
            @Nullable String container,
            @Nullable Long timeReference,
            @Nullable Long firstSoundFrame,
            @Nullable Double peakDbfs,
            @Nullable Double loudnessLufs,
            @Nullable Double truePeakDbtp,
            @Nullable Boolean silent,
            @Nullable Boolean nearlySilent,
            @Nullable Double offset,
            @Nullable Long fullScaleSamples,
            @Nullable Long overs,
            @Nullable Placed placed,
            @Nullable String sameAs,
            boolean takenOver,
            @Nullable String trouble,
            int section,
            boolean reference,
            @Nullable String sha256) {}

    static RunView of(Run run, List<RunMapper.StoredParcel> stored) {
        List<RunParcel> parcels = stored.stream()
                .map(each -> new RunParcel(each.zipName(), each.bytes(), each.sha256(), each.changesSince()))
                .toList();
        Proof proof = run.state() == RunState.DONE && run.proof() != null
                ? run.proof()
                : new Proof(List.of(), List.of(), List.of(), List.of(), List.of(), List.of());
        return new RunView(
                run.id(),
                run.handoffId(),
                run.number(),
                run.version(),
                run.everything(),
                run.state(),
                run.progress().fraction(),
                run.progress(),
                run.failure(),
                run.plan().rate(),
                run.plan().frames(),
                run.sessionRevision(),
                run.createdAt(),
                files(run),
                others(run.plan()),
                run.plan().edits().excerpts().size(),
                run.changes(),
                sections(run.plan()),
                proof.verdicts(),
                proof.sums(),
                proof.received(),
                parcels);
    }

    private static List<OtherFile> others(Plan plan) {
        List<OtherFile> others = new ArrayList<>();
        plan.edits().excerpts().forEach(excerpt -> others.add(OtherFile.at(excerpt.path())));
        plan.notes().forEach(notes -> others.add(OtherFile.at(notes.path())));
        Stream.concat(plan.listening().stream(), plan.beats().stream())
                .filter(path -> !path.isEmpty())
                .forEach(path -> others.add(OtherFile.at(path)));
        Papers.paths(plan).forEach(path -> others.add(OtherFile.at(path)));
        return others;
    }

    private static List<SectionView> sections(Plan plan) {
        return plan.sections().stream()
                .map(section -> new SectionView(
                        section.name(),
                        section.folder(),
                        section.frames(),
                        section.passage().range().start(),
                        section.passage().leadInFrames()))
                .toList();
    }

    private static List<RunFile> files(Run run) {
        List<RunFile> files = new ArrayList<>();
        for (int i = 0; i < run.plan().prints().size(); i++) {
            Print print = run.plan().prints().get(i);
            files.add(
                    run.proof() == null
                            ? planned(run, print)
                            : proved(print, run.proof().files().get(i)));
        }
        return files;
    }

    private static RunFile planned(Run run, Print print) {
        return new RunFile(
                print.file(),
                print.folder(),
                print.row(),
                print.rowName(),
                print.station(),
                print.channels(),
                run.plan().section(print).frames(),
                print.bytes(),
                run.plan().depth().sample().label(),
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                false,
                null,
                print.section(),
                print.isReference(),
                null);
    }

    private static RunFile proved(Print print, FileProof file) {
        String same = file.like() == null
                ? null
                : file.like().file().substring(file.like().file().lastIndexOf('/') + 1) + ", "
                        + file.like().words();
        return new RunFile(
                file.name(),
                file.folder(),
                print.row(),
                print.rowName(),
                print.station(),
                file.channels(),
                file.frames(),
                file.bytes(),
                file.sample().label(),
                file.container() == null ? null : file.container().label(),
                file.timeReference(),
                file.firstSoundFrame(),
                file.peakDbfs(),
                file.loudnessLufs(),
                file.truePeakDbtp(),
                file.silent(),
                file.nearlySilent(),
                file.offset(),
                file.fullScaleSamples(),
                file.overs(),
                file.placed(),
                same,
                file.takenOver(),
                file.trouble(),
                print.section(),
                print.isReference(),
                file.sha256());
    }
}
