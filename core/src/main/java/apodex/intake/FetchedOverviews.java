package apodex.intake;

import apodex.audio.AtHand;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;

/**
 * Overviews of recordings that lie elsewhere. One takes a fiftieth of its recording and is enough to draw it from afar: nobody waits for
 * all the sound of a session to see it.
 */
final class FetchedOverviews {
    private final RecordingFolder folder;
    private final AtHand here;

    /** @param mostBytes that they may take on this disk */
    FetchedOverviews(RecordingFolder folder, long mostBytes) throws IOException {
        this.folder = folder;
        this.here = new AtHand(mostBytes);
        try (Stream<Path> files = Files.list(Files.createDirectories(folder.fetchedOverviews()))) {
            for (Path file : files.toList()) {
                here.isHere(file.getFileName().toString(), Files.size(file));
            }
        }
    }

    /** Its file on this disk, brought here when it has to be. */
    Path of(String sha256, Elsewhere from) throws IOException {
        Path file = file(sha256);
        here.oneAtATime(sha256, () -> {
            if (Files.exists(file)) {
                here.isUsed(sha256);
            } else {
                folder.bring(file, to -> from.fetchOverview(sha256, to));
                here.isHere(sha256, Files.size(file));
                for (String unused : here.beyond()) {
                    remove(unused);
                }
            }
        });
        return file;
    }

    void remove(String sha256) throws IOException {
        here.isGone(sha256);
        Files.deleteIfExists(file(sha256));
    }

    private Path file(String sha256) {
        return folder.fetchedOverviews().resolve(sha256);
    }
}
