package apodex.server.runs;

import apodex.handoff.Plan;
import jakarta.annotation.Nullable;
import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

/** Parts of runs that other nodes print. */
@Mapper
interface ShareMapper {
    String THIS = " WHERE run_id = #{runId} AND claim = #{claim} AND section = #{section}";

    /** @param name under which it lies in the storage; null before it does */
    record Share(ShareState state, Plan plan, @Nullable String name) {}

    @Insert("INSERT INTO run_share (run_id, claim, section, state, plan)"
            + " VALUES (#{runId}, #{claim}, #{section}, 'WAITING', #{plan})")
    void insert(String runId, String claim, int section, Plan plan);

    @Select("SELECT state, plan, name FROM run_share" + THIS)
    @Nullable
    Share find(String runId, String claim, int section);

    /** Whoever takes it last has it; 0 when nobody wants it any more. */
    @Update("UPDATE run_share SET state = 'PRINTING', taken = #{taken}" + THIS
            + " AND state IN ('WAITING', 'PRINTING') AND EXISTS (SELECT 1 FROM run r WHERE r.id = #{runId}"
            + " AND r.claim = #{claim} AND r.state = 'PRINTING' AND NOT r.cancel_requested)")
    int take(String runId, String claim, int section, String taken);

    @Select("SELECT COUNT(*) > 0 FROM run_share s JOIN run r ON r.id = s.run_id AND r.claim = s.claim"
            + " WHERE s.run_id = #{runId} AND s.claim = #{claim} AND s.section = #{section} AND s.taken = #{taken}"
            + " AND s.state = 'PRINTING' AND r.state = 'PRINTING' AND NOT r.cancel_requested")
    boolean isWanted(String runId, String claim, int section, String taken);

    /** 0 when somebody else has taken it since, or nobody wants it any more. */
    @Update("UPDATE run_share SET state = #{state}, name = #{name}" + THIS
            + " AND taken = #{taken} AND state = 'PRINTING'")
    int end(String runId, String claim, int section, String taken, ShareState state, @Nullable String name);

    /** 0 when it is over. */
    @Update("UPDATE run_share SET state = 'WITHDRAWN'" + THIS + " AND state IN ('WAITING', 'PRINTING')")
    int withdraw(String runId, String claim, int section);

    /** Whether somebody is at work on it, as far as is known. */
    @Select("SELECT COUNT(*) > 0 FROM scheduled_tasks WHERE task_name = 'print-share' AND task_instance = #{task}"
            + " AND picked AND last_heartbeat > UTC_TIMESTAMP(3) - INTERVAL 15 SECOND")
    boolean isAtWork(String task);

    @Select("SELECT name FROM run_share WHERE run_id = #{runId} AND name IS NOT NULL")
    List<String> names(String runId);

    @Delete("DELETE FROM run_share WHERE run_id = #{runId}")
    void forget(String runId);

    /** Runs that wait, or are under way, besides one. */
    @Select("SELECT COUNT(*) FROM run WHERE state IN ('WAITING', 'PRINTING', 'PROOFING') AND id <> #{runId}")
    int otherRuns(String runId);
}
