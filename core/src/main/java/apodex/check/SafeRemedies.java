package apodex.check;

import apodex.handoff.Handoff;
import apodex.session.EditRefused;
import apodex.session.MoveRows;
import apodex.session.RenameRow;
import apodex.session.Session;
import apodex.session.SessionEdit;
import apodex.session.SetAbout;
import apodex.session.Together;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** All that can be put right without anybody listening: names, notes and the order of rows. Nothing that sounds. */
public final class SafeRemedies {
    /** A remedy can bring another into reach, such as a clean name that another row has already. */
    private static final int PASSES = 6;

    private SafeRemedies() {}

    /**
     * One step that takes every safe remedy that comes first with its finding.
     *
     * @param left keys of findings that somebody decided to leave
     * @return empty when there is none
     */
    public static Optional<Together> of(Session session, Handoff handoff, Sounds sounds, Set<String> left) {
        List<SessionEdit> edits = new ArrayList<>();
        Session now = session;
        for (int pass = 0; pass < PASSES; pass++) {
            Set<String> touched = new HashSet<>();
            int before = edits.size();
            for (Finding finding : Checks.look(new Look(now, handoff, sounds))) {
                boolean free =
                        !left.contains(finding.key()) && finding.rows().stream().noneMatch(touched::contains);
                Optional<SessionEdit> edit = finding.remedies().stream()
                        .limit(1)
                        .filter(SafeRemedies::isSafe)
                        .map(Remedy::edit)
                        .findFirst();
                if (free && edit.isPresent()) {
                    try {
                        now = edit.get().applyTo(now);
                        edits.add(edit.get());
                        touched.addAll(finding.rows());
                    } catch (EditRefused refused) {
                        // one before it made it impossible; the next pass looks again
                    }
                }
            }
            if (edits.size() == before) {
                break;
            }
        }
        return edits.isEmpty() ? Optional.empty() : Optional.of(new Together("Put right all that is safe", edits));
    }

    /** Whether a remedy leaves every sound and every row where it is. */
    public static boolean isSafe(Remedy remedy) {
        return remedy.sound() == Remedy.Sound.STAYS && remedy.edit() != null && isOfNames(remedy.edit());
    }

    private static boolean isOfNames(SessionEdit edit) {
        return edit instanceof RenameRow
                || edit instanceof SetAbout
                || edit instanceof MoveRows
                || edit instanceof Together together
                        && together.edits().stream().allMatch(SafeRemedies::isOfNames);
    }
}
