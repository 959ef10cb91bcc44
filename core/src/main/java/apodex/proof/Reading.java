package apodex.proof;

import apodex.audio.Digests;
import apodex.audio.PcmLayout;
import apodex.audio.SampleDigest;
import apodex.audio.SoundInfo;
import apodex.audio.SoundStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.util.HexFormat;
import java.util.zip.CRC32;

/** One file on its way through the read-back: its frames in order, and every checksum there is of it. */
final class Reading implements AutoCloseable {
    private final MessageDigest sha256 = Digests.sha256();
    private final CRC32 crc32 = new CRC32();
    private final SampleDigest digest = new SampleDigest();
    private final long bytes;
    private final long modifiedMillis;
    private final SoundStream stream;

    /** @throws IOException when it is not there, or is no sound file */
    Reading(Path file) throws IOException {
        bytes = Files.size(file);
        modifiedMillis = Files.getLastModifiedTime(file).toMillis();
        stream = new SoundStream(file, (from, at, length) -> {
            sha256.update(from, at, length);
            crc32.update(from, at, length);
        });
    }

    SoundInfo info() {
        return stream.info();
    }

    PcmLayout layout() {
        return stream.layout();
    }

    /** Reads the next frames; fewer than wanted at the end. */
    int read(byte[] into, int wanted) throws IOException {
        int frames = stream.read(into, wanted);
        digest.update(into, 0, frames * layout().frameBytes());
        return frames;
    }

    /** Reads all that is left. */
    void finish(byte[] buffer) throws IOException {
        int most = buffer.length / layout().frameBytes();
        while (read(buffer, most) == most) {}
        stream.finish();
    }

    /** What all of it comes to, once {@link #finish finished}. */
    Checksums checksums() {
        return new Checksums(
                HexFormat.of().formatHex(sha256.digest()), crc32.getValue(), digest.value(), bytes, modifiedMillis);
    }

    /**
     * Of a whole file.
     *
     * @param digest         of its samples alone
     * @param modifiedMillis when it was written last, by the file system
     */
    record Checksums(String sha256, long crc32, String digest, long bytes, long modifiedMillis) {}

    @Override
    public void close() throws IOException {
        stream.close();
    }
}
