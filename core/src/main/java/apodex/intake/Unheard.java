package apodex.intake;

import apodex.audio.Digests;
import apodex.session.Recording;
import apodex.session.Session;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/**
 * Keeps a document from sounding what its sender does not have. A hash in it says nothing of who may hear the recording: one that neither
 * came along nor is theirs becomes one that is not here, exactly as if nobody had it.
 */
final class Unheard {
    private static final String NOT_HERE = "not here ";

    private Unheard() {}

    /**
     * The session, with recordings that may not be used under names that no recording has.
     *
     * @param mayUse whether a recording may, by the SHA-256 of its file
     * @return the very session where all of them may
     */
    static Session in(Session session, Predicate<String> mayUse) {
        Map<String, String> hidden = new HashMap<>();
        session.recordings().stream()
                .map(Recording::sha256)
                .filter(sha256 -> !mayUse.test(sha256))
                .forEach(sha256 -> hidden.put(sha256, Digests.sha256OfText(NOT_HERE + sha256)));
        if (hidden.isEmpty()) {
            return session;
        }
        List<Recording> recordings = session.recordings().stream()
                .map(each -> hidden.containsKey(each.sha256()) ? each.under(hidden.get(each.sha256())) : each)
                .toList();
        return session.withRecordings(recordings)
                .withRows(session.rows().stream()
                        .map(row -> row.withAllClips(clips -> clips.stream()
                                .map(clip -> clip.of(hidden.getOrDefault(clip.recording(), clip.recording())))
                                .toList()))
                        .toList());
    }
}
