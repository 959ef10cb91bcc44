package apodex.handoff;

import apodex.audio.FlacWriter;
import apodex.audio.Mp3Writer;
import apodex.notes.MidiFile;
import apodex.session.InstrumentRow;
import apodex.session.Session;
import apodex.signal.Printed;
import apodex.signal.Recordings;
import apodex.signal.Station;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;

/** Makes everything a plan asks for, in one folder: one walk for all sound, then what is made from its files. */
public final class Printing {
    private Printing() {}

    /**
     * What came out.
     *
     * @param plan  with real lengths, channels and sizes
     * @param overs by print, in order: samples that passed full scale and were held there
     */
    public record Result(Plan plan, List<Long> overs) {}

    /**
     * Prints.
     *
     * @param folder empty
     * @throws IOException           when a recording cannot be read or a file cannot be written
     * @throws CancellationException when the observer or an interrupt ended it
     */
    public static Result print(Session session, Plan plan, Path folder, Recordings recordings, int threads,
            WalkObserver observer) throws IOException {
        List<Printed> printed = new Walk(session, plan.taps(session, folder), plan.passage(), plan.sharing(), recordings,
                threads).print(observer);
        if (!plan.listening().isEmpty()) {
            Mp3Writer.encode(folder.resolve(plan.walkName(referenceMix(session, plan))), folder.resolve(plan.listening()));
        }
        if (plan.format() == Handoff.Format.FLAC) {
            toFlac(plan, folder, threads, observer);
        }
        for (NoteFile notes : plan.notes()) {
            List<InstrumentRow> rows = session.rows().stream().filter(InstrumentRow.class::isInstance)
                    .map(InstrumentRow.class::cast)
                    .filter(row -> !row.notes().isEmpty() && (notes.row().isEmpty() || notes.row().equals(row.id()))).toList();
            MidiFile.write(session, rows, folder.resolve(notes.file()));
        }
        List<Long> sizes = new ArrayList<>();
        for (Print print : plan.prints()) {
            sizes.add(Files.size(folder.resolve(print.file())));
        }
        return new Result(plan.printed(printed, sizes), printed.stream().map(Printed::overs).toList());
    }

    private static Print referenceMix(Session session, Plan plan) {
        return plan.prints().stream().filter(print -> print.row().equals(session.mix().id())
                && print.station() == Station.FADER).findFirst().orElseThrow();
    }

    private static void toFlac(Plan plan, Path folder, int threads, WalkObserver observer) throws IOException {
        ExecutorService crew = Executors.newFixedThreadPool(Math.max(1, threads));
        try {
            List<Future<?>> running = new ArrayList<>();
            for (Print print : plan.prints()) {
                running.add(crew.submit(() -> {
                    if (observer.isCancelled()) {
                        throw new CancellationException("Cancelled while packing into FLAC.");
                    }
                    Path wav = folder.resolve(plan.walkName(print));
                    FlacWriter.encode(wav, folder.resolve(print.file()));
                    Files.delete(wav);
                    return null;
                }));
            }
            for (Future<?> each : running) {
                each.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted while packing into FLAC.");
        } catch (ExecutionException e) {
            if (e.getCause() instanceof IOException io) {
                throw io;
            }
            throw e.getCause() instanceof RuntimeException runtime ? runtime : new IllegalStateException(e.getCause());
        } finally {
            crew.shutdownNow();
        }
    }
}
