package apodex.server.runs;

/**
 * One attempt at a run.
 *
 * @param claim  which attempt it is: who has an older one of the run has lost it
 * @param name   under which its files lie, or will lie, in the storage
 * @param folder of this machine in which they are
 */
record Attempt(Run run, String claim, String name, RunFolder folder, RunFigures.Stopwatch watch) {
    Attempt(Run run, String claim, String name, RunFolder folder) {
        this(run, claim, name, folder, new RunFigures.Stopwatch());
    }
}
