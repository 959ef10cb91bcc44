package apodex.server.log;

import java.time.Instant;

/**
 * A line of the log.
 *
 * @param who name of whoever did it; empty for somebody with a link
 */
public record DeedLine(Instant at, DeedKind kind, String who, String words) {}
