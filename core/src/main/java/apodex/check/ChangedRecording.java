package apodex.check;

import apodex.session.Recording;
import java.util.List;
import java.util.function.Consumer;

/** A recording in the store that is no longer what it was when it came in. */
final class ChangedRecording extends Check {
    ChangedRecording() {
        super("changedRecording");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Recording recording : at.session().recordings()) {
            if (at.standing(recording) == Sounds.Standing.CHANGED) {
                List<String> rows = at.session().audioRows().stream()
                        .filter(row -> row.clips().stream()
                                .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                        .map(row -> row.id())
                        .toList();
                found.accept(Finding.of(
                                this,
                                Severity.STOPS,
                                "A recording was changed",
                                "The file of “" + recording.fileName()
                                        + "” in the store is not the one that came in: something wrote to it. Drop the original again.",
                                rows)
                        .with("File", recording.fileName()));
            }
        }
    }
}
