package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Recording;
import apodex.session.SessionEdit;
import apodex.session.SetTakes;
import apodex.session.Take;
import apodex.session.Together;
import java.util.List;
import java.util.function.Consumer;

/** A recording that clips use and the store does not have. */
final class MissingRecording extends Check {
    MissingRecording() {
        super("missingRecording");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        for (Recording recording : at.session().recordings()) {
            List<AudioRow> users = at.session().audioRows().stream()
                    .filter(row -> row.takes().stream()
                            .flatMap(take -> take.clips().stream())
                            .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                    .toList();
            if (!users.isEmpty() && at.standing(recording) == Sounds.Standing.MISSING) {
                List<SessionEdit> without = users.stream()
                        .map(row -> (SessionEdit) new SetTakes(
                                row.id(),
                                row.takes().stream()
                                        .map(take -> new Take(
                                                take.id(),
                                                take.name(),
                                                take.clips().stream()
                                                        .filter(clip -> !clip.recording()
                                                                .equals(recording.sha256()))
                                                        .toList()))
                                        .toList(),
                                row.active()))
                        .toList();
                Finding finding = Finding.of(
                                this,
                                Severity.STOPS,
                                "A recording is missing",
                                "“" + recording.fileName() + "” of " + RowNames.of(users)
                                        + " is not here. Drop the file on the session, and it takes its place.",
                                Look.ids(users))
                        .with("File", recording.fileName())
                        .offering(Remedy.changing(
                                "Take its clips out",
                                new Together("Take out clips of “" + recording.fileName() + "”", without)));
                found.accept(new Finding(
                        finding.check(),
                        finding.key() + ":" + recording.sha256(),
                        finding.severity(),
                        finding.title(),
                        finding.words(),
                        finding.rows(),
                        finding.evidence(),
                        finding.remedies()));
            }
        }
    }
}
