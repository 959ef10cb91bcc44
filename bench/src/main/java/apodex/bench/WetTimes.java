package apodex.bench;

import apodex.handoff.Handoff;
import apodex.handoff.Handoff.Choice;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.session.AudioRow;
import apodex.session.MixRow;
import apodex.session.ReturnRow;
import apodex.session.Row;
import apodex.session.Station;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Times mixes with effects, and what every further station costs on top of them. */
final class WetTimes {
    private static final int ROUNDS = 3;
    private final Timer timer;
    private final RecordingStore store;

    WetTimes(RecordingStore store, Path folder) {
        this.timer = new Timer(store, folder);
        this.store = store;
    }

    /** @param copySecondsPerByte of a plain copy in the same run */
    void measure(Workload dry, double copySecondsPerByte) throws Exception {
        Workload simple = dry.simpleChain();
        Plan simpleMix = plan(simple, mixOnly());
        Workload full = dry.fullChain();
        Plan fullMix = plan(full, mixOnly());
        Plan everything = plan(full, everyStation(full));
        timer.print(simple, simpleMix);
        double[] wet = new double[ROUNDS];
        double[] mix = new double[ROUNDS];
        double[] all = new double[ROUNDS];
        double[] moving = new double[ROUNDS];
        Workload moves = dry.movingChain();
        Plan movingMix = plan(moves, mixOnly());
        for (int round = 0; round < ROUNDS; round++) {
            wet[round] = timer.print(simple, simpleMix);
            mix[round] = timer.print(full, fullMix);
            all[round] = timer.print(full, everything);
            moving[round] = timer.print(moves, movingMix);
        }
        double copy = everything.bytes() * copySecondsPerByte;
        System.out.printf(
                Locale.ROOT,
                "Low cut, bell, compressor, pan on %d tracks %.2f s; full chain %.2f s; with %d files"
                        + " (%.2f GB, copied in %.2f s) %.2f s%n",
                dry.tracks(),
                Timer.median(wet),
                Timer.median(mix),
                everything.prints().size(),
                everything.bytes() / 1e9,
                copy,
                Timer.median(all));
        Bench.figure("wet-mix-x-realtime", dry.seconds() / Timer.median(wet));
        Bench.figure("wet-mix-track-seconds-a-second", dry.seconds() * dry.tracks() / Timer.median(wet));
        Bench.figure("full-mix-track-seconds-a-second", dry.seconds() * dry.tracks() / Timer.median(mix));
        Bench.figure("moving-mix-vs-still", Timer.median(moving) / Timer.median(wet));
        Bench.figure("all-stations-vs-mix", (Timer.median(all) - copy) / Timer.median(mix));
    }

    private Plan plan(Workload workload, List<Choice> choices) throws IOException {
        return Planner.plan(workload.session(), Handoff.named("bench").printing(null, choices), store);
    }

    private static List<Choice> mixOnly() {
        return List.of(new Choice(MixRow.ID, Station.FADER));
    }

    /** Raw and Inserts of every track, buses at Fader, returns at Inserts, and the reference mix. */
    private static List<Choice> everyStation(Workload workload) {
        List<Choice> choices = new ArrayList<>();
        for (Row row : workload.session().rows()) {
            if (row instanceof AudioRow) {
                choices.add(new Choice(row.id(), Station.RAW));
                choices.add(new Choice(row.id(), Station.INSERTS));
            } else {
                choices.add(new Choice(row.id(), row instanceof ReturnRow ? Station.INSERTS : Station.FADER));
            }
        }
        return choices;
    }
}
