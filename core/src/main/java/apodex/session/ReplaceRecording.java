package apodex.session;

import java.util.ArrayList;
import java.util.List;

/**
 * Lets every clip that used one recording use another, such as a newer version of it. Clips that would reach beyond a
 * shorter one end where it ends; those that would have nothing left go. What stood in for a recording that was not here gives its place to
 * one of any width.
 *
 * @param old         SHA-256 of the recording in use
 * @param replacement what takes its place
 */
public record ReplaceRecording(String old, Recording replacement) implements SessionEdit {
    @Override
    public Session change(Session session) {
        Recording before = session.recordings().stream()
                .filter(each -> each.sha256().equals(old))
                .findFirst()
                .orElseThrow(() -> new EditRefused("old", "This session has no such recording to replace."));
        if (replacement == null || replacement.channels() < before.channels() && !before.isStandIn()) {
            throw new EditRefused(
                    "replacement",
                    "“" + before.fileName() + "” has " + before.channels()
                            + " channels; what takes its place needs as many.");
        }
        List<Recording> recordings = new ArrayList<>(session.recordings());
        recordings.remove(before);
        Session with = new UseRecordings(List.of(replacement)).change(session.withRecordings(recordings));
        long frames = replacement.framesAt(session.rate());
        List<Row> rows = session.rows().stream()
                .map(row -> row.withAllClips(clips -> replaced(clips, frames)))
                .toList();
        return with.withRows(rows);
    }

    private List<Clip> replaced(List<Clip> before, long frames) {
        List<Clip> clips = new ArrayList<>();
        for (Clip clip : before) {
            if (!clip.recording().equals(old)) {
                clips.add(clip);
            } else if (clip.offset() < frames) {
                clips.add(clip.of(replacement.sha256())
                        .across(Math.min(clip.channels(), replacement.channels() - clip.firstChannel()))
                        .cutTo(Math.min(clip.frames(), frames - clip.offset())));
            }
        }
        return clips;
    }

    @Override
    public String describe(Session before) {
        return "Replace “"
                + before.recordings().stream()
                        .filter(each -> each.sha256().equals(old))
                        .map(Recording::fileName)
                        .findFirst()
                        .orElse(old)
                + "”";
    }
}
