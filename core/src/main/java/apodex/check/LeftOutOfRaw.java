package apodex.check;

import apodex.handoff.Adjustment;
import apodex.session.Row;
import apodex.session.Station;
import apodex.session.Strip;
import java.util.List;
import java.util.function.Consumer;

/** Faders, pans and moves that the planned files of their rows do not carry. */
final class LeftOutOfRaw extends Check {
    LeftOutOfRaw() {
        super("leftOutOfRaw");
    }

    @Override
    void look(Look at, Consumer<Finding> found) {
        List<Row> rows = at.sources().stream()
                .filter(row -> isLeftOut(at, row) && !Notes.says(row, words(row)))
                .toList();
        if (rows.isEmpty()) {
            return;
        }
        Finding finding = Finding.of(
                this,
                Severity.KNOW,
                "Fader and pan left out of Raw",
                RowNames.count(rows.size(), "row") + (rows.size() == 1 ? " has" : " have")
                        + " a fader, pan or moves that no planned file carries. They stand on the session sheet.",
                Look.ids(rows));
        for (Row row : rows) {
            finding = finding.with(row.name(), words(row));
        }
        found.accept(finding.offering(Notes.add(
                        rows.size() == 1 ? "Say so in its note" : "Say so in their notes", rows, LeftOutOfRaw::words))
                .offering(Remedy.printing(
                        "Print them at Fader as well", Adjustment.adding(Choices.at(Station.FADER, rows)))));
    }

    private static boolean isLeftOut(Look at, Row row) {
        return !row.strip().isAtRest()
                && at.goesOut(row)
                && at.prints(row).stream().allMatch(print -> print.station().compareTo(Station.FADER) < 0);
    }

    private static String words(Row row) {
        Strip strip = row.strip();
        StringBuilder words = new StringBuilder();
        if (!strip.faderMoves().isEmpty()) {
            words.append(RowNames.count(strip.faderMoves().size(), "fader move"));
        } else if (strip.faderDb() != 0) {
            words.append("fader ")
                    .append(strip.faderDb() <= Strip.SILENT_DB ? "silent" : Look.db(strip.faderDb()) + " dB");
        }
        if (!strip.panMoves().isEmpty()) {
            words.append(words.isEmpty() ? "" : ", ")
                    .append(RowNames.count(strip.panMoves().size(), "pan move"));
        } else if (strip.pan() != 0) {
            words.append(words.isEmpty() ? "" : ", ")
                    .append("pan ")
                    .append(Math.round(Math.abs(strip.pan())))
                    .append(strip.pan() < 0 ? " left" : " right");
        }
        return words.isEmpty() ? "muted" : words.toString();
    }
}
