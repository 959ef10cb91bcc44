package apodex.parcel;

import apodex.audio.Digests;
import apodex.handoff.Plan;
import apodex.handoff.PlannedSection;
import apodex.handoff.Print;
import apodex.proof.FileProof;
import apodex.proof.Proof;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Marker;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.FrameRange;
import java.util.ArrayList;
import java.util.List;

/** The session that a receiver has when the files of a section lie as they should: a row a file, each from the first frame on. */
final class PrintedSession {
    private PrintedSession() {}

    /**
     * At the rate of the files; recordings are named by their paths in the parcel.
     *
     * @param session as the handoff sees it
     */
    static Session of(Session session, Plan plan, Proof proof, PlannedSection section) {
        List<Recording> recordings = new ArrayList<>();
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < plan.prints().size(); i++) {
            Print print = plan.prints().get(i);
            FileProof file = proof.files().get(i);
            if (plan.section(print) != section || !file.isRead()) {
                continue;
            }
            Recording recording = new Recording(
                    Digests.sha256OfText(print.path()), // two files may hold the very same bytes
                    print.path(),
                    file.rate(),
                    file.channels(),
                    file.sample(),
                    file.frames(),
                    file.timeReference(),
                    session.originated());
            recordings.add(recording);
            String name = print.file().substring(0, print.file().lastIndexOf('.'));
            rows.add(new AudioRow("file" + i, name, List.of(Clip.whole(recording, 0, file.channels(), 0))));
        }
        rows.add(MixRow.DEFAULT);
        FrameRange range = section.passage().range();
        List<Marker> markers = session.markers().stream()
                .filter(marker -> marker.frame() >= range.start() && marker.frame() < range.end())
                .map(marker -> new Marker(inFile(session, plan, section, marker.frame()), marker.name()))
                .toList();
        String title = session.song().title() + (section.name().isEmpty() ? "" : ", " + section.name());
        boolean barsAgree = range.start() == 0 && section.passage().leadInFrames() == 0;
        Song song = barsAgree ? session.song() : Song.titled(title);
        return new Session(song, plan.rate(), 0, session.originated(), session.panLaw(), markers, recordings, rows);
    }

    private static long inFile(Session session, Plan plan, PlannedSection section, long frame) {
        long behind =
                frame - section.passage().range().start() + section.passage().leadInFrames();
        return Math.round((double) behind * plan.rate().hertz() / session.rate().hertz());
    }
}
