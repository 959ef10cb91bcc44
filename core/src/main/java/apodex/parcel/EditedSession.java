package apodex.parcel;

import apodex.audio.Digests;
import apodex.handoff.Edits;
import apodex.handoff.Excerpt;
import apodex.handoff.Plan;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Take;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The rows that go out as edits, laid of what was cut out of their recordings. */
final class EditedSession {
    private final Session session;
    private final Plan plan;
    private final Map<Excerpt, Recording> recordings = new LinkedHashMap<>();

    private EditedSession(Session session, Plan plan) {
        this.session = session;
        this.plan = plan;
        plan.edits()
                .excerpts()
                .forEach(excerpt -> recordings.put(
                        excerpt,
                        new Recording(
                                Digests.sha256OfText(excerpt.path()), // two may hold the very same bytes
                                excerpt.path(),
                                excerpt.rate(),
                                excerpt.channels(),
                                excerpt.sample(),
                                excerpt.frames(),
                                excerpt.timeReference(),
                                session.originated())));
    }

    /**
     * Where everything lies in the session it was made in; recordings are named by their paths in the parcel, rows so that no two are
     * called alike.
     *
     * @param session as the handoff sees it
     */
    static Session of(Session session, Plan plan) {
        return new EditedSession(session, plan).made();
    }

    private Session made() {
        List<Row> rows = new ArrayList<>();
        Map<String, String> names = names(session, plan);
        for (Edits.EditedRow edited : plan.edits().rows()) {
            AudioRow row = (AudioRow) session.row(edited.row()).orElseThrow();
            List<Take> takes = edited.takes().stream()
                    .flatMap(id -> row.takes().stream().filter(take -> take.id().equals(id)))
                    .map(take -> new Take(take.id(), take.name(), clips(take)))
                    .toList();
            rows.add(new AudioRow(
                    row.id(), names.get(row.id()), takes, takes.get(0).id(), row.strip()));
        }
        rows.add(MixRow.DEFAULT);
        return new Session(
                session.song(),
                session.rate(),
                session.startReference(),
                session.originated(),
                session.panLaw(),
                session.markers(),
                List.copyOf(recordings.values()),
                rows);
    }

    /** By the rows' ids: a list tells rows by what they are called. */
    static Map<String, String> names(Session session, Plan plan) {
        Map<String, Integer> met = new HashMap<>();
        Map<String, String> names = new LinkedHashMap<>();
        for (Edits.EditedRow edited : plan.edits().rows()) {
            String name = session.row(edited.row()).map(Row::name).orElse(edited.row());
            int nth = met.merge(name, 1, Integer::sum);
            names.put(edited.row(), nth == 1 ? name : name + " (" + nth + ")");
        }
        return names;
    }

    private List<Clip> clips(Take take) {
        return take.clips().stream().flatMap(clip -> clip(clip).stream()).toList();
    }

    /** The clip on the excerpt that holds it; empty where it stays at home. */
    private Optional<Clip> clip(Clip clip) {
        return plan.edits()
                .excerptOf(clip, session)
                .map(excerpt -> new Clip(
                        recordings.get(excerpt).sha256(),
                        0,
                        clip.channels(),
                        clip.position(),
                        clip.offset() - excerpt.startAt(session.rate()),
                        clip.frames(),
                        clip.gainDb(),
                        clip.fadeIn(),
                        clip.fadeOut(),
                        List.of(),
                        clip.muted(),
                        clip.inverted()));
    }
}
