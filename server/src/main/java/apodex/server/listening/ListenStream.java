package apodex.server.listening;

import apodex.audio.SampleFormat;
import apodex.audio.WavWriter;
import apodex.audio.WorkFolder;
import apodex.session.Session;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Recordings;
import apodex.signal.Station;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import apodex.time.FrameRange;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;

/**
 * One listening: the engine writes the reference mix into a file, and what is there goes out at once, as interleaved
 * stereo floats in little-endian order. When the listener leaves, the walk ends.
 */
final class ListenStream {
    /** Longer than any house effect needs to settle to what is heard. */
    private static final double WARM_UP_SECONDS = 2.5;

    private static final int THREADS = 2;
    private static final int PIECE_BYTES = 1 << 16;
    private static final long LOOK_AGAIN_MS = 8;

    private final Session session;
    private final FrameRange range;
    private final Recordings recordings;
    private final Path folder;
    private final AtomicBoolean left = new AtomicBoolean();
    private final AtomicBoolean written = new AtomicBoolean();
    private final AtomicReference<Exception> failure = new AtomicReference<>();

    ListenStream(Session session, FrameRange range, Recordings recordings, Path folder) {
        this.session = session;
        this.range = range;
        this.recordings = recordings;
        this.folder = folder;
    }

    /** Sends everything; returns when all has gone out or the other side has left. */
    void to(OutputStream out) throws IOException {
        Path file = folder.resolve("mix.wav");
        Thread walk = new Thread(() -> walk(file), "listening");
        walk.start();
        try {
            copy(file, out);
        } finally {
            left.set(true);
            join(walk);
            WorkFolder.remove(folder);
        }
    }

    private void walk(Path file) {
        Tap tap = new Tap(
                session.mix().id(),
                Station.FADER,
                Channels.STEREO,
                SampleFormat.FLOAT32,
                session.rate(),
                Tap.FileType.WAV,
                0,
                file,
                null,
                0);
        Passage passage = new Passage(range, 0, Passage.Tail.NONE);
        try {
            Walk.startingNear(
                            session,
                            List.of(tap),
                            passage,
                            recordings,
                            THREADS,
                            Math.round(WARM_UP_SECONDS * session.rate().hertz()))
                    .print(new WalkObserver() {
                        @Override
                        public void printed(double share) {
                            // the file itself tells how far it is
                        }

                        @Override
                        public boolean isCancelled() {
                            return left.get();
                        }
                    });
        } catch (IOException | RuntimeException e) {
            failure.set(e);
        } finally {
            written.set(true);
        }
    }

    private void copy(Path file, OutputStream out) throws IOException {
        long at = WavWriter.fileBytes(session.rate(), 2, SampleFormat.FLOAT32, 0, null);
        long end = at + range.frames() * 2 * Float.BYTES;
        ByteBuffer piece = ByteBuffer.allocate(PIECE_BYTES);
        FileChannel in = null;
        try {
            while (at < end) {
                boolean over = written.get();
                if (in == null && Files.exists(file)) {
                    in = FileChannel.open(file, StandardOpenOption.READ);
                }
                piece.clear().limit((int) Math.min(PIECE_BYTES, end - at));
                int read = in == null ? -1 : in.read(piece, at);
                if (read > 0) {
                    out.write(piece.array(), 0, read);
                    at += read;
                } else if (over) {
                    return;
                } else {
                    out.flush();
                    Thread.sleep(LOOK_AGAIN_MS);
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            if (in != null) {
                in.close();
            }
        }
    }

    private static void join(Thread walk) {
        try {
            walk.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
