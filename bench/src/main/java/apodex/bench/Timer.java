package apodex.bench;

import apodex.audio.WorkFolder;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.signal.WalkObserver;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/** Times prints, each from an empty folder and a quiet disk. */
final class Timer {
    private static final int THREADS = Runtime.getRuntime().availableProcessors();
    private final RecordingStore store;
    private final Path folder;

    Timer(RecordingStore store, Path folder) {
        this.store = store;
        this.folder = folder;
    }

    /** Seconds it takes; the files are removed. */
    double print(Workload workload, Plan plan) throws Exception {
        Path target = Files.createDirectories(folder.resolve("timed"));
        new ProcessBuilder("sync").start().waitFor();
        long start = System.nanoTime();
        Printing.print(workload.session(), Handoff.named("bench"), plan, target, store, THREADS, WalkObserver.NONE);
        double seconds = (System.nanoTime() - start) / 1e9;
        WorkFolder.remove(target);
        return seconds;
    }

    static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }
}
