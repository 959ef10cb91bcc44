package apodex.bench;

import apodex.audio.FileKind;
import apodex.audio.WorkFolder;
import apodex.handoff.Handoff;
import apodex.intake.RecordingStore;
import apodex.session.Station;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/**
 * {@code bench [FOLDER]}: makes its workload in a new folder inside FOLDER (the current one when not given),
 * measures, prints a line {@code figure NAME VALUE} for each figure, and removes everything it made.
 */
public final class Bench {
    private static final int ROUNDS = 3;

    private Bench() {}

    public static void main(String[] arguments) throws Exception {
        Path parent = Path.of(arguments.length > 0 ? arguments[0] : ".")
                .toAbsolutePath()
                .normalize();
        Path folder = Files.createTempDirectory(Files.createDirectories(parent), "apodex-bench-");
        Runtime.getRuntime().addShutdownHook(new Thread(() -> removeQuietly(folder)));
        try {
            printing(folder);
            IntakeTimes.measure(folder);
            Growth.measure(folder);
            WideSession.measure(
                    new RecordingStore(folder.resolve("wide")), Files.createDirectories(folder.resolve("wide-sounds")));
            LongSession.measure(folder);
        } finally {
            WorkFolder.remove(folder);
        }
    }

    private static void printing(Path folder) throws Exception {
        System.out.println("Reference workload: 28 mono and 12 stereo tracks, 240 s, 48 kHz 24-bit, 12 clips each");
        RecordingStore store = new RecordingStore(folder.resolve("store"));
        Workload workload = Workload.reference(store, folder);
        PrintTimes times = new PrintTimes(workload, store, folder);
        times.raw();
        times.copy();
        double[] raw = new double[ROUNDS];
        double[] copy = new double[ROUNDS];
        double[] withMix = new double[ROUNDS];
        double[] reduced = new double[ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            raw[round] = times.raw();
            copy[round] = times.copy();
            withMix[round] = times.rawAndMix();
            reduced[round] = times.sixteenBit();
        }
        System.out.printf(
                Locale.ROOT,
                "All Raw %.2f s, plain copy of the same %.2f GB %.2f s, all Raw and the mix %.2f s,"
                        + " all Raw at 16 bits %.2f s (medians of %d)%n",
                Timer.median(raw),
                times.bytes() / 1e9,
                Timer.median(copy),
                Timer.median(withMix),
                Timer.median(reduced),
                ROUNDS);
        figure("raw-vs-copy", Timer.median(raw) / Timer.median(copy));
        figure("raw-and-mix-vs-copy", Timer.median(withMix) / Timer.median(copy));
        figure("raw-16-bit-vs-copy", Timer.median(reduced) / Timer.median(copy));
        figure("raw-x-realtime", workload.seconds() / Timer.median(raw));
        new WetTimes(store, folder).measure(workload, Timer.median(copy) / times.bytes());
        parcels(store, workload, folder);
        figure("raw-track-seconds-a-second", workload.seconds() * workload.tracks() / Timer.median(raw));
    }

    private static void parcels(RecordingStore store, Workload workload, Path folder) throws Exception {
        List<Handoff.Choice> rows = workload.session().audioRows().stream()
                .map(row -> new Handoff.Choice(row.id(), Station.RAW))
                .toList();
        ParcelTimes times = new ParcelTimes(store, folder);
        ParcelTimes.Times raw = times.medianOf(workload, Handoff.named("bench").printing(null, rows));
        figure("raw-parcel-vs-copy", raw.parcel() / raw.copy());
        double sumOnAllCores = raw.sum() / Runtime.getRuntime().availableProcessors();
        figure("raw-parcel-vs-copy-and-sum", raw.parcel() / (raw.copy() + sumOnAllCores));
        figure("proof-again-vs-read", raw.again() / raw.sum());
        figure("disk-per-run", (double) raw.diskBytes() / raw.parcelBytes());
        ParcelTimes.Times full = times.medianOf(workload.fullChain(), Handoff.named("bench"));
        figure("parcel-vs-print", full.parcel() / full.print());
        figure("lookahead-vs-print", times.lookAhead(workload.fullChain(), Handoff.named("bench")) / full.print());
        Workload mixture = Workload.make(store, folder, 12, 8, 120).mixture();
        ParcelTimes.Times mixed = times.medianOf(mixture, Handoff.named("bench"));
        figure("mixture-parcel-vs-print", mixed.parcel() / mixed.print());
        Workload minute = Workload.make(store, folder, 28, 12, 60);
        Handoff flac = Handoff.named("bench").printing(null, rows);
        flac = flac.with(flac.settings().withFormat(FileKind.FLAC));
        ParcelTimes.Times packed = times.of(minute, flac);
        figure("flac-parcel-vs-print", packed.parcel() / packed.print());
        figure("flac-proof-again-seconds", packed.again());
    }

    static void figure(String name, double value) {
        System.out.printf(Locale.ROOT, "figure %s %.2f%n", name, value);
    }

    private static void removeQuietly(Path folder) {
        try {
            WorkFolder.remove(folder);
        } catch (IOException e) {
            System.err.println("Could not remove " + folder + ": " + e.getMessage());
        }
    }
}
