package apodex.server.handoffs;

import apodex.handoff.Handoff;
import java.util.List;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;

@Mapper
interface HandoffMapper {
    @Insert(
            """
            INSERT INTO handoff (id, session_id, owner_id, revision, handoff)
            VALUES (#{id}, #{sessionId}, 'local', #{revision}, #{handoff})""")
    void insert(StoredHandoff handoff);

    @Select("SELECT id, session_id, revision, handoff FROM handoff WHERE id = #{id}")
    StoredHandoff find(String id);

    @Select(
            "SELECT id, session_id, revision, handoff FROM handoff WHERE session_id = #{sessionId} AND NOT removed ORDER BY created_at, id")
    List<StoredHandoff> ofSession(String sessionId);

    @Update("UPDATE handoff SET removed = TRUE WHERE id = #{id}")
    void remove(String id);

    /** What the last few runs took from their beginning to the packed parcel; null before the first. */
    @Select(
            """
            SELECT SUM(seconds) / SUM(bytes) FROM (
                SELECT TIMESTAMPDIFF(MICROSECOND, r.started_at, r.finished_at) / 1e6 AS seconds, (SELECT SUM(p.bytes) FROM parcel p WHERE p.run_id = r.id) AS bytes
                FROM run r
                WHERE r.state = 'DONE' AND r.started_at IS NOT NULL AND r.everything_fresh ORDER BY r.finished_at DESC LIMIT 5) last""")
    Double secondsPerByte();

    /** 0 when somebody else changed it first. */
    @Update(
            "UPDATE handoff SET handoff = #{handoff}, revision = #{expected} + 1 WHERE id = #{id} AND revision = #{expected}")
    int update(String id, int expected, Handoff handoff);
}
