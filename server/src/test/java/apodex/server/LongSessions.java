package apodex.server;

import apodex.audio.SoundBytes;
import apodex.intake.RecordingStore;
import apodex.server.sessions.Sessions;
import apodex.session.AudioRow;
import apodex.session.Clip;
import apodex.session.MixRow;
import apodex.session.Recording;
import apodex.session.Row;
import apodex.session.Session;
import apodex.session.Song;
import apodex.time.SampleRate;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** A session that takes seconds to print: one short recording, laid out again and again on many rows. */
public final class LongSessions {
    private static final int SECONDS = 10;

    private LongSessions() {}

    /** @return the session's id */
    public static String make(TestServer server, int rows, int seconds) throws IOException {
        SplittableRandom random = new SplittableRandom(5);
        int[] samples = random.ints(SECONDS * 48_000L, -400_000, 400_000).toArray();
        Path file = Files.write(Files.createTempFile("apodex-long-", ".wav"), SoundBytes.mono24(samples));
        Recording recording = server.bean(RecordingStore.class).bring(file, "long.wav");
        List<Row> all = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Clip> clips = new ArrayList<>();
            for (int at = 0; at < seconds; at += SECONDS) {
                clips.add(new Clip(recording.sha256(), 0, 1, at * 48_000L, 0, recording.frames(), -r, 0, 0));
            }
            all.add(new AudioRow("r" + r, "Row " + r, clips));
        }
        all.add(MixRow.DEFAULT);
        Session session =
                new Session(Song.titled("Long"), new SampleRate(48_000), 0, "2026-01-01", List.of(recording), all);
        return server.bean(Sessions.class).create(session, "Made for a test").id();
    }
}
