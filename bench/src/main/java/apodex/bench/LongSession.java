package apodex.bench;

import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.intake.Folders;
import apodex.intake.RecordingStore;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** Prints 128 mono tracks of ten minutes and their mix in a JVM of its own that has a heap of 512 MiB. */
final class LongSession {
    private LongSession() {}

    static void measure(Path folder) throws Exception {
        String java = ProcessHandle.current().info().command().orElse("java");
        List<String> command = List.of(java, "-Xmx512m", "-cp", System.getProperty("java.class.path"),
                "-Dloader.main=" + Child.class.getName(), "org.springframework.boot.loader.launch.PropertiesLauncher",
                folder.resolve("long").toString());
        int exit = new ProcessBuilder(command).inheritIO().start().waitFor();
        if (exit != 0) {
            throw new IOException("Printing the long session within 512 MiB failed with " + exit + ".");
        }
    }

    /** What the JVM of its own runs. */
    public static final class Child {
        private Child() {}

        public static void main(String[] arguments) throws Exception {
            Path folder = Files.createDirectories(Path.of(arguments[0]));
            RecordingStore store = new RecordingStore(folder.resolve("store"));
            Workload workload = Workload.make(store, folder, 128, 0, 600);
            Plan plan = Planner.plan(workload.session(), Handoff.named("bench"), store);
            Path target = Files.createDirectories(folder.resolve("print"));
            long start = System.nanoTime();
            new Walk(workload.session(), plan.taps(workload.session(), target), store,
                    Runtime.getRuntime().availableProcessors()).print(WalkObserver.NONE);
            double seconds = (System.nanoTime() - start) / 1e9;
            Folders.remove(folder);
            Bench.figure("long-session-seconds", seconds);
            Bench.figure("long-session-x-realtime", workload.seconds() / seconds);
            Bench.figure("long-session-peak-heap-mib", peakHeapBytes() / (1024.0 * 1024));
        }

        private static long peakHeapBytes() {
            return ManagementFactory.getMemoryPoolMXBeans().stream().filter(pool -> pool.getType() == MemoryType.HEAP)
                    .map(MemoryPoolMXBean::getPeakUsage).mapToLong(usage -> usage.getUsed()).sum();
        }
    }
}
