package apodex.signal;

import apodex.audio.AllCores;
import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.audio.SoundWriter;
import apodex.audio.WavWriter;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Station;
import apodex.time.SampleRate;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;

/**
 * One pass over a session that writes every tap's file. All files cover the same passage by construction. Memory does not
 * grow with the song: each line of the graph keeps a few blocks.
 *
 * <p>Files are complete only when {@link #print} returns; after an exception what was written is worthless and
 * stays for the caller to remove.
 */
public final class Walk {
    /** Long enough that handing work over does not count, short enough that a line's blocks stay in the cache. */
    public static final int BLOCK_FRAMES = 2_048;

    private static final long ALL = -1;

    private final Session session;
    private final List<Tap> taps;
    private final Passage passage;
    private final Recordings recordings;
    private final int threads;
    private final int blockFrames;
    private final Graph graph;
    /** Frames that are walked before the passage; negative: all there are. */
    private final long warmUpFrames;

    private final Sharing sharing;
    /** Files of the same passage that are there already. */
    private List<Tap> beside = List.of();

    private long leastEnd;
    private @Nullable SoundWriter.Listener listener;
    private Measuring measuring = Measuring.NOTHING;
    private @Nullable PlainSum plainSum;
    private @Nullable TapFile plainFile;
    private final Map<Tap, Node> nodes = new LinkedHashMap<>();
    private final Map<Tap, TapFile> files = new LinkedHashMap<>();
    private final Map<Tap, PlainCopy> copies = new LinkedHashMap<>();

    public Walk(Session session, List<Tap> taps, Passage passage, Sharing sharing, Recordings recordings, int threads) {
        this(session, taps, passage, sharing, recordings, threads, BLOCK_FRAMES);
    }

    Walk(
            Session session,
            List<Tap> taps,
            Passage passage,
            Sharing sharing,
            Recordings recordings,
            int threads,
            int blockFrames) {
        this(session, taps, passage, sharing, recordings, threads, blockFrames, ALL);
    }

    private Walk(
            Session session,
            List<Tap> taps,
            Passage passage,
            Sharing sharing,
            Recordings recordings,
            int threads,
            int blockFrames,
            long warmUpFrames) {
        this.warmUpFrames = warmUpFrames;
        this.session = session;
        this.taps = taps;
        this.passage = passage;
        this.recordings = recordings;
        this.threads = threads;
        this.blockFrames = blockFrames;
        this.sharing = sharing;
        this.graph = new Graph(session, sharing, recordings, blockFrames, new Curtain(!isToTheEnd()));
    }

    /**
     * A walk for listening: it starts only so many frames before the passage, so that sound comes at once. What began
     * earlier and still rings is missing; a print never does this.
     */
    public static Walk startingNear(
            Session session, List<Tap> taps, Passage passage, Recordings recordings, int threads, long warmUpFrames) {
        return new Walk(
                session,
                taps,
                passage,
                new Sharing(Returns.OWN_FILES, Dynamics.IN_PLACE),
                recordings,
                threads,
                BLOCK_FRAMES,
                warmUpFrames);
    }

    /**
     * Walks so that the files fit others of the same passage, which are there already.
     *
     * @param others  what they were taken from; not written again
     * @param quietAt frame of the session before which an automatic tail does not end, since others still sound
     */
    public Walk beside(List<Tap> others, long quietAt) {
        this.beside = List.copyOf(others);
        this.leastEnd = quietAt;
        return this;
    }

    /** Writes a plain sum along with the files; null for none. When they end does not depend on it. */
    public Walk along(@Nullable PlainSum wanted) {
        this.plainSum = wanted;
        return this;
    }

    /** Walks so that {@link Printed#measures} are there in the end. */
    public Walk measuring(Measuring wanted) {
        this.measuring = wanted;
        return this;
    }

    /** Whoever hears what the taps without files would hold, in interleaved frames, as it comes; may make the walk wait. */
    public Walk hearing(SoundWriter.Listener listener) {
        this.listener = listener;
        return this;
    }

    /**
     * Writes all files.
     *
     * @return what became of every tap, in order
     * @throws IOException           when a recording cannot be read or a file cannot be written
     * @throws CancellationException when the observer or an interrupt ended it
     */
    public List<Printed> print(WalkObserver observer) throws IOException {
        List<Line> lines = List.of();
        try {
            for (Tap tap : taps) {
                if (!isPlainCopy(tap)) {
                    nodes.put(tap, graph.at(row(tap), tap.station()));
                }
            }
            long tail = tailFrames();
            long end = passage.range().end() + tail;
            boolean listens = passage.tail().isAutomatic() && tail > 0;
            long latest = Math.max(openFiles(end), latestBeside());
            if (graph.curtain().falls()) {
                graph.curtain().fallAt(passage.curtain(latest));
            }
            Node plainNode = plainSum == null ? null : graph.plainly(plainSum.shares());
            long walkStart = isStateless() ? passage.range().start() : start();
            for (Tap tap : taps) {
                if (isPlainCopy(tap)) {
                    copies.put(tap, copy(tap, end, walkStart));
                }
            }
            if (plainNode != null) {
                plainFile = plainFile(plainSum, end);
                plainNode.taps.add(plainFile);
            }
            if (measuring == Measuring.ALL) {
                files.values().forEach(TapFile::measure);
                copies.values().forEach(PlainCopy::measure);
            }
            if (listener != null) {
                files.values().forEach(file -> file.hear(listener));
            }
            lines = Lines.of(graph.nodes(), walkStart, blockFrames);
            Conductor conductor = new Conductor(
                    taps.stream().filter(this::rings).map(files::get).toList(),
                    graph.nodes().stream()
                            .filter(FaderNode.class::isInstance)
                            .map(FaderNode.class::cast)
                            .toList(),
                    nodes.values().stream().mapToLong(node -> node.gap).max().orElse(0),
                    observer,
                    passage,
                    leastEnd,
                    walkStart,
                    blockFrames,
                    end,
                    latest,
                    listens,
                    session.rate().hertz());
            lines.stream().filter(Line::hasTaps).forEach(conductor::waitFor);
            copies.values().forEach(conductor::waitFor);
            List<Task> tasks = new ArrayList<>(lines);
            tasks.addAll(copies.values());
            tasks.add(conductor);
            new Crew(tasks, conductor, threads).walk();
            List<Printed> printed = AllCores.with(taps, threads, tap -> finish(tap, conductor.end()));
            if (plainFile != null) {
                plainFile.finish(conductor.end());
            }
            return printed;
        } finally {
            closeAll(lines);
        }
    }

    private long start() {
        return warmUpFrames < 0 ? 0 : Math.max(0, passage.range().start() - warmUpFrames) / BLOCK_FRAMES * BLOCK_FRAMES;
    }

    /** How long the files can go on after the range, in frames of the session. */
    private long tailFrames() {
        int second = session.rate().hertz();
        if (!passage.tail().isAutomatic()) {
            return Math.round(passage.tail().seconds() * second);
        }
        boolean rings = taps.stream().anyMatch(this::rings)
                || leastEnd > passage.range().end();
        return rings ? (long) Passage.LONGEST_TAIL_SECONDS * second : 0;
    }

    /** Whether a tap can sound behind the range; what cannot is quiet where the range ends, whether it is computed or copied. */
    private boolean rings(Tap tap) {
        return passage.tail().isAutomatic() && nodes.containsKey(tap) && nodes.get(tap).tail > 0;
    }

    private boolean isPlainCopy(Tap tap) {
        return PlainCopy.isPossible(session, row(tap), tap);
    }

    private boolean isToTheEnd() {
        return passage.range().end() >= session.frames();
    }

    /** Whether no node remembers anything, so that a walk can start anywhere. */
    private boolean isStateless() {
        return files.values().stream().allMatch(file -> file.lookAhead() == 0)
                && graph.nodes().stream()
                        .allMatch(node ->
                                node instanceof ClipNode || node instanceof FaderNode || node instanceof SumNode);
    }

    /** Opens the files that are not copied and says by how many frames the latest of them is late. */
    private long openFiles(long end) throws IOException {
        long latest = 0;
        for (Tap tap : taps) {
            if (nodes.containsKey(tap)) {
                Row row = row(tap);
                Optional<List<Clip>> placed = row.placedAt(tap.station());
                boolean exact = placed.filter(clips -> Exactness.isExact(session, clips, tap.depth()))
                        .isPresent();
                Coverage coverage = placed.map(Coverage::of).orElse(null);
                TapFile file = new TapFile(
                        tap,
                        session.rate(),
                        passage,
                        end - passage.range().start(),
                        exact,
                        coverage,
                        graph.kernels(),
                        blockFrames);
                files.put(tap, file);
                nodes.get(tap).taps.add(file);
                latest = Math.max(latest, nodes.get(tap).latency + file.lookAhead());
            }
        }
        return latest;
    }

    /** Whoever is late lets everything begin late; those that are not written must count too, or ends would differ. */
    private long latestBeside() {
        Graph others = new Graph(session, sharing, recordings, blockFrames, new Curtain(!isToTheEnd()));
        long latest = 0;
        for (Tap tap : beside) {
            if (!isPlainCopy(tap)) {
                latest = Math.max(
                        latest,
                        others.at(row(tap), tap.station()).latency
                                + TapFile.lookAhead(tap, session.rate(), others.kernels()));
            }
        }
        return latest;
    }

    private TapFile plainFile(PlainSum sum, long end) throws IOException {
        SampleRate rate = taps.get(0).rate();
        Tap tap = new Tap(
                MixRow.ID,
                Station.FADER,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                rate,
                FileKind.WAV,
                0,
                sum.file(),
                null,
                0);
        return new TapFile(
                tap, session.rate(), passage, end - passage.range().start(), false, null, graph.kernels(), blockFrames);
    }

    private PlainCopy copy(Tap tap, long end, long walkStart) throws IOException {
        long frames = passage.leadInFrames() + end - passage.range().start();
        WavWriter out = new WavWriter(tap.file(), tap.rate(), tap.channels().count(), tap.depth(), frames, tap.label());
        return new PlainCopy(
                session,
                row(tap),
                tap,
                recordings,
                out,
                passage,
                graph.curtain().frame(),
                end,
                walkStart,
                blockFrames);
    }

    private Row row(Tap tap) {
        return session.row(tap.row())
                .orElseThrow(() -> new IllegalArgumentException("There is no row “" + tap.row() + "” to print."));
    }

    private Printed finish(Tap tap, long end) throws IOException {
        PlainCopy copy = copies.get(tap);
        Printed printed = copy == null ? files.get(tap).finish(end) : copy.finish(end);
        return rings(tap) ? printed : printed.quietAt(passage.range().end());
    }

    private void closeAll(List<Line> lines) throws IOException {
        IOException failure = null;
        List<AutoCloseable> all = new ArrayList<>();
        lines.forEach(line -> all.add(line::close));
        all.addAll(files.values());
        all.addAll(copies.values());
        if (plainFile != null) {
            all.add(plainFile);
        }
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
