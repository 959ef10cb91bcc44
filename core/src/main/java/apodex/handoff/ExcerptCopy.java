package apodex.handoff;

import apodex.audio.BroadcastExtension;
import apodex.audio.Dither;
import apodex.audio.PcmEncoder;
import apodex.audio.PcmReader;
import apodex.audio.SoundLabel;
import apodex.audio.SoundWriter;
import apodex.session.Recording;
import apodex.session.Session;
import apodex.session.Station;
import apodex.signal.Recordings;
import apodex.signal.UnreadableRecording;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;

/** Cuts a stretch out of a recording, sample for sample. */
final class ExcerptCopy {
    private static final int BLOCK_FRAMES = 16_384;

    private ExcerptCopy() {}

    /**
     * Writes it.
     *
     * @param folder      of the parcel
     * @param isCancelled asked now and then
     */
    static void write(Session session, Excerpt excerpt, Recordings recordings, Path folder, BooleanSupplier isCancelled)
            throws IOException {
        Path file = folder.resolve(excerpt.path());
        Files.createDirectories(file.getParent());
        SoundLabel label = label(session, excerpt);
        if (!excerpt.kind().isPacked()) {
            copy(session, excerpt, recordings, file, label, isCancelled);
            return;
        }
        Path plain =
                file.resolveSibling(file.getFileName() + excerpt.kind().plain().ending());
        copy(session, excerpt, recordings, plain, label, isCancelled);
        excerpt.kind().pack(plain, file, label);
        Files.delete(plain);
    }

    private static void copy(
            Session session,
            Excerpt excerpt,
            Recordings recordings,
            Path file,
            SoundLabel label,
            BooleanSupplier isCancelled)
            throws IOException {
        PcmEncoder encoder = new PcmEncoder(excerpt.sample(), excerpt.channels(), 0);
        double[][] block = new double[excerpt.channels()][BLOCK_FRAMES];
        byte[] bytes = new byte[BLOCK_FRAMES * encoder.frameBytes()];
        try (PcmReader in = open(session, excerpt, recordings);
                SoundWriter out = excerpt.kind()
                        .plain()
                        .open(file, excerpt.rate(), excerpt.channels(), excerpt.sample(), excerpt.frames(), label)) {
            for (long done = 0; done < excerpt.frames(); done += BLOCK_FRAMES) {
                if (isCancelled.getAsBoolean()) {
                    throw new CancellationException("Cancelled while cutting recordings.");
                }
                int count = (int) Math.min(BLOCK_FRAMES, excerpt.frames() - done);
                in.read(excerpt.start() + done, count, excerpt.firstChannel(), block, 0);
                encoder.encode(block, 0, count, done, Dither.NONE, bytes);
                out.write(bytes, count * encoder.frameBytes());
            }
            out.finish(excerpt.frames());
        }
    }

    private static PcmReader open(Session session, Excerpt excerpt, Recordings recordings) throws IOException {
        try {
            return recordings.open(excerpt.recording());
        } catch (IOException e) {
            throw new UnreadableRecording(session, excerpt.recording(), e);
        }
    }

    /** What its file says of itself. */
    static SoundLabel label(Session session, Excerpt excerpt) {
        Recording recording = session.recording(excerpt.recording());
        BroadcastExtension broadcast = BroadcastInfo.of(
                session,
                excerpt.path(),
                recording.fileName(),
                Station.RAW,
                excerpt.sample(),
                excerpt.channels(),
                excerpt.rate(),
                excerpt.timeReference());
        return new SoundLabel(
                broadcast,
                recording.title() == null ? recording.fileName() : recording.title(),
                session.song().title(),
                session.song().artist(),
                "",
                "",
                "From frame " + excerpt.start() + " of " + recording.fileName(),
                null,
                "",
                List.of());
    }
}
