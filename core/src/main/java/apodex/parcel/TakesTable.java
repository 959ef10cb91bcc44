package apodex.parcel;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Session;
import apodex.session.SongPlace;
import apodex.session.Take;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** Which take of each row was used, which others there are, and where an assembled one changes from one to another. */
final class TakesTable {
    private TakesTable() {}

    /** A line for every row that has more than one take; empty when none has. @param session as it is */
    static Optional<Sheet.Table> of(Session session) {
        List<List<String>> lines = session.audioRows().stream()
                .filter(row -> row.takes().size() > 1)
                .map(row -> List.of(row.name(), row.activeTake().name(), others(row), places(session, row)))
                .toList();
        return lines.isEmpty()
                ? Optional.empty()
                : Optional.of(new Sheet.Table(
                        List.of("Row", "Used", "Also there", "Assembled from"),
                        List.of(false, false, false, false),
                        lines));
    }

    private static String others(AudioRow row) {
        return row.takes().stream()
                .filter(take -> !take.id().equals(row.active()))
                .map(Take::name)
                .collect(Collectors.joining(", "));
    }

    /**
     * As “Take 1 from bar 1 beat 1, Take 3 from bar 9 beat 1”; recordings that no other take has are told by their files. Empty where it
     * never changes.
     */
    static String places(Session session, AudioRow row) {
        List<String> said = new ArrayList<>();
        String before = null;
        for (Clip clip : row.clips().stream()
                .sorted(Comparator.comparingLong(Clip::position))
                .toList()) {
            String from = cameFrom(row, clip)
                    .orElseGet(() -> session.recording(clip.recording()).fileName());
            if (!from.equals(before)) {
                said.add(from + " from " + SongPlace.of(session, clip.position()));
                before = from;
            }
        }
        return said.size() > 1 ? String.join(", ", said) : "";
    }

    /** The other take that has the same stretch of the same recording at the same place. */
    private static Optional<String> cameFrom(AudioRow row, Clip clip) {
        return row.takes().stream()
                .filter(take -> !take.id().equals(row.active()))
                .filter(take -> take.clips().stream()
                        .anyMatch(other -> other.recording().equals(clip.recording())
                                && other.firstChannel() == clip.firstChannel()
                                && other.position() - other.offset() == clip.position() - clip.offset()
                                && other.range().overlaps(clip.range())))
                .map(Take::name)
                .findFirst();
    }
}
