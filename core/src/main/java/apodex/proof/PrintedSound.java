package apodex.proof;

import apodex.audio.FlacFile;
import apodex.audio.PcmReader;
import apodex.audio.SoundFile;
import apodex.audio.SoundInfo;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** A printed file as plain samples: itself, or of FLAC what it unpacks to, for as long as this is open. */
final class PrintedSound implements AutoCloseable {
    private final SoundInfo packed;
    private final Path file;
    private final SoundInfo info;
    private final boolean unpacked;

    private PrintedSound(SoundInfo packed, Path file, boolean unpacked) throws IOException {
        this.packed = packed;
        this.file = file;
        this.info = unpacked ? SoundFile.examine(file) : packed;
        this.unpacked = unpacked;
    }

    static PrintedSound open(Path file) throws IOException {
        SoundInfo packed = SoundFile.examine(file);
        if (packed.layout() != null) {
            return new PrintedSound(packed, file, false);
        }
        Path wav = Files.createTempDirectory("apodex-proof-").resolve("sound.wav");
        try {
            FlacFile.decode(file, wav);
            return new PrintedSound(packed, wav, true);
        } catch (IOException | RuntimeException e) {
            remove(wav);
            throw e;
        }
    }

    /** What the file itself is. */
    SoundInfo packed() {
        return packed;
    }

    /** What the plain samples are. */
    SoundInfo info() {
        return info;
    }

    Path file() {
        return file;
    }

    boolean isUnpacked() {
        return unpacked;
    }

    PcmReader reader() throws IOException {
        return new PcmReader(file, info);
    }

    private static void remove(Path wav) throws IOException {
        Files.deleteIfExists(wav);
        Files.deleteIfExists(wav.getParent());
    }

    @Override
    public void close() throws IOException {
        if (unpacked) {
            remove(file);
        }
    }
}
