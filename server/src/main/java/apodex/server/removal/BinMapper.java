package apodex.server.removal;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** What was removed and can be brought back. */
@Mapper
interface BinMapper {
    /**
     * Something in the bin.
     *
     * @param title   of its session
     * @param words   which handoff or run of it; empty for the session itself
     * @param bytes   of printed files
     */
    record Binned(
            BinKind kind, String id, String sessionId, String title, String words, Instant removedAt, long bytes) {}

    /** @param person whose sessions; null for all. What went with something that lies there itself is not told. */
    @Select(
            """
            SELECT 'SESSION' AS kind, s.id, s.id AS session_id, s.title, '' AS words, s.removed_at,
                (SELECT COALESCE(SUM(f.bytes), 0) FROM printed_file f JOIN run r ON r.id = f.run_id
                 JOIN handoff h ON h.id = r.handoff_id WHERE h.session_id = s.id) AS bytes
            FROM session s WHERE s.removed_at IS NOT NULL AND (#{person} IS NULL OR s.owner_id = #{person})
            UNION ALL
            SELECT 'HANDOFF', h.id, s.id, s.title, JSON_VALUE(h.handoff, '$.name'), h.removed_at,
                (SELECT COALESCE(SUM(f.bytes), 0) FROM printed_file f JOIN run r ON r.id = f.run_id
                 WHERE r.handoff_id = h.id)
            FROM handoff h JOIN session s ON s.id = h.session_id
            WHERE h.removed_at IS NOT NULL AND s.removed_at IS NULL AND (#{person} IS NULL OR s.owner_id = #{person})
            UNION ALL
            SELECT 'RUN', r.id, s.id, s.title, CONCAT(JSON_VALUE(h.handoff, '$.name'), ', ', r.version), r.removed_at,
                (SELECT COALESCE(SUM(f.bytes), 0) FROM printed_file f WHERE f.run_id = r.id)
            FROM run r JOIN handoff h ON h.id = r.handoff_id JOIN session s ON s.id = h.session_id
            WHERE r.removed_at IS NOT NULL AND h.removed_at IS NULL AND s.removed_at IS NULL
                AND (#{person} IS NULL OR s.owner_id = #{person})
            ORDER BY removed_at DESC, id""")
    List<Binned> all(@Nullable String person);

    @Update("UPDATE session SET removed_at = NULL WHERE id = #{id} AND removed_at IS NOT NULL")
    int restoreSession(String id);

    @Update("UPDATE handoff SET removed_at = NULL WHERE id = #{id} AND removed_at IS NOT NULL")
    int restoreHandoff(String id);

    @Update("UPDATE run SET removed_at = NULL WHERE id = #{id} AND removed_at IS NOT NULL")
    int restoreRun(String id);

    /**
     * Runs that the rules do not keep: done, not among the last of their handoff, fetched by nobody, and under no link that is good.
     *
     * @param sessionId of which; null for all
     */
    @Select(
            """
            SELECT id FROM (
                SELECT r.id, COALESCE(s.keep_runs, (SELECT keep_runs FROM house)) AS most,
                    ROW_NUMBER() OVER (PARTITION BY r.handoff_id ORDER BY r.number DESC) AS place
                FROM run r JOIN handoff h ON h.id = r.handoff_id JOIN session s ON s.id = h.session_id
                WHERE r.state = 'DONE' AND r.id IN (SELECT id FROM live_run)) ranked
            WHERE most > 0 AND place > most
                AND NOT EXISTS (SELECT 1 FROM pickup p LEFT JOIN pickup_event e ON e.pickup_id = p.id AND e.kind = 'FETCHED'
                                WHERE p.run_id = ranked.id AND (e.id IS NOT NULL OR NOT p.withdrawn AND p.ends_at > #{now}))""")
    List<String> beyondTheRules(Instant now);
}
