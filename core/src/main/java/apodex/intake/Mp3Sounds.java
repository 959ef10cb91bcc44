package apodex.intake;

import apodex.audio.Mp3Reader;
import apodex.audio.SoundFileException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** MP3s of a drop, unpacked: good enough to hold others against, never a row, since what was left out of them does not come back. */
final class Mp3Sounds {
    private static final String ENDING = ".mp3";
    private static final String UNPACKED = ".wav";

    final List<DroppedFile> files = new ArrayList<>();
    final List<Refusal> refused = new ArrayList<>();
    private final Set<DroppedFile> unpacked = new HashSet<>();

    static Mp3Sounds of(List<DroppedFile> came) throws IOException {
        Mp3Sounds sounds = new Mp3Sounds();
        for (DroppedFile file : came) {
            if (file.name().toLowerCase(Locale.ROOT).endsWith(ENDING) && Mp3Reader.isMp3(file.content())) {
                sounds.unpack(file);
            } else {
                sounds.files.add(file);
            }
        }
        return sounds;
    }

    private void unpack(DroppedFile file) throws IOException {
        Path wav = file.content().resolveSibling(file.content().getFileName() + UNPACKED);
        try {
            Mp3Reader.decode(file.content(), wav);
            DroppedFile sound = new DroppedFile(file.folder(), file.name() + UNPACKED, wav);
            unpacked.add(sound);
            files.add(sound);
        } catch (SoundFileException e) {
            Files.deleteIfExists(wav);
            refused.add(new Refusal(file.name(), e.getMessage()));
        }
    }

    boolean isLossy(DroppedFile file) {
        return unpacked.contains(file);
    }
}
