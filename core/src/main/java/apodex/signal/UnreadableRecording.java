package apodex.signal;

import apodex.session.Row;
import apodex.session.Session;
import java.io.IOException;

/** A recording that has vanished, was cut short or cannot be read for another reason, called by its file's name and a row that uses it. */
public final class UnreadableRecording extends IOException {
    private static final long serialVersionUID = 1;

    /** @param why its message ends the sentence after the name */
    public UnreadableRecording(Session session, String sha256, IOException why) {
        super(
                "The recording “" + session.recording(sha256).fileName() + "”" + of(session, sha256)
                        + " cannot be read. " + why.getMessage(),
                why);
    }

    private static String of(Session session, String sha256) {
        return session.rows().stream()
                .filter(row -> row.allClips().stream()
                        .anyMatch(clip -> clip.recording().equals(sha256)))
                .map(Row::name)
                .findFirst()
                .map(name -> " of row “" + name + "”")
                .orElse("");
    }
}
