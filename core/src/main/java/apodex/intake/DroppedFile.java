package apodex.intake;

import java.nio.file.Path;

/**
 * A file that arrived and lies in a temporary place.
 *
 * @param folder  it lay in, with slashes; empty for none
 * @param name    its own name, without folders
 * @param content where its bytes are; whoever keeps it moves it away
 */
public record DroppedFile(String folder, String name, Path content) {
    /** With the folders in front, as lists name it. */
    public String path() {
        return folder.isEmpty() ? name : folder + "/" + name;
    }
}
