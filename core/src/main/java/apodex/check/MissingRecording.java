package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.SessionEdit;
import apodex.session.SetBrought;
import apodex.session.SetTakes;
import apodex.session.Together;
import java.util.ArrayList;
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
            List<Row> users = at.session().rows().stream()
                    .filter(row -> row.allClips().stream()
                            .anyMatch(clip -> clip.recording().equals(recording.sha256())))
                    .toList();
            if (!users.isEmpty() && at.standing(recording) == Sounds.Standing.MISSING) {
                List<SessionEdit> without = new ArrayList<>();
                for (Row row : users) {
                    Row rest = row.withAllClips(clips -> clips.stream()
                            .filter(clip -> !clip.recording().equals(recording.sha256()))
                            .toList());
                    if (rest instanceof AudioRow audio) {
                        without.add(new SetTakes(row.id(), audio.takes(), audio.active()));
                    }
                    if (!row.strip().brought().isEmpty()) {
                        without.add(new SetBrought(row.id(), rest.strip().brought()));
                    }
                }
                Finding finding = Finding.of(
                                this,
                                Severity.STOPS,
                                "A recording is missing",
                                "“" + recording.fileName() + "” of " + RowNames.of(users)
                                        + " is not here. What it is in cannot be printed, all else can."
                                        + " Drop the file on the session, and it takes its place.",
                                Look.ids(users))
                        .with("File", recording.fileName())
                        .offering(Remedy.changing(
                                "Take its clips out",
                                new Together("Take out clips of “" + recording.fileName() + "”", without)));
                found.accept(finding.about(recording.sha256()));
            }
        }
    }
}
