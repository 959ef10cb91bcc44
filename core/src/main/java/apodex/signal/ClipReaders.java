package apodex.signal;

import apodex.audio.PcmReader;
import apodex.session.Clip;
import apodex.session.Session;
import java.io.IOException;

/** The open recordings of one row: the last few its clips asked for, so that long rows do not hold many files. */
final class ClipReaders implements AutoCloseable {
    private static final int OPEN_AT_ONCE = 2;

    private final Session session;
    private final Recordings recordings;
    private final String[] hashes = new String[OPEN_AT_ONCE];
    private final PcmReader[] readers = new PcmReader[OPEN_AT_ONCE];
    private int oldest;

    ClipReaders(Session session, Recordings recordings) {
        this.session = session;
        this.recordings = recordings;
    }

    PcmReader of(Clip clip) throws IOException {
        for (int i = 0; i < OPEN_AT_ONCE; i++) {
            if (clip.recording().equals(hashes[i])) {
                return readers[i];
            }
        }
        int slot = oldest;
        oldest = (oldest + 1) % OPEN_AT_ONCE;
        if (readers[slot] != null) {
            readers[slot].close();
            hashes[slot] = null;
            readers[slot] = null;
        }
        readers[slot] = open(clip.recording());
        hashes[slot] = clip.recording();
        return readers[slot];
    }

    private PcmReader open(String recording) throws IOException {
        try {
            return recordings.open(recording);
        } catch (IOException e) {
            throw new UnreadableRecording(session, recording, e);
        }
    }

    @Override
    public void close() throws IOException {
        for (PcmReader reader : readers) {
            if (reader != null) {
                reader.close();
            }
        }
    }
}
