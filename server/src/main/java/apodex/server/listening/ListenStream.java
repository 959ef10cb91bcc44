package apodex.server.listening;

import apodex.audio.FileKind;
import apodex.audio.SampleFormat;
import apodex.server.web.Refused;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Channels;
import apodex.signal.Passage;
import apodex.signal.Recordings;
import apodex.signal.Tap;
import apodex.signal.Walk;
import apodex.signal.WalkObserver;
import apodex.time.FrameRange;
import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CancellationException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;

/**
 * One listening: the engine's reference mix goes out as it is made, as interleaved stereo floats in little-endian order. The engine is ahead
 * of the listener by a few seconds and then waits; nothing comes to lie on the disk. When the listener leaves, the walk ends.
 */
final class ListenStream {
    /** Bytes of one frame. */
    static final int FRAME_BYTES = 2 * Float.BYTES;

    /** Longer than any house effect needs to settle to what is heard. */
    private static final double WARM_UP_SECONDS = 2.5;

    private static final int THREADS = 2;
    /** Pieces the engine may be ahead; they are up to 64 kB large. */
    private static final int PIECES_AHEAD = 64;

    private static final long LOOK_AGAIN_MS = 100;
    private static final long LOOK_FIRST_MS = 2;
    /** Who takes nothing for so long has gone without a word. */
    private static final long LONGEST_PAUSE_NANOS = TimeUnit.MINUTES.toNanos(5);

    private final Session session;
    private final FrameRange range;
    private final Recordings recordings;
    private final BlockingQueue<byte[]> pieces = new ArrayBlockingQueue<>(PIECES_AHEAD);
    private final Thread walk = new Thread(this::walk, "listening");
    private final AtomicBoolean left = new AtomicBoolean();
    private final AtomicBoolean over = new AtomicBoolean();
    private final AtomicReference<Throwable> failure = new AtomicReference<>();

    ListenStream(Session session, FrameRange range, Recordings recordings) {
        this.session = session;
        this.range = range;
        this.recordings = recordings;
    }

    /**
     * Starts the engine and waits for its first sound: until then it can still be said what is wrong.
     *
     * @throws Refused when there will be no sound; says why
     */
    void begin() {
        walk.start();
        try {
            while (pieces.isEmpty() && !over.get()) {
                Thread.sleep(LOOK_FIRST_MS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            left.set(true);
        }
        Throwable reason = failure.get();
        if (pieces.isEmpty() && reason != null) {
            throw reason instanceof IOException
                    ? Refused.unusable("This cannot be heard. " + reason.getMessage())
                    : new IllegalStateException("Listening failed.", reason);
        }
    }

    /**
     * Sends everything; returns when all has gone out.
     *
     * @throws IOException when the other side has left, or the sound cannot be made to its end
     */
    void to(OutputStream out) throws IOException {
        try {
            send(out);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("The server is going down.", e);
        } finally {
            left.set(true);
            join(walk);
        }
    }

    private void walk() {
        Tap tap = new Tap(
                        session.mix().id(),
                        Station.FADER,
                        Channels.STEREO,
                        SampleFormat.FLOAT32,
                        session.rate(),
                        FileKind.WAV,
                        0,
                        null,
                        null,
                        0)
                .withoutFile();
        Passage passage = new Passage(range, 0, Passage.Tail.NONE);
        try {
            Walk.startingNear(
                            session,
                            List.of(tap),
                            passage,
                            recordings,
                            THREADS,
                            Math.round(WARM_UP_SECONDS * session.rate().hertz()))
                    .hearing(this::hear)
                    .print(new WalkObserver() {
                        @Override
                        public void printed(double share) {
                            // what has gone out tells how far it is
                        }

                        @Override
                        public boolean isCancelled() {
                            return left.get();
                        }
                    });
        } catch (IOException | RuntimeException | OutOfMemoryError e) {
            failure.set(e);
        } finally {
            over.set(true);
        }
    }

    private void hear(byte[] frames, int count) {
        byte[] piece = Arrays.copyOf(frames, count * FRAME_BYTES);
        try {
            long since = System.nanoTime();
            while (!pieces.offer(piece, LOOK_AGAIN_MS, TimeUnit.MILLISECONDS)) {
                if (left.get() || System.nanoTime() - since > LONGEST_PAUSE_NANOS) {
                    throw new CancellationException("The listener has left.");
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new CancellationException("Interrupted.");
        }
    }

    private void send(OutputStream out) throws IOException, InterruptedException {
        long toSend = range.frames() * FRAME_BYTES;
        while (toSend > 0) {
            boolean wasOver = over.get();
            byte[] piece = pieces.poll(LOOK_AGAIN_MS, TimeUnit.MILLISECONDS);
            if (piece != null) {
                int length = (int) Math.min(piece.length, toSend);
                out.write(piece, 0, length);
                toSend -= length;
                if (pieces.isEmpty()) {
                    out.flush();
                }
            } else if (wasOver) {
                throw new IOException("The sound could not be made to its end.", failure.get());
            }
        }
        out.flush();
    }

    private static void join(Thread walk) {
        try {
            walk.join();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
