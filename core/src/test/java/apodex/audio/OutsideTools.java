package apodex.audio;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;

/** Runs general command-line tools, the independent judges of what we read and write. */
public final class OutsideTools {
    private OutsideTools() {}

    /** What the tool printed, both ways; an exit other than 0 is an error. */
    public static String run(Path folder, String... command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(List.of(command))
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .start();
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (process.waitFor() != 0) {
            throw new IOException(String.join(" ", command) + " failed: " + output);
        }
        return output;
    }
}
