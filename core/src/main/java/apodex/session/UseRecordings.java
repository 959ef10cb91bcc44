package apodex.session;

import java.util.ArrayList;
import java.util.List;

/** Makes recordings known to the session, so that clips can use them. What it knows already stays as it is. */
public record UseRecordings(List<Recording> recordings) implements SessionEdit {
    public UseRecordings {
        recordings = recordings == null ? List.of() : List.copyOf(recordings);
    }

    @Override
    public Session change(Session session) {
        List<Recording> all = new ArrayList<>(session.recordings());
        for (Recording recording : recordings) {
            if (recording.sha256() == null
                    || !recording.sha256().matches("[0-9a-f]{64}")
                    || recording.rate() == null
                    || recording.channels() < 1
                    || recording.frames() < 1) {
                throw new EditRefused(
                        "recordings",
                        "“" + NameRule.shown(String.valueOf(recording.fileName()))
                                + "” is no recording that can be used.");
            }
            if (all.stream().noneMatch(known -> known.sha256().equals(recording.sha256()))) {
                all.add(recording);
            }
        }
        return session.withRecordings(all);
    }

    /** No rule is about it. */
    @Override
    public Session applyTo(Session session) {
        return change(session);
    }

    @Override
    public String describe(Session before) {
        return recordings.size() == 1
                ? "Add “" + recordings.get(0).fileName() + "”"
                : "Add " + recordings.size() + " recordings";
    }
}
