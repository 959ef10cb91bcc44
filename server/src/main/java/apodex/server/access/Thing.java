package apodex.server.access;

/** What an address is about. All but briefs and intakes belong to a session. */
public enum Thing {
    SESSION,
    HANDOFF,
    RUN,
    PICKUP,
    /** Reached by whoever reaches a session that uses it. */
    RECORDING,
    INTAKE,
    BRIEF,
    /** What holds for all; the first account has it. */
    HOUSE
}
