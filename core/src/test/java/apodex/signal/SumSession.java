package apodex.signal;

import apodex.session.Insert;
import apodex.session.Session;
import java.util.List;
import java.util.Map;

/** A session whose buses and mix work hard. */
final class SumSession {
    private SumSession() {}

    static Session compressed(Session session) {
        List<Insert> bus = List.of(
                Insert.of("compressor", Map.of("thresholdDb", -30.0, "ratio", 8.0)),
                Insert.of("saturator", Map.of("driveDb", 12.0)),
                Insert.of("hallReverb", Map.of("mixPercent", 30.0)));
        List<Insert> mix = List.of(
                Insert.of("compressor", Map.of("thresholdDb", -24.0)),
                Insert.of("amplifier", Map.of("driveDb", 6.0)),
                Insert.of("limiter", Map.of("ceilingDb", -6.0, "driveDb", 9.0)));
        return session.withRow("b2", row -> row.withStrip(row.strip().withInserts(bus)))
                .withRow("mix", row -> row.withStrip(row.strip().withInserts(mix)));
    }
}
