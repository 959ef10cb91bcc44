package apodex.bench;

import apodex.audio.WorkFolder;
import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.handoff.Section;
import apodex.handoff.Settings;
import apodex.handoff.Stretch;
import apodex.intake.RecordingStore;
import apodex.session.Session;
import apodex.signal.Returns;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.MemoryPoolMXBean;
import java.lang.management.MemoryType;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/**
 * Prints 128 mono tracks of ten minutes in a JVM of its own that has a heap of 512 MiB: all Raw and the mix; then every
 * station of all tracks with the full chain, returns shared out. Of the latter ten seconds are printed, since all of it
 * would be 90 GB; what the walk holds in memory is made before its first block and does not grow.
 */
final class LongSession {
    private LongSession() {}

    static void measure(Path folder) throws Exception {
        String java = ProcessHandle.current().info().command().orElse("java");
        List<String> command = List.of(
                java,
                "-Xmx512m",
                "-cp",
                System.getProperty("java.class.path"),
                "-Dloader.main=" + Child.class.getName(),
                "org.springframework.boot.loader.launch.PropertiesLauncher",
                folder.resolve("long").toString());
        int exit = new ProcessBuilder(command).inheritIO().start().waitFor();
        if (exit != 0) {
            throw new IOException("Printing the long session within 512 MiB failed with " + exit + ".");
        }
    }

    /** What the JVM of its own runs. */
    public static final class Child {
        private static final int STRETCH_SECONDS = 10;
        /** Recordings that the tracks share: making one for each takes longer than printing them all. */
        private static final int DIFFERENT = 16;

        private Child() {}

        public static void main(String[] arguments) throws Exception {
            Path folder = Files.createDirectories(Path.of(arguments[0]));
            RecordingStore store = new RecordingStore(folder.resolve("store"));
            Workload workload = Workload.make(store, folder, 128, 0, 600, DIFFERENT);
            Handoff handoff = Handoff.named("bench");
            Plan plan = Planner.plan(workload.session(), handoff, store);
            Path target = Files.createDirectories(folder.resolve("print"));
            long start = System.nanoTime();
            Printing.print(
                    workload.session(),
                    handoff,
                    plan,
                    target,
                    store,
                    Runtime.getRuntime().availableProcessors(),
                    WalkObserver.NONE);
            double seconds = (System.nanoTime() - start) / 1e9;
            WorkFolder.remove(target);
            everyStation(workload.fullChain(), store, Files.createDirectories(target));
            WorkFolder.remove(folder);
            Bench.figure("long-session-seconds", seconds);
            Bench.figure("long-session-x-realtime", workload.seconds() / seconds);
            Bench.figure("long-session-peak-heap-mib", peakHeapBytes() / (1024.0 * 1024));
        }

        private static void everyStation(Workload workload, RecordingStore store, Path target) throws Exception {
            Session session = workload.session();
            Handoff shared = Handoff.named("bench")
                    .with(Brief.BY_HAND)
                    .with(Settings.OPEN.withSharing(Returns.SHARED_OUT, null).withTail(0.0));
            List<Handoff.Choice> all = Planner.plan(session, shared, store).rows().stream()
                    .flatMap(row -> row.stations().stream().map(station -> new Handoff.Choice(row.row(), station)))
                    .toList();
            Stretch stretch = new Stretch(
                    new Stretch.Point(Stretch.CountedIn.SECONDS, 0),
                    new Stretch.Point(Stretch.CountedIn.SECONDS, STRETCH_SECONDS));
            Handoff handoff = shared.withFiles(all, List.of()).withSections(List.of(new Section("", stretch)));
            Plan plan = Planner.plan(session, handoff, store);
            long start = System.nanoTime();
            Printing.print(
                    session,
                    handoff,
                    plan,
                    target,
                    store,
                    Runtime.getRuntime().availableProcessors(),
                    WalkObserver.NONE);
            System.out.println("Every station of the long session, " + STRETCH_SECONDS + " s: "
                    + plan.prints().size() + " files");
            Bench.figure("long-session-every-station-seconds", (System.nanoTime() - start) / 1e9);
        }

        private static long peakHeapBytes() {
            return ManagementFactory.getMemoryPoolMXBeans().stream()
                    .filter(pool -> pool.getType() == MemoryType.HEAP)
                    .map(MemoryPoolMXBean::getPeakUsage)
                    .mapToLong(usage -> usage.getUsed())
                    .sum();
        }
    }
}
