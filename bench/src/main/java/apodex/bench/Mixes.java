package apodex.bench;

import apodex.instrument.Note;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Insert;
import apodex.session.InstrumentRow;
import apodex.session.MixRow;
import apodex.session.Move;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Send;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Strip;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What the workload's tracks go through. */
final class Mixes {
    static final int BUSES = 6;
    private static final Insert LOW_CUT = Insert.of("lowCut", Map.of("hertz", 70.0));
    private static final Insert BELL = Insert.of("bell", Map.of("hertz", 2_500.0, "gainDb", -3.0));
    private static final Insert COMPRESSOR = Insert.of("compressor", Map.of("thresholdDb", -24.0, "ratio", 3.0));

    private static final List<String> INSTRUMENTS = List.of("drumKit", "bass", "reedOrgan", "pluckedString", "pad");
    private static final int MOVES = 480;
    private static final long MOVE_FRAMES = 24_000;

    private Mixes() {}

    static Session simple(Session session) {
        List<Row> rows = new ArrayList<>();
        int track = 0;
        for (Row row : session.rows()) {
            rows.add(
                    row instanceof AudioRow
                            ? row.withStrip(Strip.feeding(MixRow.ID)
                                    .withInserts(List.of(LOW_CUT, BELL, COMPRESSOR))
                                    .withFader(-18, position(track++)))
                            : row);
        }
        return SessionRules.checked(session.withRows(rows));
    }

    /** The simple chain with a fader and a pan that never rest. */
    static Session moving(Session session) {
        List<Row> rows = new ArrayList<>();
        for (Row row : simple(session).rows()) {
            List<Move> fader = new ArrayList<>();
            List<Move> pan = new ArrayList<>();
            for (int point = 0; point < MOVES; point++) {
                fader.add(new Move(point * MOVE_FRAMES, point % 2 == 0 ? -24 : -15));
                pan.add(new Move(point * MOVE_FRAMES, point % 3 * 50 - 50));
            }
            rows.add(row instanceof AudioRow ? row.withStrip(row.strip().withMoves(fader, pan)) : row);
        }
        return SessionRules.checked(session.withRows(rows));
    }

    /** The full chain with every second track played by an instrument. */
    static Session mixture(Session session) {
        List<Row> rows = new ArrayList<>();
        int track = 0;
        for (Row row : full(session).rows()) {
            boolean played = row instanceof AudioRow && track % 2 == 1;
            rows.add(
                    played
                            ? new InstrumentRow(
                                    row.id(),
                                    row.name(),
                                    INSTRUMENTS.get(track / 2 % INSTRUMENTS.size()),
                                    notes(session, track),
                                    row.strip())
                            : row);
            track++;
        }
        return SessionRules.checked(session.withRows(rows));
    }

    private static List<Note> notes(Session session, int track) {
        List<Note> notes = new ArrayList<>();
        double quarters = session.song().timeline().quarterOf(session.frames(), session.rate());
        for (double quarter = track % 4 * 0.25; quarter < quarters - 1; quarter += 1) {
            notes.add(new Note(quarter, 0.75, 36 + (int) (quarter * 7 + track) % 24, 70));
        }
        return notes;
    }

    static Session full(Session session) {
        List<Row> rows = new ArrayList<>();
        int track = 0;
        for (AudioRow row : session.audioRows()) {
            List<Send> sends =
                    List.of(new Send("hall", -14, Send.From.AFTER_FADER), new Send("echo", -18, Send.From.AFTER_FADER));
            rows.add(row.withStrip(Strip.feeding("bus" + track % BUSES)
                    .withInserts(List.of(LOW_CUT, BELL, COMPRESSOR, Insert.of("saturator", Map.of("driveDb", 4.0))))
                    .withFader(-18, position(track))
                    .withSends(sends)));
            track++;
        }
        for (int bus = 0; bus < BUSES; bus++) {
            rows.add(new BusRow(
                    "bus" + bus,
                    "Bus " + bus,
                    Strip.feeding(MixRow.ID)
                            .withFader(-1, 0)
                            .withInserts(List.of(
                                    Insert.of("compressor", Map.of("thresholdDb", -20.0, "ratio", 2.0)),
                                    Insert.of("shelf", Map.of("side", 1.0, "hertz", 8_000.0, "gainDb", 1.0))))));
        }
        rows.add(new ReturnRow(
                "hall",
                "Hall",
                Strip.feeding(MixRow.ID).withInserts(List.of(Insert.of("hallReverb", Map.of("mixPercent", 100.0))))));
        rows.add(new ReturnRow(
                "echo",
                "Echo",
                Strip.feeding(MixRow.ID).withInserts(List.of(Insert.of("delay", Map.of("mixPercent", 100.0))))));
        rows.add(session.mix()
                .withStrip(Strip.feeding()
                        .withInserts(List.of(
                                Insert.of("compressor", Map.of("thresholdDb", -14.0, "ratio", 1.5)),
                                Insert.of("limiter", Map.of())))));
        return SessionRules.checked(session.withRows(rows));
    }

    private static double position(int track) {
        return track * 37 % 160 - 80;
    }
}
