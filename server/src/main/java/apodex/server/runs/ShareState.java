package apodex.server.runs;

/** How far a part of a run is that another node prints. */
enum ShareState {
    WAITING,
    PRINTING,
    DONE,
    FAILED,
    /** The node that has the run prints it itself. */
    WITHDRAWN
}
