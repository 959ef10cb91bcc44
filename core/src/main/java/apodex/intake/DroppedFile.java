package apodex.intake;

import java.nio.file.Path;

/**
 * A file that arrived and lies in a temporary place.
 *
 * @param name    its own name, without folders
 * @param content where its bytes are; whoever keeps it moves it away
 */
public record DroppedFile(String name, Path content) {}
