package apodex.signal;

import apodex.audio.WavWriter;
import apodex.session.AudioRow;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CancellationException;

/**
 * One pass over a session, from its first frame to its last sound's end, that writes every tap's file. All files
 * have the same number of frames by construction. Memory does not grow with the song: each row holds one block.
 *
 * <p>Files are complete only when {@link #print} returns; after an exception what was written is worthless and
 * stays for the caller to remove.
 */
public final class Walk {
    /** Long enough that calls to the file system do not count, short enough that 256 rows of doubles stay small. */
    public static final int BLOCK_FRAMES = 16_384;

    private final Session session;
    private final List<Tap> taps;
    private final Recordings recordings;
    private final int threads;
    private final int blockFrames;

    public Walk(Session session, List<Tap> taps, Recordings recordings, int threads) {
        this(session, taps, recordings, threads, BLOCK_FRAMES);
    }

    Walk(Session session, List<Tap> taps, Recordings recordings, int threads, int blockFrames) {
        this.session = session;
        this.taps = taps;
        this.recordings = recordings;
        this.threads = threads;
        this.blockFrames = blockFrames;
    }

    /**
     * Writes all files.
     *
     * @return for every tap, in order, how many samples passed full scale and were held there
     * @throws IOException           when a recording cannot be read or a file cannot be written
     * @throws CancellationException when the observer or an interrupt ended it
     */
    public List<Long> print(WalkObserver observer) throws IOException {
        Map<Tap, WavWriter> writers = new LinkedHashMap<>();
        Map<Tap, TapFile> encoded = new LinkedHashMap<>();
        List<RowWorker> rows = new ArrayList<>();
        try {
            for (Tap tap : taps) {
                writers.put(tap, new WavWriter(tap.file(), session.rate(), tap.channels().count(), tap.depth(),
                        session.frames(), tap.broadcast()));
            }
            boolean mixed = taps.stream().anyMatch(tap -> row(tap) instanceof MixRow);
            for (AudioRow row : session.audioRows()) {
                List<Tap> ofRow = taps.stream().filter(tap -> tap.row().equals(row.id())).toList();
                if (mixed || !ofRow.isEmpty()) {
                    rows.add(worker(row, ofRow, mixed, writers, encoded));
                }
            }
            MixSum mix = new MixSum(rows, mixFiles(writers, encoded), blockFrames);
            new WalkCrew(rows, mix, session.frames(), blockFrames, threads, observer).walk();
            checkComplete(writers);
            return taps.stream().map(tap -> encoded.containsKey(tap) ? encoded.get(tap).overs() : 0L).toList();
        } finally {
            closeAll(rows, writers.values());
        }
    }

    private Row row(Tap tap) {
        return session.row(tap.row())
                .orElseThrow(() -> new IllegalArgumentException("There is no row “" + tap.row() + "” to print."));
    }

    private RowWorker worker(AudioRow row, List<Tap> ofRow, boolean mixed, Map<Tap, WavWriter> writers,
            Map<Tap, TapFile> encoded) {
        List<RowTap> copies = new ArrayList<>();
        List<TapFile> files = new ArrayList<>();
        for (Tap tap : ofRow) {
            if (PlainCopy.isPossible(session, row, tap)) {
                copies.add(new PlainCopy(row, tap, recordings, writers.get(tap)));
            } else {
                boolean exact = Exactness.isExact(session, row, tap.depth());
                encoded.put(tap, new TapFile(tap, exact, Coverage.of(List.of(row)), writers.get(tap)));
                files.add(encoded.get(tap));
            }
        }
        return new RowWorker(new RawRow(row, recordings), copies, files, mixed || !files.isEmpty(), blockFrames);
    }

    private List<TapFile> mixFiles(Map<Tap, WavWriter> writers, Map<Tap, TapFile> encoded) {
        Coverage all = Coverage.of(session.audioRows());
        List<TapFile> files = new ArrayList<>();
        for (Tap tap : taps) {
            if (row(tap) instanceof MixRow) {
                encoded.put(tap, new TapFile(tap, false, all, writers.get(tap)));
                files.add(encoded.get(tap));
            }
        }
        return files;
    }

    /** By construction every file has all its frames; a mistake there must not leave the house as a short file. */
    private static void checkComplete(Map<Tap, WavWriter> writers) {
        writers.forEach((tap, writer) -> {
            if (!writer.isComplete()) {
                throw new IllegalStateException("The walk left " + tap.file().getFileName() + " unfinished.");
            }
        });
    }

    private static void closeAll(List<RowWorker> rows, Iterable<WavWriter> writers) throws IOException {
        IOException failure = null;
        List<AutoCloseable> all = new ArrayList<>(rows);
        writers.forEach(all::add);
        for (AutoCloseable each : all) {
            try {
                each.close();
            } catch (Exception e) {
                failure = e instanceof IOException io ? io : new IOException(e);
            }
        }
        if (failure != null) {
            throw failure;
        }
    }
}
