package apodex.bench;

import apodex.audio.WorkFolder;
import apodex.handoff.Depth;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.session.Station;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/** Times single prints and copies; every one starts from an empty folder and a quiet disk. */
final class PrintTimes {
    private static final int THREADS = Runtime.getRuntime().availableProcessors();

    private final Workload workload;
    private final RecordingStore store;
    private final Path folder;
    private final Plan raw;
    private final Plan rawAndMix;
    private final Plan sixteenBit;

    PrintTimes(Workload workload, RecordingStore store, Path folder) throws IOException {
        this.workload = workload;
        this.store = store;
        this.folder = folder;
        this.rawAndMix = Planner.plan(workload.session(), Handoff.named("bench"), store);
        this.raw = rawOnly(null);
        this.sixteenBit = rawOnly(Depth.INT16);
    }

    private Plan rawOnly(Depth depth) throws IOException {
        List<Handoff.Choice> rows = workload.session().audioRows().stream()
                .map(row -> new Handoff.Choice(row.id(), Station.RAW))
                .toList();
        return Planner.plan(workload.session(), Handoff.named("bench").printing(depth, rows), store);
    }

    long bytes() {
        return raw.bytes();
    }

    /** Seconds to print all Raw; the files stay for {@link #copy}. */
    double raw() throws Exception {
        return print(raw, "raw");
    }

    double rawAndMix() throws Exception {
        return print(rawAndMix, "mix");
    }

    double sixteenBit() throws Exception {
        return print(sixteenBit, "sixteen");
    }

    /** Seconds that the system's own {@code cp} takes for the files {@link #raw} made. */
    double copy() throws Exception {
        Path target = folder.resolve("copy");
        WorkFolder.remove(target);
        settle();
        List<String> command = new ArrayList<>(
                List.of("cp", "-r", "--reflink=never", folder.resolve("raw").toString(), target.toString()));
        long start = System.nanoTime();
        int exit = new ProcessBuilder(command).inheritIO().start().waitFor();
        double seconds = (System.nanoTime() - start) / 1e9;
        if (exit != 0) {
            throw new IOException("cp failed with " + exit + ".");
        }
        WorkFolder.remove(target);
        return seconds;
    }

    private double print(Plan plan, String name) throws Exception {
        Path target = folder.resolve(name);
        WorkFolder.remove(target);
        Files.createDirectories(target);
        settle();
        long start = System.nanoTime();
        Printing.print(workload.session(), Handoff.named("bench"), plan, target, store, THREADS, WalkObserver.NONE);
        double seconds = (System.nanoTime() - start) / 1e9;
        if (!name.equals("raw")) {
            WorkFolder.remove(target);
        }
        return seconds;
    }

    /** Lets what was written before reach the disk, so that it is not paid for in the next measurement. */
    private static void settle() throws Exception {
        new ProcessBuilder("sync").start().waitFor();
    }
}
