package apodex.server.runs;

/** How an attempt at a run ended. */
enum RunEnding {
    DONE,
    FAILED,
    CANCELLED,
    /** Another node has taken the run up. */
    LOST
}
