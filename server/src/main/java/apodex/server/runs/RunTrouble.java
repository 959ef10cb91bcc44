package apodex.server.runs;

import apodex.server.web.DiskTrouble;
import java.io.IOException;
import java.nio.file.FileSystemException;
import java.util.concurrent.CancellationException;

/** Why a run failed, in words for people. */
final class RunTrouble {
    static final String OUR_SIDE = "Something went wrong on our side; the log says more.";

    private RunTrouble() {}

    static String inWords(Error e) {
        return e instanceof OutOfMemoryError
                ? "Memory ran out: this run needs more than the server has. Print fewer files at once, or give the server more."
                        + " What was printed of this run was removed."
                : OUR_SIDE;
    }

    static String inWords(IOException e) {
        return DiskTrouble.in(e)
                .map(trouble -> trouble + " What was printed of this run was removed.")
                .orElseGet(() ->
                        "Printing stopped: " + (e instanceof FileSystemException fs ? fs.getReason() : e.getMessage()));
    }

    /** Why files could not be read once more. */
    static String whyNotRead(Throwable e) {
        if (e instanceof CancellationException) {
            return "Reading was cancelled.";
        }
        return e instanceof IOException io
                ? DiskTrouble.in(io).orElse("Reading stopped: " + io.getMessage())
                : e instanceof Error error ? inWords(error) : OUR_SIDE;
    }
}
