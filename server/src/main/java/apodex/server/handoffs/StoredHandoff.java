package apodex.server.handoffs;

import apodex.handoff.Handoff;

/** A handoff as the database keeps it. */
public record StoredHandoff(String id, String sessionId, int revision, Handoff handoff) {}
