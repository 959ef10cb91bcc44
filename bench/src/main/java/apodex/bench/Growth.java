package apodex.bench;

import apodex.audio.WorkFolder;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.intake.RecordingStore;
import apodex.session.Station;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** How printing the simple wet mix grows with tracks and with length: seconds for each million track-frames stay level. */
final class Growth {
    private static final int[][] TRACKS_AND_MINUTES = {{8, 1}, {8, 4}, {8, 16}, {32, 1}, {32, 4}, {128, 1}, {256, 1}};
    private static final int DIFFERENT = 8;

    private Growth() {}

    static void measure(Path folder) throws Exception {
        System.out.println("Growth: tracks, minutes, seconds, nanoseconds for each frame of a track");
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int[] size : TRACKS_AND_MINUTES) {
            Path home = Files.createDirectories(folder.resolve("growth"));
            RecordingStore store = new RecordingStore(home.resolve("store"));
            Workload workload = Workload.make(store, home, size[0], 0, size[1] * 60, DIFFERENT)
                    .simpleChain();
            Plan plan = Planner.plan(
                    workload.session(),
                    Handoff.named("bench").printing(null, List.of(new Handoff.Choice("mix", Station.FADER))),
                    store);
            Timer timer = new Timer(store, home);
            double seconds = Math.min(timer.print(workload, plan), timer.print(workload, plan));
            double nanos = seconds * 1e9 / (size[0] * size[1] * 60.0 * 48_000);
            System.out.printf(Locale.ROOT, "%5d %5d %8.2f %8.2f%n", size[0], size[1], seconds, nanos);
            least = Math.min(least, nanos);
            most = Math.max(most, nanos);
            WorkFolder.remove(home);
        }
        Bench.figure("growth-most-vs-least", most / least);
    }
}
