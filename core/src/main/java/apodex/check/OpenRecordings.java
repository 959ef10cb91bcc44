package apodex.check;

import apodex.audio.PcmReader;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;

/** Recordings that were looked into, kept open for the next look: a row's clips often lie in one, edge after edge. */
final class OpenRecordings implements AutoCloseable {
    /** Far below what a system lets a program open. */
    private static final int AT_ONCE = 32;

    private final Sounds sounds;
    private final Map<String, PcmReader> readers = new LinkedHashMap<>(16, 0.75f, true);

    OpenRecordings(Sounds sounds) {
        this.sounds = sounds;
    }

    /** A recording's reader; closed by this. */
    PcmReader of(String sha256) throws IOException {
        PcmReader open = readers.get(sha256);
        if (open == null) {
            open = sounds.open(sha256);
            readers.put(sha256, open);
            if (readers.size() > AT_ONCE) {
                readers.remove(readers.keySet().iterator().next()).close();
            }
        }
        return open;
    }

    @Override
    public void close() {
        for (PcmReader reader : readers.values()) {
            try {
                reader.close();
            } catch (IOException e) {
                // only read from: nothing can be lost
            }
        }
        readers.clear();
    }
}
