package apodex.bench;

import apodex.audio.AllCores;
import apodex.audio.WorkFolder;
import apodex.handoff.Handoff;
import apodex.handoff.LookAhead;
import apodex.handoff.Plan;
import apodex.handoff.Planner;
import apodex.handoff.Printing;
import apodex.intake.RecordingStore;
import apodex.parcel.Parcel;
import apodex.parcel.ZipPieces;
import apodex.proof.Proof;
import apodex.proof.Proving;
import apodex.session.SessionDocument;
import apodex.signal.WalkObserver;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;

/** Times what a person waits for: from the button to the parcel, every byte on the disk. */
final class ParcelTimes {
    private static final int ROUNDS = 3;
    private static final int THREADS = Runtime.getRuntime().availableProcessors();

    private final RecordingStore store;
    private final Path folder;

    ParcelTimes(RecordingStore store, Path folder) {
        this.store = store;
        this.folder = folder;
    }

    /**
     * One way from the button to the parcel.
     *
     * @param print     seconds of printing alone
     * @param parcel    seconds of all of it
     * @param again     seconds of reading the files again
     * @param sum       seconds the system's own sha256sum takes for the same files
     * @param copy      seconds the system's own cp takes for them, with sync
     * @param diskBytes   bytes a run leaves on the disk
     * @param parcelBytes bytes of the parcel
     */
    record Times(
            double print, double parcel, double again, double sum, double copy, long diskBytes, long parcelBytes) {}

    /** The median of several, figure by figure. */
    Times medianOf(Workload workload, Handoff handoff) throws Exception {
        List<Times> rounds = new ArrayList<>();
        for (int round = 0; round < ROUNDS; round++) {
            rounds.add(of(workload, handoff));
        }
        Times median = new Times(
                median(rounds, Times::print),
                median(rounds, Times::parcel),
                median(rounds, Times::again),
                median(rounds, Times::sum),
                median(rounds, Times::copy),
                rounds.get(0).diskBytes(),
                rounds.get(0).parcelBytes());
        System.out.printf(
                Locale.ROOT,
                "Printing %.2f s, to the parcel %.2f s, reading again %.2f s, sha256sum %.2f s, cp and sync %.2f s (%.2f GB)%n",
                median.print(),
                median.parcel(),
                median.again(),
                median.sum(),
                median.copy(),
                median.diskBytes() / 1e9);
        return median;
    }

    private static double median(List<Times> rounds, ToDoubleFunction<Times> which) {
        return Timer.median(rounds.stream().mapToDouble(which).toArray());
    }

    /** Prints, proves and packs; the files are removed. */
    Times of(Workload workload, Handoff handoff) throws Exception {
        Plan plan = Planner.plan(workload.session(), handoff, store);
        Path target = Files.createDirectories(folder.resolve("parcel"));
        run("sync");
        long start = System.nanoTime();
        Path sums = Files.createDirectories(folder.resolve("sums"));
        Printing.Result printed = Printing.print(
                workload.session(),
                handoff,
                plan,
                target,
                store,
                THREADS,
                WalkObserver.NONE,
                key -> Optional.empty(),
                Proving.plainSums(workload.session(), handoff, plan, sums));
        double print = since(start);
        force(target);
        Proof proof = prove(workload, handoff, printed, target, sums);
        List<ZipPieces> zips = new Parcel(workload.session(), handoff, printed.plan(), proof, "").zips(target);
        double parcel = since(start);
        if (zips.isEmpty() || !proof.faults().isEmpty()) {
            throw new IllegalStateException("The parcel of the bench is not whole: " + proof.faults());
        }
        long again = System.nanoTime();
        prove(workload, handoff, printed, target, null);
        double againSeconds = since(again);
        double sum = run("sh", "-c", "find '" + target + "' -type f -print0 | xargs -0 sha256sum > /dev/null");
        Path copied = folder.resolve("copied");
        double copy = run("sh", "-c", "cp -r --reflink=never '" + target + "' '" + copied + "' && sync");
        long diskBytes = printed.plan().bytes() + SessionDocument.write(zips).length();
        long parcelBytes = zips.stream().mapToLong(ZipPieces::length).sum();
        WorkFolder.remove(sums);
        WorkFolder.remove(copied);
        WorkFolder.remove(target);
        return new Times(print, parcel, againSeconds, sum, copy, diskBytes, parcelBytes);
    }

    private Proof prove(Workload workload, Handoff handoff, Printing.Result printed, Path target, @Nullable Path sums)
            throws IOException {
        return Proving.prove(
                workload.session(), handoff, printed, target, store, THREADS, Map.of(), sums, Proving.Told.NOTHING);
    }

    /** Seconds of looking ahead on all cores: the walk of printing without files. */
    double lookAhead(Workload workload, Handoff handoff) throws Exception {
        Plan plan = Planner.plan(workload.session(), handoff, store);
        LookAhead ahead = new LookAhead(workload.session(), handoff, plan, store, THREADS);
        long start = System.nanoTime();
        ahead.of(key -> Optional.empty(), WalkObserver.NONE);
        return since(start);
    }

    private static void force(Path target) throws IOException {
        try (Stream<Path> inside = Files.walk(target)) {
            AllCores.with(inside.filter(Files::isRegularFile).toList(), 4, file -> {
                try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
                    channel.force(true);
                }
                return file;
            });
        }
    }

    private static double run(String... command) throws Exception {
        long start = System.nanoTime();
        int exit = new ProcessBuilder(command).inheritIO().start().waitFor();
        if (exit != 0) {
            throw new IOException(command[0] + " failed with " + exit + ".");
        }
        return since(start);
    }

    private static double since(long nanos) {
        return (System.nanoTime() - nanos) / 1e9;
    }
}
