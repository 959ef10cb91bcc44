package apodex.intake;

import apodex.intake.Seat.Use;
import apodex.session.Recording;
import apodex.session.Session;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * The open session that an intake is added to.
 *
 * @param session its id
 * @param title   of its song
 * @param at      frame for what says nothing of its place
 * @param held    ids of files whose sound it uses already
 * @param named   ids of files that are called as a recording of it: one that is missing, or an older version
 */
public record Onto(String session, String title, long at, Set<String> held, Set<String> named) {
    public Onto {
        held = new LinkedHashSet<>(held);
        named = new LinkedHashSet<>(named);
    }

    static Onto of(String id, Session session, long at, List<IntakeFile> files) {
        Set<String> sounds = new HashSet<>();
        Set<String> names = new HashSet<>();
        used(session).forEach(recording -> {
            sounds.add(recording.sha256());
            names.add(recording.fileName().toLowerCase(Locale.ROOT));
        });
        Set<String> held = ids(files, file -> sounds.contains(file.recording().sha256()));
        Set<String> named = ids(
                files,
                file -> !held.contains(file.id()) && names.contains(file.name().toLowerCase(Locale.ROOT)));
        return new Onto(id, session.song().title(), at, held, named);
    }

    private static Set<String> ids(List<IntakeFile> files, Predicate<IntakeFile> which) {
        return files.stream()
                .filter(file -> isFree(file) && which.test(file))
                .map(IntakeFile::id)
                .collect(Collectors.toSet());
    }

    /** What is there already is left out; what is called as something that is there takes its place. */
    IntakeFile seated(IntakeFile file) {
        return held.contains(file.id())
                ? file.withSeat(file.seat().withUse(Use.LEFT_OUT))
                : named.contains(file.id()) ? file.withSeat(file.seat().withUse(Use.IN_PLACE)) : file;
    }

    /** As {@link #seated} found it: each a row of a session of their own, where nothing stands at a mark. */
    IntakeFile unseated(IntakeFile file) {
        boolean was = held.contains(file.id()) && file.seat().use() == Use.LEFT_OUT
                || file.seat().use() == Use.IN_PLACE;
        Seat seat = was ? file.seat().withUse(Use.ROW) : file.seat();
        boolean atMark = seat.place().by() == Place.By.START;
        return file.withSeat(atMark ? seat.withPlace(seat.place().at(0, Place.By.START)) : seat);
    }

    private static boolean isFree(IntakeFile file) {
        return file.isSound() && file.station().isEmpty() && file.seat().place().by() != Place.By.LIST;
    }

    /** Recordings of a session that something of it sounds from. */
    static List<Recording> used(Session session) {
        return session.recordings().stream()
                .filter(each -> session.uses(each.sha256()))
                .toList();
    }
}
