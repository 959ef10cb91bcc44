package apodex.signal;

/** Whether a walk measures what it writes. */
public enum Measuring {
    /** Whoever only listens, or compares, need not know. */
    NOTHING,
    /** Every file, as its samples lie in it. */
    ALL
}
