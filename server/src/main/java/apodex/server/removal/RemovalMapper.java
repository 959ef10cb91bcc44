package apodex.server.removal;

import java.time.Instant;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Takes rows out, those that point at others first. */
@Mapper
interface RemovalMapper {
    /** A run, locked: nobody reads it again or makes another of its handoff before the transaction ends. */
    record Held(String id, int number, boolean ended, String storedAs) {}

    @Select("SELECT id FROM session WHERE id = #{id} FOR UPDATE")
    String lockSession(String id);

    @Update("UPDATE session SET removed_at = #{at} WHERE id = #{id} AND removed_at IS NULL")
    int binSession(String id, Instant at);

    @Update("UPDATE handoff SET removed_at = #{at} WHERE id = #{id} AND id IN (SELECT id FROM live_handoff)")
    int binHandoff(String id, Instant at);

    @Update("UPDATE run SET removed_at = #{at} WHERE id = #{id} AND id IN (SELECT id FROM live_run)")
    int binRun(String id, Instant at);

    @Select("SELECT id FROM handoff WHERE id = #{id} FOR UPDATE")
    String lockHandoff(String id);

    /** Of a session, those that were taken off the list too. */
    @Select("SELECT id FROM handoff WHERE session_id = #{sessionId} FOR UPDATE")
    List<String> handoffs(String sessionId);

    @Select("SELECT handoff_id FROM run WHERE id = #{runId}")
    String handoffOf(String runId);

    @Select(
            """
            SELECT id, number, state IN ('DONE', 'FAILED', 'CANCELLED') AS ended,
                COALESCE(stored_as, CONCAT('runs/', id)) AS stored_as FROM run
            WHERE handoff_id = #{handoffId} ORDER BY number FOR UPDATE""")
    List<Held> runs(String handoffId);

    @Delete("DELETE FROM pickup_event WHERE pickup_id IN (SELECT id FROM pickup WHERE run_id = #{runId})")
    void pickupEvents(String runId);

    @Delete("DELETE FROM pickup WHERE run_id = #{runId}")
    void pickups(String runId);

    @Delete("DELETE FROM parcel WHERE run_id = #{runId}")
    void parcels(String runId);

    @Delete("DELETE FROM printed_file WHERE run_id = #{runId}")
    void files(String runId);

    /** How long it took is still worth knowing; of which run it was is not. */
    @Update("UPDATE pace SET run_id = UUID() WHERE run_id = #{runId}")
    void paceOfNobody(String runId);

    @Delete("DELETE FROM run WHERE id = #{runId}")
    void run(String runId);

    @Delete("DELETE FROM handoff WHERE id = #{id}")
    void handoff(String id);

    @Delete("DELETE FROM dismissal WHERE session_id = #{sessionId}")
    void dismissals(String sessionId);

    @Delete("DELETE FROM recording_use WHERE session_id = #{sessionId}")
    void uses(String sessionId);

    @Delete("DELETE FROM session_revision WHERE session_id = #{sessionId}")
    void revisions(String sessionId);

    @Delete("DELETE FROM session WHERE id = #{id}")
    void session(String id);
}
