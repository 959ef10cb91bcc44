package apodex.check;

import apodex.handoff.Adjustment;
import apodex.instrument.Note;
import apodex.session.Clip;
import apodex.session.Playing;
import apodex.session.Row;
import apodex.session.Session;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;

/** Files that start with a sound at once: nobody can come in with it, and a breath before it is lost. */
final class NoRoomBefore extends Check {
    private static final double ROOM_SECONDS = 0.5;
    private static final int OFFERED_BARS = 2;

    NoRoomBefore() {
        super("noRoomBefore");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        if (at.prints().isEmpty() || at.handoff().settled().leadInBars() > 0) {
            return;
        }
        long start = at.plan().orElseThrow().passage().range().start();
        double seconds = at.session().rate().seconds(firstSound(at.session(), start) - start);
        if (seconds < ROOM_SECONDS) {
            found.accept(Finding.of(
                            this,
                            Severity.KNOW,
                            "No room before the first sound",
                            "The files begin "
                                    + (seconds < 0.01
                                            ? "with the first sound."
                                            : String.format(Locale.ROOT, "%.2f s before the first sound.", seconds)),
                            List.of())
                    .with("Room", String.format(Locale.ROOT, "%.2f s", seconds))
                    .offering(Remedy.printing("Two bars of lead-in", Adjustment.leadingIn(OFFERED_BARS))));
        }
    }

    /** The first frame from {@code start} on where a clip or a note sounds. */
    private static long firstSound(Session session, long start) {
        long first = Long.MAX_VALUE;
        for (Row row : session.rows()) {
            for (Clip clip : row.clips()) {
                first = clip.range().end() > start ? Math.min(first, Math.max(start, clip.position())) : first;
            }
            for (Note note : row.playing(session).map(Playing::notes).orElse(List.of())) {
                long frame = session.song().timeline().frameOf(note.quarter(), session.rate());
                first = frame >= start ? Math.min(first, frame) : first;
            }
        }
        return first;
    }
}
