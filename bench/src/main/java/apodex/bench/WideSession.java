package apodex.bench;

import apodex.check.Checks;
import apodex.check.Finding;
import apodex.check.Look;
import apodex.handoff.Handoff;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.session.AudioRow;
import apodex.session.BusRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.SessionRules;
import apodex.session.Song;
import apodex.session.Strip;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A thousand rows with twenty clips each, in forty buses: what the rules, a plan and the checks take of it, in milliseconds. */
final class WideSession {
    private static final int ROWS = 1_000;
    private static final int CLIPS = 20;
    private static final int BUSES = 40;
    private static final int ROUNDS = 3;

    private WideSession() {}

    static void measure(RecordingStore store, Path folder) throws Exception {
        List<Recording> some = Workload.make(store, folder, 8, 0, 60).session().recordings();
        for (Recording recording : some) {
            store.measure(recording.sha256());
        }
        Session session = session(some);
        double[] rules = new double[ROUNDS];
        double[] plan = new double[ROUNDS];
        double[] findings = new double[ROUNDS];
        int found = 0;
        for (int round = 0; round < ROUNDS; round++) {
            long start = System.nanoTime();
            SessionRules.checked(session);
            rules[round] = millisecondsSince(start);
            start = System.nanoTime();
            Planner.plan(session, Handoff.named("bench"), store);
            plan[round] = millisecondsSince(start);
            start = System.nanoTime();
            List<Finding> all = Checks.look(new Look(session, Handoff.named("bench"), store));
            findings[round] = millisecondsSince(start);
            found = all.size();
        }
        System.out.printf(Locale.ROOT, "A session of %d rows and %d clips: %d findings%n", ROWS, ROWS * CLIPS, found);
        Bench.figure("rules-1000-rows-ms", Timer.median(rules));
        Bench.figure("plan-1000-rows-ms", Timer.median(plan));
        Bench.figure("findings-1000-rows-ms", Timer.median(findings));
    }

    private static Session session(List<Recording> recordings) {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < ROWS; i++) {
            Recording recording = recordings.get(i % recordings.size());
            List<Clip> clips = new ArrayList<>();
            for (int c = 0; c < CLIPS; c++) {
                long start = c * 144_000L;
                clips.add(new Clip(recording.sha256(), 0, 1, start, start, 120_000 + i, 0, 0, 0));
            }
            rows.add(new AudioRow("r" + i, "Row " + i, clips, Strip.feeding("bus" + i % BUSES)));
        }
        for (int bus = 0; bus < BUSES; bus++) {
            rows.add(new BusRow("bus" + bus, "Bus " + bus, Strip.feeding(MixRow.ID)));
        }
        rows.add(MixRow.DEFAULT);
        return new Session(Song.titled("Wide"), recordings.get(0).rate(), 0, "2026-01-01", recordings, rows);
    }

    private static double millisecondsSince(long start) {
        return (System.nanoTime() - start) / 1e6;
    }
}
