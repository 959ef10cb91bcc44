package apodex.audio;

import apodex.audio.SoundInfo.Container;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;

/** Tells what a sound file is by looking into it, never by its name. */
public final class SoundFile {
    private SoundFile() {}

    /**
     * Reads the header.
     *
     * @throws SoundFileException when it is no sound file, or one that cannot be read; its message says why
     */
    public static SoundInfo examine(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            ChunkReader in = new ChunkReader(channel);
            if (in.length() == 0) {
                throw new SoundFileException("It is empty.");
            }
            if (in.length() < 12) {
                throw new SoundFileException("It is too short to be a sound file.");
            }
            SoundInfo info = byMagic(file, in);
            if (info.frames() == 0) {
                throw new SoundFileException("It has a header but not one frame of sound.");
            }
            return info;
        }
    }

    private static SoundInfo byMagic(Path file, ChunkReader in) throws IOException {
        String magic = in.id(0);
        String form = in.id(8);
        if (form.equals("WAVE")) {
            switch (magic) {
                case "RIFF":
                    return WavHeader.read(in, Container.WAV);
                case "RF64":
                    return WavHeader.read(in, Container.RF64);
                case "BW64":
                    return WavHeader.read(in, Container.BW64);
                default:
                    break;
            }
        }
        if (magic.equals("FORM") && form.equals("AIFF")) {
            return AiffHeader.read(in, Container.AIFF);
        }
        if (magic.equals("FORM") && form.equals("AIFC")) {
            return AiffHeader.read(in, Container.AIFC);
        }
        if (magic.equals("fLaC")) {
            return FlacFile.examine(file);
        }
        throw new SoundFileException("It is not a sound file that Apodex reads (WAV, RF64, AIFF or FLAC).");
    }
}
