package apodex.intake;

import apodex.intake.Seat.Side;
import apodex.intake.Seat.Use;
import apodex.parcel.Manifest;
import apodex.session.Role;
import apodex.session.Session;
import apodex.session.Station;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Where the files of one of our parcels sit, by its manifest. A row that was printed at several stations is heard at the first of
 * them, the driest; the others are left out, or it would sound twice.
 */
final class ManifestSeats {
    private final Manifest manifest;
    private final long start;
    /** The first station of each row. */
    private final Map<String, Integer> driest = new HashMap<>();

    /** @param onto the session the files are added to; null: they become the session they came from */
    ManifestSeats(Manifest manifest, @Nullable Session onto) {
        this.manifest = manifest;
        Manifest.SectionPlace first = manifest.sections().get(0);
        int hertz =
                manifest.files().isEmpty() ? 48_000 : manifest.files().get(0).rate();
        this.start = onto == null
                ? first.timeReference() - Math.round((first.startsSeconds() - first.leadInSeconds()) * hertz)
                : Math.round(onto.rate().seconds(onto.startReference()) * hertz);
        manifest.files().forEach(file -> driest.merge(file.row(), order(file), Math::min));
    }

    /** First frame of the session it was printed from, counted from midnight: bars are counted from there. */
    long start() {
        return start;
    }

    private static int order(Manifest.Entry file) {
        return Station.called(file.station()).map(Station::ordinal).orElse(0);
    }

    Seat seat(Manifest.Entry file, SampleRate rate) {
        Manifest.SectionPlace section = manifest.sections().stream()
                .filter(each -> each.name().equals(file.section()))
                .findFirst()
                .orElse(manifest.sections().get(0));
        long later = Math.round((double) (section.timeReference() - start) * rate.hertz() / file.rate());
        boolean reference = file.reference() || isOldReference(file);
        boolean first = order(file) == driest.get(file.row()) && !isSumOfOthers(file) && !isEdited(file);
        return new Seat(
                reference ? Use.REFERENCE : first ? Use.ROW : Use.LEFT_OUT,
                NoteRows.safe(file.row()),
                role(file.role()),
                file.note(),
                1,
                side(file),
                file.bus(),
                Place.start().at(later, Place.By.STAMP));
    }

    /** Whether the list of edits lays its row, drier than any file. */
    private boolean isEdited(Manifest.Entry file) {
        return manifest.editedRows().stream().anyMatch(row -> row.rowId().equals(file.rowId()));
    }

    /** The first form did not say which file is the mix; its name and folder do. */
    private boolean isOldReference(Manifest.Entry file) {
        int slash = file.path().lastIndexOf('/');
        return manifest.manifest() == 1
                && ReferenceName.is(
                        Drop.stem(file.path().substring(slash + 1)),
                        slash < 0 ? "" : file.path().substring(0, slash),
                        "");
    }

    /** A bus whose members came by themselves would sound twice. */
    private boolean isSumOfOthers(Manifest.Entry file) {
        return manifest.files().stream().anyMatch(other -> other.bus().equals(file.row()));
    }

    private Side side(Manifest.Entry file) {
        List<Manifest.Entry> pair = manifest.files().stream()
                .filter(other -> other.row().equals(file.row())
                        && other.station().equals(file.station())
                        && other.section().equals(file.section())
                        && other.channels() == 1)
                .toList();
        return pair.size() != 2 || file.channels() != 1
                ? Side.WHOLE
                : file.placed().equals("right") || pair.indexOf(file) == 1 ? Side.RIGHT : Side.LEFT;
    }

    private static Role role(String words) {
        return Arrays.stream(Role.values())
                .filter(role -> role.words().equals(words))
                .findFirst()
                .orElse(Role.OTHER);
    }
}
