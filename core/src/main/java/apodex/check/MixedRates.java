package apodex.check;

import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.Recording;
import apodex.session.Row;
import java.util.List;
import java.util.function.Consumer;

/** Recordings of another rate than the session's. */
final class MixedRates extends Check {
    private static final String NOTE = "recorded at ";

    MixedRates() {
        super("mixedRates");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<AudioRow> rows = at.session().audioRows().stream()
                .filter(row -> row.clips().stream().anyMatch(clip -> isForeign(at, clip)) && !Notes.says(row, NOTE))
                .toList();
        if (!rows.isEmpty()) {
            Finding finding = Finding.of(
                    this,
                    Severity.KNOW,
                    "Recordings of another rate",
                    RowNames.of(rows)
                            + (rows.size() == 1 ? " was" : " were") + " not recorded at "
                            + at.session().rate().label()
                            + ". They are resampled whenever the session sounds.",
                    Look.ids(rows));
            for (AudioRow row : rows) {
                finding = finding.with(row.name(), rate(at, row));
            }
            found.accept(finding.offering(Notes.add("Say so on the sheet", rows, row -> NOTE + rate(at, row))));
        }
    }

    private static boolean isForeign(Look at, Clip clip) {
        return !at.session()
                .recording(clip.recording())
                .rate()
                .equals(at.session().rate());
    }

    private static String rate(Look at, Row row) {
        return ((AudioRow) row)
                .clips().stream()
                        .filter(clip -> isForeign(at, clip))
                        .map(clip -> at.session().recording(clip.recording()))
                        .map(Recording::rate)
                        .map(rate -> rate.label())
                        .findFirst()
                        .orElse("");
    }
}
